import { within } from '../invalid'
import type { Batch } from './batch'
import { flagsOf, type Flag } from './flags'
import { learn, type Ensemble, type Learned } from './learn'
import type { PhReading, Sampled } from './readings'
import { DRAWS, memberOf } from './member'
import { COLUMNS, runMember, SHOWN } from './run'
import { goOnWay, type FermentWay } from './ways'
import { temperatureAt, type TemperaturePlan } from './temperature'
import { PH_LINE } from './clock'
import { CALM_GAS, FERMENTED_FALL, SETTLED_FALL } from './settled'

/** A batch, what is known of its temperature, what was read, what it is to reach. */
export interface FermentCase {
  batch: Batch
  temperature: TemperaturePlan
  readings: readonly PhReading[]
  targetPh: number
}

/**
 * The same batch had things been, or were they to be, otherwise. The draws of the batch carry over: the same
 * bacteria.
 */
export interface Scenario {
  batch: Batch
  temperature: TemperaturePlan
}

/** How far to look, with how many members, from which seed. */
export interface ForecastOptions {
  days: number
  members?: number
  seed?: number
}

/** Low and high end of nine in ten, and the middle, at each hour of the forecast. */
export interface Band {
  low: number[]
  typical: number[]
  high: number[]
}

/**
 * When something happens, hours since packing: one in ten before `early`, one in ten after `late`; `null` where it
 * lies past the end.
 */
export interface When {
  early: number | null
  typical: number | null
  late: number | null
}

/** One course into the future. `gas` in mmol of CO2 per kg and day, `gasMade` so far, the upper end, mmol per kg. */
export interface Course {
  hours: number[]
  blended: Band
  liquid: Band
  gas: Band
  gasMade: number[]
  tempC: number[]
  passes: When
  ready: When
  /** When 4.6 was or will be passed, in the liquid and in all of it: 95 in 100 by the late end. */
  crossing: Record<Sampled, CrossingHours>
}

/** When 4.6 was, or will be, passed, h since packing: most likely, and the late end; Infinity where it never is. */
export interface CrossingHours {
  likelyH: number
  lateH: number
}

/** The forecast of a batch: its course, and what its readings taught. */
export interface FermentForecast extends Course {
  /** What stands out, the gravest first. */
  flags: readonly Flag[]
  learned: Learned
}

/** Bands are drawn so much wider than the members spread: models are too sure of themselves. Judgement. */
const WIDER = 1.2

/** Hours of a forecast: every 4 to day 10, every 12 to day 30, every 24 after. @param days 1 to 1 100. */
export function forecastHours(days: number): Float64Array {
  const end = within(days, 1, 1100, 'The days of a forecast') * 24
  const hours: number[] = []
  for (let hour = 0; hour <= end; hour += hour < 240 ? 4 : hour < 720 ? 12 : 24) hours.push(hour)
  return Float64Array.from(hours)
}

const LIVING: FermentWay = { kind: 'living' }

