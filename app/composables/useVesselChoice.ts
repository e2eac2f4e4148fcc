import { watchDebounced } from '@vueuse/core'
import { shallowRef, type ComputedRef } from 'vue'
import { askForVessels, type VesselAnswer, type VesselQuestion } from '~/workers/vesselChooser'

/** Answers for the question as it stands; one that was overtaken by a newer question is dropped. `null` while there is none. */
export function useVesselChoice(question: ComputedRef<VesselQuestion | null>) {
  const answer = shallowRef<VesselAnswer | null>(null)
  let asked = 0
  watchDebounced(() => JSON.stringify(question.value), async () => {
    const mine = ++asked
    const now = question.value
    const found = now && now.volumeMl >= 1 ? await askForVessels(now).catch((): VesselAnswer => ({ choices: [], problem: 'The choice of vessels could not be worked out here. Choose them by hand.' })) : null
    if (mine === asked) answer.value = found
  }, { debounce: 60, immediate: true })
  return answer
}
