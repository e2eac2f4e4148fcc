import type { FlagCode } from '../ferment/flags'
import type { Verdict } from '../level'
import type { SignId } from '../ferment/signKinds'

/** What a reason rests on, by its code. Times in ms, temperatures °C, salt percent, masses g. */
export interface ReasonFacts {
  /** A sign that ends it. */
  'bad sign': { sign: SignId; atMs: number }
  /** Read above 4.6 when its time was over. */
  'above too long': { ph: number; atMs: number; spent: number; pieces: boolean }
  /** Read under 4.6, but it most likely passed too late. */
  'passed too late': { spent: number; afterMs: number; byMs: number; pieces: boolean }
  /** Thrown away, wholly, by the maker. */
  'thrown away': { atMs: number }
  /** Its time is over and no reading tells that it had passed. */
  'time over, not read': { spent: number; ph: number | null; pieces: boolean; chance: number | null }
  /** Made of a ferment that no reading proved to be under 4.6, and none since. */
  'not proven': { spent: number; ph: number | null }
  /** Read above 4.6 after it had passed. */
  'above again': { ph: number; atMs: number; spent: number }
  /** Nothing read and it should be. */
  'not read yet': { ageMs: number }
  /** Above 4.6 with half of its time or more spent. */
  behind: { ph: number; ageMs: number; tempC: number; dueMs: number }
  'too warm': { tempC: number }
  /** It may have passed too late: the late end of when. */
  'may have passed late': {
    spent: number
    afterMs: number
    byMs: number
    guessed: boolean
    pieces: boolean
    /** The maker may decide to eat it at home. */
    home: boolean
  }
  /** That was decided. */
  'home use': { atMs: number; spent: number }
  /** A sign that was not settled. */
  'open sign': { sign: SignId; atMs: number }
  /** Film that was skimmed, and no pH since. */
  'film since the pH': { sign: SignId; atMs: number }
  rose: { from: number; to: number; atMs: number }
  /** Put in later, and not read since: what the mixture works out to, at most. */
  'put in since': { atMs: number; upperPh: number | null }
  'mostly cooked': { rawPct: number }
  /** In 10 to 20 % salt, and not read at or under 4.6 in three times the time: staphylococci may have left a toxin. */
  'salty and late': { saltInWaterPct: number }
  'weak salt': { saltPct: number; leastPct: number; saltG: number }
  /** Weak at the low end of what it may be: not all was weighed. */
  'may be weak': { lowPct: number; saltPct: number; leastPct: number }
  'nothing alive': { rawPct: number }
  /** Pieces whose liquid passed, never read blended, in their time. */
  'pieces not read': { spent: number }
  'slow to sour': { ph: number; ageMs: number }
  /** What the forecast makes of the newest reading. */
  'behind the forecast': { chance: number }
  'does not fit': { chance: number; because: FlagCode }
  'may carry film': { chance: number }
  'may be yeast': { chance: number }
  /** Under 4.6, and it seems to go no further, above its target. */
  'stands still': { chance: number; targetPh: number }
  /** Taken of something that, by its dates, was not there yet. */
  'taken too early': { atMs: number }
  /** It was made of something that stops. */
  'made of': { code: string; of: Reason }
  /** Entries of a newer version that speak of it and are not understood here. */
  'newer entry': { count: number }
  /** Facts of which two devices say different things. */
  'not settled': { count: number }
  /** Jars of one lot that no pH was read in. */
  'jars not read': { marks: readonly string[] }
  /** One jar of several holds up the others, which stand under the line. */
  'one jar decides': { mark: string }
  /** Jars that were pressed although no pH was read in them. */
  'pressed unread': { marks: readonly string[] }
  /**
   * By eye and tongue, with no pH that tells: likely under 4.6 and passed in its time; called ready on that; unlikely
   * once its time is over; not told yet.
   */
  'likely under': { chance: number }
  'ready by taste': { chance: number; atMs: number }
  'unlikely under': { chance: number; spent: number }
  'not told yet': { chance: number; dueMs: number }
  'on its way by eye': { chance: number; dueMs: number }
  /** On its way. */
  young: { spent: number; dueMs: number }
  'above the line': { ph: number; dueMs: number }
  'below the line': { ph: number; targetPh: number }
  'liquid only': { ph: number }
  'one reading at target': { ph: number }
  falling: { ph: number; perDay: number }
  gassing: { ph: number }
  'not fermented': { ph: number; startPh: number; read: boolean }
  'by time': { leftMs: number }
  'more time given': { untilMs: number }
  /** There. */
  settled: { first: number; second: number; apartMs: number; targetPh: number }
  /** It stands still under 4.6, above its target. */
  'settled above target': { ph: number; targetPh: number; apartMs: number }
  /** What keeps a style that time judges: 20 % salt or more; a pH that was read; salt and measured cold. */
  'kept by salt': { saltInWaterPct: number; aw: number | null }
  'kept by acid': { ph: number }
  'kept by salt and cold': { saltInWaterPct: number; hottestC: number; useByMs: number }
  /** Under oil, in the refrigerator: so many days from when it went in. */
  'under oil': { pct: number; days: number; useByMs: number; sourBefore: boolean }
  'too long under oil': { pct: number; days: number }
  'past its days in the cold': { days: number }
  /** Its pH was only worked out, at most so high. */
  'sour as worked out': { upperPh: number | null }
  /** Under oil, in the refrigerator: so many days from when it went in. */
  /** A bottle of it was read over its limit. */
  'bottle over the limit': { ph: number; limitPh: number; atMs: number }
  /** Read by a laboratory over what is allowed. */
  'too much histamine': { mgKg: number; atMs: number }
  /** Nothing of that yet. */
  'nothing keeps it yet': { ph: number | null; dueMs: number }
  'as it is': { kind: string }
}
export type ReasonCode = keyof ReasonFacts

