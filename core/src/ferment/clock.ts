import { InvalidInput } from '../invalid'
import { interpolate } from '../units/interpolate'
import { DAY_MS } from '../units/time'

/**
 * Days a batch may stay above pH 4.6 at a steady temperature, °C. Judgement, deliberately conservative; local rules
 * win. At 10 °C and below ten days (the rule of the UK Food Standards Agency for chilled foods, from memory), see
 * {@link Allowance}.
 */
const ALLOWED: readonly [tempC: number, days: number][] = [
  [10, 10],
  [12, 10],
  [15, 7],
  [18, 5],
  [21, 4],
  [24, 3],
  [27, 2.5],
  [30, 2],
  [35, 1],
]

/**
 * The line a batch must pass: finished acid foods stand at or below it in the United States (21 CFR 114, from
 * memory).
 */
export const PH_LINE = 4.6

/**
 * In how many times the time of their liquid pieces, blended, must pass 4.6: twice where they are cut or pierced, in
 * 3.5 % salt in the water or more; else in the same. Judgement.
 */
export const piecesTimes = (opened: boolean, saltInWaterPct: number): number =>
  opened && saltInWaterPct >= SALT_LIMITS.cold ? 2 : 1

/** Warmer than this a batch wants to be moved at once, °C. Judgement. */
export const TOO_WARM_C = 32

/**
 * What salt makes of the time allowed: so many times as long, so many days where it stands cold, and which germs it is
 * about. Where staphylococci are meant, none of Clostridium botulinum grows.
 */
export interface Allowance {
  times: number
  coldDays: number
  hazard: 'botulinum' | 'staphylococci'
}

/** What little salt, or none, allows. */
export const PLAIN_ALLOWANCE: Allowance = { times: 1, coldDays: 10, hazard: 'botulinum' }

/** Days allowed at a temperature, logarithm interpolated; held at the ends of the table. */
export function allowedDays(tempC: number, { coldDays }: Pick<Allowance, 'coldDays'> = PLAIN_ALLOWANCE): number {
  if (!Number.isFinite(tempC)) throw new InvalidInput('The temperature is not a number.')
  return Math.exp(
    interpolate(
      ALLOWED.length,
      (index) => ALLOWED[index]?.[0] ?? 0,
      (index) => Math.log(index === 0 ? coldDays : (ALLOWED[index]?.[1] ?? 1)),
      tempC,
    ),
  )
}

/**
 * Salt in the water, percent: from `cold` on 14 days are allowed in the cold, to `plain` the time is as it is, at
 * `threefold` so much; from `staphylococci` on only these are to be feared (growth limit of proteolytic Clostridium
 * botulinum about 10 %, ICMSF, from memory), which have the threefold time (judgement); from `preserved` on nothing
 * (FDA Fish and Fishery Products Hazards Guide, from memory).
 */
export const SALT_LIMITS = { cold: 3.5, plain: 4.5, threefold: 8, staphylococci: 10, preserved: 20 } as const
const SALTED_COLD_DAYS = 14

/** What so much salt allows, percent of salt and water, 0 to 40; `null` where it preserves. Judgement. */
export function allowanceOf(saltInWaterPct: number): Allowance | null {
  if (!Number.isFinite(saltInWaterPct)) return PLAIN_ALLOWANCE
  if (saltInWaterPct >= SALT_LIMITS.preserved) return null
  const share = (saltInWaterPct - SALT_LIMITS.plain) / (SALT_LIMITS.threefold - SALT_LIMITS.plain)
  return {
    times: 1 + 2 * Math.min(1, Math.max(0, share)),
    coldDays: saltInWaterPct >= SALT_LIMITS.cold ? SALTED_COLD_DAYS : PLAIN_ALLOWANCE.coldDays,
    hazard: saltInWaterPct >= SALT_LIMITS.staphylococci ? 'staphylococci' : 'botulinum',
  }
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
function spentOnLine(fromC: number, toC: number, days: number, allowance: Allowance): number {
  const marks = ALLOWED.map(([tempC]) => (tempC - fromC) / (toC - fromC)).filter((share) => share > 0 && share < 1)
  const cuts = fromC === toC ? [0, 1] : [0, ...marks.sort((a, b) => a - b), 1]
  let spent = 0
  for (let index = 1; index < cuts.length; index++) {
    const [start = 0, end = 1] = [cuts[index - 1], cuts[index]]
    const [a, b] = [start, end].map((share) => 1 / allowedDays(fromC + (toC - fromC) * share, allowance)) as [
      number,
      number,
    ]
    const mean = Math.abs(a - b) < 1e-12 * a ? a : (a - b) / Math.log(a / b)
    spent += mean * (end - start) * days
  }
  return spent
}

/**
 * Share of the time allowed above pH 4.6 that is spent between two moments (ms): ∫ dt / (D(T) × salt’s times).
 * @param allowance from {@link allowanceOf}.
 */
export function spentBetween(
  history: readonly Stretch[],
  fromMs: number,
  toMs: number,
  allowance = PLAIN_ALLOWANCE,
): number {
  let spent = 0
  for (const { fromMs: start, toMs: end, fromC, toC } of history) {
    const [a, b] = [Math.max(fromMs, start), Math.min(toMs, end)]
    if (b <= a) continue
    const at = (ms: number) => (Number.isFinite(end) ? fromC + ((toC - fromC) * (ms - start)) / (end - start) : fromC)
    spent += spentOnLine(at(a), at(b), (b - a) / DAY_MS, allowance)
  }
  return spent / allowance.times
}

/** When the time allowed will be over at the present temperature, ms. @param left share of it that is left. */
export const dueAt = (nowMs: number, left: number, tempC: number, allowance = PLAIN_ALLOWANCE): number =>
  nowMs + left * allowance.times * allowedDays(tempC, allowance) * DAY_MS
