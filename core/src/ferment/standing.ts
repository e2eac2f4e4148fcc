import { deadlineClock, PH_LINE, type Clock, type TemperaturePoint } from './clock'
import type { Sampled } from './learn'
import { formatNumber } from '../units/number'
import { DAY_MS } from '../units/time'
import type { Level } from '../level'

/**
 * A pH read at a moment (ms), and where. `even` when it stands for everything: blended, or pieces that have evened
 * out with their liquid.
 */
export interface PhPoint {
  atMs: number
  ph: number
  of: Sampled
  even: boolean
}

/** Where a ferment stands, in a word, with the sentence that says why. */
export interface Standing {
  state: 'ready' | 'working' | Exclude<Level, 'fine'>
  sentence: string
  clock: Clock | null
}

/** A sign that matters to the standing: when it was seen and what it means. */
export interface StandingSign {
  atMs: number
  what: string
  level: Level
  holds: boolean
}

/** What the standing is judged from. Times in ms; `targetPh` is the maker's. */
export interface StandingInput {
  packedMs: number
  nowMs: number
  targetPh: number
  ph: readonly PhPoint[]
  temperatures: readonly TemperaturePoint[]
  signs?: readonly StandingSign[]
  /** Gas now, mmol of CO2 per kg and day, as forecast; over {@link CALM_GAS} it is not ready. */
  gasPerDay?: number
  /**
   * Days after which it may be ready, where time decides and not pH: salt-packed fruit, infusions, the paste, a
   * cooked sauce (0).
   */
  readyAfterDays?: number
  /**
   * Why the deadline does not quite fit this batch: much salt, mostly cooked. Then it is asked about while it stands
   * above 4.6.
   */
  unsure?: string
  /** How a moment is told: "Thursday morning". */
  tell?: (ms: number) => string
}

const days = (ms: number) => `${(ms / DAY_MS).toFixed(1)} days`

/**
 * Gas at or under this is calm, mmol/kg a day; a fall under this a day is settled; a rise over this asks. Judgement.
 */
export const CALM_GAS = 2
export const SETTLED_FALL = 0.05
export const RISE = 0.2
/**
 * Pieces, blended, must pass 4.6 in so many times the time of their liquid; from this share of it on it presses.
 * Judgement.
 */
const PIECES_TIMES = 2
const PRESSING = 0.7
/** A start at or under 4.6 has no clock to 4.6, but should be sour by twice its time. Judgement. */
const SOUR = 4.2
/** Comfortable from this to that, °C. Common practice. */
const COOL_C = 16
const WARM_C = 24

const move = (tempC: number) =>
  tempC < COOL_C
    ? 'Move it to about 20 °C, check'
    : tempC > WARM_C
      ? 'Move it to about 20 °C: warm favours the wrong ones. Check'
      : 'Check'

/**
 * What a sign does to a lot that otherwise goes its way; `null` where none does. The worst one counts, then the
 * newest.
 */
export function judgedBySigns(
  signs: readonly StandingSign[],
  lastPhMs: number,
): Pick<Standing, 'state' | 'sentence'> | null {
  const bad = signs.find((sign) => sign.level === 'discard')
  if (bad) return { state: 'discard', sentence: `${bad.what} was seen. Discard it, do not taste it.` }
  const newest = new Map(signs.map((sign) => [sign.what, sign]))
  const held = [...newest.values()].findLast((sign) => sign.holds)
  if (!held) return null
  if (held.level === 'act')
    return lastPhMs > held.atMs
      ? null
      : { state: 'ask', sentence: `${held.what} was seen after the last pH. Read it again before anything else.` }
  return {
    state: 'ask',
    sentence: `${held.what} was seen and not settled. Look again, and record what you see; until then it is not ready.`,
  }
}

/**
 * Ready: blended pH at or under target on two readings at least 24 h apart, falling less than 0.05 a day, gas calm,
 * no sign against it.
 * Above 4.6 the deadline clock decides; pieces must pass in twice the time, blended. A rise over 0.2 asks.
 * (Judgement, conservative.)
 */
