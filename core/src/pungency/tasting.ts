import type { Range } from '../working'
import { within } from '../invalid'

/**
 * One step of a dilution tasting: so many grams of sugared water over one gram of the sample, and whether heat was
 * felt.
 */
export interface TastingStep {
  dilution: number
  felt: boolean
}

/** Dilutions go from 1:10 to 1:1 000 000. */
export const DILUTIONS = { low: 10, high: 1_000_000 } as const

/** One tongue against a panel: the factor within which nine in ten lie. Judgement; people differ that much. */
const TONGUE = 2.5

/**
 * Range of the threshold that a series has shown so far: felt at `low`, not felt at `high`. `null` ends are open. A
 * later answer counts over an earlier one of the same dilution.
 */
export function thresholdOf(series: readonly TastingStep[]): {
  low: number | null
  high: number | null
  contradicts: boolean
} {
  const newest = new Map(series.map(({ dilution, felt }) => [dilution, felt]))
  const felt = [...newest].filter(([, yes]) => yes).map(([dilution]) => dilution)
  const clear = [...newest].filter(([, yes]) => !yes).map(([dilution]) => dilution)
  const low = felt.length ? Math.max(...felt) : null
  const high = clear.length ? Math.min(...clear) : null
  return { low, high, contradicts: low !== null && high !== null && low >= high }
}

/**
 * Heat of a sample from its dilution tasting, SHU: the dilution at which heat is just felt, and what one tongue is off.
 * `null` while the series is open at an end or contradicts itself. The threshold at which Scoville's own panels
 * stopped is one part felt in so many: from memory.
 */
export function heatFromTasting(series: readonly TastingStep[]): Range | null {
  const { low, high, contradicts } = thresholdOf(series)
  if (low === null || high === null || contradicts) return null
  return { low: low / TONGUE, typical: Math.sqrt(low * high), high: high * TONGUE }
}

/**
 * The dilution to taste next: between what is known, half way on the scale of the tongue; steps of two ends the
 * series. `null` when it is close enough.
 */
export function nextDilution(series: readonly TastingStep[], expected: Range): number | null {
  const { low, high, contradicts } = thresholdOf(series)
  const tidy = (value: number) => Number(Math.min(DILUTIONS.high, Math.max(DILUTIONS.low, value)).toPrecision(1))
  if (contradicts) return null
  // Begin beyond what is expected: the first sip must not burn.
  if (low === null && high === null) return tidy(Math.max(10 * DILUTIONS.low, expected.high * 2))
  if (low === null && high !== null) return high <= DILUTIONS.low ? null : tidy(high / 4)
  if (low !== null && high === null) return low >= DILUTIONS.high ? null : tidy(low * 4)
  if (low === null || high === null || high / low <= 2.05) return null
  const middle = Number(Math.sqrt(low * high).toPrecision(2))
  return middle > low && middle < high ? middle : null
}

/** How to mix a dilution in steps of at most one in a hundred, grams of sample and of sugared water. */
export function dilutionSteps(dilution: number): { takeG: number; waterG: number }[] {
  within(dilution, DILUTIONS.low, DILUTIONS.high, 'The dilution')
  const count = Math.max(1, Math.ceil(Math.log10(dilution) / 2 - 1e-9))
  const each = dilution ** (1 / count)
  return Array.from({ length: count }, () => ({ takeG: 1, waterG: Number((each - 1).toFixed(1)) }))
}

const SPAN = 2 * 1.645
const spreadOf = ({ low, high }: Range) => Math.log(high / low) / SPAN
/** Less than a unit is none, and has no logarithm. */
const atLeastOne = ({ low, typical, high }: Range): Range => ({
  low: Math.max(1, low),
  typical: Math.max(1, typical),
  high: Math.max(1, high),
})

/**
 * Two estimates of the same heat taken together: weighed by how well each is known, in logarithms. Where they do not
 * overlap nothing is narrowed:
 * then the range covers both and `agrees` is false.
 */
export function combineHeat(supposed: Range, felt: Range): { range: Range; agrees: boolean } {
  const [estimate, tasted] = [atLeastOne(supposed), atLeastOne(felt)]
  if (tasted.low > estimate.high || estimate.low > tasted.high) {
    return {
      range: {
        low: Math.min(estimate.low, tasted.low),
        typical: Math.sqrt(estimate.typical * tasted.typical),
        high: Math.max(estimate.high, tasted.high),
      },
      agrees: false,
    }
  }
  const [a, b] = [spreadOf(estimate), spreadOf(tasted)]
  if (a === 0) return { range: estimate, agrees: true }
  const [weightA, weightB] = [1 / (a * a), 1 / (b * b)]
  const typical = Math.exp(
    (Math.log(estimate.typical) * weightA + Math.log(tasted.typical) * weightB) / (weightA + weightB),
  )
  const reach = Math.exp(1.645 / Math.sqrt(weightA + weightB))
  return { range: { low: typical / reach, typical, high: typical * reach }, agrees: true }
}
