import { liveQuery, type Subscription } from 'dexie'
import { onScopeDispose, shallowRef, watch, type ShallowRef, type WatchSource } from 'vue'

/**
 * A query on the journal that stays current. `undefined` until the first answer; an error is kept, not swallowed.
 * @param asked it is made while this is true; what was answered last stays.
 */
export function useLiveQuery<T>(
  query: () => Promise<T>,
  asked: WatchSource<boolean> = () => true,
): {
  value: ShallowRef<T | undefined>
  error: ShallowRef<unknown>
} {
  const value = shallowRef<T>()
  const error = shallowRef<unknown>()
  let subscription: Subscription | undefined
  const stop = () => subscription?.unsubscribe()
  watch(
    asked,
    (is) => {
      stop()
      if (is)
        subscription = liveQuery(query).subscribe({
          next: (found) => (value.value = found),
          error: (problem) => (error.value = problem),
        })
    },
    { immediate: true },
  )
  onScopeDispose(stop)
  return { value, error }
}
