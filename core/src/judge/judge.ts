import { dueAt } from '../ferment/clock'
import { endOf, portionOf, type Moment } from '../flow'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { textsIn } from '../log/newer'
import { looksOf } from '../makeup/sensed'
import { temperatureAtMs } from '../makeup/temperature'
import { fermentReasons, type Columns } from './fermenting'
import { historyOf, type History } from './history'
import { hurdleReasons } from './hurdle'
import { jarsApart, jarsRead, onceEach, together, worstOf, type Jar } from './jars'
import { judgementOf, worseOf, type Clock, type Foresight, type Judge } from './judgement'
import { inherited, type AskStand, type Stand } from './lineage'
import { forksAbout, saidOtherwise } from './otherwise'
import { signReasons } from './openSigns'
import { isByTaste, type Reason } from './reasons'
import { reckon, type Reckoned } from './reckon'
import { overLimitReasons } from './overLimit'
import { oilReasons } from './underOil'

/** From this share of its time on the clock presses. Judgement. */
const PRESSING = 0.7
/** So many answers are kept: of a long log every lot at one moment. */
const KEPT = 20_000

/** All of it thrown away by the maker. */
function thrownAway({ discarded }: Lot, atMs: number): Reason[] {
  const goneMs = discarded ? Date.parse(discarded.at) : Infinity
  return goneMs <= atMs ? [{ code: 'thrown away', facts: { atMs: goneMs } }] : []
}

const notUnderstood = (count = 0): Reason[] => (count ? [{ code: 'newer entry', facts: { count } }] : [])
const notSettled = (count = 0): Reason[] => (count ? [{ code: 'not settled', facts: { count } }] : [])

/** How many entries that are not understood here speak of each lot. */
function newerAbout({ newer }: Book): ReadonlyMap<string, number> {
  const about = new Map<string, number>()
  for (const { entry } of newer) for (const text of new Set(textsIn(entry))) about.set(text, (about.get(text) ?? 0) + 1)
  return about
}

function clockOf({ temperature }: History, { liquid }: Columns, atMs: number, dueMs: number): Clock {
  return {
    spent: liquid.spent,
    dueMs,
    assumed: temperature.some(({ assumed, fromMs }) => assumed && fromMs < atMs),
    passed: liquid.passed !== null,
    state: liquid.spent >= 1 ? 'over' : liquid.spent > PRESSING ? 'act' : 'running',
  }
}

/**
 * It passed, nobody knows when, and by the proof its time was over, or nothing but eye and tongue tell: a forecast
 * would tell more.
 */
const wants = ({ liquid, blended }: Columns, { lot }: History): boolean =>
  [liquid, blended].some(({ passed, guessed, lateSpent }) => passed !== null && guessed && lateSpent >= 1) ||
  (liquid.passed === null && looksOf(lot).length > 0)

type Foresee = (lotId: string) => Foresight | undefined

/** What the judge of one book asks. */
interface Inquiry {
  book: Book
  foresee: Foresee
  newer: ReadonlyMap<string, number>
  forked: ReadonlyMap<string, number>
  /** Until when what was learned of sources counts, ms. */
  nowMs: number
  ask: AskStand
}

