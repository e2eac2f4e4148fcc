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

type Seen = ReturnType<typeof judgedBySigns>

/**
 * What the steps of the judgement look at. `running` is the clock as it goes; `clock` the same until 4.6 was passed.
 */
interface Course {
  nowMs: number
  ageMs: number
  targetPh: number
  ph: StandingInput['ph']
  tempC: number | undefined
  last: StandingInput['ph'][number]
  seen: Seen
  /** Any sample stood at or under 4.6; `evenly`, one that speaks for pieces and liquid alike. */
  passed: boolean
  evenly: boolean
  running: Clock | null
  clock: Clock | null
  gasPerDay: number
  unsure: string | undefined
  tell: (ms: number) => string
}

/** Where time decides and not pH. */
function judgedByTime(leastDays: number, ageMs: number, seen: Seen): Standing {
  if (seen) return { ...seen, clock: null }
  const leftMs = leastDays * DAY_MS - ageMs
  if (leftMs > 0 && leastDays > 0)
    return {
      state: 'working',
      sentence: `Judged by cover and time: pH tells little in this style. About ${days(leftMs)} to go.`,
      clock: null,
    }
  const sentence =
    leastDays === 0 ? 'Cooked: blend and sieve it once it has cooled.' : `Its usual ${leastDays} days have passed.`
  return { state: 'ready', sentence, clock: null }
}

/** The time above 4.6 is over. */
const overTime = (clock: Clock, last: Course['last'] | undefined): Standing => ({
  state: 'discard',
  clock,
  sentence: last
    ? `Above 4.6 for longer than is safe: last pH ${last.ph.toFixed(2)}. Discard it, do not taste it.`
    : 'The time to reach pH 4.6 is over and nothing was read. Read it now; above 4.6, discard it and do not taste it.',
})

/** Nothing was read yet. */
function unread(ageMs: number, clock: Clock | null, seen: Seen): Standing {
  if (ageMs > DAY_MS * 2)
    return { state: 'act', clock, sentence: `No pH in ${days(ageMs)}. Read it today: 4.6 must be passed in time.` }
  return seen ? { ...seen, clock } : { state: 'working', clock, sentence: 'Young. Read the pH on day 2.' }
}

/** A pH that rose, or stands above 4.6 again; liquid and pieces are two things, each is laid beside its own. */
function risen({ ph, last, clock, evenly }: Course): Standing | null {
  const lowest = Math.min(...ph.filter(({ of }) => of === last.of).map((point) => point.ph))
  if (last.ph > lowest + RISE)
    return {
      state: 'ask',
      clock,
      sentence: `pH rose from ${lowest.toFixed(2)} to ${last.ph.toFixed(2)}. Look for film or mould, and check the meter.`,
    }
  if (last.ph > PH_LINE && evenly)
    return {
      state: 'ask',
      clock,
      sentence: `pH ${last.ph.toFixed(2)}: above 4.6 again. Look for film or mould, check the meter, read it again today.`,
    }
  return null
}

/** The liquid passed 4.6 and the pieces did not yet. */
function piecesAbove({ last, passed, running, clock }: Course): Standing | null {
  if (last.ph <= PH_LINE || !passed || !running) return null
  const times = running.spent / PIECES_TIMES
  if (times >= 1)
    return {
      state: 'discard',
      clock,
      sentence: `The pieces stand at pH ${last.ph.toFixed(2)}, above 4.6 for longer than is safe. Discard it, do not taste it.`,
    }
  return {
    state: times > PRESSING ? 'act' : 'working',
    clock,
    sentence: `The liquid passed 4.6; the pieces stand at pH ${last.ph.toFixed(2)} and have ${PIECES_TIMES} times the time. Read them again tomorrow.`,
  }
}

