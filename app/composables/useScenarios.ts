import { computed, ref, type ComputedRef } from 'vue'
import { scenarioOf, type FermentCase, type WhatIfBase } from '@lactofer/core'
import { changeOf, scenarioWords, type Scenario } from '~/forms/scenarios'
import { lineOf } from './courseLines'
import { useForecast } from './useForecast'

/** A batch, what scenarios of it change, and how it stands as it is. */
export interface ScenarioBase {
  batch: FermentCase
  change: WhatIfBase
  asItIs: Omit<Scenario, 'name'>
  days: number
}

/** The forecast of a batch and of up to three other ways to do it, worked out together. */
export function useScenarios(base: ComputedRef<ScenarioBase | null>) {
  const scenarios = ref<Scenario[]>([])
  const likeDay = ref(6)
  const { answer, busy, current } = useForecast(
    computed(() => {
      const now = base.value
      // Cold store takes months: the look ahead follows.
      return (
        now && {
          batch: now.batch,
          days: scenarios.value.some((scenario) => scenario.coldDay > 0) ? Math.max(now.days, 190) : now.days,
          scenarios: scenarios.value.map((scenario) =>
            scenarioOf(now.batch, changeOf(scenario, now.asItIs), now.change),
          ),
        }
      )
    }),
  )
  const forecast = computed(() => answer.value?.forecast ?? null)
  /** Courses of the scenarios as they stand; none while they are worked out anew. */
  const courses = computed(() => (current.value ? (answer.value?.courses ?? []) : []))
  return {
    scenarios,
    likeDay,
    busy,
    forecast,
    problem: computed(() => answer.value?.problem ?? null),
    lines: computed(() =>
      scenarios.value.flatMap((scenario, index) => {
        const course = courses.value[index]
        return course ? [lineOf(scenario.name, course)] : []
      }),
    ),
    words: computed(() =>
      scenarios.value.map((_, index) => scenarioWords(courses.value[index], forecast.value, likeDay.value)),
    ),
  }
}
