import { formatNumber } from '../units/number'
import { boilingMinutesAdded, boilingPointC } from './boiling'
import { lastFilledC } from './hotFill'
import { lethality, LONGEST_GAP_MIN, type HeatPoint, type HeatReference } from './lethality'
import { seen, upperPhOf, type ReleaseCase, type ReleaseCheck } from './releaseCase'
import { BOIL_MIN, FILL_LEAST_C } from './ways'

/** Water this far under its boiling point still counts as boiling, °C: weather and thermometer. Judgement. */
const BOILS_WITHIN_C = 1.5

/** How warm the last bottle was when it was filled. */
function fillCheck(lastBottle: ReleaseCase['heat']['lastBottle']): ReleaseCheck {
  const check = { id: 'fill', title: 'Hot fill', evidence: seen(lastBottle?.evidence) } as const
  if (!lastBottle)
    return {
      ...check,
      verdict: 'stop',
      sentence: 'Measure the temperature in the last bottle filled. A prediction does not count.',
    }
  const lastC = lastFilledC(lastBottle.points)
  const told = `Last bottle at ${formatNumber(lastC, 1)} °C`
  return lastC >= FILL_LEAST_C
    ? { ...check, verdict: 'pass', sentence: `${told}. Your process authority sets the target.` }
    : {
        ...check,
        verdict: 'stop',
        sentence: `${told}: under ${FILL_LEAST_C} °C. Reheat and fill again, or keep it cold as live.`,
      }
}

/** What the record of the pot is worth against the reference chosen, for a sauce of at most so much pH. */
function potVerdict(
  points: readonly HeatPoint[],
  reference: HeatReference,
  upperPh: number | null,
): Pick<ReleaseCheck, 'verdict' | 'sentence' | 'working'> {
  const { minutes, gaps, working } = lethality(points, reference)
  const against = `${formatNumber(minutes.low, minutes.low < 100 ? 1 : 0)} min at ${formatNumber(reference.refC, 1)} °C measured at least`
  const told = gaps.length
    ? ` ${gaps.length === 1 ? 'One gap' : `${gaps.length} gaps`} in the record: not counted.`
    : ''
  if (upperPh !== null && upperPh > reference.highestPh)
    return {
      verdict: 'stop',
      sentence: `The reference chosen holds up to pH ${reference.highestPh.toFixed(1)}; this sauce may be ${upperPh.toFixed(2)}. It says nothing here: more acid, or another reference from your process authority.`,
      working,
    }
  if (reference.minutes === null)
    return {
      verdict: 'stop',
      sentence: `${against}.${told} This reference names no minutes, so it passes nothing: write down those your process authority named.`,
      working,
    }
  const asked = `${against}; the reference asks ${formatNumber(reference.minutes, 2)}.${told}`
  if (minutes.low < reference.minutes)
    return { verdict: 'stop', sentence: `${asked} Cook it again and log it.`, working }
  return {
    verdict: gaps.length ? 'ask' : 'pass',
    sentence: `${asked} That is what was measured, not an approval.`,
    working,
  }
}

/** The measured heat of the pot against the reference chosen. */
export function processCheck({
  treatment,
  reading,
  heat: { reference, pot, lastBottle },
}: ReleaseCase): ReleaseCheck[] {
  if (treatment !== 'cooked-hot-fill') return []
  const check = { id: 'heat', title: 'Heat record of the pot', evidence: seen(pot?.evidence) } as const
  const verdict = pot
    ? potVerdict(pot.points, reference, reading ? upperPhOf(reading) : null)
    : {
        verdict: 'stop' as const,
        sentence:
          'The temperature of the pot was not logged, or longer than two days before. Cook it, and log it: without a measured record nothing can be said of the heat.',
      }
  return [{ ...check, ...verdict }, fillCheck(lastBottle)]
}

/**
 * The longest that water boiled without a break, minutes: where it left the boil the time begins anew (common practice
 * of boiling jars), and over a gap in the record nobody knows that it did not.
 */
export function boiledMin(points: readonly HeatPoint[], boilsC: number): number {
  let [stretch, longest] = [0, 0]
  for (const [index, point] of points.entries()) {
    const before = points[index - 1]
    const boiled =
      before &&
      point.minute - before.minute <= LONGEST_GAP_MIN &&
      Math.min(before.tempC, point.tempC) >= boilsC - BOILS_WITHIN_C
    stretch = boiled ? stretch + point.minute - before.minute : 0
    longest = Math.max(longest, stretch)
  }
  return longest
}

/** Jars in boiling water: how long the water really boiled. */
export function boilCheck({ treatment, altitudeM, heat: { water } }: ReleaseCase): ReleaseCheck[] {
  if (treatment !== 'boiled-in-jar') return []
  const check = { id: 'boil', title: 'Time in boiling water', evidence: seen(water?.evidence) }
  const asked = BOIL_MIN + boilingMinutesAdded(altitudeM)
  const boils = boilingPointC(altitudeM)
  if (!water)
    return [
      {
        ...check,
        verdict: 'stop',
        sentence: `The water was not logged. ${asked} min at ${formatNumber(boils, 1)} °C are asked at ${formatNumber(altitudeM)} m.`,
      },
    ]
  const boiled = boiledMin(water.points, boils)
  return [
    {
      ...check,
      verdict: boiled >= asked ? 'pass' : 'stop',
      sentence: `${formatNumber(boiled, 1)} min of boiling measured without a break; ${asked} are asked at ${formatNumber(altitudeM)} m, where water boils at ${formatNumber(boils, 1)} °C.`,
    },
  ]
}

/** Whether the way of keeping was carried out: its heat checks pass. */
export const carriedOut = (input: ReleaseCase): boolean => {
  const checks = [...processCheck(input), ...boilCheck(input)]
  return checks.length > 0 && checks.every(({ verdict }) => verdict !== 'stop')
}
