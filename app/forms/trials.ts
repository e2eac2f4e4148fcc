import { sameAs, type Course, type Cut, type WhatIf, type When } from '@lactofer/core'

/** Another way to do it, as the sliders stand; 0 is "none" for starter, cold day and swing. */
export interface Trial {
  name: string
  tempC: number
  saltPct: number
  starterPct: number
  coldDay: number
  swingC: number
  cut: Cut
}

/** So many ways are drawn together. */
export const TRIALS_MOST = 3

/** A new way beside those there are: as it is, but so much warmer or cooler. */
const FIRST_STEPS = [2, -3, 5]

/** A way that can be tried next. */
export function freshTrial(base: Omit<Trial, 'name'>, others: readonly Trial[]): Trial {
  const name =
    ['A', 'B', 'C'].map((letter) => `Way ${letter}`).find((free) => !others.some((other) => other.name === free)) ??
    'Way D'
  return { ...base, name, tempC: Math.min(32, Math.max(2, base.tempC + (FIRST_STEPS[others.length] ?? 2))) }
}

/** Only what differs from the batch as it is. */
export function changeOf(trial: Trial, base: Omit<Trial, 'name'>): WhatIf {
  return {
    ...(trial.tempC !== base.tempC && { tempC: trial.tempC }),
    ...(trial.saltPct !== base.saltPct && { saltPct: trial.saltPct }),
    ...(trial.cut !== base.cut && { cut: trial.cut }),
    ...(trial.starterPct > 0 && { starterShare: trial.starterPct / 100 }),
    ...(trial.coldDay > 0 && { coldDay: trial.coldDay }),
    ...(trial.swingC > 0 && { swingC: trial.swingC }),
  }
}

const day = (hour: number) => `day ${(hour / 24).toFixed(1)}`
/** When something happens, in days since packing. */
export const whenWords = ({ early, typical, late }: When): string =>
  typical === null
    ? 'not within the time shown'
    : `about ${day(typical)} (${early === null ? '?' : (early / 24).toFixed(1)} to ${late === null ? 'later than shown' : (late / 24).toFixed(1)})`

/** What a way comes to, and when it is as sour as the batch as it is on a day. */
export function trialWords(course: Course | undefined, asItIs: Course | null, likeDay: number): string {
  if (!course || !asItIs) return 'Working it out …'
  const hour = sameAs(course, asItIs, likeDay * 24)
  return `4.6 ${whenWords(course.passes)}; ready ${whenWords(course.ready)}. As sour as it would be on day ${likeDay} if left as it is: ${hour === null ? 'not within the time shown' : `on ${day(hour)}`}.`
}
