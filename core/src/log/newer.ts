import { canonical, isFuller } from './merge'

/**
 * An entry that this version does not understand: kept, merged and passed on as it is. `version` is that of the file
 * format it needs. Its id may be that of an entry which is understood here, where a newer version says it otherwise.
 */
export interface NewerEntry {
  id: string
  version: number
  entry: Record<string, unknown>
}

/** Of two that have one id, the one that stays, whoever comes first: the newer, the fuller, else by their text. */
function lasting(a: NewerEntry, b: NewerEntry): NewerEntry {
  if (a.version !== b.version) return a.version > b.version ? a : b
  if (isFuller(a.entry, b.entry)) return a
  if (isFuller(b.entry, a.entry)) return b
  return canonical(a.entry) >= canonical(b.entry) ? a : b
}

/** Which of the incoming are new, or say more than what is here. */
export function mergeNewer(existing: readonly NewerEntry[], incoming: readonly NewerEntry[]): NewerEntry[] {
  const here = new Map(existing.map((one) => [one.id, one]))
  const changed = new Map<string, NewerEntry>()
  for (const one of incoming) {
    const there = here.get(one.id)
    const stays = there ? lasting(there, one) : one
    if (stays === there) continue
    here.set(one.id, stays)
    changed.set(one.id, stays)
  }
  return [...changed.values()]
}

/** Every text in an entry, wherever in it: ids of lots are among them. */
export function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(textsIn) : []
}
