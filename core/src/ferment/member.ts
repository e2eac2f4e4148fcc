import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { SATURATION_PCT } from '../salt/brine'
import { interpolate } from '../units/interpolate'
import type { Batch } from './batch'
import { GROUPS, STOPS, waterActivity, waterFactor, type Group } from './growth'

/*
 * One possible batch: the typical one, moved by standard normal draws. Spreads from memory or chosen; see
 * docs/checks.md.
 */
const SPREAD = {
  rate: 0.22,
  tMin: 0.7,
  phMinH: 0.14,
  phMinP: 0.15,
  stops: 0.25,
  atRest: 0.35,
  most: 0.35,
  lag: 0.4,
  acetic: 0.3,
  citric: 0.3,
  malic: 0.3,
  buffer: 0.4,
  sugar: 0.2,
  tau: 0.9,
  tempC: 0.7,
  starter: 0.5,
}

/** Draws below this leave group P out: one batch in ten has none. Chosen. */
const P_ABSENT = -1.28
/** Adaptation before growth (Baranyi's h0), and acetic acid and CO2 for each lactic of group H. Judgement; chosen. */
const LAG = 2
const ACETIC_SHARE = 0.4
/** How much of a starter is group H; the rest is P, which ends a ferment. Judgement. */
const STARTER_H = 0.1

/** Independent draws behind one member; the last says how late it starts. */
export const DRAWS = 24
export const LATE = 23

/**
 * One batch in ten starts late, by up to five days, evenly: where its draw lies in the upper tail of the normal
 * distribution (from its table). The end is cut. Judgement.
 */
const LATE_TAIL = [1.2816, 1.4051, 1.5548, 1.7507, 2.0537, 3] as const
const LATE_STEP_H = 24

/** When a member begins to work, h, from the draw that says so. */
export const wakesAt = (draw: number): number =>
  interpolate(
    LATE_TAIL.length,
    (index) => LATE_TAIL[index] ?? 0,
    (index) => index * LATE_STEP_H,
    draw,
  )

/** A group as it is in one member, with what does not change during the run worked in. */
export interface MemberGroup extends Group {
  start: number
}

/** One possible batch, ready to be run. */
export interface Member {
  h: MemberGroup
  p: MemberGroup
  /** Nothing works in it before this hour. */
  wakesH: number
  /** Adaptation at the start, 0 to 1. */
  adapted: number
  stopsLactic: number
  stopsAcetic: number
  aceticShare: number
  citric: number
  malic: number
  buffer: number
  hexose: number
  startPh: number
  tauH: number
  liquid: number
  atOnce: number
  tempShiftC: number
  /** Salt reaches the pieces by and by: the water's share in its factor at the start and once evened out. */
  waterH: readonly [start: number, even: number]
  waterP: readonly [start: number, even: number]
}

/** A small seed begins with extreme numbers (over the first draw of 400 seeds mean 3.2): so many are passed over. */
const PASSED_OVER = 20

function generatorOf(seed: number) {
  const generator = xoroshiro128plus(seed)
  for (let skipped = 0; skipped < PASSED_OVER; skipped++) uniformFloat64(generator)
  return generator
}

/** A generator of standard normal numbers (Box and Muller) that always gives the same for a seed. */
export function normals(seed: number): () => number {
  const generator = generatorOf(seed)
  let kept: number | null = null
  return () => {
    if (kept !== null) {
      const value = kept
      kept = null
      return value
    }
    const radius = Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator)))
    const angle = 2 * Math.PI * uniformFloat64(generator)
    kept = radius * Math.sin(angle)
    return radius * Math.cos(angle)
  }
}

/** A generator of numbers from 0 to 1 for a seed. */
export function uniforms(seed: number): () => number {
  const generator = generatorOf(seed)
  return () => uniformFloat64(generator)
}

/** `count` rows of {@link DRAWS} standard normals, reproducible by the seed. */
export function drawMembers(count: number, seed: number): Float64Array {
  const next = normals(seed)
  return Float64Array.from({ length: count * DRAWS }, next)
}

