import type { Flag } from '../ferment/flags'
import type { CrossingHours } from '../ferment/forecast'
import type { Verdict } from '../level'
import { bottomOf, ruleFor, STATES, type Reason, type State } from './reasons'

/** What a forecast says of a lot, as the judge needs it. Times in hours since packing; gas mmol/kg a day. */
export interface Foresight {
  crossing: Record<'liquid' | 'blended', CrossingHours> | null
  gasPerDay: number
  flags: readonly Flag[]
  /** How likely it has passed 4.6 in its time and stands under it, at hours since packing; by what was sensed. */
  under?: { hours: readonly number[]; chances: readonly number[] } | null
}

/** The time above 4.6 of a lot: share that is spent, when it will be over, ms; whether any of it is assumed. */
export interface Clock {
  spent: number
  dueMs: number
  assumed: boolean
  passed: boolean
  state: 'running' | 'act' | 'over'
}

/** Where a lot stands at a moment: every reason, the one that decides first; what it means for the next step. */
export interface Judgement {
  lotId: string
  atMs: number
  state: State
  reasons: readonly Reason[]
  /** Whether anything may be made of it, and the reason that decides. */
  make: Verdict
  makeBecause: Reason | null
  clock: Clock | null
  /** Proven to stand under 4.6, all of it, or kept by its salt. */
  passed: boolean
  /** Its jars, where there are several, and whether a pH of each was read. */
  jars: readonly { mark: string; read: boolean }[]
  /** A forecast of when it passed 4.6 would tell more. */
  wantsForesight: boolean
}

/** Asks the judge of a lot at a moment, ms; `null` for a lot that is not in the book or was never packed. */
export type Judge = (lotId: string, atMs: number) => Judgement | null

const worst = (reasons: readonly Reason[]): State =>
  reasons.reduce<State>((state, reason) => {
    const its = ruleFor(reason).state
    return STATES.indexOf(its) > STATES.indexOf(state) ? its : state
  }, 'ready')

/** Reasons in the order they weigh, those of one weight as they came. */
const byWeight = (reasons: readonly Reason[]): Reason[] =>
  [...reasons].sort((a, b) => STATES.indexOf(ruleFor(b).state) - STATES.indexOf(ruleFor(a).state))

const VERDICT_WEIGHT: readonly Verdict[] = ['pass', 'ask', 'stop']

/** Of two judgements of one lot the worse; what is not settled goes with it. */
export function worseOf(known: Judgement | null, other: Judgement | null): Judgement | null {
  if (!known || !other) return known
  const unsettled = known.reasons.filter((reason) => bottomOf(reason).code === 'not settled')
  const { lotId, atMs, reasons, clock, passed, jars, wantsForesight } = other
  const otherwise = judgementOf(lotId, atMs, [...unsettled, ...reasons], { clock, passed, jars, wantsForesight })
  const weight = (one: Judgement) =>
    STATES.indexOf(one.state) * 100 + VERDICT_WEIGHT.indexOf(one.make) * 10 + Number(!one.passed)
  return weight(otherwise) > weight(known) ? otherwise : known
}

export function judgementOf(
  lotId: string,
  atMs: number,
  found: readonly Reason[],
  more: Pick<Judgement, 'clock' | 'passed' | 'jars' | 'wantsForesight'>,
): Judgement {
  const reasons = byWeight(found)
  const makeBecause = reasons.reduce<Reason | null>((decides, reason) => {
    const weight = VERDICT_WEIGHT.indexOf(ruleFor(reason).make)
    return weight > (decides ? VERDICT_WEIGHT.indexOf(ruleFor(decides).make) : 0) ? reason : decides
  }, null)
  return {
    ...{ lotId, atMs, reasons, makeBecause, ...more },
    state: worst(reasons),
    make: makeBecause ? ruleFor(makeBecause).make : 'pass',
  }
}
