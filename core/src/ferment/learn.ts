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
  /** Where the newest reading lies in what was to be expected before it, 0 to 1: of living ones, and of all. */
  place: { living: number; all: number } | null
  newestPh: number | null
  /** The newest reading less what is now expected, in its own standard deviations. */
  residual: number
  /** The newest reading less the lowest of its kind before it, and its meter's deviation. */
  rise: { ph: number; sd: number }
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
  const ways = waysOf(newest?.hour ?? 0)
  const width = ways.length
  if (!newest) {
    const prior = Float64Array.from({ length: members * width }, (_, index) => ways[index % width]!.share / members)
    const quiet = WAY_SHARE.dead
    return {
      ...drawn(z, prior, ways, seed),
      chances: ways,
      quiet,
      place: null,
      newestPh: null,
      residual: 0,
      rise: { ph: 0, sd: 0 },
    }
  }
  const of = { batch, temperature }
  const last = readings.length - 1
  const predicted = predict(batch, temperature, readings, z)
  const spread = spreadOf(newest)

  // What was to be expected of the newest reading, given those before it: fewer members tell that well enough.
  const few = Math.min(members, EXPECTING)
  const earlier = readings.slice(0, -1)
  const known = { ph: predicted.ph.subarray(0, few * readings.length), startPh: predicted.startPh.subarray(0, few) }
  const before = fit(of, earlier, ways, seed + 10, z.slice(0, few * DRAWS), logsOnWays(known, readings, ways, last))
  const expected = predict(batch, temperature, readings, before)
  const waysBefore = sharesOfWays(logsOnWays(expected, readings, ways, last), width)
  const place = { living: 0, all: 0 }
  let living = 0
  waysBefore.forEach((share, index) => {
    const row = Math.floor(index / width)
    const { way } = ways[index % width]!
    const ph = phOnWay(way, expected.ph[row * readings.length + last]!, newest.hour, expected.startPh[row]!)
    const below = share * studentBelow((newest.ph - ph) / spread)
    place.all += below
    if (way.kind !== 'living') return
    place.living += below
    living += share
  })
  place.living = living > 0 ? place.living / living : 1

  const fitting = fit(of, readings, ways, seed + 20, z, logsOnWays(predicted, readings, ways))
  const now = predict(batch, temperature, readings, fitting)
  const shares = sharesOfWays(logsOnWays(now, readings, ways), width)
  let mean = 0
  let quiet = 0
  shares.forEach((share, index) => {
    const row = Math.floor(index / width)
    const { way } = ways[index % width]!
    mean += share * phOnWay(way, now.ph[row * readings.length + last]!, newest.hour, now.startPh[row]!)
    if (way.kind === 'dead' || wakesAt(fitting[row * DRAWS + LATE]!) > newest.hour) quiet += share
  })
  const lowest = Math.min(...earlier.filter((reading) => reading.of === newest.of).map((reading) => reading.ph))
  return {
    ...drawn(fitting, shares, ways, seed + 30),
    chances: byWay(shares, ways),
    quiet,
    place,
    newestPh: newest.ph,
    residual: (newest.ph - mean) / spread,
    rise: { ph: Number.isFinite(lowest) ? newest.ph - lowest : 0, sd: newest.sd },
  }
}