/** Cells at the start, 10⁹/g, of what is raw and of a starter, log10. */
const cells = (raw: number | null, starter: number | null): number =>
  (raw === null ? 0 : 10 ** (raw - 9)) + (starter === null ? 0 : 10 ** (starter - 9))

/** Percent of salt in the water where there is so many times as much salt to the same water; no more than dissolves. */
function saltTimes(saltPct: number, times: number): number {
  const toWater = (times * saltPct) / (100 - saltPct)
  return Math.min(SATURATION_PCT, (100 * toWater) / (1 + toWater))
}

/** The member that one row of draws stands for; a row of zeros is the all-median one. */
export function memberOf({ medium, structure, living }: Batch, z: Float64Array, at = 0): Member {
  const draw = (index: number) => z[at + index] ?? 0
  const ln = (index: number, logSd: number) => Math.exp(logSd * draw(index))
  const rest = ln(7, SPREAD.atRest)
  const tMinShift = SPREAD.tMin * draw(2)
  const starter = living.starterLog10 === null ? null : living.starterLog10 + SPREAD.starter * draw(22)
  const rawH = living.rawH === null ? null : living.rawH + GROUPS.H.rawSpread * draw(10)
  const rawP = living.rawP === null || draw(11) < P_ABSENT ? null : living.rawP + GROUPS.P.rawSpread * draw(11)
  const { liquid, atOnce, tauH, brine } = structure
  // Salt outside the pieces before it has evened out; dry salt reaches the juice only in part.
  const ahead = 1 + (brine ? (1 - liquid) / liquid : liquid < 1 ? 0.5 : 0) * (1 - atOnce)
  const waterOf = (awMin: number) =>
    [ahead, 1].map((times) =>
      waterFactor(waterActivity(saltTimes(medium.saltPct, times), medium.fruitShare), awMin),
    ) as [number, number]
  const waterH = waterOf(GROUPS.H.awMin)
  const waterP = waterOf(GROUPS.P.awMin)
  return {
    h: {
      ...GROUPS.H,
      rate: GROUPS.H.rate * ln(0, SPREAD.rate),
      tMin: GROUPS.H.tMin + tMinShift,
      phMin: GROUPS.H.phMin + SPREAD.phMinH * draw(3),
      most: GROUPS.H.most * ln(8, SPREAD.most),
      atRest: GROUPS.H.atRest * rest,
      start: cells(rawH, starter === null ? null : starter + Math.log10(STARTER_H)),
    },
    p: {
      ...GROUPS.P,
      rate: GROUPS.P.rate * ln(1, SPREAD.rate),
      tMin: GROUPS.P.tMin + tMinShift,
      phMin: GROUPS.P.phMin + SPREAD.phMinP * draw(4),
      most: GROUPS.P.most * ln(9, SPREAD.most),
      atRest: GROUPS.P.atRest * rest,
      start: cells(rawP, starter === null ? null : starter + Math.log10(1 - STARTER_H)),
    },
    wakesH: wakesAt(draw(LATE)),
    adapted: Math.exp(-LAG * ln(6, SPREAD.lag)),
    stopsLactic: STOPS.lactic * ln(5, SPREAD.stops),
    stopsAcetic: STOPS.acetic,
    aceticShare: ACETIC_SHARE * ln(12, SPREAD.acetic),
    citric: medium.citric * ln(13, SPREAD.citric),
    malic: medium.malic * ln(14, SPREAD.malic),
    buffer: medium.buffer * ln(15, SPREAD.buffer),
    hexose: medium.hexose * ln(16, SPREAD.sugar),
    startPh: medium.startPh + medium.startPhSpread * draw(17),
    tauH: tauH * ln(18, SPREAD.tau),
    liquid,
    atOnce,
    tempShiftC: SPREAD.tempC * draw(19),
    waterH,
    waterP,
  }
}
