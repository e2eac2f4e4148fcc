import { watchThrottled } from '@vueuse/core'
import { computed, shallowRef, type ComputedRef } from 'vue'
import { drawn } from '~/clock/breathe'
import { useLatest } from './useLatest'
import { askForForecast, type ForecastAnswer, type ForecastQuestion } from '~/workers/forecaster'

const FAILED: ForecastAnswer = {
  forecast: null,
  courses: [],
  problem: 'The forecast could not be worked out here. The readings and the deadline count.',
}

/** Members of the forecast that a page shows, and of the small one behind the round. */
export const PAGE_MEMBERS = 500
export const SHELF_MEMBERS = 120
/** Where eyes and tongue are weighed one in a hundred must be told. */
export const SENSED_MEMBERS = 300

/**
 * The forecast of a batch, worked out beside the page; follows the question at most four times a second.
 * @param members as many as the round has, where a page must say the same.
 */
export function useForecast(question: ComputedRef<Omit<ForecastQuestion, 'members'> | null>, members = PAGE_MEMBERS) {
  // Shallow: what crosses to a worker must be plain.
  const calm = shallowRef(question.value)
  watchThrottled(question, (now) => (calm.value = now), { throttle: 250, trailing: true })
  const latest = useLatest(
    computed(() => calm.value && { ...calm.value, members }),
    async (asked) => {
      await drawn()
      return askForForecast(asked, 'page')
    },
    FAILED,
  )
  return { ...latest, current: computed(() => latest.current.value && calm.value === question.value) }
}
