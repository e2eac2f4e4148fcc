import { shallowRef, watch, type ComputedRef } from 'vue'
import { askForVessels, type VesselAnswer, type VesselQuestion } from '~/workers/vesselChooser'

const FAILED: VesselAnswer = { choices: [], problem: 'The choice of vessels could not be worked out here. Choose them by hand.' }

/** Answers for the question as it stands; one that was overtaken by a newer question is dropped. `null` while there is none. */
export function useVesselChoice(question: ComputedRef<VesselQuestion | null>) {
  const answer = shallowRef<VesselAnswer | null>(null)
  let latest: Promise<VesselAnswer | null> = Promise.resolve(null)
  watch(() => JSON.stringify(question.value), () => {
    const now = question.value
    const mine = now && now.volumeMl >= 1 ? askForVessels(now).catch(() => FAILED) : Promise.resolve(null)
    latest = mine
    void mine.then((found) => {
      if (mine === latest) answer.value = found
    })
  }, { immediate: true, flush: 'sync' })
  /** Kept once the answer to the newest question stands. */
  const settled = () => latest
  return { answer, settled }
}
