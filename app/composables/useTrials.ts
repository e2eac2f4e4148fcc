import { computed, ref, type ComputedRef } from 'vue'
import { scenarioOf, type FermentCase, type WhatIfBase } from '@lactofer/core'
import { changeOf, trialWords, type Trial } from '~/forms/trials'
import { lineOf } from './courseLines'
import { useForecast } from './useForecast'

/** A batch, what trials of it change, and how it stands as it is. */
export interface TrialBase {
  batch: FermentCase
  change: WhatIfBase
  asItIs: Omit<Trial, 'name'>
  days: number
}

/** The forecast of a batch and of up to three other ways to do it, worked out together. */
export function useTrials(base: ComputedRef<TrialBase | null>) {
  const trials = ref<Trial[]>([])
  const likeDay = ref(6)
  const { answer, busy, current } = useForecast(
    computed(() => {
      const now = base.value
      // Cold store takes months: the look ahead follows.
      return (
        now && {
          batch: now.batch,
          days: trials.value.some((trial) => trial.coldDay > 0) ? Math.max(now.days, 190) : now.days,
          scenarios: trials.value.map((trial) => scenarioOf(now.batch, changeOf(trial, now.asItIs), now.change)),
        }
      )
    }),
  )
  const forecast = computed(() => answer.value?.forecast ?? null)
  /** Courses of the trials as they stand; none while they are worked out anew. */
  const courses = computed(() => (current.value ? (answer.value?.courses ?? []) : []))
  return {
    trials,
    likeDay,
    busy,
    forecast,
    problem: computed(() => answer.value?.problem ?? null),
    lines: computed(() =>
      trials.value.flatMap((trial, index) => {
        const course = courses.value[index]
        return course ? [lineOf(trial.name, course)] : []
      }),
    ),
    words: computed(() =>
      trials.value.map((_, index) => trialWords(courses.value[index], forecast.value, likeDay.value)),
    ),
  }
}
