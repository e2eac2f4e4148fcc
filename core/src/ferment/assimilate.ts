import type { Batch } from './batch'
import { leading, picked, rowsOf, sharesOfWays } from './filter'
import { DRAWS, drawMembers, LATE, uniforms, wakesAt } from './member'
import { mergeReadings, spreadOf, studentBelow, type PhReading } from './readings'
import { logsOnWays, predicting, type Asking, type KnownBatch, type Predicted } from './runs'
import { mergeSensed, type Sensed } from './senses'
import type { TemperaturePlan } from './temperature'
import { phOnWay, WAY_SHARE, waysOf, type FermentWay, type WeighedWay } from './ways'

/** So many members tell what was to be expected of the newest reading. */
const EXPECTING = 200

/** Possible batches: a row of draws each, and the way it goes. */
export interface Ensemble {
  z: Float64Array
  ways: readonly FermentWay[]
}

/** What was read and sensed taught. */
export interface Assimilated extends Ensemble {
  /** Draws that fit, and how likely each of them went each way of `chances`: members × ways, summing to 1. */
  fitting: Float64Array
  shares: Float64Array
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
export const chanceOf = ({ chances }: Pick<Assimilated, 'chances'>, holds: (way: FermentWay) => boolean): number =>
  chances.reduce((sum, { way, share }) => sum + (holds(way) ? share : 0), 0)

/** What a batch is learned from. */
export interface Taught {
  batch: Batch
  temperature: TemperaturePlan
  readings: readonly PhReading[]
  sensed?: readonly Sensed[]
}

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

/** What is known of a batch of which nothing was read or sensed. */
function unknown(z: Float64Array, seed: number): Assimilated {
  const ways = waysOf(0)
  const members = z.length / DRAWS
  const prior = Float64Array.from(
    { length: members * ways.length },
    (_, index) => ways[index % ways.length]!.share / members,
  )
  return {
    ...drawn(z, prior, ways, seed),
    ...{ fitting: z, shares: prior, chances: ways, quiet: WAY_SHARE.dead, newest: null },
  }
}

/** A way of one member at the newest reading: how likely, which, its pH then. */
type AtNewest = (share: number, way: FermentWay, ph: number, row: number) => void

/** How likely draws go each way, and each of their ways at the newest reading. */
interface Fitted {
  shares: Float64Array
  each: (tell: AtNewest) => void
}
/** Draws that fit some of the readings. */
function* fitted(z: Float64Array, known: KnownBatch, fits: number): Asking<Fitted> {
  const { readings, ways } = known
  const predicted = yield* predicting(known, z)
  const shares = sharesOfWays(logsOnWays(predicted, known, fits), ways.length)
  const last = readings.length - 1
  return {
    shares,
    each: (tell) =>
      shares.forEach((share, index) => {
        const { hour } = readings[last]!
        const row = Math.floor(index / ways.length)
        const { way } = ways[index % ways.length]!
        const ph = phOnWay(way, predicted.ph[row * readings.length + last]!, hour, predicted.startPh[row]!)
        tell(share, way, ph, row)
      }),
  }
}

/** Where the newest reading lies in what was to be expected, given those before it. What was sensed is left out. */
function* placeOf(
  z: Float64Array,
  known: KnownBatch,
  logs: Float64Array,
  seed: number,
): Asking<{ living: number; all: number }> {
  const { readings } = known
  const newest = readings.at(-1)!
  const before = yield* leading({ ...known, readings: readings.slice(0, -1) }, seed, z, logs)
  const below = { living: 0, all: 0 }
  let living = 0
  const { each } = yield* fitted(before, known, readings.length - 1)
  each((share, way, ph) => {
    const under = share * studentBelow((newest.ph - ph) / spreadOf(newest))
    below.all += under
    if (way.kind !== 'living') return
    below.living += under
    living += share
  })
  return { living: living > 0 ? below.living / living : 1, all: below.all }
}

/** The newest reading against what it was to be, before it and now; `null` where nothing was read. */
function* newestOf(
  known: KnownBatch,
  z: Float64Array,
  { ph, startPh }: Predicted,
  { fitting, each }: { fitting: Float64Array; each: (tell: AtNewest) => void },
  seed: number,
): Asking<{ newest: Newest; quiet: number }> {
  const { readings } = known
  const newest = readings.at(-1)!
  // Fewer members tell well enough what was to be expected.
  const few = Math.min(startPh.length, EXPECTING)
  const byReadings: KnownBatch = { ...known, sensed: [] }
  const some: Predicted = {
    ...{ ph: ph.subarray(0, few * readings.length), startPh: startPh.subarray(0, few) },
    senses: new Float64Array(few * known.ways.length),
  }
  const logsBefore = logsOnWays(some, byReadings, readings.length - 1)
  const place = yield* placeOf(z.slice(0, few * DRAWS), byReadings, logsBefore, seed + 10)
  let mean = 0
  let quiet = 0
  each((share, way, at, row) => {
    mean += share * at
    if (way.kind === 'dead' || wakesAt(fitting[row * DRAWS + LATE]!) > newest.hour) quiet += share
  })
  const alike = readings.slice(0, -1).filter((reading) => reading.of === newest.of)
  const lowest = Math.min(...alike.map((reading) => reading.ph))
  return {
    quiet,
    newest: {
      ...{ ph: newest.ph, sd: newest.sd, place },
      residual: (newest.ph - mean) / spreadOf(newest),
      rise: alike.length ? newest.ph - lowest : 0,
    },
  }
}

/**
 * What readings, and what was seen and tasted, teach about a batch: prior draws that fit them, and the ways they go.
 * Seeded: the same case gives the same answer. Readings and looks at once are merged first.
 */
export function* assimilating(
  { batch, temperature, readings: read, sensed: felt = [] }: Taught,
  { members = 500, seed = 1 } = {},
): Asking<Assimilated> {
  const readings = mergeReadings(read)
  const sensed = felt.map(mergeSensed).filter(({ seen }) => seen.length > 0)
  const z = drawMembers(members, seed)
  const newest = readings.at(-1)
  if (!newest && sensed.length === 0) return unknown(z, seed)
  const ways = waysOf(newest?.hour ?? 0)
  const known: KnownBatch = { batch, temperature, readings, sensed, ways }
  const predicted = yield* predicting(known, z)
  const fitting = yield* leading(known, seed + 20, z, logsOnWays(predicted, known))
  const { shares, each } = yield* fitted(fitting, known, readings.length)
  const chances = byWay(shares, ways)
  return {
    ...drawn(fitting, shares, ways, seed + 30),
    ...{ fitting, shares, chances },
    ...(newest
      ? yield* newestOf(known, z, predicted, { fitting, each }, seed)
      : { newest: null, quiet: chanceOf({ chances }, ({ kind }) => kind === 'dead') }),
  }
}
