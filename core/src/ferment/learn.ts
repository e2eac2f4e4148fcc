import type { Batch } from './batch'
import { fit, logsOnWays, picked, predict, rowsOf, sharesOfWays } from './filter'
import { DRAWS, drawMembers, LATE, uniforms, wakesAt } from './member'
import { mergeReadings, spreadOf, studentBelow, type PhReading } from './readings'
import type { TemperaturePlan } from './temperature'
import { phOnWay, WAY_SHARE, waysOf, type FermentWay, type WeighedWay } from './ways'

/** So many members tell what was to be expected of the newest reading. */
const EXPECTING = 200

/** Possible batches: a row of draws each, and the way it goes. */
export interface Ensemble {
  z: Float64Array
  ways: readonly FermentWay[]
}

/** What the readings taught. */
export interface Learned extends Ensemble {
  /** How likely it goes each way; those of one kind lie apart by their figures. Sums to 1. */
  chances: readonly WeighedWay[]
  /** Dead, or not begun by the newest reading. */
  quiet: number
  newest: Newest | null
}

/** What the newest reading says. */
export interface Newest extends Pick<PhReading, 'ph' | 'sd'> {
  /** Where it lies in what was to be expected before it, 0 to 1: of living ones, and of all. */
  place: { living: number; all: number }
  /** It less what is now expected, in its own standard deviations. */
  residual: number
  /** It less the lowest of its kind before it, pH. */
  rise: number
}

/** How likely it goes a way that something holds of. */
export const chanceOf = ({ chances }: Pick<Learned, 'chances'>, holds: (way: FermentWay) => boolean): number =>
  chances.reduce((sum, { way, share }) => sum + (holds(way) ? share : 0), 0)

/** Sums the shares of members × ways way by way. */
const byWay = (shares: Float64Array, ways: readonly WeighedWay[]): WeighedWay[] =>
  ways.map(({ way }, index) => {
    let share = 0
    for (let at = index; at < shares.length; at += ways.length) share += shares[at]!
    return { way, share }
  })

/**
 * Members, each with one way, in proportion to the shares. They are taken way by way: row by row, where each row weighs
 * the same, evenly spaced picks would all fall on the same way.
 */
function drawn(z: Float64Array, shares: Float64Array, ways: readonly WeighedWay[], seed: number): Ensemble {
  const rows = z.length / DRAWS
  const wayByWay = Float64Array.from(shares, (_, at) => shares[(at % rows) * ways.length + Math.floor(at / rows)] ?? 0)
  const places = picked(wayByWay, uniforms(seed)(), rows)
  return {
    z: rowsOf(
      z,
      places.map((place) => place % rows),
    ),
    ways: Array.from(places, (place) => ways[Math.floor(place / rows)]!.way),
  }
}

/** What is known of a batch that nobody read. */
function unread(z: Float64Array, seed: number): Learned {
  const ways = waysOf(0)
  const members = z.length / DRAWS
  const prior = Float64Array.from(
    { length: members * ways.length },
    (_, index) => ways[index % ways.length]!.share / members,
  )
  return {
    ...drawn(z, prior, ways, seed),
    ...{ chances: ways, quiet: WAY_SHARE.dead, newest: null },
  }
}

/** A way of one member at the newest reading: how likely, which, its pH then. */
type AtNewest = (share: number, way: FermentWay, ph: number, row: number) => void

/** Draws that fit some of the readings, and each of their ways at the newest one. */
function fitted(
  z: Float64Array,
  { batch, temperature, readings, ways }: Known,
  fits: number,
): { shares: Float64Array; each: (tell: AtNewest) => void } {
  const predicted = predict(batch, temperature, readings, z)
  const shares = sharesOfWays(logsOnWays(predicted, readings, ways, fits), ways.length)
  const last = readings.length - 1
  const { hour } = readings[last]!
  return {
    shares,
    each: (tell) =>
      shares.forEach((share, index) => {
        const row = Math.floor(index / ways.length)
        const { way } = ways[index % ways.length]!
        const ph = phOnWay(way, predicted.ph[row * readings.length + last]!, hour, predicted.startPh[row]!)
        tell(share, way, ph, row)
      }),
  }
}

/** What a batch is learned from. */
interface Known {
  batch: Batch
  temperature: TemperaturePlan
  readings: readonly PhReading[]
  ways: readonly WeighedWay[]
}

/** Where the newest reading lies in what was to be expected, given those before it. */
function placeOf(z: Float64Array, known: Known, logs: Float64Array, seed: number): { living: number; all: number } {
  const { readings, ways } = known
  const newest = readings.at(-1)!
  const before = fit(known, readings.slice(0, -1), ways, seed, z, logs)
  const below = { living: 0, all: 0 }
  let living = 0
  fitted(before, known, readings.length - 1).each((share, way, ph) => {
    const under = share * studentBelow((newest.ph - ph) / spreadOf(newest))
    below.all += under
    if (way.kind !== 'living') return
    below.living += under
    living += share
  })
  return { living: living > 0 ? below.living / living : 1, all: below.all }
}

/**
 * What readings teach about a batch: the prior draws that fit them, and the ways they go. Seeded: the same readings
 * give the same answer. Readings are merged first.
 */
export function learn(
  batch: Batch,
  temperature: TemperaturePlan,
  given: readonly PhReading[],
  { members = 500, seed = 1 } = {},
): Learned {
  const readings = mergeReadings(given)
  const z = drawMembers(members, seed)
  const newest = readings.at(-1)
  if (!newest) return unread(z, seed)
  const ways = waysOf(newest.hour)
  const known = { batch, temperature, readings, ways }
  const predicted = predict(batch, temperature, readings, z)

  // Fewer members tell well enough what was to be expected.
  const few = Math.min(members, EXPECTING)
  const some = { ph: predicted.ph.subarray(0, few * readings.length), startPh: predicted.startPh.subarray(0, few) }
  const logsBefore = logsOnWays(some, readings, ways, readings.length - 1)
  const place = placeOf(z.slice(0, few * DRAWS), known, logsBefore, seed + 10)

  const fitting = fit(known, readings, ways, seed + 20, z, logsOnWays(predicted, readings, ways))
  const { shares, each } = fitted(fitting, known, readings.length)
  let mean = 0
  let quiet = 0
  each((share, way, ph, row) => {
    mean += share * ph
    if (way.kind === 'dead' || wakesAt(fitting[row * DRAWS + LATE]!) > newest.hour) quiet += share
  })
  const alike = readings.slice(0, -1).filter((reading) => reading.of === newest.of)
  const lowest = Math.min(...alike.map((reading) => reading.ph))
  return {
    ...drawn(fitting, shares, ways, seed + 30),
    chances: byWay(shares, ways),
    quiet,
    newest: {
      ...{ ph: newest.ph, sd: newest.sd, place },
      residual: (newest.ph - mean) / spreadOf(newest),
      rise: alike.length ? newest.ph - lowest : 0,
    },
  }
}
