import { kindOf, type Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import { byTime } from '../log/merge'
import type { NewerEntry } from '../log/newer'
import { counts, fold, lotsFrom, speaksAfter, winnersOf, type Book, type LeftBehind, type Winners } from './fold'
import { libraryOf } from './ownLibrary'
import { recipesOf } from './recipes'
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
}

/** The same nothing each time. */
const NOTHING: readonly LeftBehind[] = []
/** So much that is new is quicker folded with all the rest. */
const MANY = 1000

/** What lots that are there do not tell of themselves. */
interface Index {
  winner: Winners
  /** By lot: entries that wait for it, or that would make it as well. */
  waiting: Map<string, Set<Entry>>
  /** By lot that is not there: the lots that say they took from it. */
  wanting: Map<string, Set<string>>
}

/** All lots an entry makes or speaks of. */
export function lotsOf(entry: Entry): Set<string> {
  const { lots, alsoIn, makes } = kindOf(entry)
  return new Set([...(lots?.(entry) ?? []), ...(alsoIn?.(entry) ?? []), ...(makes?.(entry) ?? []).map(({ id }) => id)])
}
/** All lots a lot took from. */
const sourcesOf = (lot: Lot | undefined): Set<string> => new Set(lot?.from.map(({ lotId }) => lotId))

function put<T>(into: Map<string, Set<T>>, key: string, one: T): void {
  const known = into.get(key)
  if (known) known.add(one)
  else into.set(key, new Set([one]))
}

function indexOf(entries: readonly Entry[], book: Book): Index {
  const index: Index = { winner: winnersOf(entries), waiting: new Map(), wanting: new Map() }
  for (const entry of book.orphans) for (const lotId of lotsOf(entry)) put(index.waiting, lotId, entry)
  for (const entry of book.effective) {
    const { makes, alsoIn } = kindOf(entry)
    if (makes) {
      for (const { id } of makes(entry)) if (book.lots.get(id)?.made.id !== entry.id) put(index.waiting, id, entry)
    } else if (alsoIn) for (const id of lotsOf(entry)) if (!book.lots.has(id)) put(index.waiting, id, entry)
  }
  for (const lot of book.lots.values())
    for (const { lotId } of lot.from) if (!book.lots.has(lotId)) put(index.wanting, lotId, lot.id)
  return index
}

/** Takes some out of a list that is in order, and puts others in at their places. */
function changed<T extends Entry>(list: readonly T[], gone: Changes['gone'], come: readonly T[]): T[] {
  const rest = gone.size ? list.filter(({ id }) => !gone.has(id)) : [...list]
  for (const entry of come) {
    let low = 0
    let high = rest.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (byTime(rest[middle]!, entry) < 0) low = middle + 1
      else high = middle
    }
    rest.splice(low, 0, entry)
  }
  return rest
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
function refold(book: Book, index: Index, { gone, come }: Changes, lotIds: ReadonlySet<string>): Map<string, Lot> {
  const needed = new Set(lotIds)
  for (const lotId of lotIds) {
    for (const user of book.lots.get(lotId)?.to ?? []) needed.add(user.lotId)
    for (const user of index.wanting.get(lotId) ?? []) needed.add(user)
  }
  const entries = new Map(come.map((entry) => [entry.id, entry]))
  for (const lotId of needed) {
    for (const entry of book.lots.get(lotId)?.entries ?? []) entries.set(entry.id, entry)
    for (const entry of index.waiting.get(lotId) ?? []) entries.set(entry.id, entry)
  }
  return lotsFrom([...entries.values()].filter(({ id }) => !gone.has(id)).sort(byTime)).lots
}

/** Lots as they stand after some were touched, with those that gave to them; and all that were looked at. */
function touchedLots(book: Book, index: Index, changes: Changes, touched: ReadonlySet<string>) {
  let found = refold(book, index, changes, touched)
  const all = new Set(touched)
  for (const lotId of touched) {
    const [before, now] = [book.lots.get(lotId), found.get(lotId)]
    if (givenBy(before) !== givenBy(now)) for (const lot of [before, now]) for (const id of sourcesOf(lot)) all.add(id)
  }
  // Those that took from one that is looked at must be there while it is; they are, from one round to the next.
  if (all.size > touched.size) found = refold(book, index, changes, all)
  return { all, found }
}

/** The place of a lot among those that one entry made. */
const placeOf = ({ id, made }: Lot): number =>
  kindOf(made)
    .makes?.(made)
    .findIndex((lot) => lot.id === id) ?? 0

/** The lots with some of them anew, in the order in which they were made. */
function lotsWith(lots: Book['lots'], all: ReadonlySet<string>, found: ReadonlyMap<string, Lot>): Map<string, Lot> {
  const next = new Map(lots)
  let inOrder = true
  for (const lotId of all) {
    const [before, now] = [lots.get(lotId), found.get(lotId)]
    if (!now) next.delete(lotId)
    else next.set(lotId, now)
    inOrder &&= before?.made.id === now?.made.id
  }
  if (inOrder) return next
  return new Map([...next].sort(([, a], [, b]) => byTime(a.made, b.made) || placeOf(a) - placeOf(b)))
}

