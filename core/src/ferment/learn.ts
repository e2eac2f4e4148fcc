import type { Batch } from './batch'
import { DRAWS, drawMembers, memberOf, normals, uniforms } from './member'
import { COLUMNS, runMember, SHOWN } from './run'
import type { TemperaturePlan } from './temperature'

/** Where a sample was taken: the liquid, or everything ground together. */
export type Sampled = 'liquid' | 'blended'

/** A pH read so many hours after packing; `sd` of the meter. */
export interface PhReading {
  hour: number
  ph: number
  sd: number
  of: Sampled
}

/** What the model itself is off by, pH. Judgement. */
const MODEL_SD = 0.07
/** Degrees of freedom of the likelihood: a slip of the meter does not overturn everything. */
const FREEDOM = 5
/** Prior of a batch that never starts. Judgement. */
const DEAD = 0.03
/** Readings of one kind nearer than this are one, hours. */
const TOGETHER_H = 8
/** Under this many effective members the draws are moved. */
const LEAST_EFFECTIVE = 100
/** Effective share kept at each tempering step, moves after each, and length of a move. */
const KEEP = 0.4
const MOVES = 3
const STRIDE = 0.45
/**
 * At most so many tempered steps, of so many members; members that tell what was to be expected of the newest
 * reading.
 */
const STAGES = 12
const TEMPERED = 300
const EXPECTING = 200

/** What the readings taught. */
export interface Learned {
  /** Draws that fit the readings, all of one weight. */
  z: Float64Array
  /** Probability that nothing works in it: the pH stays where it started. */
  dead: number
  /** Where the newest reading lies in what was to be expected before it, 0 to 1; `null` without one. */
  place: number | null
  /** The newest reading less what is now expected, in its own standard deviations. */
  residual: number
  /** The newest reading less the lowest before it. */
  rise: number
}

/** Readings in order, those of one kind within 8 h taken together. Before the start they are left out. */
export function mergeReadings(readings: readonly PhReading[]): PhReading[] {
  const merged: (PhReading & { count: number })[] = []
  for (const reading of [...readings].filter(({ hour }) => hour >= 0).sort((a, b) => a.hour - b.hour)) {
    const near = merged.findLast((known) => known.of === reading.of)
    if (near && reading.hour - near.hour < TOGETHER_H) {
      const count = near.count + 1
      near.hour += (reading.hour - near.hour) / count
      near.ph += (reading.ph - near.ph) / count
      near.sd = Math.min(near.sd, reading.sd)
      near.count = count
    } else merged.push({ ...reading, count: 1 })
  }
  return merged.sort((a, b) => a.hour - b.hour).map(({ count: _count, ...reading }) => reading)
}

/** What a reading and the model together may be off by, pH. */
export const spreadOf = (reading: PhReading) => Math.hypot(reading.sd, MODEL_SD)
/** Logarithm of Student's density at a gap, but for what does not depend on it. */
export const logT = (gap: number, sd: number) =>
  (-(FREEDOM + 1) / 2) * Math.log1p((gap / sd) ** 2 / FREEDOM) - Math.log(sd)

/** Probability of at most `t` in Student's distribution with five degrees of freedom. */
export function studentBelow(t: number): number {
  const angle = Math.atan(t / Math.sqrt(FREEDOM))
  const cosine = Math.cos(angle)
  return 0.5 + (angle + Math.sin(angle) * (cosine + (2 / 3) * cosine ** 3)) / Math.PI
}

/** Sum of exponentials without overflow, as a logarithm. */
function logSum(values: Float64Array): number {
  const most = values.reduce((a, b) => Math.max(a, b), -Infinity)
  return most === -Infinity ? most : most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0))
}

/** Weights from logarithms, summing to 1. */
export function normalised(logs: Float64Array): Float64Array {
  const total = logSum(logs)
  return logs.map((value) => Math.exp(value - total))
}
const effective = (weights: Float64Array) => 1 / weights.reduce((sum, weight) => sum + weight * weight, 0)

/** Rows taken in proportion to their weights, evenly spaced (systematic resampling). */
function picked(weights: Float64Array, start: number): Uint32Array {
  const count = weights.length
  let sum = weights[0] ?? 0
  let from = 0
  return Uint32Array.from({ length: count }, (_, index) => {
    while ((index + start) / count > sum && from < count - 1) sum += weights[++from] ?? 0
    return from
  })
}

/** The draws of some rows. */
function rowsOf(z: Float64Array, rows: Uint32Array): Float64Array {
  const out = new Float64Array(rows.length * DRAWS)
  rows.forEach((row, index) => out.set(z.subarray(row * DRAWS, (row + 1) * DRAWS), index * DRAWS))
  return out
}

