import { InvalidInput } from '../invalid'
import { interpolate } from '../units/interpolate'
import { DAY_MS } from '../units/time'

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

/** Pieces, blended, must pass 4.6 in so many times the time of their liquid. Judgement. */
export const PIECES_TIMES = 2

/** Warmer than this a batch wants to be moved at once, °C. Judgement. */
export const TOO_WARM_C = 32

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

/** Salt in the water, percent: to the first the time is as it is, at the second threefold, at the third none runs. */
const SALT = { plain: 4.5, threefold: 8, none: 10 } as const

/**
 * How many times the time allowed is in so much salt (percent of salt and water): 1 up to 4.5 %, 3 at 8 %, straight
 * between; `null` from 10 % on, where no clock runs (growth limit of proteolytic Clostridium botulinum about 10 % salt
 * in water, ICMSF, from memory). Judgement. @param saltInWaterPct 0 to 40.
 */
export function saltTimes(saltInWaterPct: number): number | null {
  if (!Number.isFinite(saltInWaterPct)) return 1
  if (saltInWaterPct >= SALT.none) return null
  const share = (saltInWaterPct - SALT.plain) / (SALT.threefold - SALT.plain)
  return 1 + 2 * Math.min(1, Math.max(0, share))
}

/**
 * A stretch of a temperature history: a straight line from one moment (ms) to another; the last one is open (`toMs`
 * Infinity). `assumed` where nothing was read in it.
 */
export interface Stretch {
  fromMs: number
  toMs: number
  fromC: number
  toC: number
  assumed: boolean
}

/** ∫ dt / D(T) over a straight line of temperature; exact, since ln D is straight between lines of the table. */
function spentOnLine(fromC: number, toC: number, days: number): number {
  const marks = ALLOWED.map(([tempC]) => (tempC - fromC) / (toC - fromC)).filter((share) => share > 0 && share < 1)
  const cuts = fromC === toC ? [0, 1] : [0, ...marks.sort((a, b) => a - b), 1]
  let spent = 0
  for (let index = 1; index < cuts.length; index++) {
    const [start = 0, end = 1] = [cuts[index - 1], cuts[index]]
    const [a, b] = [start, end].map((share) => 1 / allowedDays(fromC + (toC - fromC) * share)) as [number, number]
    const mean = Math.abs(a - b) < 1e-12 * a ? a : (a - b) / Math.log(a / b)
    spent += mean * (end - start) * days
  }
  return spent
}

/**
 * Share of the time allowed above pH 4.6 that is spent between two moments (ms): ∫ dt / (D(T) × salt times).
 * @param times from {@link saltTimes}.
 */
export function spentBetween(history: readonly Stretch[], fromMs: number, toMs: number, times = 1): number {
  let spent = 0
  for (const { fromMs: start, toMs: end, fromC, toC } of history) {
    const [a, b] = [Math.max(fromMs, start), Math.min(toMs, end)]
    if (b <= a) continue
    const at = (ms: number) => (Number.isFinite(end) ? fromC + ((toC - fromC) * (ms - start)) / (end - start) : fromC)
    spent += spentOnLine(at(a), at(b), (b - a) / DAY_MS)
  }
  return spent / times
}

/** When the time allowed will be over at the present temperature, ms. @param left share of it that is left. */
export const dueAt = (nowMs: number, left: number, tempC: number, times = 1): number =>
  nowMs + left * times * allowedDays(tempC) * DAY_MS
