import { InvalidInput } from '../invalid'
import { DAY_MS } from '../units/time'
import { interpolate } from '../units/interpolate'

/**
 * Days a batch may stay above pH 4.6 at a steady temperature, °C. Judgement, deliberately conservative; local rules
 * win.
 */
const ALLOWED: readonly [tempC: number, days: number][] = [
  [10, 14],
  [12, 10],
  [15, 7],
  [18, 5],
  [21, 4],
  [24, 3],
  [27, 2.5],
  [30, 2],
]

/**
 * The line a batch must pass: finished acid foods stand at or below it in the United States (21 CFR 114, from
 * memory).
 */
export const PH_LINE = 4.6

/** Days allowed at a temperature, logarithm interpolated; held at the ends of the table. */
export function allowedDays(tempC: number): number {
  if (!Number.isFinite(tempC)) throw new InvalidInput('The temperature is not a number.')
  return Math.exp(
    interpolate(
      ALLOWED.length,
      (index) => ALLOWED[index]?.[0] ?? 0,
      (index) => Math.log(ALLOWED[index]?.[1] ?? 1),
      tempC,
    ),
  )
}

/** A temperature read at a moment (ms since the epoch). */
export interface TemperaturePoint {
  atMs: number
  tempC: number
}

/** How much of the allowed time above 4.6 is spent, and when it will be at the present temperature. */
export interface Clock {
  spent: number
  dueMs: number
  state: 'running' | 'act' | 'over'
}

/**
 * The deadline clock: spends ∫ dt / D(T) from packing on; 4.6 must be passed before it reaches 1.
 * Between readings temperature is interpolated; before the first and after the last it is held.
 * @param temperatures at least one, in order of time.
 */
export function deadlineClock(packedMs: number, nowMs: number, temperatures: readonly TemperaturePoint[]): Clock {
  if (temperatures.length === 0) throw new InvalidInput('Read the temperature: without it the deadline cannot be told.')
  const at = (ms: number): number =>
    interpolate(
      temperatures.length,
      (index) => temperatures[index]?.atMs ?? 0,
      (index) => temperatures[index]?.tempC ?? 0,
      ms,
    )
  const steps = 400
  const span = Math.max(0, nowMs - packedMs)
  let spent = 0
  for (let step = 0; step < steps; step++)
    spent += span / steps / DAY_MS / allowedDays(at(packedMs + (span * (step + 0.5)) / steps))
  const dueMs = nowMs + (1 - spent) * allowedDays(at(nowMs)) * DAY_MS
  return { spent, dueMs, state: spent >= 1 ? 'over' : spent > 0.7 ? 'act' : 'running' }
}
