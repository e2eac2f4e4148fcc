import { within } from '../invalid'
import { ofMass, type Composition } from '../composition/composition'
import { formatNumber } from '../units/number'
import { scaledTo } from './amounts'
import { forecastBlend, type Forecast } from './forecast'

/** What a trial weighs, g. Common practice: enough for a meter, little enough to throw away. */
export const TRIAL_G = { low: 50, usual: 100, high: 200 } as const

/** Steps a bench scale may have, g. */
export const SCALE_STEPS = [0.01, 0.1, 0.5, 1, 5] as const

/** A dose of fewer steps of the scale is weighed with more than 5 % error. */
const LEAST_STEPS = 10

/** A small dose taken from a solution made up in more than is needed: `pct` of it in water, `takeG` of that. */
export interface StockSolution {
  index: number
  name: string
  pct: number
  dissolveG: number
  inWaterG: number
  takeG: number
}

/** A trial as it can be weighed: grams in steps of the scale, what that comes to, and whether rounding spoils it. */
export interface Trial {
  massesG: number[]
  exactG: number[]
  was: Forecast
  will: Forecast
  warnings: string[]
  solutions: StockSolution[]
}

/** Differences between meant and weighed that matter: half of what a meter tells, and what is tasted. Judgement. */
const MATTERS = { ph: 0.02, saltPct: 0.05, heatShare: 0.05 } as const

/** Strengths a solution is made up in, percent: the strongest with which a dose is still twenty steps of the scale. */
const STRENGTHS = [20, 10, 5, 2, 1, 0.5, 0.1] as const

/**
 * A blend made small: the same shares, rounded to what the scale can weigh.
 * @throws InvalidInput when the trial is not 50 to 200 g, or there is nothing in the pot.
 */
export function trialOf(
  parts: readonly { name: string; composition: Composition; dissolves: boolean }[],
  totalG: number,
  stepG: number,
): Trial {
  within(totalG, TRIAL_G.low, TRIAL_G.high, 'A trial, in grams,')
  const exactG = scaledTo(
    parts.map(({ composition }) => composition.massG),
    totalG,
  )
  const massesG = exactG.map((grams) => Math.round(grams / stepG) * stepG).map((grams) => Number(grams.toFixed(2)))
  const poured = (masses: readonly number[]) =>
    forecastBlend(parts.map(({ composition }, index) => ofMass(composition, masses[index] ?? 0)))
  const [was, will] = [poured(exactG), poured(massesG)]
  const warnings: string[] = []
  const small = parts.flatMap(({ name, dissolves }, index) =>
    (exactG[index] ?? 0) > 0 && (exactG[index] ?? 0) < LEAST_STEPS * stepG
      ? [{ name, dissolves, index, grams: exactG[index] ?? 0 }]
      : [],
  )
  for (const { name, grams, index } of small) {
    const rounded = massesG[index] ?? 0
    warnings.push(
      rounded === 0
        ? `${name}: ${formatNumber(grams, 2)} g is less than the scale can weigh, so the trial has none of it.`
        : `${name}: ${formatNumber(grams, 2)} g on a scale of ${stepG} g can be ${formatNumber((100 * stepG) / 2 / grams)} % off.`,
    )
  }
  if (was.ph && will.ph && Math.abs(was.ph.typical - will.ph.typical) > MATTERS.ph)
    warnings.push(
      `Rounding moves the pH from ${was.ph.typical.toFixed(2)} to ${will.ph.typical.toFixed(2)}: weigh finer, or make the trial larger.`,
    )
  if (Math.abs(was.saltPct - will.saltPct) > MATTERS.saltPct)
    warnings.push(
      `Rounding moves the salt from ${formatNumber(was.saltPct, 2)} to ${formatNumber(will.saltPct, 2)} %: weigh finer, or make the trial larger.`,
    )
  if (was.shu.typical > 100 && Math.abs(was.shu.typical - will.shu.typical) > MATTERS.heatShare * was.shu.typical)
    warnings.push('Rounding moves the heat by more than a twentieth: weigh finer, or make the trial larger.')
  const solutions = small.flatMap(({ name, dissolves, index, grams }): StockSolution[] => {
    const pct = dissolves
      ? STRENGTHS.find((strength) => (grams * 100) / strength >= 2 * LEAST_STEPS * stepG)
      : undefined
    if (pct === undefined) return []
    // A hundred grams of it, so that the powder itself is weighed well.
    return [
      { index, name, pct, dissolveG: pct, inWaterG: 100 - pct, takeG: Math.round((grams * 100) / pct / stepG) * stepG },
    ]
  })
  return { massesG, exactG, was, will, warnings, solutions }
}
