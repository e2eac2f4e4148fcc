import { dueAt } from '../ferment/clock'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { textsIn } from '../log/newer'
import { looksOf } from '../makeup/sensed'
import { temperatureAtMs } from '../makeup/temperature'
import { fermentReasons, timeReasons, type Columns } from './fermenting'
import { historyOf, type History } from './history'
import { jarsApart, jarsRead, together, worstOf, type Jar } from './jars'
import { judgementOf, worseOf, type Clock, type Foresight, type Judge } from './judgement'
import { inherited, type AskStand, type Stand } from './lineage'
import { forksAbout, saidOtherwise } from './otherwise'
import { signReasons } from './openSigns'
import { isByTaste, type Reason } from './reasons'
import { reckon, type Reckoned } from './reckon'

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

/** Judges by what counts in a book. */
function asItCounts(book: Book, foresee: Foresee): Judge {
  const known = new Map<string, Stand | null>()
  const [newer, forked] = [newerAbout(book), forksAbout(book)]
  const ask: AskStand = (lotId, atMs, path, marks) => {
    const key = `${lotId} ${atMs} ${marks?.join() ?? ''}`
    const found = known.get(key)
    if (found !== undefined) return found
    if (known.size > KEPT) known.clear()
    const lot = path.includes(lotId) ? undefined : book.lots.get(lotId)
    const stand = lot ? stands(lot, atMs, [...path, lotId], marks) : null
    known.set(key, stand)
    return stand
  }

  function stands(lot: Lot, atMs: number, path: readonly string[], marks?: readonly string[]): Stand | null {
    const ferment = lot.made.kind === 'plan'
    if (ferment && !lot.packed) return null
    const history = historyOf(book, lot)
    const from = inherited(book, ask, lot, atMs, path)
    const byAcid = lot.made.kind !== 'plan' || styleById(lot.made.style).judgedBy === 'acid'
    const read = ferment ? jarsRead(history, atMs, marks) : []
    const unread = read.filter((jar) => !jar.read).map(({ mark }) => mark)
    const jars = jarsApart(history, read)
    const each = jars.map((jar): [Jar, Reckoned] => [jar, reckon(book, jar, from, atMs, foresee)])
    const columns = worstOf(each.map(([, reckoned]) => reckoned.columns))
    // Time, salt and the forecast are those of the whole lot.
    const { times, spentAt, foresight, elapsed, ferment: oneFerment } = (each[0] as [Jar, Reckoned])[1]
    const tempC = temperatureAtMs(history.temperature, atMs) ?? 0
    const due = (limit: number, spent: number) => dueAt(atMs, limit - spent, tempC, times ?? 1)
    const reasons = [
      ...signReasons(history, atMs),
      ...from.reasons,
      ...thrownAway(lot, atMs),
      ...notUnderstood(newer.get(lot.id)),
      ...notSettled(forked.get(lot.id)),
      ...(byAcid
        ? together(
            each.map(([{ mark, history: of }, reckoned]) => ({
              ...{ mark, columns: reckoned.columns },
              said: fermentReasons({
                ...{ history: of, columns: reckoned.columns, atMs, times, tempC, due, foresight },
                ...{ ferment, elapsed, unread, fromTaste: from.reasons.some(isByTaste) },
              }),
            })),
          )
        : timeReasons(history, atMs)),
    ]
    const runs = byAcid && times !== null
    const clock = runs && ferment ? clockOf(history, columns, atMs, due(1, columns.liquid.spent)) : null
    return {
      judgement: judgementOf(lot.id, atMs, reasons, {
        ...{ clock, jars: read, wantsForesight: ferment && runs && wants(columns, history) },
        passed: !byAcid || columns.blended.passed !== null,
      }),
      ...{ spentAt, history, ferment: oneFerment },
      columns: byAcid && (times !== null || !ferment) ? columns : null,
    }
  }
  return (lotId, atMs) => ask(lotId, atMs, [])?.judgement ?? null
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
