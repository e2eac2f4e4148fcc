import { watchThrottled } from '@vueuse/core'
import { computed, shallowRef, type ComputedRef } from 'vue'
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

/** The forecast of a batch, worked out beside the page; follows the question at most four times a second. */
export function useForecast(question: ComputedRef<Omit<ForecastQuestion, 'members'> | null>) {
  // Shallow: what crosses to a worker must be plain.
  const calm = shallowRef(question.value)
  watchThrottled(question, (now) => (calm.value = now), { throttle: 250, trailing: true })
  const latest = useLatest(
    computed(() => calm.value && { ...calm.value, members: PAGE_MEMBERS }),
    (asked) => askForForecast(asked, 'page'),
    FAILED,
  )
  return { ...latest, current: computed(() => latest.current.value && calm.value === question.value) }
}
