import { kindOf, type Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import { byTime } from '../log/merge'
import type { NewerEntry } from '../log/newer'
import {
  foldedInSteps,
  foldedWith,
  latest,
  lotsFrom,
  meterChecksOf,
  processesOf,
  put,
  speaksAfter,
  type Book,
  type LeftBehind,
  type Steps,
  type Unsettled,
} from './fold'
import { lotsWithAnew } from './lotsOver'
import { libraryOf } from './ownLibrary'
import { recipesOf } from './recipes'
import { stepped } from './steps'
import { suppliesOf } from './supplies'

/*
 * A log that is followed: what is new costs what its lots cost, not what the log costs. It holds no rule of its own:
 * the lots that are touched are folded anew from their own entries, by the same fold.
 */

/** What a log is followed with, beside its entries. */
export interface LedgerOptions {
  untilMs: number
  newer: readonly NewerEntry[]
  remembered?: readonly LeftBehind[]
}

/** Follows a log from one state to the next. */
export interface Ledger {
  /**
   * The book of a whole log as it stands now, as {@link fold} would have it.
   * @param options as {@link fold} takes them: what is dated after `untilMs` is set aside.
   */
  follow(entries: readonly Entry[], options: LedgerOptions): Book
  /**
   * Takes a whole log in, step by step: what is new in it is much. Once it is at its end the next to follow is little;
   * before it nothing has changed.
   */
  takeIn(entries: readonly Entry[], options: LedgerOptions): Steps<void>
}

/** The same nothing each time. */
const NOTHING: readonly LeftBehind[] = []
/** So much that is new is quicker folded with all the rest. */
const MANY = 1000

/** All lots an entry makes or speaks of. */
export function lotsOf(entry: Entry): Set<string> {
  const { lots, alsoIn, makes } = kindOf(entry)
  return new Set([...(lots?.(entry) ?? []), ...(alsoIn?.(entry) ?? []), ...(makes?.(entry) ?? []).map(({ id }) => id)])
}
/** All lots a lot took from. */
const sourcesOf = (lot: Lot | undefined): Set<string> => new Set(lot?.from.map(({ lotId }) => lotId))

/** Takes some out of a list that is in order, and puts others in at their places. */
function changed<T extends Entry>(list: readonly T[], gone: Changes['gone'], come: readonly T[]): T[] {
  const rest = gone.size ? list.filter(({ id }) => !gone.has(id)) : list
  const fresh = [...come].sort(byTime)
  const first = fresh[0]
  if (!first) return [...rest]
  // What is new is mostly late: what lies before it is taken over as it is.
  const from = rest.findLastIndex((entry) => byTime(entry, first) < 0) + 1
  const late: T[] = []
  let at = from
  for (const entry of fresh) {
    while (at < rest.length && byTime(rest[at]!, entry) < 0) late.push(rest[at++]!)
    late.push(entry)
  }
  return rest.slice(0, from).concat(late, rest.slice(at))
}

/** What counts no more and what counts now. */
interface Changes {
  /** By id: read once more from the database, an entry is another object. */
  gone: ReadonlyMap<string, Entry>
  come: readonly Entry[]
}

/** What of a lot others hang on: what it took and from where. */
const givenBy = (lot: Lot | undefined): string =>
  lot ? JSON.stringify([lot.made.id, lot.from, lot.added.map(({ id }) => id)]) : ''

/** Folds some lots anew from their own entries, beside those that took from them. */
function refold(
  book: Book,
  unsettled: Unsettled,
  { gone, come }: Changes,
  lotIds: ReadonlySet<string>,
): Map<string, Lot> {
  const needed = new Set(lotIds)
  for (const lotId of lotIds) {
    for (const user of book.lots.get(lotId)?.to ?? []) needed.add(user.lotId)
    for (const user of unsettled.wanting.get(lotId) ?? []) needed.add(user)
  }
  const entries = new Map(come.map((entry) => [entry.id, entry]))
  for (const lotId of needed) {
    for (const entry of book.lots.get(lotId)?.entries ?? []) entries.set(entry.id, entry)
    for (const entry of unsettled.waiting.get(lotId) ?? []) entries.set(entry.id, entry)
  }
  return lotsFrom([...entries.values()].filter(({ id }) => !gone.has(id)).sort(byTime)).lots
}

/** Lots as they stand after some were touched, with those that gave to them; and all that were looked at. */
function touchedLots(book: Book, unsettled: Unsettled, changes: Changes, touched: ReadonlySet<string>) {
  let found = refold(book, unsettled, changes, touched)
  const all = new Set(touched)
  for (const lotId of touched) {
    const [before, now] = [book.lots.get(lotId), found.get(lotId)]
    if (givenBy(before) !== givenBy(now)) for (const lot of [before, now]) for (const id of sourcesOf(lot)) all.add(id)
  }
  // Those that took from one that is looked at must be there while it is; they are, from one round to the next.
  if (all.size > touched.size) found = refold(book, unsettled, changes, all)
  return { all, found }
}

/** The place of a lot among those that one entry made. */
const placeOf = ({ id, made }: Lot): number =>
  kindOf(made)
    .makes?.(made)
    .findIndex((lot) => lot.id === id) ?? 0

/** The lots with some of them anew, in the order in which they were made. */
function lotsWith(lots: Book['lots'], all: ReadonlySet<string>, found: ReadonlyMap<string, Lot>): Book['lots'] {
  const ids = [...all]
  const asMade = ids.every((id) => lots.get(id)?.made.id === found.get(id)?.made.id)
  if (asMade) return lotsWithAnew(lots, new Map([...found].filter(([id]) => all.has(id))))
  const next = new Map(lots)
  for (const id of ids) {
    const now = found.get(id)
    if (now) next.set(id, now)
    else next.delete(id)
  }
  return new Map([...next].sort(([, a], [, b]) => byTime(a.made, b.made) || placeOf(a) - placeOf(b)))
}

/** Keeps what is unsettled true after some lots were looked at, and tells what speaks of lots that are not there. */
function settle(
  book: Book,
  unsettled: Unsettled,
  { gone, come }: Changes,
  all: ReadonlySet<string>,
  lots: Book['lots'],
) {
  const speak = new Map([...book.orphans, ...come].map((entry) => [entry.id, entry]))
  for (const lotId of all) {
    const [before, now] = [book.lots.get(lotId), lots.get(lotId)]
    for (const entry of [...(before?.entries ?? []), ...(unsettled.waiting.get(lotId) ?? [])])
      speak.set(entry.id, entry)
    for (const id of sourcesOf(before)) unsettled.wanting.get(id)?.delete(lotId)
    for (const id of sourcesOf(now)) if (!lots.has(id)) put(unsettled.wanting, id, lotId)
    // Whoever took from a lot that is gone now wants it.
    if (!now) for (const user of before?.to ?? []) if (lots.has(user.lotId)) put(unsettled.wanting, lotId, user.lotId)
  }
  const orphans: Entry[] = []
  for (const entry of speak.values()) {
    const { lots: about, alsoIn, makes } = kindOf(entry)
    for (const id of lotsOf(entry)) {
      const there = makes ? lots.get(id)?.made.id === entry.id : lots.has(id)
      if (there || gone.has(entry.id)) unsettled.waiting.get(id)?.delete(entry)
      else put(unsettled.waiting, id, entry)
    }
    if (makes || alsoIn || gone.has(entry.id)) continue
    for (const id of about?.(entry) ?? []) if (!lots.has(id)) orphans.push(entry)
  }
  return orphans.sort(byTime)
}

/** The book after some entries came and others count no more. */
function turned(book: Book, unsettled: Unsettled, { gone, come }: Changes, ahead: readonly Entry[]) {
  const touched = new Set([...gone.values(), ...come].flatMap((entry) => [...lotsOf(entry)]))
  const { all, found } = touchedLots(book, unsettled, { gone, come }, touched)
  const lots = lotsWith(book.lots, all, found)
  const effective = changed(book.effective, gone, come)
  const kinds = new Set([...gone.values(), ...come].map(({ kind }) => kind))
  const isTrial = (entry: Entry) => entry.kind === 'trial'
  const changes = (...of: Entry['kind'][]) => of.some((kind) => kinds.has(kind))
  const now = {
    ...book,
    ...{ lots, effective, ahead, orphans: settle(book, unsettled, { gone, come }, all, lots) },
    trials: changes('trial') ? changed(book.trials, gone, come.filter(isTrial)) : book.trials,
    meterChecks: changes('calibrate', 'buffers') ? meterChecksOf(effective) : book.meterChecks,
    processes: changes('process') ? processesOf(effective) : book.processes,
    library: changes('material', 'vessel', 'format') ? libraryOf(effective) : book.library,
    recipes: changes('recipe') ? recipesOf(effective) : book.recipes,
    supplies: changes('supply', 'bottle') ? suppliesOf(effective) : book.supplies,
  }
  return { now, lotIds: all }
}

/** What a log that is followed has seen so far. */
class FollowedLog implements Ledger {
  private list: readonly Entry[] = []
  private folded = foldedWith([], {})
  private untilMs = -Infinity

  follow(entries: readonly Entry[], { untilMs, newer, remembered = NOTHING }: LedgerOptions): Book {
    const added = this.addedOf(entries)
    // A clock that was set back sets entries aside anew.
    const anew = !added || untilMs < this.untilMs
    if (!anew) this.goOn(added, entries, untilMs)
    this.list = entries
    this.untilMs = untilMs
    if (anew) this.folded = foldedWith(entries, { untilMs })
    const { book } = this.folded
    if (book.newer !== newer || book.remembered !== remembered) this.folded.book = { ...book, newer, remembered }
    return this.folded.book
  }

  *takeIn(entries: readonly Entry[], { untilMs }: LedgerOptions): Steps<void> {
    const folded = yield* foldedInSteps(entries, { untilMs })
    this.folded = folded
    this.list = entries
    this.untilMs = untilMs
  }

  /** What is new; `null` where it is much, where something was taken out, or says something else than before. */
  private addedOf(entries: readonly Entry[]): Entry[] | null {
    // What is old is mostly the very same, in the same order.
    let same = 0
    while (same < this.list.length && entries[same] === this.list[same]) same++
    const before = new Map(this.list.slice(same).map((entry) => [entry.id, entry]))
    if (entries.length - same > before.size + MANY || before.size > MANY * 5) return null
    const added: Entry[] = []
    for (const entry of entries.slice(same)) {
      const known = before.get(entry.id)
      if (!known) added.push(entry)
      else if (known !== entry && JSON.stringify(known) !== JSON.stringify(entry)) return null
    }
    return entries.length - same - added.length === before.size ? added : null
  }

  private goOn(added: readonly Entry[], entries: readonly Entry[], untilMs: number): void {
    const isAhead = speaksAfter(untilMs)
    const { book, unsettled } = this.folded
    const { chains, aside } = unsettled
    const fresh = new Map(added.map((entry) => [entry.id, entry]))
    for (const entry of fresh.values()) if (isAhead(entry)) aside.set(entry.id, entry)
    const arrived = [...aside.values(), ...fresh.values()].filter((entry) => !isAhead(entry))
    if (fresh.size === 0 && arrived.length === 0) return
    for (const { id } of arrived) aside.delete(id)
    const known = (ids: ReadonlySet<string>) => entries.filter((entry) => ids.has(entry.id) && !isAhead(entry))
    const { come, gone } = chains.take(arrived, known)
    const changes = { come, gone: new Map(gone.map((entry) => [entry.id, entry])) }
    const ahead = [...aside.values()].filter(({ id }) => !chains.isOver(id)).sort(byTime)
    const { now, lotIds } = turned(book, unsettled, changes, ahead)
    this.folded.book = {
      ...now,
      ...{ forks: chains.forks([...aside.values()], known), refused: chains.refused, takenBack: chains.takenBack },
      lastId: latest(arrived, book.lastId),
      lastCorrection: added.reduce(
        (last, { id, replaces }) => (replaces && id > last ? id : last),
        book.lastCorrection,
      ),
    }
    stepped({ before: book, now: this.folded.book, lotIds })
  }
}

/** Begins to follow a log. */
export const openLedger = (): Ledger => new FollowedLog()
