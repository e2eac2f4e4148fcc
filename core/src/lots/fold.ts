import { MINUTE_MS, momentOf } from '../units/time'
import type { Library } from '../library/library'
import { bottlesOf } from './bottles'
import { contentG } from '../log/contents'
import { kindOf, type Entry, type EntryOf } from '../log/entry'
import { lastIdAt } from '../log/ids'
import { add, addedG, NONE, withoutVessels, type Lot } from '../log/lot'
import { byTime } from '../log/merge'
import type { NewerEntry } from '../log/newer'
import { Chains, type Fork, type TakenBack } from './corrections'
import { libraryOf } from './ownLibrary'
import { recipesOf, type Recipe } from './recipes'
import { suppliesOf, type Supply } from './supplies'

/**
 * What a lot that is not read leaves behind for the others: how sour somebody said it was beside its pH, and
 * temperatures of the places where it stood.
 */
export interface LeftBehind {
  lotId: string
  made: { at: string; id: string }
  /** Who, ln of titratable acid (%), and the step. */
  tastes: readonly (readonly [by: string, figure: number, step: number])[]
  points: readonly (readonly [place: string, atMs: number, tempC: number])[]
}

/**
 * The folded log. `lastCorrection` is the id of the entry that corrected or took back another one last. `trials`
 * stand apart from lots as well: their blend may not be poured yet. `orphans` speak of lots that are not there (yet);
 * the library is the shipped one with the maker's own values over it.
 */
export interface Book {
  lots: ReadonlyMap<string, Lot>
  orphans: Entry[]
  effective: Entry[]
  /** Facts of which two devices say different things: one of them counts until somebody settles it. */
  forks: readonly Fork[]
  takenBack: readonly TakenBack[]
  /** Corrections of another kind or lot than what they name: they say nothing. */
  refused: readonly Entry[]
  /** Written or dated after the moment it was folded for: set aside until then, or until somebody mends the date. */
  ahead: readonly Entry[]
  /** Of a newer version, and not understood here. */
  newer: readonly NewerEntry[]
  /** Of lots that are not in it: a book that begins at a checkpoint. */
  remembered: readonly LeftBehind[]
  trials: readonly EntryOf<'trial'>[]
  /** Meters calibrated, and checked in buffers. */
  meterChecks: readonly MeterCheck[]
  /** Processes that were recorded and are in use, newest of each. */
  processes: readonly EntryOf<'process'>[]
  library: Library
  recipes: readonly Recipe[]
  supplies: readonly Supply[]
  lastCorrection: string
  /** The id written last, of those that are not set aside. */
  lastId: string
}

/** A calibration of a meter, or its check in buffers. */
export type MeterCheck = EntryOf<'calibrate' | 'buffers'>
/** Those among entries. */
export const meterChecksOf = (entries: readonly Entry[]): MeterCheck[] =>
  entries.filter((entry) => entry.kind === 'calibrate' || entry.kind === 'buffers')

/** Processes among entries: the newest of each, but those no longer used. */
export function processesOf(entries: readonly Entry[]): EntryOf<'process'>[] {
  const newest = new Map<string, EntryOf<'process'>>()
  for (const entry of entries) if (entry.kind === 'process') newest.set(entry.processId, entry)
  return [...newest.values()].filter(({ retired }) => !retired)
}

/** What a fold knows and its book does not tell. */
export interface Unsettled {
  chains: Chains
  /** By id: all that is set aside, whatever was said over it meanwhile. */
  aside: Map<string, Entry>
  /** By lot: entries that wait for it, or that would make it as well. */
  waiting: Map<string, Set<Entry>>
  /** By lot that is not there: the lots that say they took from it. */
  wanting: Map<string, Set<string>>
}

/** Adds one to those kept under a key. */
export function put<T>(into: Map<string, Set<T>>, key: string, one: T): void {
  const known = into.get(key)
  if (known) known.add(one)
  else into.set(key, new Set([one]))
}

