import { computed, type ComputedRef } from 'vue'
import { useLatest } from './useLatest'
import { askForVessels, type VesselAnswer, type VesselQuestion } from '~/workers/vesselChooser'

const FAILED: VesselAnswer = {
  choices: [],
  problem: 'The choice of vessels could not be worked out here. Choose them by hand.',
}

/** Which vessels to fill, worked out beside the page. */
export const useVesselChoice = (question: ComputedRef<VesselQuestion | null>) =>
  useLatest(
    computed(() => (question.value && question.value.volumeMl >= 1 ? question.value : null)),
    askForVessels,
    FAILED,
  )