/** Keeps the index true after some lots were looked at, and tells what speaks of lots that are not there. */
function settle(book: Book, index: Index, { gone, come }: Changes, all: ReadonlySet<string>, lots: Book['lots']) {
  const speak = new Map([...book.orphans, ...come].map((entry) => [entry.id, entry]))
  for (const lotId of all) {
    const [before, now] = [book.lots.get(lotId), lots.get(lotId)]
    for (const entry of [...(before?.entries ?? []), ...(index.waiting.get(lotId) ?? [])]) speak.set(entry.id, entry)
    for (const id of sourcesOf(before)) index.wanting.get(id)?.delete(lotId)
    for (const id of sourcesOf(now)) if (!lots.has(id)) put(index.wanting, id, lotId)
    // Whoever took from a lot that is gone now wants it.
    if (!now) for (const user of before?.to ?? []) if (lots.has(user.lotId)) put(index.wanting, lotId, user.lotId)
  }
  const orphans: Entry[] = []
  for (const entry of speak.values()) {
    const { lots: about, alsoIn, makes } = kindOf(entry)
    for (const id of lotsOf(entry)) {
      const there = makes ? lots.get(id)?.made.id === entry.id : lots.has(id)
      if (there || gone.has(entry.id)) index.waiting.get(id)?.delete(entry)
      else put(index.waiting, id, entry)
    }
    if (makes || alsoIn || gone.has(entry.id)) continue
    for (const id of about?.(entry) ?? []) if (!lots.has(id)) orphans.push(entry)
  }
  return orphans.sort(byTime)
}

/** The book after some entries came and others count no more. */
function turned(book: Book, index: Index, { gone, come }: Changes, ahead: readonly Entry[]): Book {
  const touched = new Set([...gone.values(), ...come].flatMap((entry) => [...lotsOf(entry)]))
  const { all, found } = touchedLots(book, index, { gone, come }, touched)
  const lots = lotsWith(book.lots, all, found)
  const effective = changed(book.effective, gone, come)
  const kinds = new Set([...gone.values(), ...come].map(({ kind }) => kind))
  const isTrial = (entry: Entry) => entry.kind === 'trial'
  const changes = (...of: Entry['kind'][]) => of.some((kind) => kinds.has(kind))
  return {
    ...book,
    ...{ lots, effective, ahead, orphans: settle(book, index, { gone, come }, all, lots) },
    trials: changes('trial') ? changed(book.trials, gone, come.filter(isTrial)) : book.trials,
    library: changes('material', 'vessel', 'format') ? libraryOf(effective) : book.library,
    recipes: changes('recipe') ? recipesOf(effective) : book.recipes,
    supplies: changes('supply', 'bottle') ? suppliesOf(effective) : book.supplies,
  }
}

/** What a log that is followed has seen so far. */
class FollowedLog implements Ledger {
  private list: readonly Entry[] = []
  private book: Book = fold([])
  private index: Index | null = null
  private untilMs = -Infinity

  follow(entries: readonly Entry[], { untilMs, newer, remembered = NOTHING }: LedgerOptions): Book {
    const added = this.addedOf(entries)
    // A clock that was set back sets entries aside anew.
    const anew = !added || untilMs < this.untilMs
    if (!anew) this.goOn(added, entries, untilMs)
    this.list = entries
    this.untilMs = untilMs
    if (anew) {
      this.book = fold(entries, { untilMs })
      this.index = null
    }
    if (this.book.newer !== newer || this.book.remembered !== remembered)
      this.book = { ...this.book, newer, remembered }
    return this.book
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
    if (added.length === 0 && this.book.ahead.every(isAhead)) return
    const index = (this.index ??= indexOf(this.list, this.book))
    const { winner } = index
    const asked = new Map(added.map((entry) => [entry.id, entry]))
    const old = new Set(added.flatMap(({ replaces }) => (replaces ? [replaces, winner.get(replaces) ?? ''] : [])))
    if (old.size) for (const entry of entries) if (old.has(entry.id)) asked.set(entry.id, entry)
    const fresh = new Set(added)
    const counted = new Set([...asked.values()].filter((entry) => !fresh.has(entry) && counts(entry, winner)))
    let { lastCorrection } = this.book
    for (const { id, replaces } of added) {
      if (!replaces) continue
      if (id > lastCorrection) lastCorrection = id
      if ((winner.get(replaces) ?? '') < id) winner.set(replaces, id)
    }
    const gone = new Map([...counted].filter((entry) => !counts(entry, winner)).map((entry) => [entry.id, entry]))
    const come = [...asked.values()].filter((entry) => !counted.has(entry) && counts(entry, winner))
    const wait = changed(this.book.ahead, gone, come.filter(isAhead))
    const now = [...come, ...this.book.ahead.filter((entry) => !gone.has(entry.id))].filter((entry) => !isAhead(entry))
    this.book = { ...turned(this.book, index, { gone, come: now }, wait.filter(isAhead)), lastCorrection }
  }
}

/** Begins to follow a log. */
export const openLedger = (): Ledger => new FollowedLog()
