import { dayWords, HOUR_MS, plainNumber, sameAs, type Course, type Cut, type WhatIf, type When } from '@lactofer/core'

/** Another way to do it, as the sliders stand; 0 is "none" for starter, cold day and swing. */
export interface Scenario {
  name: string
  tempC: number
  saltPct: number
  starterPct: number
  coldDay: number
  swingC: number
  cut: Cut
}

/** So many ways are drawn together. */
export const SCENARIOS_MOST = 3

/** A new way beside those there are: as it is, but so much warmer or cooler. */
const FIRST_STEPS = [2, -3, 5]

/** A way that can be tried next. */
export function freshScenario(base: Omit<Scenario, 'name'>, others: readonly Scenario[]): Scenario {
  const name =
    ['A', 'B', 'C'].map((letter) => `Way ${letter}`).find((free) => !others.some((other) => other.name === free)) ??
    'Way D'
  return { ...base, name, tempC: Math.min(32, Math.max(2, base.tempC + (FIRST_STEPS[others.length] ?? 2))) }
}

/** Only what differs from the batch as it is. */
export function changeOf(scenario: Scenario, base: Omit<Scenario, 'name'>): WhatIf {
  return {
    ...(scenario.tempC !== base.tempC && { tempC: scenario.tempC }),
    ...(scenario.saltPct !== base.saltPct && { saltPct: scenario.saltPct }),
    ...(scenario.cut !== base.cut && { cut: scenario.cut }),
    ...(scenario.starterPct > 0 && { starterShare: scenario.starterPct / 100 }),
    ...(scenario.coldDay > 0 && { coldDay: scenario.coldDay }),
    ...(scenario.swingC > 0 && { swingC: scenario.swingC }),
  }
}

const day = (hour: number) => dayWords(hour * HOUR_MS)
const days = (hour: number) => plainNumber(hour / 24)
/** When something happens, in days since packing. */
export const whenWords = ({ early, typical, late }: When): string =>
  typical === null
    ? 'not within the time shown'
    : `about ${day(typical)} (${early === null ? '?' : days(early)} to ${late === null ? 'later than shown' : days(late)})`

/** What a way comes to, and when it is as sour as the batch as it is on a day. */
export function scenarioWords(course: Course | undefined, asItIs: Course | null, likeDay: number): string {
  if (!course || !asItIs) return 'Working it out …'
  const hour = sameAs(course, asItIs, likeDay * 24)
  return `4.6 ${whenWords(course.passes)}; ready ${whenWords(course.ready)}. As sour as it would be on day ${likeDay} if left as it is: ${hour === null ? 'not within the time shown' : `on ${day(hour)}`}.`
}