/** Work in steps, and what it comes to. */
export type Steps<T> = Generator<void, T>
/** So many entries, or lots, are a step: some milliseconds at most. */
const STEP = 500
/** Tells, asked for one after the other, where a step ends. */
function everySome() {
  let count = 0
  return () => ++count % STEP === 0
}
/** Goes through all steps at once. */
function toEnd<T>(steps: Steps<T>): T {
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

/** Each entry once. */
function once(entries: readonly Entry[]): readonly Entry[] {
  // A log as it is kept comes in order of its ids: then none is there twice.
  const rising = entries.every((entry, index) => index === 0 || (entries[index - 1] as Entry).id < entry.id)
  return rising ? entries : [...new Map(entries.map((entry) => [entry.id, entry])).values()]
}

/**
 * Whether an entry was written, or speaks of a time, after a moment, ms: of a logger's record, its last point. One that
 * a wrong clock wrote would be the last word on a fact for years.
 */
export const speaksAfter = (untilMs: number) => {
  const until = Number.isFinite(untilMs) ? momentOf(untilMs) : ''
  const lastId = Number.isFinite(untilMs) ? lastIdAt(untilMs) : ''
  return (entry: Entry): boolean =>
    (lastId !== '' && entry.id > lastId) ||
    (entry.kind === 'logged'
      ? Date.parse(entry.at) + (entry.points.at(-1)?.[0] ?? 0) * MINUTE_MS > untilMs
      : // Moments are mostly written alike, and then sort as text.
        until !== '' && entry.at > until)
}

/** Settles what is left once every entry has been applied. */
function deriveState(lot: Lot, lots: ReadonlyMap<string, Lot>, triedG: number): void {
  if (lot.made.kind === 'plan') lot.madeG = contentG(lot.weighed ?? lot.made) + addedG(lot)
  if (lot.made.kind === 'blend' || lot.made.kind === 'press') lot.madeG += addedG(lot)
  // What was tried, or used up, is gone from the jar too.
  lot.usedG =
    lot.to.reduce((sum, flow) => sum + flow.massG, triedG) + lot.uses.reduce((sum, { massG }) => sum + massG, 0)
  const gone = (lost: readonly { massG?: number | undefined }[]) => lost.reduce((sum, { massG = 0 }) => sum + massG, 0)
  const restG = lot.madeG - lot.usedG - gone(lot.lost) - gone(lot.overflowed)
  lot.leftG = Math.max(0, restG)
  lot.shortG = Math.max(0, -restG)
  if (lot.made.kind === 'bottle') lot.bottles = bottlesOf(lot, lot.made)
  // Liquid drawn off, or some that went into another lot, leaves the rest fermenting; what was made of it is the press.
  const pressed = lot.to.some(({ lotId, entryId }) => {
    const made = lots.get(lotId)?.made
    return made?.id === entryId && !(made.kind === 'press' && made.method === 'draw')
  })
  const empty = lot.bottles ? lot.bottles.left === 0 : lot.usedG > 0 && lot.leftG < 0.005 * lot.madeG
  if (lot.discarded) lot.state = 'discarded'
  else if (empty) lot.state = 'used up'
  else if (lot.kind === 'ferment' && lot.packed && pressed) lot.state = 'in stock'
}

/** Grams that trials took from each lot. */
function triedOf(trials: readonly EntryOf<'trial'>[]): Map<string, number> {
  const tried = new Map<string, number>()
  for (const { parts } of trials)
    for (const { lotId, massG } of parts) if (lotId) tried.set(lotId, (tried.get(lotId) ?? 0) + massG)
  return tried
}

/** Lets every lot know where its mass came from, and the source where it went; `wanting`: those that are not there. */
function* link(lots: ReadonlyMap<string, Lot>, wanting: Unsettled['wanting']): Steps<void> {
  const rest = everySome()
  for (const lot of lots.values()) {
    if (rest()) yield
    lot.from = kindOf(lot.made).sources?.(lot, lot.made) ?? NONE
    for (const { rows } of lot.added)
      for (const { lotId, ended } of rows) {
        const source = lotId && ended ? lots.get(lotId) : undefined
        if (source && ended) withoutVessels(source, ended)
      }
    for (const { lotId, massG, entryId } of lot.from) {
      const source = lots.get(lotId)
      if (!source) {
        put(wanting, lotId, lot.id)
        continue
      }
      source.to = add(source.to, { lotId: lot.id, massG, entryId })
      const fact = lot.added.find(({ id }) => id === entryId) ?? lot.made
      if (!source.entries.some((known) => known.id === entryId)) source.entries.push(fact)
    }
  }
}

/** Lots with what could not be said of them. */
interface Folded extends Pick<Book, 'orphans' | 'trials'>, Pick<Unsettled, 'waiting' | 'wanting'> {
  lots: Map<string, Lot>
}

/** Lots as entries that count leave them, in order; and what speaks of lots that are not there. */
function* lotsInSteps(effective: readonly Entry[]): Steps<Folded> {
  const rest = everySome()
  const lots = new Map<string, Lot>()
  const [waiting, wanting]: [Unsettled['waiting'], Unsettled['wanting']] = [new Map(), new Map()]
  const remarks: Entry[] = []
  for (const entry of effective) {
    if (rest()) yield
    const { lots: about, makes } = kindOf(entry)
    if (!about) continue
    if (!makes) remarks.push(entry)
    else
      for (const lot of makes(entry))
        if (lots.has(lot.id)) put(waiting, lot.id, entry)
        else lots.set(lot.id, lot)
  }
  const orphans: Entry[] = []
  for (const entry of remarks) {
    if (rest()) yield
    const { lots: about, alsoIn, effect } = kindOf(entry)
    const also = alsoIn?.(entry)
    for (const lotId of new Set(also)) {
      const lot = lots.get(lotId)
      if (lot) lot.entries.push(entry)
      else put(waiting, lotId, entry)
    }
    for (const lotId of about?.(entry) ?? NONE) {
      const lot = lots.get(lotId)
      if (!lot) put(waiting, lotId, entry)
      lot?.entries.push(entry)
      if (lot) effect?.(lot, entry)
      // What stands in the log of other lots may wait for its own.
      else if (!also) orphans.push(entry)
    }
  }
  const trials = remarks.filter((entry) => entry.kind === 'trial')
  const tried = triedOf(trials)
  yield* link(lots, wanting)
  for (const lot of lots.values()) {
    if (rest()) yield
    if (lot.entries.length > 1) lot.entries.sort(byTime)
    deriveState(lot, lots, tried.get(lot.id) ?? 0)
  }
  return { lots, orphans, trials, waiting, wanting }
}

/** The same at once. */
export const lotsFrom = (effective: readonly Entry[]): Folded => toEnd(lotsInSteps(effective))

/** The latest of some ids. */
export const latest = (entries: readonly Entry[], before = ''): string =>
  entries.reduce((last, { id }) => (id > last ? id : last), before)

/** What a log is folded with, beside its entries. */
export interface FoldOptions {
  untilMs?: number
  newer?: readonly NewerEntry[]
  remembered?: readonly LeftBehind[]
}

/** The book of a log, as {@link fold} makes it, and what the next entry would have to know beside it. */
export interface FoldedLog {
  book: Book
  unsettled: Unsettled
}
/** Makes it in steps: whoever asks for the next may do something else in between. */
export function* foldedInSteps(
  entries: readonly Entry[],
  { untilMs = Infinity, newer = [], remembered = [] }: FoldOptions,
): Steps<FoldedLog> {
  const all = once(entries)
  const isAhead = speaksAfter(untilMs)
  const aside = all.filter(isAhead)
  const there = aside.length ? all.filter((entry) => !isAhead(entry)) : all
  const chains = new Chains()
  const known = (ids: ReadonlySet<string>) => there.filter(({ id }) => ids.has(id))
  chains.take(
    there.filter(({ replaces }) => replaces),
    known,
  )
  yield
  const effective = there.filter(chains.counts).sort(byTime)
  yield
  const ahead = aside.filter(({ id }) => !chains.isOver(id)).sort(byTime)
  const { waiting, wanting, ...folded } = yield* lotsInSteps(effective)
  yield
  const book = {
    ...{ ...folded, effective, ahead, newer, remembered },
    ...{ forks: chains.forks(aside, known), refused: chains.refused, takenBack: chains.takenBack },
    meterChecks: meterChecksOf(effective),
    processes: processesOf(effective),
    library: libraryOf(effective),
    recipes: recipesOf(effective),
    supplies: suppliesOf(effective),
    lastId: latest(there),
    lastCorrection: entries.reduce((last, { id, replaces }) => (replaces && id > last ? id : last), ''),
  }
  return { book, unsettled: { chains, aside: new Map(aside.map((entry) => [entry.id, entry])), waiting, wanting } }
}

/** Makes it at once. */
export const foldedWith = (entries: readonly Entry[], options: FoldOptions): FoldedLog =>
  toEnd(foldedInSteps(entries, options))

/**
 * The state of everything, from entries in any order, any of them repeated: the same entries give the same book.
 * Entries that speak of a lot that is not there are kept aside as orphans.
 * @param options what is dated after `untilMs` is set aside: a clock that was wrong once would make a jar rise for a
 *   year.
 */
export const fold = (entries: readonly Entry[], options: FoldOptions = {}): Book => foldedWith(entries, options).book
