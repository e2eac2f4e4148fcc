import { computed, shallowRef, watch, type ComputedRef } from 'vue'

/**
 * Answers for the question as it stands: one is asked at a time, and of those that come up meanwhile only the newest
 * is asked next; each stands as it comes, `current` tells whether it is the newest.
 * `null` while there is none.
 * @param ask resolves to the answer. @param failed what stands when it could not be asked.
 */
export function useLatest<Q, A>(question: ComputedRef<Q | null>, ask: (question: Q) => Promise<A>, failed: A) {
  const answer = shallowRef<A | null>(null)
  const answered = shallowRef('')
  const busy = shallowRef(false)
  let waiting = false
  let running: Promise<A | null> = Promise.resolve(null)

  async function work(): Promise<A | null> {
    while (waiting) {
      waiting = false
      const now = question.value
      const of = JSON.stringify(now)
      answer.value = now && (await ask(now).catch(() => failed))
      answered.value = of
    }
    busy.value = false
    return answer.value
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
  /** Whether the answer is to the question as it stands now, and not to an earlier one. */
  const current = computed(() => answered.value === JSON.stringify(question.value))
  return { answer, busy, current, settled }
}