/** Quantiles of some values, which are sorted in place. */
const quantiles = (values: Float64Array, shares: readonly number[]): number[] => {
  values.sort()
  return shares.map((share) => values[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0)
}

/** Runs possible batches through a scenario. @param targetPh what it is to reach; @param days 1 to 1 100. */
export function courseOf(
  { batch, temperature }: Scenario,
  { z, ways }: Ensemble,
  targetPh: number,
  days: number,
): Course {
  const hours = forecastHours(days)
  const members = z.length / DRAWS
  const width = hours.length * COLUMNS
  const all = new Float64Array(members * width)
  for (let row = 0; row < members; row++) {
    const member = memberOf(batch, z, row * DRAWS)
    runMember(member, temperature, hours, all, row * width)
    goOnWay(ways[row] ?? LIVING, hours, all, row * width, member.hexose)
  }
  const values = new Float64Array(members)
  const bandOf = (shown: (typeof SHOWN)[number]): Band => {
    const column = SHOWN.indexOf(shown)
    const band: Band = { low: [], typical: [], high: [] }
    for (let step = 0; step < hours.length; step++) {
      for (let member = 0; member < members; member++) values[member] = all[member * width + step * COLUMNS + column]!
      const [low = 0, typical = 0, high = 0] = quantiles(values, [0.05, 0.5, 0.95])
      band.low.push(Math.max(0, typical - WIDER * (typical - low)))
      band.typical.push(typical)
      band.high.push(typical + WIDER * (high - typical))
    }
    return band
  }
  /** The hours at which each member first meets a condition, in order; between outputs where its pH crosses a line. */
  const hoursOf = (met: (row: number, step: number) => boolean, lineAt?: { ph: number; column: number }) => {
    for (let member = 0; member < members; member++) {
      let step = 0
      while (step < hours.length && !met(member * width + step * COLUMNS, step)) step++
      values[member] = step < hours.length ? hours[step]! : Infinity
      if (lineAt === undefined || step === 0 || step >= hours.length) continue
      const here = all[member * width + step * COLUMNS + lineAt.column]!
      const before = all[member * width + (step - 1) * COLUMNS + lineAt.column]!
      values[member] = hours[step - 1]! + ((hours[step]! - hours[step - 1]!) * (before - lineAt.ph)) / (before - here)
    }
    return (shares: readonly number[]) => quantiles(values, shares)
  }
  const when = (told: (shares: readonly number[]) => number[]): When => {
    const [early, typical, late] = told([0.1, 0.5, 0.9]).map((value) => (Number.isFinite(value) ? value : null))
    return { early: early ?? null, typical: typical ?? null, late: late ?? null }
  }
  const passing = (shown: Sampled) => {
    const column = SHOWN.indexOf(shown)
    return hoursOf((row) => all[row + column]! <= PH_LINE, { ph: PH_LINE, column })
  }
  const crossing = (shown: Sampled): CrossingHours => {
    const [likelyH = Infinity, lateH = Infinity] = passing(shown)([0.5, 0.95])
    return { likelyH, lateH }
  }
  const gasColumn = SHOWN.indexOf('gasPerDay')
  return {
    hours: [...hours],
    blended: bandOf('blended'),
    liquid: bandOf('liquid'),
    gas: bandOf('gasPerDay'),
    gasMade: bandOf('gas').high,
    tempC: [...hours].map((hour) => temperatureAt(temperature, hour)),
    passes: when(passing('blended')),
    crossing: { liquid: crossing('liquid'), blended: crossing('blended') },
    ready: when(
      hoursOf(
        (row, step) =>
          step > 0 &&
          all[row]! <= targetPh &&
          all[row - step * COLUMNS]! - all[row]! >= FERMENTED_FALL &&
          all[row + gasColumn]! < CALM_GAS &&
          ((all[row - COLUMNS]! - all[row]!) / (hours[step]! - hours[step - 1]!)) * 24 < SETTLED_FALL,
      ),
    ),
  }
}

/**
 * The forecast of a batch from what is known and what was read: one function for the plan, the lot and what-if.
 * Seeded and reproducible; 500 members unless told otherwise. Readings before packing are left out.
 * @param learned from an earlier call with the same case, to save the work.
 */
export function forecastFerment(
  { batch, temperature, readings, targetPh }: FermentCase,
  { days, members = 500, seed = 1 }: ForecastOptions,
  learned: Learned = learn(batch, temperature, readings, { members, seed }),
): FermentForecast {
  return {
    ...courseOf({ batch, temperature }, learned, targetPh, days),
    flags: flagsOf(learned, targetPh),
    learned,
  }
}

/** The hour at which a course is as sour as another one is at an hour; `null` where it never gets there. */
export function sameAs(course: Course, reference: Course, hour: number): number | null {
  const at = reference.hours.findIndex((known) => known >= hour)
  const wanted = reference.blended.typical[at < 0 ? reference.hours.length - 1 : at] ?? 0
  const index = course.blended.typical.findIndex((pH) => pH <= wanted + 1e-9)
  if (index < 0) return null
  if (index === 0) return course.hours[0] ?? 0
  const before = course.blended.typical[index - 1] ?? wanted
  const here = course.blended.typical[index] ?? wanted
  const from = course.hours[index - 1] ?? 0
  const to = course.hours[index] ?? from
  return before === here ? to : from + ((to - from) * (before - wanted)) / (before - here)
}
