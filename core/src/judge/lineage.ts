import type { Book } from '../lots/fold'
import type { Flow, Lot } from '../log/lot'
import { historyOf, type History } from './history'
import type { Judgement } from './judgement'
import { signReasons } from './openSigns'
import type { Columns } from './fermenting'
import { bottomOf, ruleFor, type Reason } from './reasons'

/** A lot as it stood at a moment: its judgement, and how far its time above 4.6 had gone, for what was made of it. */
export interface Stand {
  judgement: Judgement
  /** Share spent until a moment, had it never passed. */
  spentAt: (ms: number) => number
  columns: Columns | null
  history: History
  /** The one ferment a forecast could tell of. */
  ferment: Lot | null
}

/** Asks how a lot stood at a moment; `path` are the lots on the way here, so that no circle is run in; `marks`
 * the jars asked about, of a lot in several. */
export type AskStand = (lotId: string, atMs: number, path: readonly string[], marks?: readonly string[]) => Stand | null

/** The moment a flow left its lot: when the entry was, that made or added to the other. */
const takenMs = (lot: Lot, flow: Flow): number =>
  Math.max(
    Date.parse(lot.made.at),
    ...lot.added
      .filter(({ rows }) => rows.some((row) => row.lotId === flow.lotId) && !madeOf(lot, flow.lotId))
      .map(({ at }) => Date.parse(at)),
  )

const madeOf = (lot: Lot, sourceId: string): boolean => {
  const { made } = lot
  switch (made.kind) {
    case 'press':
    case 'bottle':
      return made.fromLotId === sourceId
    case 'blend':
      return made.parts.some((part) => part.lotId === sourceId)
    case 'plan':
      return (lot.weighed ?? made).rows.some((row) => row.lotId === sourceId)
    case 'stock':
      return false
  }
}

/** Share that was spent when something was taken: to the late end of its passing, or until then. */
export const spentBy = ({ columns, spentAt }: Stand, ms: number): number =>
  columns?.blended.passed ? columns.blended.lateSpent : columns ? spentAt(ms) : 0

/** Jars that were pressed although no pH was read in them. */
const unreadIn = ({ made }: Lot, { jars }: Judgement): string[] =>
  made.kind === 'press' ? jars.filter(({ read }) => !read).map(({ mark }) => mark) : []

/** Reasons of a source as it was taken, and what ended it afterwards: mould that was seen a day later was there. */
function laterToo(book: Book, source: Lot, reasons: readonly Reason[]): Reason[] {
  const later = signReasons(historyOf(book, source), Infinity).filter(({ code }) => code === 'bad sign')
  const gone: Reason[] = source.discarded
    ? [{ code: 'thrown away', facts: { atMs: Date.parse(source.discarded.at) } }]
    : []
  const had = new Set(reasons.map(({ code }) => code))
  return [...reasons, ...[...later, ...gone].filter(({ code }) => !had.has(code))]
}

/** What a lot brings along from what it was made of. */
export interface Inherited {
  /** Rules that go on, with the lot they held in. */
  reasons: Reason[]
  /** The source whose time above 4.6 had gone farthest; `null` without any. */
  source: Stand | null
  /** All of them stood under the line when they were taken. */
  under: boolean
}

/** What a lot brings along at a moment, from each source as it stood when it was taken. */
export function inherited(book: Book, ask: AskStand, lot: Lot, atMs: number, path: readonly string[]): Inherited {
  const found: Inherited = { reasons: [], source: null, under: true }
  for (const flow of lot.from) {
    const fromMs = takenMs(lot, flow)
    const marks = lot.made.kind === 'press' ? lot.made.marks : undefined
    const stand = fromMs > atMs ? null : ask(flow.lotId, fromMs, path, marks)
    const of = book.lots.get(flow.lotId)
    if (!stand || !of) continue
    const told = (reason: Reason) => found.reasons.push({ code: 'made of', facts: { code: of.code, of: reason } })
    for (const reason of laterToo(book, of, stand.judgement.reasons)) if (ruleFor(reason).goesOn) told(bottomOf(reason))
    const unread = unreadIn(lot, stand.judgement)
    if (unread.length) told({ code: 'pressed unread', facts: { marks: unread } })
    if (stand.columns && !stand.columns.blended.passed) found.under = false
    if (!found.source || spentBy(stand, fromMs) > spentBy(found.source, fromMs)) found.source = stand
  }
  return found
}
