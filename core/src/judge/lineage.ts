import { PH_LINE } from '../ferment/clock'
import { beginOf, isBefore, portionOf, reaches, takingsOf, type Moment, type Taking } from '../flow'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { DAY_MS } from '../units/time'
import type { Columns } from './fermenting'
import { historyOf, type History } from './history'
import type { Judgement } from './judgement'
import { signReasons } from './openSigns'
import { bottomOf, ruleFor, type Reason, type ReasonCode } from './reasons'

/** A lot as it stood at a moment: its judgement, and how far its time above 4.6 had gone, for what was made of it. */
export interface Stand {
  judgement: Judgement
  /** Share spent until a moment, had it never passed. */
  spentAt: (ms: number) => number
  columns: Columns | null
  /** From when on that is reckoned, ms. */
  beginMs: number
  /** The time above 4.6 as readings until a later moment tell it, of what it was then. */
  columnsAt: (ms: number) => Columns
  history: History
  /** The one ferment a forecast could tell of. */
  ferment: Lot | null
}

/** Asks how some jars of a lot stood at a moment; `null`: those that stood then. */
export type AskStand = (lotId: string, moment: Moment, marks: readonly string[] | null) => Stand | null

/** Share that was spent when something was taken: to the late end of its passing, or until then. */
export const spentBy = ({ columns }: Stand): number =>
  !columns ? 0 : columns.blended.passed ? columns.blended.lateSpent : columns.blended.spent

/** How long after the taking a fact about the source still counts. Judgement. */
const LEARNED_MS = { sign: 14 * DAY_MS, above: 7 * DAY_MS } as const

/** What was learned about a source after the taking: mould seen a day later was already there. */
function learnedLater(book: Book, source: Lot, { moment, from }: Taking, stand: Stand, nowMs: number): Reason[] {
  const history = historyOf(book, portionOf(source, from, moment.ms))
  const untilMs = (window: keyof typeof LEARNED_MS) => Math.min(nowMs, moment.ms + LEARNED_MS[window])
  const bad = signReasons(history, untilMs('sign')).filter(({ code }) => code === 'bad sign')
  // What was put in afterwards is not in what was taken.
  const changedMs = history.additions.find(({ atMs, raises }) => raises && atMs > moment.ms)?.atMs ?? Infinity
  const above = history.acidity.findLast(
    ({ atMs, ph }) => ph > PH_LINE && atMs > moment.ms && atMs <= untilMs('above') && atMs <= changedMs,
  )
  if (!above || !stand.columns?.liquid.passed) return bad
  const { over } = stand.columnsAt(above.atMs).blended
  const { ph, atMs } = above
  return over
    ? [...bad, { code: 'above too long', facts: { ph, atMs, spent: over.spent, pieces: false } }]
    : [...bad, { code: 'above again', facts: { ph, atMs, spent: spentBy(stand) } }]
}

/** What a lot brings along from what it was made of. */
export interface Inherited {
  /** Rules that go on, with the lot they held in. */
  reasons: Reason[]
  /** Of what it was made of, what had gone farthest above 4.6; `null` without any. */
  source: Stand | null
  /** All it was made of stood under the line when it was taken. */
  under: boolean
  /** What was put in later, by its entry: when, and the share of its time above 4.6 that was spent. */
  joined: { entryId: string; atMs: number; spent: number }[]
}

/** The time of a base and of bottles goes on as their own, until their own reading proves them. */
const RUNS_ON: readonly ReasonCode[] = ['time over, not read', 'pieces not read']

/** Whether a reason of a source holds for what was taken of it. @param read its own pH was read since. */
function goesOn(reason: Reason, { made }: Lot, read: boolean): boolean {
  const { make, goesOn: always } = ruleFor(reason)
  if (bottomOf(reason).code === 'put in since') return !read
  if (made.kind === 'press') return always && !RUNS_ON.includes(reason.code)
  // What stands in a bottle is what stood in the pot.
  return always || (made.kind === 'bottle' && make !== 'pass')
}

/**
 * What some jars of a lot bring along at a moment, from each source as it stood when it was taken.
 * @param portion those jars. @param nowMs until when something was learned.
 */
export function inherited(
  book: Book,
  ask: AskStand,
  lot: Lot,
  portion: Lot,
  { moment, nowMs }: { moment: Moment; nowMs: number },
): Inherited {
  const marks = portion.vessels.map(({ mark }) => mark)
  const found: Inherited = { reasons: [], source: null, under: true, joined: [] }
  const readMs = historyOf(book, portion).acidity.findLast(
    ({ atMs, of }) => of === 'blended' && atMs <= moment.ms,
  )?.atMs
  const listed = new Set<string>()
  for (const taking of takingsOf(portion)) {
    if (!isBefore(taking.moment, moment)) continue
    if (!taking.making && !reaches(lot, marks, taking.moment.id)) continue
    const source = book.lots.get(taking.lotId)
    if (!source) continue
    const inherit = (reason: Reason) => {
      const of = bottomOf(reason)
      const key = `${source.code} ${of.code}`
      if (!listed.has(key)) found.reasons.push({ code: 'made of', facts: { code: source.code, of } })
      listed.add(key)
    }
    const early = isBefore(taking.moment, beginOf(source))
    const stand = early ? null : ask(source.id, taking.moment, taking.from)
    if (!stand) {
      inherit({ code: 'taken too early', facts: { atMs: taking.moment.ms } })
      if (taking.making) found.under = false
      continue
    }
    const later = learnedLater(book, source, taking, stand, nowMs)
    const had = new Set<ReasonCode>(stand.judgement.reasons.map((reason) => bottomOf(reason).code))
    for (const reason of [...stand.judgement.reasons, ...later.filter(({ code }) => !had.has(code))])
      if (goesOn(reason, portion, (readMs ?? -Infinity) > taking.moment.ms)) inherit(reason)
    const unread = portion.made.kind === 'press' ? stand.judgement.jars.filter(({ read }) => !read) : []
    if (unread.length) inherit({ code: 'pressed unread', facts: { marks: unread.map(({ mark }) => mark) } })
    if (!taking.making) {
      found.joined.push({ entryId: taking.moment.id, atMs: taking.moment.ms, spent: spentBy(stand) })
      continue
    }
    if (stand.columns && !stand.columns.blended.passed) found.under = false
    if (!found.source || spentBy(stand) > spentBy(found.source)) found.source = stand
  }
  return found
}
