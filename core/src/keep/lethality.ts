import { InvalidInput, within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'

/** A temperature of a heat record: minutes since its start, °C. */
export interface HeatPoint {
  minute: number
  tempC: number
}

/**
 * What heat is reckoned against: minutes at `refC` do as much as ten times those minutes at `refC` − `zC`.
 * `minutes` is the target where the source names one; over `highestPh` the reference may not be used.
 */
export interface HeatReference {
  id: string
  name: string
  refC: number
  zC: number
  minutes: number | null
  highestPh: number
  source: string
}

/** What heat is reckoned against where no process says otherwise. It makes no process safe. */
export const USUAL_REFERENCE: HeatReference = {
  id: 'acidified-711',
  name: '1.2 min at 71.1 °C, up to pH 4.1',
  refC: 71.1,
  zC: 10.8,
  minutes: 1.2,
  highestPh: 4.1,
  source:
    'Breidt, Sandeep and Arritt 2010: five decimal reductions of vegetative pathogens at pH 4.1 and under; from memory, medium.',
}

/** Longer without a reading than this and nothing is counted in between, minutes. Judgement. */
export const LONGEST_GAP_MIN = 5
/** A kitchen thermometer may be off by this, °C: the lower end is reckoned as if it read high. Judgement. */
export const THERMOMETER_ERROR_C = 0.5

const rate = (tempC: number, { refC, zC }: HeatReference) => 10 ** ((tempC - refC) / zC)

/**
 * Minutes at the reference that a straight line from one temperature to another in `minutes` is worth, exactly:
 * ∫ 10^((T − Tref)/z) dt = minutes × z/ln 10 × (L2 − L1)/(T2 − T1).
 */
export function rampMinutes(fromC: number, toC: number, minutes: number, reference: HeatReference): number {
  const rise = toC - fromC
  // Near a plateau the quotient loses its digits; the middle is then as good.
  return Math.abs(rise) < 1e-4
    ? minutes * rate((fromC + toC) / 2, reference)
    : (((minutes * reference.zC) / Math.LN10) * (rate(toC, reference) - rate(fromC, reference))) / rise
}

/** The same by trapezoid, as work sheets reckon it: never less than exact, since the rate bends upwards. */
export const trapezoidMinutes = (fromC: number, toC: number, minutes: number, reference: HeatReference): number =>
  (minutes * (rate(fromC, reference) + rate(toC, reference))) / 2

/** What a heat record comes to. `course` are the minutes gained so far at each point; `gaps` were not counted. */
export interface Lethality {
  minutes: Range
  trapezoid: number
  course: { minute: number; tempC: number; gained: number }[]
  gaps: { from: number; to: number }[]
  hottestC: number
  working: Working
}

/**
 * The lethality F of a measured record, in minutes at the reference. Straight lines between readings, exactly;
 * nothing for gaps longer than
 * {@link LONGEST_GAP_MIN}; the lower end as if the thermometer read {@link THERMOMETER_ERROR_C} too high.
 * @throws InvalidInput without points, with a temperature no sauce can have, or with minutes that do not rise.
 */
export function lethality(points: readonly HeatPoint[], reference: HeatReference): Lethality {
  const [first] = points
  if (!first) throw new InvalidInput('Nothing was measured.')
  for (const { tempC } of points) within(tempC, -30, 130, 'A temperature of a heat record, in °C,')
  const course = [{ ...first, gained: 0 }]
  const gaps: Lethality['gaps'] = []
  const sums = { low: 0, typical: 0, high: 0, trapezoid: 0 }
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1] ?? first, points[index] ?? first]
    const minutes = b.minute - a.minute
    if (!(minutes > 0))
      throw new InvalidInput(
        `The minutes must rise: ${formatNumber(b.minute, 1)} follows ${formatNumber(a.minute, 1)}.`,
      )
    if (minutes > LONGEST_GAP_MIN) gaps.push({ from: a.minute, to: b.minute })
    else {
      sums.typical += rampMinutes(a.tempC, b.tempC, minutes, reference)
      sums.low += rampMinutes(a.tempC - THERMOMETER_ERROR_C, b.tempC - THERMOMETER_ERROR_C, minutes, reference)
      sums.high += rampMinutes(a.tempC + THERMOMETER_ERROR_C, b.tempC + THERMOMETER_ERROR_C, minutes, reference)
      sums.trapezoid += trapezoidMinutes(a.tempC, b.tempC, minutes, reference)
    }
    course.push({ ...b, gained: sums.typical })
  }
  const { trapezoid, ...minutes } = sums
  const hottestC = Math.max(...points.map(({ tempC }) => tempC))
  return {
    minutes,
    trapezoid,
    course,
    gaps,
    hottestC,
    working: {
      what: 'Minutes at the reference',
      formula: 'F = ∫ 10^((T − Tref)/z) dt, straight lines between readings',
      numbers: [
        { name: 'Tref', value: `${formatNumber(reference.refC, 1)} °C` },
        { name: 'z', value: `${formatNumber(reference.zC, 1)} °C` },
        { name: 'readings', value: `${points.length}, hottest ${formatNumber(hottestC, 1)} °C` },
        ...gaps.map(({ from, to }) => ({
          name: 'not counted',
          value: `minute ${formatNumber(from, 1)} to ${formatNumber(to, 1)}: no reading`,
        })),
        {
          name: 'if the thermometer is off by 0.5 °C',
          value: `${formatNumber(minutes.low, 2)} to ${formatNumber(minutes.high, 2)} min`,
        },
        { name: 'by trapezoid, as on work sheets', value: `${formatNumber(trapezoid, 2)} min` },
      ],
      result: `${formatNumber(minutes.typical, 2)} min`,
      source: reference.source,
    },
  }
}
