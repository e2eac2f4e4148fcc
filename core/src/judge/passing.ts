import { PH_LINE } from '../ferment/clock'
import { ONE_SIDED, type Trust } from '../log/trust'
import { HOUR_MS } from '../units/time'

/** A pH as the judge weighs it. */
export interface Sample {
  entryId: string
  atMs: number
  ph: number
  trust: Trust
  sd: number
}

/** Two readings that count as one proof lie so far apart, h. Judgement: repeats at once only repeat an offset. */
const APART_H = 12
/** Of two readings of a meter checked in two buffers, each; of one strip, and of two, each. Judgement. */
const PAIR_PH = 4.55
const STRIP_PH = { one: 4.0, two: 4.1 } as const

/** Upper and lower 95 % end of a reading, one-sided. */
export const upperEnd = ({ ph, sd }: Pick<Sample, 'ph' | 'sd'>): number => ph + ONE_SIDED * sd
const lowerEnd = ({ ph, sd }: Pick<Sample, 'ph' | 'sd'>): number => ph - ONE_SIDED * sd

/** Rounding of binary fractions must not decide: 4.43 read by an unchecked meter is under. */
const SLACK = 1e-9

/** Whether a reading by itself says that it stood under the line then. */
export const clearlyUnder = (sample: Sample): boolean =>
  (sample.trust === 'strip' ? sample.ph + sample.sd : upperEnd(sample)) <= PH_LINE + SLACK

/**
 * Looks for the proof that the line was passed: one reading that says so, or two 12 h apart of strips, or of meters
 * checked in two buffers, with none above the limit between them.
 */
function prover(): (sample: Sample) => boolean {
  const pairs = [
    { of: ['strip'], limit: STRIP_PH.two, fromMs: null as number | null },
    { of: ['bench', 'pocket'], limit: PAIR_PH, fromMs: null as number | null },
  ]
  return (sample) => {
    const one = sample.trust === 'strip' ? sample.ph <= STRIP_PH.one : upperEnd(sample) <= PH_LINE + SLACK
    let two = false
    for (const pair of pairs) {
      const mine = pair.of.includes(sample.trust)
      if (sample.ph > (mine ? pair.limit : PH_LINE)) pair.fromMs = null
      else if (mine) {
        pair.fromMs ??= sample.atMs
        two ||= sample.atMs - pair.fromMs >= APART_H * HOUR_MS
      }
    }
    return one || two
  }
}

/** When something most likely passed 4.6, and the late end of it, ms; from the forecast. */
export interface Crossing {
  likelyMs: number
  lateMs: number
}

/** What the time above 4.6 is reckoned from: a moment, what was spent before it, whether it stood under then. */
export interface Begin {
  atMs: number
  spent: number
  under: boolean
}

/** The time above 4.6 of one kind of sample, at a moment. */
export interface TimeAbove {
  /** Passed: not before the one, proven by the other (ms). `null` while it is not proven, or no longer. */
  passed: { afterMs: number; byMs: number } | null
  /** A reading above 4.6 once the time was over: for good, whatever comes later. */
  over: { sample: Sample; spent: number } | null
  /** The newest reading stands above 4.6 although it had passed. */
  above: Sample | null
  /** Share of the time that is spent: now, or when it passed, most likely and at the late end. */
  spent: number
  lateSpent: number
  /** The late end was not told by a forecast: it is the moment of the proof. */
  guessed: boolean
  newest: Sample | null
}

/**
 * Follows one kind of sample through time.
 * @param spentAt share of the time allowed that is spent from the beginning to a moment, had it never passed.
 * @param limit share at which the time is over: 1, or 2 for pieces.
 * @param raised moments at which something was put in that may have brought it above the line again.
 */
export function timeAbove(
  samples: readonly Sample[],
  {
    begin,
    nowMs,
    limit,
    spentAt,
    crossing,
    raised,
  }: {
    begin: Begin
    nowMs: number
    limit: number
    spentAt: (ms: number) => number
    crossing: Crossing | null
    raised: readonly number[]
  },
): TimeAbove {
  let passed: TimeAbove['passed'] = begin.under ? { afterMs: begin.atMs, byMs: begin.atMs } : null
  let over: TimeAbove['over'] = null
  let above: Sample | null = null
  let newest: Sample | null = null
  let lastUnderMs = begin.under ? begin.atMs : null
  let notUnderMs = begin.atMs
  let runFromMs: number | null = null
  let proves = prover()
  let foreseen = crossing
  // What was spent before it passed and something else was put in counts; what was spent between does not.
  let forgiven = 0
  const since = (ms: number) => spentAt(ms) - forgiven
  const ends = (at: { afterMs: number; byMs: number }) => {
    // It stood under from the beginning: what was spent before is told of what it was made of.
    if (begin.under && at.byMs === begin.atMs) return { likely: 0, late: 0 }
    const inside = (ms: number) => since(Math.min(at.byMs, Math.max(at.afterMs, ms)))
    return { likely: inside(foreseen?.likelyMs ?? at.afterMs), late: inside(foreseen?.lateMs ?? at.byMs) }
  }
  const restart = (ms: number) => {
    if (passed) forgiven = spentAt(ms) - ends(passed).late
    passed = null
    above = null
    notUnderMs = ms
    lastUnderMs = null
    runFromMs = null
    proves = prover()
    // The forecast knows of the first time only.
    foreseen = null
  }
  const marks = raised.filter((ms) => ms <= nowMs).sort((a, b) => a - b)
  for (const sample of samples) {
    if (sample.atMs > nowMs) break
    while (marks[0] !== undefined && marks[0] <= sample.atMs) restart(marks.shift() as number)
    newest = sample
    if (passed && lowerEnd(sample) > PH_LINE + SLACK) passed = null
    const high = sample.ph > PH_LINE
    if (high && !over) {
      const spent = passed && lastUnderMs !== null ? spentAt(sample.atMs) - spentAt(lastUnderMs) : since(sample.atMs)
      if (spent >= limit) over = { sample, spent }
    }
    above = passed && high ? sample : null
    if (clearlyUnder(sample)) {
      runFromMs ??= sample.atMs
      lastUnderMs = sample.atMs
    } else {
      runFromMs = null
      if (!passed) notUnderMs = sample.atMs
    }
    const proven = proves(sample)
    if (!passed && proven) {
      const byMs = runFromMs ?? sample.atMs
      passed = { afterMs: Math.min(notUnderMs, byMs), byMs }
      lastUnderMs = sample.atMs
    }
  }
  while (marks[0] !== undefined) restart(marks.shift() as number)
  const at = passed as TimeAbove['passed']
  const spentNow = at ? ends(at) : { likely: since(nowMs), late: since(nowMs) }
  const open = above && lastUnderMs !== null ? spentAt(nowMs) - spentAt(lastUnderMs) : null
  return {
    ...{ passed: at, over, above, newest },
    spent: open ?? spentNow.likely,
    lateSpent: open ?? spentNow.late,
    guessed: at !== null && foreseen === null && at.byMs > at.afterMs,
  }
}