/** pH of each member at each reading, member by member. */
function predictions(
  batch: Batch,
  temperature: TemperaturePlan,
  readings: readonly PhReading[],
  z: Float64Array,
): Float64Array {
  const count = z.length / DRAWS
  const hours = Float64Array.from(readings, (reading) => reading.hour)
  const shown = new Float64Array(hours.length * COLUMNS)
  const out = new Float64Array(count * hours.length)
  const columns = readings.map((reading) => SHOWN.indexOf(reading.of))
  for (let member = 0; member < count; member++) {
    runMember(memberOf(batch, z, member * DRAWS), temperature, hours, shown, 0)
    for (let index = 0; index < hours.length; index++)
      out[member * hours.length + index] = shown[index * COLUMNS + (columns[index] ?? 0)] ?? 0
  }
  return out
}

/** Log likelihood of each member for the first so many readings, from its predictions. */
function logLikelihoods(predicted: Float64Array, readings: readonly PhReading[], to = readings.length): Float64Array {
  const width = readings.length
  return Float64Array.from({ length: predicted.length / width }, (_, member) => {
    let sum = 0
    for (let index = 0; index < to; index++) {
      const reading = readings[index]
      if (reading) sum += logT(reading.ph - (predicted[member * width + index] ?? 0), spreadOf(reading))
    }
    return sum
  })
}

/**
 * Draws that fit the readings, all of one weight: the prior's, taken by weight; where too few would be left, led
 * there in tempered steps,
 * each taken anew and moved by preconditioned Crank–Nicolson.
 */
function fit(
  batch: Batch,
  temperature: TemperaturePlan,
  readings: readonly PhReading[],
  seed: number,
  prior: Float64Array,
  priorLogs: Float64Array,
): Float64Array {
  const even = uniforms(seed)
  const weights = normalised(priorLogs)
  if (readings.length === 0) return prior
  if (effective(weights) >= (LEAST_EFFECTIVE * weights.length) / 500) return rowsOf(prior, picked(weights, even()))
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
      const triedLogs = logLikelihoods(predictions(batch, temperature, readings, tried), readings)
      for (let member = 0; member < count; member++) {
        if (Math.log(even()) >= heat * ((triedLogs[member] ?? 0) - (logs[member] ?? 0))) continue
        z.set(tried.subarray(member * DRAWS, (member + 1) * DRAWS), member * DRAWS)
        logs[member] = triedLogs[member] ?? 0
      }
    }
  }
  return z
}

/** Log evidence of a batch that stays at its start pH. */
const logDead = ({ medium }: Batch, readings: readonly PhReading[]): number =>
  readings.reduce((sum, reading) => sum + logT(reading.ph - medium.startPh, spreadOf(reading)), 0)

/**
 * What readings teach about a batch: the prior draws that fit them. Seeded: the same readings give the same answer.
 * Readings are merged first.
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
  if (!newest) return { z, dead: DEAD, place: null, residual: 0, rise: 0 }
  const last = readings.length - 1
  const predicted = predictions(batch, temperature, readings, z)
  const all = logLikelihoods(predicted, readings)
  const dead = 1 / (1 + (Math.exp(logSum(all) - Math.log(members) - logDead(batch, readings)) * (1 - DEAD)) / DEAD)
  const shown = (of: Float64Array, member: number) => of[member * readings.length + last] ?? 0
  const spread = spreadOf(newest)

  // What was to be expected of the newest reading, given those before it: fewer members tell that well enough.
  const few = Math.min(members, EXPECTING)
  const before = fit(
    batch,
    temperature,
    readings.slice(0, -1),
    seed + 10,
    z.slice(0, few * DRAWS),
    logLikelihoods(predicted.subarray(0, few * readings.length), readings, last),
  )
  const expected = predictions(batch, temperature, readings, before)
  let place = 0
  const asked = before.length / DRAWS
  for (let member = 0; member < asked; member++)
    place += studentBelow((newest.ph - shown(expected, member)) / spread) / asked

  const fitting = fit(batch, temperature, readings, seed + 20, z, all)
  const now = predictions(batch, temperature, readings, fitting)
  let mean = 0
  const left = fitting.length / DRAWS
  for (let member = 0; member < left; member++) mean += shown(now, member) / left
  const sameKind = readings
    .slice(0, -1)
    .filter((reading) => reading.of === newest.of)
    .map((reading) => reading.ph)
  return {
    z: fitting,
    dead,
    place,
    residual: (newest.ph - mean) / spread,
    rise: sameKind.length ? newest.ph - Math.min(...sameKind) : 0,
  }
}
