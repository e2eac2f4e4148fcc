import { within } from '../invalid'
import type { Batch } from './batch'
import { crossingsOf, type CrossingHours } from './crossing'
import { learn, type Learned, type PhReading, type Sampled } from './learn'
import { DRAWS, memberOf } from './member'
import { COLUMNS, runMember, SHOWN } from './run'
import { temperatureAt, type TemperaturePlan } from './temperature'
import { PH_LINE } from './clock'
import { CALM_GAS, FERMENTED_FALL, RISE, SETTLED_FALL } from './settled'

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
}

/** What the newest reading says against what was to be expected. */
export type Flag = 'none' | 'behind' | 'distrust' | 'rise'

/** The forecast of a batch: its course, and what its readings taught. */
export interface FermentForecast extends Course {
  flag: Flag
  why: string
  dead: number
  /** When 4.6 was or will be passed, the other ways a batch can go counted in. */
  crossing: Record<Sampled, CrossingHours>
  learned: Learned
}

/** Bands are drawn so much wider than the members spread: models are too sure of themselves. Judgement. */
const WIDER = 1.2

/** Members that tell well enough when 4.6 was passed. */
const CROSSING_MEMBERS = 120

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

/** Runs draws through a scenario. */
export function courseOf({ batch, temperature }: Scenario, z: Float64Array, targetPh: number, days: number): Course {
  const hours = forecastHours(days)
  const members = z.length / DRAWS
  const width = hours.length * COLUMNS
  const all = new Float64Array(members * width)
  for (let member = 0; member < members; member++)
    runMember(memberOf(batch, z, member * DRAWS), temperature, hours, all, member * width)
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
  /** The first hour at which a member meets a condition, between outputs where its pH crosses a line. */
  const when = (met: (row: number, step: number) => boolean, lineAt?: number): When => {
    for (let member = 0; member < members; member++) {
      let step = 0
      while (step < hours.length && !met(member * width + step * COLUMNS, step)) step++
      values[member] = step < hours.length ? hours[step]! : Infinity
      if (lineAt === undefined || step === 0 || step >= hours.length) continue
      const here = all[member * width + step * COLUMNS]!
      const before = all[member * width + (step - 1) * COLUMNS]!
      values[member] = hours[step - 1]! + ((hours[step]! - hours[step - 1]!) * (before - lineAt)) / (before - here)
    }
    const [early, typical, late] = quantiles(values, [0.1, 0.5, 0.9]).map((value) =>
      Number.isFinite(value) ? value : null,
    )
    return { early: early ?? null, typical: typical ?? null, late: late ?? null }
  }
  const gasColumn = SHOWN.indexOf('gasPerDay')
  return {
    hours: [...hours],
    blended: bandOf('blended'),
    liquid: bandOf('liquid'),
    gas: bandOf('gasPerDay'),
    gasMade: bandOf('gas').high,
    tempC: [...hours].map((hour) => temperatureAt(temperature, hour)),
    passes: when((row) => all[row]! <= PH_LINE, PH_LINE),
    ready: when(
      (row, step) =>
        step > 0 &&
        all[row]! <= targetPh &&
        all[row - step * COLUMNS]! - all[row]! >= FERMENTED_FALL &&
        all[row + gasColumn]! < CALM_GAS &&
        ((all[row - COLUMNS]! - all[row]!) / (hours[step]! - hours[step - 1]!)) * 24 < SETTLED_FALL,
    ),
  }
}

/**
 * What the newest reading says. A rise over 0.2 asks; above the 97.5 % line it is behind; far above, or dead, or past
 * explaining, the forecast is not to be trusted.
 */
function flagOf({ place, dead, residual, rise }: Learned): { flag: Flag; why: string } {
  if (rise > RISE)
    return { flag: 'rise', why: `The pH rose by ${rise.toFixed(2)}. Look for film or mould, and check the meter.` }
  if (place === null) return { flag: 'none', why: '' }
  if (dead > 0.5) return { flag: 'distrust', why: 'It looks as if nothing works in it yet.' }
  if (place > 0.995) return { flag: 'distrust', why: 'The newest pH is far above what this batch should show.' }
  if (Math.abs(residual) > 2)
    return {
      flag: 'distrust',
      why: `The newest pH is too ${residual > 0 ? 'high' : 'low'} to fit the readings before it.`,
    }
  return place > 0.975
    ? { flag: 'behind', why: 'The newest pH is above what nine in ten such batches show by now.' }
    : { flag: 'none', why: '' }
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
    ...courseOf({ batch, temperature }, learned.z, targetPh, days),
    ...flagOf(learned),
    dead: learned.dead,
    crossing: crossingsOf(batch, temperature, readings, { members: Math.min(members, CROSSING_MEMBERS), seed }),
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