/** Why a lot stands where it stands: a rule by its code, and the facts it was held to. */
export type Reason = { [Code in ReasonCode]: { code: Code; facts: ReasonFacts[Code] } }[ReasonCode]

/** Where a lot stands. */
export const STATES = ['ready', 'working', 'ask', 'act', 'discard'] as const
export type State = (typeof STATES)[number]

/**
 * What a rule comes to: the state it gives, whether anything may be made of the lot while it holds, whether it goes on
 * to what was made of it, and what it means for sale where that is more than for the next step.
 */
export interface Rule {
  state: State
  make: Verdict
  goesOn: boolean
  sale?: Verdict
}

/** What each rule comes to. */
export const RULES: Record<Exclude<ReasonCode, 'made of'>, Rule> = {
  'bad sign': { state: 'discard', make: 'stop', goesOn: true },
  'above too long': { state: 'discard', make: 'stop', goesOn: true },
  'passed too late': { state: 'discard', make: 'stop', goesOn: true },
  'thrown away': { state: 'discard', make: 'stop', goesOn: true },
  'unlikely under': { state: 'discard', make: 'stop', goesOn: true },
  'time over, not read': { state: 'act', make: 'stop', goesOn: true },
  'not proven': { state: 'ask', make: 'stop', goesOn: true },
  'above again': { state: 'act', make: 'stop', goesOn: true },
  'too warm': { state: 'act', make: 'ask', goesOn: false },
  behind: { state: 'act', make: 'stop', goesOn: false },
  'not read yet': { state: 'act', make: 'stop', goesOn: false },
  'not settled': { state: 'act', make: 'stop', goesOn: true },
  'does not fit': { state: 'act', make: 'ask', goesOn: false },
  'behind the forecast': { state: 'act', make: 'ask', goesOn: false },
  'film since the pH': { state: 'ask', make: 'stop', goesOn: true },
  'open sign': { state: 'ask', make: 'stop', goesOn: true },
  'may have passed late': { state: 'ask', make: 'stop', goesOn: true },
  'home use': { state: 'ask', make: 'ask', goesOn: true, sale: 'stop' },
  'pressed unread': { state: 'ask', make: 'stop', goesOn: true },
  'taken too early': { state: 'ask', make: 'stop', goesOn: true },
  'newer entry': { state: 'ask', make: 'ask', goesOn: true, sale: 'stop' },
  'jars not read': { state: 'ask', make: 'ask', goesOn: false },
  'one jar decides': { state: 'ask', make: 'ask', goesOn: false },
  rose: { state: 'ask', make: 'ask', goesOn: false },
  'may carry film': { state: 'ask', make: 'ask', goesOn: false },
  'may be yeast': { state: 'ask', make: 'ask', goesOn: false },
  'put in since': { state: 'ask', make: 'stop', goesOn: false },
  'pieces not read': { state: 'act', make: 'stop', goesOn: true },
  'salty and late': { state: 'ask', make: 'ask', goesOn: true, sale: 'stop' },
  'nothing alive': { state: 'ask', make: 'ask', goesOn: false },
  'mostly cooked': { state: 'ask', make: 'ask', goesOn: false },
  'weak salt': { state: 'ask', make: 'ask', goesOn: true },
  'may be weak': { state: 'ask', make: 'ask', goesOn: true },
  'slow to sour': { state: 'ask', make: 'ask', goesOn: false },
  'not told yet': { state: 'ask', make: 'stop', goesOn: false },
  'on its way by eye': { state: 'working', make: 'stop', goesOn: false },
  'likely under': { state: 'working', make: 'ask', goesOn: true, sale: 'stop' },
  'ready by taste': { state: 'ready', make: 'ask', goesOn: true, sale: 'stop' },
  young: { state: 'working', make: 'stop', goesOn: false },
  'above the line': { state: 'working', make: 'stop', goesOn: false },
  'liquid only': { state: 'working', make: 'stop', goesOn: false },
  'below the line': { state: 'working', make: 'ask', goesOn: false },
  'one reading at target': { state: 'working', make: 'ask', goesOn: false },
  'stands still': { state: 'working', make: 'ask', goesOn: false },
  falling: { state: 'working', make: 'ask', goesOn: false },
  gassing: { state: 'working', make: 'ask', goesOn: false },
  'not fermented': { state: 'working', make: 'ask', goesOn: false },
  'by time': { state: 'working', make: 'ask', goesOn: false },
  'more time given': { state: 'working', make: 'pass', goesOn: false },
  settled: { state: 'ready', make: 'pass', goesOn: false },
  'settled above target': { state: 'ready', make: 'ask', goesOn: false },
  'kept by salt': { state: 'ready', make: 'pass', goesOn: false },
  'kept by acid': { state: 'ready', make: 'pass', goesOn: false },
  'kept by salt and cold': { state: 'ready', make: 'ask', goesOn: true, sale: 'stop' },
  'under oil': { state: 'ready', make: 'ask', goesOn: false },
  'too much histamine': { state: 'discard', make: 'stop', goesOn: true },
  'bottle over the limit': { state: 'act', make: 'stop', goesOn: true },
  'too long under oil': { state: 'act', make: 'stop', goesOn: true },
  'past its days in the cold': { state: 'ask', make: 'stop', goesOn: true },
  'sour as worked out': { state: 'ready', make: 'ask', goesOn: true, sale: 'stop' },
  'nothing keeps it yet': { state: 'act', make: 'stop', goesOn: false },
  'as it is': { state: 'ready', make: 'pass', goesOn: false },
}

