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
/** Strips and meters nobody checked read within this are of one moment, h. Judgement. */
const MOMENT_H = 1
/**
 * Of two readings of a meter checked in two buffers, each; of one that is coarse, and of two strips, each. Judgement.
 */
const PAIR_PH = 4.55
const COARSE_PH = { one: 4.0, two: 4.1 } as const

/** Upper and lower 95 % end of a reading, one-sided. */
export const upperEnd = ({ ph, sd }: Pick<Sample, 'ph' | 'sd'>): number => ph + ONE_SIDED * sd
const lowerEnd = ({ ph, sd }: Pick<Sample, 'ph' | 'sd'>): number => ph - ONE_SIDED * sd

/** Rounding of binary fractions must not decide: 4.43 read by an unchecked meter is under. */
const SLACK = 1e-9

/** Strips, and meters that nobody checked: an offset of theirs is in every reading. */
const isCoarse = ({ trust }: Pick<Sample, 'trust'>): boolean => trust !== 'bench' && trust !== 'pocket'

/** Whether a reading by itself says that it stood under the line then. */
export const clearlyUnder = (sample: Sample): boolean =>
  sample.trust !== 'failed' && (isCoarse(sample) ? sample.ph + sample.sd : upperEnd(sample)) <= PH_LINE + SLACK

/**
 * Whether one reading proves that the line was passed: its 95 % end under it; where it is coarse, at or under 4.0. A
 * meter that failed its last check proves nothing.
 */
export const isProof = (sample: Sample): boolean =>
  sample.trust !== 'failed' && (isCoarse(sample) ? sample.ph <= COARSE_PH.one : upperEnd(sample) <= PH_LINE + SLACK)

/** Samples with the highest of each moment in place of coarse ones of it: of several strips never the best counts. */
export function ofMoments(samples: readonly Sample[]): Sample[] {
  const found: Sample[] = []
  let from = 0
  for (const sample of samples) {
    const last = found.at(-1)
    if (!last || !isCoarse(last) || !isCoarse(sample) || sample.atMs - from > MOMENT_H * HOUR_MS) {
      found.push(sample)
      from = sample.atMs
    } else if (sample.ph >= last.ph) found[found.length - 1] = sample
  }
  return found
}

/**
 * Looks for the proof that the line was passed: one reading that says so, or two 12 h apart of strips, or of meters
 * checked in two buffers, with none above the limit between them.
 */
function prover(): (sample: Sample) => boolean {
  const pairs = [
    { of: ['strip'], limit: COARSE_PH.two, fromMs: null as number | null },
    { of: ['bench', 'pocket'], limit: PAIR_PH, fromMs: null as number | null },
  ]
  return (sample) => {
    let two = false
    for (const pair of pairs) {
      const mine = pair.of.includes(sample.trust)
      if (sample.ph > (mine ? pair.limit : PH_LINE)) pair.fromMs = null
      else if (mine) {
        pair.fromMs ??= sample.atMs
        two ||= sample.atMs - pair.fromMs >= APART_H * HOUR_MS
      }
    }
    return two || isProof(sample)
  }
}

/** When something passed 4.6, ms, as `CrossingHours` has it; from the forecast. */
export interface Crossing {
  earlyMs: number
  likelyMs: number
  mostMs: number
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
  /** The same at the early end, where a reading above 4.6 says that it had not passed by then; else 0. */
  leastSpent: number
  /** The same of nine in ten members of the forecast; `null` without one. */
  mostSpent: number | null
  /** The late end was not told by a forecast: it is the moment of the proof. */
  guessed: boolean
  newest: Sample | null
}

/** What one kind of sample is followed with. */
interface Following {
  begin: Begin
  nowMs: number
  /** Share at which the time is over: 1, or 2 for pieces. */
  limit: number
  /** Share of the time allowed that is spent from the beginning to a moment, had it never passed. */
  spentAt: (ms: number) => number
  crossing: Crossing | null
  /** Moments at which something was put in that may have brought it above the line again. */
  raised: readonly number[]
  /** What was put in that had spent some of its own time. */
  joined: readonly { atMs: number; spent: number }[]
}

/** Follows one kind of sample through time, one reading after the other. */
class Follower {
  passed: TimeAbove['passed']
  over: TimeAbove['over'] = null
  above: Sample | null = null
  newest: Sample | null = null
  crossing: Crossing | null
  private lastUnderMs: number | null
  private notUnderMs: number
  /** The last reading above the line by its value, before it passed. */
  private aboveMs: number
  private runFromMs: number | null = null
  private proves = prover()
  /** From when on so much more counts: less the time it stood under, and no less than what was put in had spent. */
  private steps: { fromMs: number; more: number }[] = []

  constructor(private readonly of: Following) {
    const { begin, crossing } = of
    this.crossing = crossing
    this.passed = begin.under ? { afterMs: begin.atMs, byMs: begin.atMs } : null
    this.lastUnderMs = begin.under ? begin.atMs : null
    this.notUnderMs = this.aboveMs = begin.atMs
  }

