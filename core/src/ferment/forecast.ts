import { within } from '../invalid'
import type { Batch } from './batch'
import { flagsOf, type Flag } from './flags'
import { assimilating, type Ensemble, type Assimilated } from './assimilate'
import type { PhReading, Sampled } from './readings'
import { COLUMNS, SHOWN } from './shown'
import { alone, running, type Asking } from './runs'
import type { Sensed } from './senses'
import { underLine } from './underLine'
import { temperatureAt, type TemperaturePlan } from './temperature'
import { PH_LINE } from './clock'
import { CALM_GAS, FERMENTED_FALL, SETTLED_FALL } from './settled'

/**
 * A batch, what is known of its temperature, what was read and sensed, what it is to reach. `allowed`: until when it
 * must have passed 4.6 to have done so in its time, h since packing.
 */
export interface FermentCase {
  batch: Batch
  temperature: TemperaturePlan
  readings: readonly PhReading[]
  targetPh: number
  sensed?: readonly Sensed[]
  allowed?: Record<Sampled, number>
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
  /** One in ten of those that get there do so after this: for plans, never for a verdict. */
  lateOfThose: number | null
  /** Share of the batches that do not get there in the time that is looked at, 0 to 1. */
  missed: number
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

/**
 * When 4.6 was, or will be, passed, h since packing, by one in twenty, half, nine in ten and nineteen in twenty of the
 * members; Infinity where it never is.
 */
export interface CrossingHours {
  earlyH: number
  likelyH: number
  mostH: number
  lateH: number
}

/** The forecast of a batch: its course, and what its readings taught. */
export interface FermentForecast extends Course {
  /**
   * How likely it has passed 4.6 in its time and stands under it, at each hour of the course; `null` where nothing was
   * sensed, or no time is set.
   */
  under: number[] | null
  /** What stands out, the gravest first. */
  flags: readonly Flag[]
  learned: Assimilated
}

/**
 * Bands are drawn so much wider than the members spread: models are too sure of themselves. The upper end of a pH is
 * not: standstills and late starts lie there already. Judgement, held against hidden batches.
 */
const WIDER = { ph: { down: 1.3, up: 1 }, gas: { down: 1.2, up: 1.2 } } as const

/** Hours of a forecast: every 4 to day 10, every 12 to day 30, every 24 after. @param days 1 to 1 100. */
export function forecastHours(days: number): Float64Array {
  const end = within(days, 1, 1100, 'The days of a forecast') * 24
  const hours: number[] = []
  for (let hour = 0; hour <= end; hour += hour < 240 ? 4 : hour < 720 ? 12 : 24) hours.push(hour)
  return Float64Array.from(hours)
}

/** Quantiles of some values, which are sorted in place. */
const quantiles = (values: Float64Array, shares: readonly number[]): number[] => {
  values.sort()
  return shares.map((share) => values[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0)
}

/** What is read off the runs of possible batches through a scenario. */
class Runs {
  private readonly members: number
  private readonly width: number
  private readonly values: Float64Array

  /** @param all what they show, members × hours × {@link COLUMNS}. */
  constructor(
    private readonly all: Float64Array,
    readonly hours: Float64Array,
  ) {
    this.width = hours.length * COLUMNS
    this.members = all.length / this.width
    this.values = new Float64Array(this.members)
  }

  /** Nine in ten of them, at every hour. */
  band(shown: (typeof SHOWN)[number], wider: { down: number; up: number } = WIDER.ph): Band {
    const { hours, members, width, all, values } = this
    const column = SHOWN.indexOf(shown)
    const band: Band = { low: [], typical: [], high: [] }
    for (let step = 0; step < hours.length; step++) {
      for (let member = 0; member < members; member++) values[member] = all[member * width + step * COLUMNS + column]!
      const [low = 0, typical = 0, high = 0] = quantiles(values, [0.05, 0.5, 0.95])
      band.low.push(Math.max(0, typical - wider.down * (typical - low)))
      band.typical.push(typical)
      band.high.push(typical + wider.up * (high - typical))
    }
    return band
  }

  /** The hour at which each of them first meets a condition, Infinity where it never does. */
  private first(met: (row: number, step: number) => boolean): Float64Array {
    const { hours, members, width, values } = this
    for (let member = 0; member < members; member++) {
      let step = 0
      while (step < hours.length && !met(member * width + step * COLUMNS, step)) step++
      values[member] = step < hours.length ? hours[step]! : Infinity
    }
    return values
  }

  /** When each of them passes 4.6, between two outputs. */
  passing(of: Sampled): Float64Array {
    const { hours, all } = this
    const column = SHOWN.indexOf(of)
    const crossed: number[] = []
    this.first((row, step) => {
      const here = all[row + column]!
      if (here > PH_LINE) return false
      const before = step ? all[row - COLUMNS + column]! : here
      const back = before > PH_LINE ? ((here - PH_LINE) / (here - before)) * (hours[step]! - hours[step - 1]!) : 0
      crossed[Math.floor(row / this.width)] = hours[step]! - back
      return true
    })
    return this.values.map((value, member) => (Number.isFinite(value) ? crossed[member]! : value))
  }

  /** When each of them stands settled at a target: fallen, calm, at or under it. */
  settling(targetPh: number): Float64Array {
    const { hours, all } = this
    const gas = SHOWN.indexOf('gasPerDay')
    return this.first(
      (row, step) =>
        step > 0 &&
        all[row]! <= targetPh &&
        all[row - step * COLUMNS]! - all[row]! >= FERMENTED_FALL &&
        all[row + gas]! < CALM_GAS &&
        ((all[row - COLUMNS]! - all[row]!) / (hours[step]! - hours[step - 1]!)) * 24 < SETTLED_FALL,
    )
  }
}

/** Hours of many as one in ten, half and nine in ten have it; sorted in place. */
function when(values: Float64Array): When {
  const missed = values.filter((value) => !Number.isFinite(value)).length / values.length
  const [early, typical, late] = quantiles(values, [0.1, 0.5, 0.9]).map((value) =>
    Number.isFinite(value) ? value : null,
  )
  // Sorted by now: those that never get there stand last.
  const there = Math.round(values.length * (1 - missed))
  const lateOfThose = there > 0 ? (values[Math.min(there - 1, Math.floor(0.9 * there))] ?? null) : null
  return { early: early ?? null, typical: typical ?? null, late: late ?? null, lateOfThose, missed }
}

function crossingOf(values: Float64Array): CrossingHours {
  const [earlyH = Infinity, likelyH = Infinity, mostH = Infinity, lateH = Infinity] = quantiles(
    values,
    [0.05, 0.5, 0.9, 0.95],
  )
  return { earlyH, likelyH, mostH, lateH }
}

/** Runs possible batches through a scenario. @param targetPh what it is to reach; @param days 1 to 1 100. */
export function* coursing(scenario: Scenario, { z, ways }: Ensemble, targetPh: number, days: number): Asking<Course> {
  const wanted = forecastHours(days)
  const runs = new Runs(yield* running({ scenario, z, ways, hours: wanted }), wanted)
  const hours = [...wanted]
  return {
    hours,
    blended: runs.band('blended'),
    liquid: runs.band('liquid'),
    gas: runs.band('gasPerDay', WIDER.gas),
    gasMade: runs.band('gas', WIDER.gas).high,
    tempC: hours.map((hour) => temperatureAt(scenario.temperature, hour)),
    passes: when(runs.passing('blended')),
    crossing: { liquid: crossingOf(runs.passing('liquid')), blended: crossingOf(runs.passing('blended')) },
    ready: when(runs.settling(targetPh)),
  }
}
/** A course worked out by one alone: see {@link coursing}. */
export const courseOf = (scenario: Scenario, batches: Ensemble, targetPh: number, days: number): Course =>
  alone(coursing(scenario, batches, targetPh, days))

/**
 * The forecast of a batch from what is known and what was read: one function for the plan, the lot and what-if.
 * Seeded and reproducible; 500 members unless told otherwise. Readings before packing are left out.
 * @param learned from an earlier call with the same case, to save the work.
 */
export function* forecasting(
  known: FermentCase,
  { days, members = 500, seed = 1 }: ForecastOptions,
  learned?: Assimilated,
): Asking<FermentForecast> {
  const { batch, temperature, targetPh, sensed = [], allowed } = known
  const scenario = { batch, temperature }
  const taught = learned ?? (yield* assimilating(known, { members, seed }))
  return {
    ...(yield* coursing(scenario, taught, targetPh, days)),
    under: sensed.length && allowed ? underLine(scenario, taught, forecastHours(days), allowed) : null,
    flags: flagsOf(taught, targetPh),
    learned: taught,
  }
}
/** A forecast worked out by one alone: see {@link forecasting}. */
export const forecastFerment = (known: FermentCase, options: ForecastOptions): FermentForecast =>
  alone(forecasting(known, options))

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
