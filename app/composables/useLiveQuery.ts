import { liveQuery } from 'dexie'
import { onScopeDispose, shallowRef, type ShallowRef } from 'vue'

/** A query on the journal that stays current. `undefined` until the first answer; an error is kept, not swallowed. */
export function useLiveQuery<T>(query: () => Promise<T>): {
  value: ShallowRef<T | undefined>
  error: ShallowRef<unknown>
} {
  const value = shallowRef<T>()
  const error = shallowRef<unknown>()
  const subscription = liveQuery(query).subscribe({
    next: (found) => (value.value = found),
    error: (problem) => (error.value = problem),
  })
  onScopeDispose(() => subscription.unsubscribe())
  return { value, error }
}
