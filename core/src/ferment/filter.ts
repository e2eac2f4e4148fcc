import { DRAWS, normals, uniforms } from './member'
import { weighing, type Asking, type KnownBatch } from './runs'

/* Draws led to what was read: weighed, and where too few are left, moved there in tempered steps. */

/** Under this many effective members of 500 the draws are moved. */
const LEAST_EFFECTIVE = 100 / 500
/** Effective share kept at each tempering step, moves after each, and length of a move. */
const KEEP = 0.4
const MOVES = 3
const STRIDE = 0.45
/** At most so many tempered steps, of so many members. */
const STAGES = 12
const TEMPERED = 300

/** Sum of exponentials without overflow, as a logarithm. */
function logSum(values: ArrayLike<number>, from = 0, to = values.length): number {
  let most = -Infinity
  for (let index = from; index < to; index++) if (values[index]! > most) most = values[index]!
  if (most === -Infinity) return most
  let sum = 0
  for (let index = from; index < to; index++) sum += Math.exp(values[index]! - most)
  return most + Math.log(sum)
}

/** Weights from logarithms, summing to 1. */
function normalised(logs: Float64Array): Float64Array {
  const total = logSum(logs)
  return logs.map((value) => Math.exp(value - total))
}
const effective = (weights: Float64Array) => 1 / weights.reduce((sum, weight) => sum + weight * weight, 0)

/**
 * Places taken in proportion to their weights, evenly spaced (systematic resampling).
 * @param start where in its first interval it begins, 0 to 1.
 */
export function picked(weights: Float64Array, start: number, count = weights.length): Uint32Array {
  let sum = weights[0] ?? 0
  let from = 0
  return Uint32Array.from({ length: count }, (_, index) => {
    while ((index + start) / count > sum && from < weights.length - 1) sum += weights[++from] ?? 0
    return from
  })
}

/** The draws of some rows. */
export function rowsOf(z: Float64Array, rows: Uint32Array): Float64Array {
  const out = new Float64Array(rows.length * DRAWS)
  rows.forEach((row, index) => out.set(z.subarray(row * DRAWS, (row + 1) * DRAWS), index * DRAWS))
  return out
}

/** The logarithms of members over all their ways. */
const over = (onWays: Float64Array, ways: number): Float64Array =>
  Float64Array.from({ length: onWays.length / ways }, (_, row) => logSum(onWays, row * ways, (row + 1) * ways))

/** How likely each member, all of one weight, went each way: members × ways, all of it summing to 1. */
export function sharesOfWays(onWays: Float64Array, ways: number): Float64Array {
  const members = onWays.length / ways
  const totals = over(onWays, ways)
  return onWays.map((value, index) => Math.exp(value - totals[Math.floor(index / ways)]!) / members)
}

/**
 * Draws that fit what was read and sensed whichever way they go, all of one weight: the prior's, taken by weight; where
 * too few would be left, led there in tempered steps, each taken anew and moved by preconditioned Crank–Nicolson.
 */
export function* leading(
  known: KnownBatch,
  seed: number,
  prior: Float64Array,
  priorOnWays: Float64Array,
): Asking<Float64Array> {
  const { readings, sensed, ways } = known
  const even = uniforms(seed)
  const priorLogs = over(priorOnWays, ways.length)
  const weights = normalised(priorLogs)
  if (readings.length === 0 && sensed.length === 0) return prior
  if (effective(weights) >= LEAST_EFFECTIVE * weights.length) return rowsOf(prior, picked(weights, even()))
  const next = normals(seed + 1)
  const count = Math.min(weights.length, TEMPERED)
  const stay = Math.sqrt(1 - STRIDE ** 2)
  let z: Float64Array = prior.slice(0, count * DRAWS)
  let logs: Float64Array = priorLogs.slice(0, count)
  for (let heat = 0, stage = 1; heat < 1; stage++) {
    const at = (step: number) => normalised(logs.map((value) => value * step))
    let step = 1 - heat
    if (stage < STAGES && effective(at(step)) < KEEP * count) {
      let low = 0
      let high = step
      for (let pass = 0; pass < 30; pass++) {
        step = (low + high) / 2
        if (effective(at(step)) > KEEP * count) low = step
        else high = step
      }
    }
    heat = stage === STAGES ? 1 : heat + step
    const rows = picked(at(step), even())
    z = rowsOf(z, rows)
    const before = logs
    logs = Float64Array.from(rows, (row) => before[row] ?? 0)
    for (let move = 0; move < MOVES; move++) {
      const tried = z.map((value) => stay * value + STRIDE * next())
      const triedLogs = over(yield* weighing(known, tried), ways.length)
      for (let member = 0; member < count; member++) {
        if (Math.log(even()) >= heat * ((triedLogs[member] ?? 0) - (logs[member] ?? 0))) continue
        z.set(tried.subarray(member * DRAWS, (member + 1) * DRAWS), member * DRAWS)
        logs[member] = triedLogs[member] ?? 0
      }
    }
  }
  return z
}