/** Above 4.6 with the clock running. */
function above({ last, clock, ageMs, tempC = 20, seen, unsure, tell }: Course): Standing | null {
  if (last.ph <= PH_LINE) return null
  if (!clock)
    return {
      state: 'ask',
      clock,
      sentence: `pH ${last.ph.toFixed(2)} and no temperature read. Read it: the deadline depends on it.`,
    }
  if (clock.spent > 0.5)
    return {
      state: 'act',
      clock,
      sentence: `Behind: pH ${last.ph.toFixed(2)} on day ${Math.floor(ageMs / DAY_MS)} at ${formatNumber(tempC)} °C; 4.6 is due ${tell(clock.dueMs)}. ${move(tempC)} the salt, read again tomorrow.`,
    }
  const doubt = unsure ? ` ${unsure} Ask somebody who knows, and read it daily.` : ''
  return {
    state: seen || unsure ? 'ask' : 'working',
    clock,
    sentence: seen?.sentence ?? `pH ${last.ph.toFixed(2)}; 4.6 is due ${tell(clock.dueMs)}.${doubt}`,
  }
}

/** Below 4.6, but slower than it should be, or never read where it matters. */
function late({ last, evenly, running, clock, ageMs }: Course): Standing | null {
  if (!evenly && running && running.spent > PIECES_TIMES)
    return {
      state: 'ask',
      clock,
      sentence:
        'The liquid passed 4.6, the pieces were never read, and their time is up. Grind some with their liquid and read that today.',
    }
  if (running && running.spent > 2 && last.ph > SOUR)
    return {
      state: 'ask',
      clock,
      sentence: `pH ${last.ph.toFixed(2)} after ${days(ageMs)}: it should be at or under ${SOUR.toFixed(1)} by now. Check the salt and the temperature, calibrate the meter, read again.`,
    }
  return null
}

/** Two readings at target, far enough apart: still falling, still gassing, or ready. */
function settled({ targetPh, gasPerDay, clock }: Course, earlier: Course['last'], now: Course['last']): Standing {
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

/** On its way to the target, or there. */
function towardsTarget(course: Course): Standing {
  const { ph, last, targetPh, clock } = course
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
  if (earlier && earlier.ph <= targetPh) return settled(course, earlier, now)
  return {
    state: 'working',
    clock,
    sentence: `pH ${now.ph.toFixed(2)} is at target. A second reading a day later makes it ready.`,
  }
}

/**
 * Ready: blended pH at or under target on two readings at least 24 h apart, falling less than 0.05 a day, gas calm,
 * no sign against it.
 * Above 4.6 the deadline clock decides; pieces must pass in twice the time, blended. A rise over 0.2 asks.
 * (Judgement, conservative.) The first step that has something to say decides.
 */
export function standing(input: StandingInput): Standing {
  const { packedMs, nowMs, ph, temperatures, signs = [], readyAfterDays } = input
  const last = ph.at(-1)
  const ageMs = nowMs - packedMs
  const seen = judgedBySigns(signs, last?.atMs ?? -Infinity)
  if (seen?.state === 'discard') return { ...seen, clock: null }
  if (readyAfterDays !== undefined) return judgedByTime(readyAfterDays, ageMs, seen)
  const passed = ph.some((point) => point.ph <= PH_LINE)
  const running = temperatures.length ? deadlineClock(packedMs, nowMs, temperatures) : null
  const clock = passed ? null : running
  if (clock?.state === 'over') return overTime(clock, last)
  if (!last) return unread(ageMs, clock, seen)
  const course: Course = {
    ...{ nowMs, ageMs, ph, last, seen, passed, running, clock },
    targetPh: input.targetPh,
    tempC: temperatures.at(-1)?.tempC,
    evenly: ph.some((point) => point.even && point.ph <= PH_LINE),
    gasPerDay: input.gasPerDay ?? 0,
    unsure: input.unsure,
    tell: input.tell ?? ((ms) => `in ${days(ms - nowMs)}`),
  }
  return (
    risen(course) ??
    piecesAbove(course) ??
    above(course) ??
    (seen ? { ...seen, clock } : null) ??
    late(course) ??
    towardsTarget(course)
  )
}
