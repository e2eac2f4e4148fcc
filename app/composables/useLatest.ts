import { shallowRef, watch, type ComputedRef } from 'vue'

/**
 * Answers for the question as it stands: one is asked at a time, and of those that come up meanwhile only the newest
 * is asked next.
 * `null` while there is none.
 * @param ask resolves to the answer. @param failed what stands when it could not be asked.
 */
export function useLatest<Q, A>(question: ComputedRef<Q | null>, ask: (question: Q) => Promise<A>, failed: A) {
  const answer = shallowRef<A | null>(null)
  const busy = shallowRef(false)
  let waiting = false
  let running: Promise<A | null> = Promise.resolve(null)

  async function work(): Promise<A | null> {
    let found: A | null = null
    while (waiting) {
      waiting = false
      const now = question.value
      found = now && (await ask(now).catch(() => failed))
    }
    answer.value = found
    busy.value = false
    return found
  }
  watch(
    () => JSON.stringify(question.value),
    () => {
      waiting = true
      if (busy.value) return
      busy.value = true
      running = work()
    },
    { immediate: true, flush: 'sync' },
  )
  /** Kept once the answer to the newest question stands. */
  const settled = () => running
  return { answer, busy, settled }
}