/** The fact at the bottom of a chain of lots. */
export const bottomOf = (reason: Reason): Exclude<Reason, { code: 'made of' }> =>
  reason.code === 'made of' ? bottomOf(reason.facts.of) : reason

/** What that means wherever it goes: on shelf, lot, jar label and trace. */
export const NOT_MEASURED =
  'Not measured: it stays so, and what is made of it too. Keep it cold, eat it at home. Never for the shelf, for sale, under oil, in a jar sealed warm, nor for infants, pregnant or immune-weak people.'

/** It stands on eye and tongue alone: marked "not measured", and so is what is made of it. */
export function isByTaste(reason: Reason): boolean {
  const { code } = bottomOf(reason)
  return code === 'likely under' || code === 'ready by taste'
}

/** Decided for the own kitchen, though the record cannot show that it passed in time. */
const isHomeUse = (reason: Reason): boolean => bottomOf(reason).code === 'home use'

/** How food is marked that stays in the own kitchen, on shelf, label and trace. */
export type HomeMark = 'not measured' | 'home use only'
export const homeMark = (reasons: readonly Reason[]): HomeMark | null =>
  reasons.some(isHomeUse) ? 'home use only' : reasons.some(isByTaste) ? 'not measured' : null

/** It tells what eye and tongue say, whatever that is. */
export const isByEye = ({ code, facts }: Reason): boolean =>
  ['likely under', 'ready by taste', 'unlikely under', 'not told yet', 'on its way by eye'].includes(code) ||
  (code === 'time over, not read' && 'chance' in facts && facts.chance !== null)

/** The rule of a reason: of what a lot was made of, the rule that held there. A lot is never better than that. */
export const ruleFor = (reason: Reason): Rule => RULES[bottomOf(reason).code]
