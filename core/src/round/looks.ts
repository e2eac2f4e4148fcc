import { historyOf } from '../judge/history'
import type { Judgement } from '../judge/judgement'
import { isByTaste, type Reason } from '../judge/reasons'
import type { SenseQuestion } from '../ferment/senses'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { isCold } from '../lots/measured'
import { signReasons } from '../judge/openSigns'
import { looksOf } from '../makeup/sensed'
import { structureOfLot } from '../makeup/structure'
import { DAY_MS, HOUR_MS } from '../units/time'

/* What is asked of somebody's eyes and tongue, and when. Judgement, conservative. */

/** A day's look, with some hours of play; once it is likely, and of what gas has left, once a week. */
const DAILY_MS = 20 * HOUR_MS
const WEEKLY_MS = 7 * DAY_MS - 4 * HOUR_MS
/** The first taste tells how sour it was before anything worked in it. */
const FIRST_TASTE_MS = DAY_MS

/** Signs that gas was seen. */
const GAS = new Set(['bubbles', 'foam', 'bag ballooned'])

/** Gas was seen: something works in it. */
const hasBubbled = (lot: Lot, nowMs: number): boolean =>
  looksOf(lot).some(({ question, step, atMs }) => question === 'bubbles' && step > 0 && atMs <= nowMs) ||
  lot.signs.some(({ sign, at }) => GAS.has(sign) && Date.parse(at) <= nowMs)

const seems = ({ reasons }: Judgement): Reason | undefined => reasons.find(isByTaste)

/**
 * Whether a lot may be tasted: fresh, on the day it was packed; or proven under 4.6; or bubbles were seen, its time is
 * not over (unless it is likely under), and nothing doubtful stands open.
 */
export function mayTaste(book: Book, lot: Lot, judgement: Judgement | null, nowMs: number): boolean {
  if (!judgement || judgement.state === 'discard' || signReasons(historyOf(book, lot), nowMs).length > 0) return false
  if (nowMs - lot.startedMs < FIRST_TASTE_MS || seems(judgement)) return true
  if (judgement.passed) return judgement.make !== 'stop'
  return hasBubbled(lot, nowMs) && (judgement.clock?.spent ?? 0) < 1
}

/** What can be seen of a lot: cloud where it lies in a liquid, one mass where it is ground. */
const visible = (book: Book, lot: Lot): SenseQuestion[] => [
  'bubbles',
  structureOfLot(book, lot).liquid < 1 ? 'cloud' : 'one mass',
]

/** Questions that can be answered of a lot now. */
export const questionsOf = (
  book: Book,
  lot: Lot,
  judgement: Judgement | null,
  nowMs: number,
): readonly SenseQuestion[] => [
  ...visible(book, lot),
  ...(mayTaste(book, lot, judgement, nowMs) ? (['sour'] as const) : []),
]

/** A look that is due: what is asked, and since when, ms. */
export interface DueLook {
  questions: readonly SenseQuestion[]
  dueMs: number
  first: boolean
}

/** The look a lot wants today of somebody without a meter; `null` where none is due. */
export function dueLook(book: Book, lot: Lot, judgement: Judgement | null, nowMs: number): DueLook | null {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed || styleById(made.style).judgedBy !== 'acid') return null
  if (!judgement || judgement.passed || judgement.state === 'discard') return null
  // The cold is no rescue: only what is likely under has its quiet round there instead.
  if (isCold(lot) && seems(judgement)) return null
  const packedMs = Date.parse(packed.at)
  const looks = looksOf(lot).filter(({ atMs }) => atMs <= nowMs)
  if (nowMs - packedMs < FIRST_TASTE_MS)
    return looks.some(({ question }) => question === 'sour')
      ? null
      : { questions: ['sour'], dueMs: packedMs, first: true }
  const every = seems(judgement) ? WEEKLY_MS : DAILY_MS
  const dueOf = (question: SenseQuestion) =>
    Math.max(packedMs, ...looks.filter((look) => look.question === question).map(({ atMs }) => atMs)) + every
  const questions = questionsOf(book, lot, judgement, nowMs).filter((question) => dueOf(question) <= nowMs)
  return questions.length === 0 ? null : { questions, dueMs: Math.min(...questions.map(dueOf)), first: false }
}