/** How some jars of a lot stood at a moment; `null`: those that stood then. */
function standOf(
  { book, foresee, newer, forked, nowMs, ask }: Inquiry,
  lot: Lot,
  moment: Moment,
  marks: readonly string[] | null,
): Stand | null {
  const atMs = moment.ms
  const ferment = lot.made.kind === 'plan'
  if (ferment && !lot.packed) return null
  const portion = portionOf(lot, marks, atMs)
  const history = historyOf(book, portion)
  const from = inherited(book, ask, lot, portion, { moment, nowMs })
  const byAcid = lot.made.kind !== 'plan' || styleById(lot.made.style).judgedBy === 'acid'
  const several = ferment && portionOf(lot, null, atMs).vessels.length > 1
  const read = several ? jarsRead(history, atMs) : []
  const unread = read.filter((jar) => !jar.read).map(({ mark }) => mark)
  const jars = jarsApart(book, lot, marks, atMs)
  const apart = jars.filter(({ followed }) => followed)
  const reckonedAt = (ms: number) => apart.map((jar) => reckon(book, jar, from, ms, foresee))
  const each = reckonedAt(atMs)
  const columns = worstOf(each.map((reckoned) => reckoned.columns))
  // Time, salt and the forecast are those of the whole lot.
  const { allowance, foresight, elapsed, beginMs, ferment: oneFerment } = each[0] as Reckoned
  const tempC = temperatureAtMs(history.temperature, atMs) ?? 0
  const due = (limit: number, spent: number) => dueAt(atMs, limit - spent, tempC, allowance ?? undefined)
  const fromTaste = from.reasons.some(isByTaste)
  const byJar = () =>
    each.map((reckoned, index) => {
      const { mark, history: of } = apart[index] as Jar
      const known = { atMs, tempC, due, foresight, ferment, elapsed, unread, fromTaste }
      const { columns: its, allowance: allowed, wholeLimit, spentAt } = reckoned
      const facts = { history: of, columns: its, allowance: allowed, wholeLimit, spentAt, ...known }
      const said = byAcid ? fermentReasons(facts) : hurdleReasons(facts)
      return { mark, columns: reckoned.columns, said }
    })
  const reasons = [
    ...onceEach(jars.flatMap((jar) => signReasons(jar.history, atMs))),
    ...from.reasons,
    ...thrownAway(lot, atMs),
    ...notUnderstood(newer.get(lot.id)),
    ...notSettled(forked.get(lot.id)),
    ...oilReasons(book, portion, atMs),
    ...overLimitReasons(lot, atMs),
    ...together(byJar()),
  ]
  const runs = allowance !== null
  const clock = runs && ferment ? clockOf(history, columns, atMs, due(1, columns.liquid.spent)) : null
  return {
    judgement: judgementOf(lot.id, atMs, reasons, {
      ...{ clock, jars: read, wantsForesight: ferment && runs && wants(columns, history) },
      passed: (ferment && !allowance) || columns.blended.passed !== null,
    }),
    ...{ beginMs, history, ferment: oneFerment },
    spentAt: (ms) => Math.max(...each.map((reckoned) => reckoned.spentAt(ms))),
    columnsAt: (ms) => worstOf(reckonedAt(ms).map((reckoned) => reckoned.columns)),
    columns: allowance || !ferment ? columns : null,
  }
}

/** Judges by what counts in a book. */
function asItCounts(book: Book, foresee: Foresee): Judge {
  const known = new Map<string, Stand | null>()
  const [newer, forked] = [newerAbout(book), forksAbout(book)]
  /** Sources are asked at moments before the one asked about: it comes to an end, and each answer is kept. */
  function asked(lotId: string, moment: Moment, nowMs: number, marks: readonly string[] | null): Stand | null {
    const key = `${lotId} ${moment.ms} ${moment.id} ${nowMs} ${marks?.join() ?? ''}`
    const found = known.get(key)
    if (found !== undefined) return found
    if (known.size > KEPT) known.clear()
    const lot = book.lots.get(lotId)
    const ask: AskStand = (id, when, of) => asked(id, when, nowMs, of)
    const stand = lot ? standOf({ book, foresee, newer, forked, nowMs, ask }, lot, moment, marks) : null
    known.set(key, stand)
    return stand
  }
  return (lotId, atMs) => asked(lotId, endOf(atMs), atMs, null)?.judgement ?? null
}

/**
 * Makes a judge of a book. Where two devices say different things of one fact, the worse counts.
 * @param foresee what is known of the forecast of a ferment.
 */
export function judgeOf(book: Book, foresee: Foresee = () => undefined): Judge {
  const judge = asItCounts(book, foresee)
  const otherwise = saidOtherwise(book).map((other) => asItCounts(other, foresee))
  if (otherwise.length === 0) return judge
  return (lotId, atMs) =>
    otherwise.reduce((found, other) => worseOf(found, found && other(lotId, atMs)), judge(lotId, atMs))
}
