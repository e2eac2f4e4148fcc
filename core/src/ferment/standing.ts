import { deadlineClock, PH_LINE, type Clock, type TemperaturePoint } from './clock'

/** A pH read at a moment (ms). */
export interface PhPoint { atMs: number, ph: number }

/** Where a ferment stands, in a word, with the sentence that says why. */
export interface Standing {
  state: 'ready' | 'working' | 'ask' | 'act' | 'discard'
  sentence: string
  clock: Clock | null
}

/** What the standing is judged from. Times in ms; `targetPh` is the maker's. */
export interface StandingInput {
  packedMs: number
  nowMs: number
  targetPh: number
  ph: readonly PhPoint[]
  temperatures: readonly TemperaturePoint[]
  /** Days after which it may be ready, where time decides and not pH: salt-packed fruit, infusions, the paste, a cooked sauce (0). */
  readyAfterDays?: number
}

const DAY_MS = 86_400_000
const days = (ms: number) => `${(ms / DAY_MS).toFixed(1)} days`

/**
 * Ready: pH at or under target on two readings at least 24 h apart and falling less than 0.05 a day.
 * Above 4.6 the deadline clock decides. A rise over 0.2 asks. (Judgement, conservative.)
 */
export function standing({ packedMs, nowMs, targetPh, ph, temperatures, readyAfterDays }: StandingInput): Standing {
  if (readyAfterDays !== undefined) {
    const leftMs = readyAfterDays * DAY_MS - (nowMs - packedMs)
    return leftMs > 0 && readyAfterDays > 0
      ? { state: 'working', sentence: `Judged by cover and time: pH tells little in this style. About ${days(leftMs)} to go.`, clock: null }
      : { state: 'ready', sentence: readyAfterDays === 0 ? 'Cooked: blend and sieve it once it has cooled.' : `Its usual ${readyAfterDays} days have passed.`, clock: null }
  }
  const last = ph.at(-1)
  const passed = ph.some(point => point.ph <= PH_LINE)
  const clock = !passed && temperatures.length ? deadlineClock(packedMs, nowMs, temperatures) : null
  const age = nowMs - packedMs
  if (clock?.state === 'over') {
    return { state: 'discard', clock, sentence: last
      ? `Above 4.6 for longer than is safe: last pH ${last.ph.toFixed(2)}. Discard it, do not taste it.`
      : 'The time to reach pH 4.6 is over and nothing was read. Read it now; above 4.6, discard it and do not taste it.' }
  }
  if (!last) {
    return age > DAY_MS * 2
      ? { state: 'act', clock, sentence: `No pH in ${days(age)}. Read it today: 4.6 must be passed in time.` }
      : { state: 'working', clock, sentence: 'Young. Read the pH on day 2.' }
  }
  const lowest = Math.min(...ph.map(point => point.ph))
  if (last.ph > lowest + 0.2) {
    return { state: 'ask', clock, sentence: `pH rose from ${lowest.toFixed(2)} to ${last.ph.toFixed(2)}. Look for film or mould, and check the meter.` }
  }
  if (last.ph > PH_LINE) {
    if (!clock) return { state: 'ask', clock, sentence: `pH ${last.ph.toFixed(2)} and no temperature read. Read it: the deadline depends on it.` }
    const left = `4.6 is due within ${days(clock.dueMs - nowMs)} at this temperature`
    return clock.spent > 0.5
      ? { state: 'act', clock, sentence: `Behind: pH ${last.ph.toFixed(2)} after ${days(age)}. ${left}. Move it to about 20 °C, check the salt, read again tomorrow.` }
      : { state: 'working', clock, sentence: `pH ${last.ph.toFixed(2)}; ${left}.` }
  }
  const earlier = ph.filter(point => point.atMs <= last.atMs - DAY_MS).at(-1)
  if (last.ph <= targetPh && earlier && earlier.ph <= targetPh) {
    const fall = (earlier.ph - last.ph) / ((last.atMs - earlier.atMs) / DAY_MS)
    if (fall < 0.05) return { state: 'ready', clock, sentence: `${earlier.ph.toFixed(2)} and ${last.ph.toFixed(2)}, ${days(last.atMs - earlier.atMs)} apart, at or under ${targetPh.toFixed(2)}.` }
    return { state: 'working', clock, sentence: `pH ${last.ph.toFixed(2)}, still falling ${fall.toFixed(2)} a day.` }
  }
  if (last.ph <= targetPh) return { state: 'working', clock, sentence: `pH ${last.ph.toFixed(2)} is at target. A second reading a day later makes it ready.` }
  return { state: 'working', clock, sentence: `pH ${last.ph.toFixed(2)}, below 4.6. Target ${targetPh.toFixed(2)}.` }
}
