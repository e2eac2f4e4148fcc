import { shallowRef } from 'vue'
import { fetchAll } from './fetch'

/** What a log means, once it was fetched (`all`). */
export type Rules = typeof import('./all')

const fetched = shallowRef<Rules | null>(null)

/** Whether they are here; what is worked out from it follows. */
export const hasRules = (): boolean => fetched.value !== null

/** The rules. Only where there are entries to read, and those wait for them (`useLog`). */
export function rules(): Rules {
  if (!fetched.value) throw new Error('Entries are read before there are rules to read them by.')
  return fetched.value
}

/** Fetches them, once, and tells whoever follows `hasRules`. @throws as `fetchAll` does. */
export async function fetchRules(): Promise<Rules> {
  return (fetched.value ??= await fetchAll())
}
