import { shallowRef, watch, type ComputedRef } from 'vue'

/**
 * Answers for the question as it stands; one that was overtaken by a newer question is dropped. `null` while there is none.
 * @param ask resolves to the answer. @param failed what stands when it could not be asked.
 */
export function useLatest<Q, A>(question: ComputedRef<Q | null>, ask: (question: Q) => Promise<A>, failed: A) {
  const answer = shallowRef<A | null>(null)
  const busy = shallowRef(false)
  let latest: Promise<A | null> = Promise.resolve(null)
  watch(() => JSON.stringify(question.value), () => {
    const now = question.value
    const mine = now ? ask(now).catch(() => failed) : Promise.resolve(null)
    latest = mine
    busy.value = now !== null
    void mine.then((found) => {
      if (mine !== latest) return
      answer.value = found
      busy.value = false
    })
  }, { immediate: true, flush: 'sync' })
  /** Kept once the answer to the newest question stands. */
  const settled = () => latest
  return { answer, busy, settled }
}
