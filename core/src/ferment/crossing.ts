import { PH_LINE } from './clock'
import { logT, mergeReadings, normalised, spreadOf, type PhReading, type Sampled } from './learn'
import { DRAWS, drawMembers, memberOf } from './member'
import { COLUMNS, runMember, SHOWN } from './run'
import type { Batch } from './batch'
import type { TemperaturePlan } from './temperature'

/** When 4.6 was, or will be, passed, h since packing: most likely, and the late end; Infinity where it never is. */
export interface CrossingHours {
  likelyH: number
  lateH: number
}

/**
 * Other ways a batch can go, beside the model's members (weight 1): a late start, by one of these hours, and a
 * standstill at one of these pH. Judgement.
 */
const LATE = { weight: 0.3, hours: [12, 36, 60, 84, 108] } as const
const STANDSTILL = { weight: 0.15, ph: [3.7, 3.9, 4.1, 4.3, 4.5, 4.7] } as const
const WAYS = [
  { weight: 1, lateH: 0, floor: 0 },
  ...LATE.hours.map((lateH) => ({ weight: LATE.weight / LATE.hours.length, lateH, floor: 0 })),
  ...STANDSTILL.ph.map((floor) => ({ weight: STANDSTILL.weight / STANDSTILL.ph.length, lateH: 0, floor })),
] as const

/** Step of the courses that are looked at, h; and least length of them, days. */
const STEP_H = 4
const LEAST_DAYS = 14

/** Value at which a share of the weight lies at or under it. */
function quantile(values: readonly { at: number; weight: number }[], share: number): number {
  const sorted = [...values].sort((a, b) => a.at - b.at)
  const total = sorted.reduce((sum, { weight }) => sum + weight, 0)
  let sum = 0
  for (const { at, weight } of sorted) if ((sum += weight) >= share * total) return at
  return Infinity
}

/**
 * When a batch passed 4.6 by what is known of it: prior members and the other ways it can go, each weighed by how
 * well it explains the readings. Most likely: the median of the members; late end: 95 in 100 of all ways.
 */
export function crossingsOf(
  batch: Batch,
  temperature: TemperaturePlan,
  given: readonly PhReading[],
  { members = 120, seed = 1 } = {},
): Record<Sampled, CrossingHours> {
  const readings = mergeReadings(given)
  const endH = Math.max(LEAST_DAYS * 24, readings.at(-1)?.hour ?? 0) + STEP_H
  const hours = Float64Array.from({ length: Math.ceil(endH / STEP_H) + 1 }, (_, index) => index * STEP_H)
  const z = drawMembers(members, seed)
  const rows = new Float64Array(hours.length * COLUMNS)
  const column = (of: Sampled) => SHOWN.indexOf(of)
  const at = (hour: number, of: Sampled): number => {
    const place = Math.min(hours.length - 1.000001, Math.max(0, hour / STEP_H))
    const index = Math.floor(place)
    const [a, b] = [index, index + 1].map((step) => rows[step * COLUMNS + column(of)] ?? 7) as [number, number]
    return a + (b - a) * (place - index)
  }
  const passesAt = (of: Sampled): number => {
    for (let step = 0; step < hours.length; step++) {
      const here = rows[step * COLUMNS + column(of)] ?? 7
      if (here > PH_LINE) continue
      const before = step ? (rows[(step - 1) * COLUMNS + column(of)] ?? here) : here
      return step && before > here ? (step - (PH_LINE - here) / (before - here)) * STEP_H : step * STEP_H
    }
    return Infinity
  }
  const logs: number[] = []
  const found: { way: number; liquid: number; blended: number }[] = []
  for (let member = 0; member < members; member++) {
    runMember(memberOf(batch, z, member * DRAWS), temperature, hours, rows, 0)
    const passes = { liquid: passesAt('liquid'), blended: passesAt('blended') }
    WAYS.forEach(({ weight, lateH, floor }, way) => {
      logs.push(
        Math.log(weight) +
          readings.reduce(
            (sum, reading) =>
              sum + logT(reading.ph - Math.max(floor, at(reading.hour - lateH, reading.of)), spreadOf(reading)),
            0,
          ),
      )
      const late = (hour: number) => (floor > PH_LINE ? Infinity : hour + lateH)
      found.push({ way, liquid: late(passes.liquid), blended: late(passes.blended) })
    })
  }
  const weights = normalised(Float64Array.from(logs))
  const of = (sampled: Sampled): CrossingHours => {
    const all = found.map((one, index) => ({ way: one.way, at: one[sampled], weight: weights[index] ?? 0 }))
    return {
      likelyH: quantile(
        all.filter(({ way }) => way === 0),
        0.5,
      ),
      lateH: quantile(all, 0.95),
    }
  }
  return { liquid: of('liquid'), blended: of('blended') }
}
