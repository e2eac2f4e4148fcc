import type { Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import type { NewerEntry } from '../log/newer'
import { fold, type Book, type LeftBehind } from '../lots/fold'
import { lotsOf } from '../lots/ledger'
import { tastesBesidePh } from './sensed'
import { PLACE_TRUST_MS, readAtPlaces } from './temperature'

/*
 * Where a long log may begin: with what its open lots rest on. A cache and never a truth: it is made from the whole
 * log, says nothing that is not in it, and is thrown away when anything came that it cannot speak of.
 */

/** What the open lots of a log rest on. */
export interface Checkpoint {
  /** Entries out of what it stands for; those that came later are read beside it. */
  entries: readonly Entry[]
  /** What the lots that are left out leave behind for them. */
  remembered: readonly LeftBehind[]
  /** Lots that are in it with all they rest on. Others are named by them only, and nothing of those is to be told. */
  lots: readonly string[]
  /** What was there when it was made: the maker's own library, and what spoke of lots that were not there. */
  library: readonly string[]
  orphans: readonly string[]
}

const isOpen = ({ state }: Lot) => state === 'fermenting' || state === 'planned'
const ofLibrary = ({ kind }: Entry) => kind === 'material' || kind === 'vessel' || kind === 'format'
const withoutLot = (entry: Entry) => entry.kind !== 'retract' && lotsOf(entry).size === 0
const idOf = ({ id }: Entry) => id

/** Lots, and all that they were made of. */
function withSources(book: Book, lots: Iterable<string>): Set<string> {
  const found = new Set<string>()
  const waiting = [...lots]
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    const lot = found.has(id) ? undefined : book.lots.get(id)
    if (!lot) continue
    found.add(id)
    waiting.push(...lot.from.map(({ lotId }) => lotId))
  }
  return found
}

/** The first of a chain of corrections, by any of them. */
function rootsOf(entries: readonly Entry[]): (entry: Entry) => string {
  const replaced = new Map(entries.flatMap(({ id, replaces }) => (replaces ? [[id, replaces] as const] : [])))
  return ({ id }) => {
    const seen = new Set<string>()
    let root = id
    // A circle of corrections is nobody's log, but may be in a file.
    for (let next = replaced.get(root); next !== undefined && !seen.has(next); next = replaced.get(next)) {
      seen.add(root)
      root = next
    }
    return root
  }
}

/**
 * The checkpoint of a log: its open lots and what they were made of.
 * @param loose ids of entries that are read beside it: all lots they speak of are in it. @param options as folded.
 */
export function checkpointOf(
  entries: readonly Entry[],
  loose: ReadonlySet<string>,
  options: { untilMs: number; newer: readonly NewerEntry[] },
): Checkpoint {
  const book = fold(entries, options)
  const beside = entries.filter(({ id }) => loose.has(id))
  const asked = [...beside, ...book.ahead, ...book.orphans].flatMap((entry) => [...lotsOf(entry)])
  const open = [...book.lots.values()].filter(isOpen).map(({ id }) => id)
  const lots = withSources(book, [...open, ...asked])
  const rootOf = rootsOf(entries)
  const speak = [...[...lots].flatMap((id) => book.lots.get(id)!.entries), ...beside, ...book.ahead, ...book.orphans]
  const roots = new Set([...speak, ...entries.filter(withoutLot)].map(rootOf))
  const starts = [...withSources(book, open)].map((id) => book.lots.get(id)!.startedMs)
  const sinceMs = Math.min(...starts) - PLACE_TRUST_MS
  return {
    entries: entries.filter((entry) => !loose.has(entry.id) && roots.has(rootOf(entry))),
    remembered: [...book.lots.values()].flatMap((lot) => (lots.has(lot.id) ? [] : leftBehind(book, lot, sinceMs))),
    // One that is asked for and in no log is known to be missing.
    ...{
      lots: [...lots, ...asked],
      library: book.effective.filter(ofLibrary).map(idOf),
      orphans: book.orphans.map(idOf),
    },
  }
}

/** What a lot leaves behind that is not read. */
function leftBehind(book: Book, lot: Lot, sinceMs: number): LeftBehind[] {
  const tastes = tastesBesidePh(book, lot)
  const points = readAtPlaces(lot).filter(([, atMs]) => atMs >= sinceMs)
  const { at, id } = lot.made
  return tastes.length || points.length ? [{ lotId: lot.id, made: { at, id }, tastes, points }] : []
}

/**
 * Whether a checkpoint speaks of all that came after it: else the whole log is read.
 * @param book begun with it and with what is read beside it. @param beside what is.
 */
export function holds({ entries, lots, library, orphans }: Checkpoint, book: Book, beside: readonly Entry[]): boolean {
  const [known, shelf, strays] = [new Set(lots), new Set(library), new Set(orphans)]
  const read = new Set(beside.map(idOf))
  const here = new Set([...entries, ...beside].map(idOf))
  const counts = new Set([...book.effective, ...book.ahead].map(idOf))
  const speaksOfAll = (entry: Entry) =>
    strays.has(entry.id) ||
    ((!entry.replaces || here.has(entry.replaces)) &&
      (!counts.has(entry.id) ||
        [...lotsOf(entry)].every((id) => known.has(id) || read.has(book.lots.get(id)?.made.id ?? ''))))
  const isWhole = (id: string) => book.lots.get(id)!.from.every(({ lotId }) => book.lots.has(lotId))
  const open = [...book.lots.values()].filter(isOpen).map(({ id }) => id)
  return (
    beside.every(speaksOfAll) &&
    book.orphans.every(({ id }) => strays.has(id)) &&
    book.effective.every((entry) => !ofLibrary(entry) || shelf.has(entry.id)) &&
    [...withSources(book, open)].every(isWhole)
  )
}