  /** Share spent until a moment, had it not passed. */
  since(ms: number): number {
    return this.of.spentAt(ms) + (this.steps.findLast(({ fromMs }) => fromMs <= ms)?.more ?? 0)
  }

  /** Share spent when it passed: most likely, and at the late end. */
  ends({ afterMs, byMs }: { afterMs: number; byMs: number }) {
    // It stood under from the beginning: what was spent before is told of what it was made of.
    if (this.of.begin.under && byMs === this.of.begin.atMs) return { least: 0, likely: 0, most: 0, late: 0 }
    const inside = (fromMs: number, ms: number) => this.since(Math.min(byMs, Math.max(fromMs, ms)))
    // Most likely it passed when the forecast says, but never before a reading above the line: a forecast may be of
    // fewer readings. The late end is held to what was not clearly under.
    const wasAbove = this.aboveMs > this.of.begin.atMs
    return {
      least: wasAbove ? inside(this.aboveMs, this.crossing?.earlyMs ?? this.aboveMs) : 0,
      likely: this.crossing ? inside(this.aboveMs, this.crossing.likelyMs) : this.since(afterMs),
      most: this.crossing ? inside(this.aboveMs, this.crossing.mostMs) : null,
      late: inside(afterMs, this.crossing?.lateMs ?? byMs),
    }
  }

  /** Something was put in that may have brought it above the line: it counts as not passed from then on. */
  restart(ms: number): void {
    if (this.passed) this.steps.push({ fromMs: ms, more: this.ends(this.passed).late - this.of.spentAt(ms) })
    this.passed = null
    this.notUnderMs = ms
    this.lastUnderMs = null
    this.runFromMs = null
    this.proves = prover()
    // The forecast knows of the first time only.
    this.crossing = null
  }

  /** Something was put in that had spent so much of its own time: the mixture has no less behind it. */
  join(ms: number, spent: number): void {
    if (spent > this.since(ms)) this.steps.push({ fromMs: ms, more: spent - this.of.spentAt(ms) })
  }

  /** Share spent since the last reading that was clearly under, or since the beginning where there is none. */
  private spentSinceUnder(ms: number): number {
    return this.passed && this.lastUnderMs !== null
      ? this.of.spentAt(ms) - this.of.spentAt(this.lastUnderMs)
      : this.since(ms)
  }

  take(sample: Sample): void {
    this.newest = sample
    if (this.passed && lowerEnd(sample) > PH_LINE + SLACK) this.passed = null
    const high = sample.ph > PH_LINE
    if (high && !this.passed) this.aboveMs = sample.atMs
    const spent = high ? this.spentSinceUnder(sample.atMs) : 0
    if (high && !this.over && spent >= this.of.limit) this.over = { sample, spent }
    this.above = this.passed && high ? sample : null
    if (clearlyUnder(sample)) {
      this.runFromMs ??= sample.atMs
      this.lastUnderMs = sample.atMs
    } else {
      this.runFromMs = null
      if (!this.passed) this.notUnderMs = sample.atMs
    }
    const proven = this.proves(sample)
    if (this.passed || !proven) return
    const byMs = this.runFromMs ?? sample.atMs
    this.passed = { afterMs: Math.min(this.notUnderMs, byMs), byMs }
    this.lastUnderMs = sample.atMs
  }

  /** How it stands at a moment after all that was taken. */
  standsAt(nowMs: number): TimeAbove {
    const { passed, over, above, newest, crossing } = this
    const open = above ? this.spentSinceUnder(nowMs) : null
    const spent = this.since(nowMs)
    const { least, likely, most, late } = passed
      ? this.ends(passed)
      : { least: 0, likely: spent, most: null, late: spent }
    return {
      ...{ passed, over, above, newest },
      spent: open ?? likely,
      lateSpent: open ?? late,
      leastSpent: least,
      mostSpent: most,
      guessed: passed !== null && crossing === null && passed.byMs > passed.afterMs,
    }
  }
}

/** The time above 4.6 of one kind of sample, in order of time, as it stands at a moment. */
export function timeAbove(samples: readonly Sample[], of: Following): TimeAbove {
  const follower = new Follower(of)
  const events = [
    ...of.raised.map((atMs) => ({ atMs, spent: null })),
    // What raises it counts as put in before what it had spent.
    ...of.joined,
  ]
    .filter(({ atMs }) => atMs <= of.nowMs)
    .sort((a, b) => a.atMs - b.atMs)
  const happens = (untilMs: number) => {
    for (let next = events[0]; next && next.atMs <= untilMs; next = events[0]) {
      events.shift()
      if (next.spent === null) follower.restart(next.atMs)
      else follower.join(next.atMs, next.spent)
    }
  }
  for (const sample of ofMoments(samples.filter(({ atMs }) => atMs <= of.nowMs))) {
    happens(sample.atMs)
    follower.take(sample)
  }
  happens(of.nowMs)
  return follower.standsAt(of.nowMs)
}