export function standing({
  packedMs,
  nowMs,
  targetPh,
  ph,
  temperatures,
  signs = [],
  gasPerDay = 0,
  readyAfterDays,
  unsure,
  tell = (ms) => `in ${days(ms - nowMs)}`,
}: StandingInput): Standing {
  const last = ph.at(-1)
  const seen = judgedBySigns(signs, last?.atMs ?? -Infinity)
  if (seen?.state === 'discard') return { ...seen, clock: null }
  if (readyAfterDays !== undefined) {
    const leftMs = readyAfterDays * DAY_MS - (nowMs - packedMs)
    if (seen) return { ...seen, clock: null }
    return leftMs > 0 && readyAfterDays > 0
      ? {
          state: 'working',
          sentence: `Judged by cover and time: pH tells little in this style. About ${days(leftMs)} to go.`,
          clock: null,
        }
      : {
          state: 'ready',
          sentence:
            readyAfterDays === 0
              ? 'Cooked: blend and sieve it once it has cooled.'
              : `Its usual ${readyAfterDays} days have passed.`,
          clock: null,
        }
  }
  const passed = ph.some((point) => point.ph <= PH_LINE)
  const evenly = ph.some((point) => point.even && point.ph <= PH_LINE)
  const running = temperatures.length ? deadlineClock(packedMs, nowMs, temperatures) : null
  const clock = passed ? null : running
  const age = nowMs - packedMs
  if (clock?.state === 'over') {
    return {
      state: 'discard',
      clock,
      sentence: last
        ? `Above 4.6 for longer than is safe: last pH ${last.ph.toFixed(2)}. Discard it, do not taste it.`
        : 'The time to reach pH 4.6 is over and nothing was read. Read it now; above 4.6, discard it and do not taste it.',
    }
  }
  if (!last) {
    return age > DAY_MS * 2
      ? { state: 'act', clock, sentence: `No pH in ${days(age)}. Read it today: 4.6 must be passed in time.` }
      : seen
        ? { ...seen, clock }
        : { state: 'working', clock, sentence: 'Young. Read the pH on day 2.' }
  }
  // Liquid and pieces are two things: each is laid beside its own.
  const lowest = Math.min(...ph.filter(({ of }) => of === last.of).map((point) => point.ph))
  if (last.ph > lowest + RISE) {
    return {
      state: 'ask',
      clock,
      sentence: `pH rose from ${lowest.toFixed(2)} to ${last.ph.toFixed(2)}. Look for film or mould, and check the meter.`,
    }
  }
  if (last.ph > PH_LINE && evenly)
    return {
      state: 'ask',
      clock,
      sentence: `pH ${last.ph.toFixed(2)}: above 4.6 again. Look for film or mould, check the meter, read it again today.`,
    }
  if (last.ph > PH_LINE && passed && running) {
    const times = running.spent / PIECES_TIMES
    return times >= 1
      ? {
          state: 'discard',
          clock,
          sentence: `The pieces stand at pH ${last.ph.toFixed(2)}, above 4.6 for longer than is safe. Discard it, do not taste it.`,
        }
      : {
          state: times > PRESSING ? 'act' : 'working',
          clock,
          sentence: `The liquid passed 4.6; the pieces stand at pH ${last.ph.toFixed(2)} and have ${PIECES_TIMES} times the time. Read them again tomorrow.`,
        }
  }
  if (last.ph > PH_LINE) {
    if (!clock)
      return {
        state: 'ask',
        clock,
        sentence: `pH ${last.ph.toFixed(2)} and no temperature read. Read it: the deadline depends on it.`,
      }
    const tempC = temperatures.at(-1)?.tempC ?? 20
    return clock.spent > 0.5
      ? {
          state: 'act',
          clock,
          sentence: `Behind: pH ${last.ph.toFixed(2)} on day ${Math.floor(age / DAY_MS)} at ${formatNumber(tempC)} °C; 4.6 is due ${tell(clock.dueMs)}. ${move(tempC)} the salt, read again tomorrow.`,
        }
      : {
          state: seen || unsure ? 'ask' : 'working',
          clock,
          sentence:
            seen?.sentence ??
            `pH ${last.ph.toFixed(2)}; 4.6 is due ${tell(clock.dueMs)}.${unsure ? ` ${unsure} Ask somebody who knows, and read it daily.` : ''}`,
        }
  }
  if (seen) return { ...seen, clock }
  if (!evenly && running && running.spent > PIECES_TIMES) {
    return {
      state: 'ask',
      clock,
      sentence:
        'The liquid passed 4.6, the pieces were never read, and their time is up. Grind some with their liquid and read that today.',
    }
  }
  if (running && running.spent > 2 && last.ph > SOUR) {
    return {
      state: 'ask',
      clock,
      sentence: `pH ${last.ph.toFixed(2)} after ${days(age)}: it should be at or under ${SOUR.toFixed(1)} by now. Check the salt and the temperature, calibrate the meter, read again.`,
    }
  }
  const even = ph.filter((point) => point.even)
  const now = even.at(-1)
  if (!now || now.ph > targetPh) {
    const liquid = !now && last.ph <= targetPh
    return {
      state: 'working',
      clock,
      sentence: liquid
        ? `The liquid is at target with pH ${last.ph.toFixed(2)}; the pieces lag. Grind some with their liquid and read that.`
        : `pH ${last.ph.toFixed(2)}, below 4.6. Target ${targetPh.toFixed(2)}.`,
    }
  }
  const earlier = even.filter((point) => point.atMs <= now.atMs - DAY_MS).at(-1)
  if (earlier && earlier.ph <= targetPh) {
    const fall = (earlier.ph - now.ph) / ((now.atMs - earlier.atMs) / DAY_MS)
    if (fall >= SETTLED_FALL)
      return { state: 'working', clock, sentence: `pH ${now.ph.toFixed(2)}, still falling ${fall.toFixed(2)} a day.` }
    if (gasPerDay > CALM_GAS)
      return {
        state: 'working',
        clock,
        sentence: `pH ${now.ph.toFixed(2)} is at target and settled; by the forecast it still makes gas. Wait until it is calm.`,
      }
    return {
      state: 'ready',
      clock,
      sentence: `${earlier.ph.toFixed(2)} and ${now.ph.toFixed(2)}, ${days(now.atMs - earlier.atMs)} apart, at or under ${targetPh.toFixed(2)}.`,
    }
  }
  return {
    state: 'working',
    clock,
    sentence: `pH ${now.ph.toFixed(2)} is at target. A second reading a day later makes it ready.`,
  }
}
