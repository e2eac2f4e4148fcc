import { CELLAR } from '../lots/bottles'
import type { Book } from '../lots/fold'
import type { Lot, LotKind } from '../log/lot'

/** A lot at a place: so many bottles, or so many grams. `bestBefore` as YYYY-MM-DD, where there is one. */
export interface CellarRow {
  key: string
  lot: Lot
  place: string
  count: number | null
  massG: number
  bestBefore: string | null
  retained: boolean
  searchText: string
}

/** Where a stock stands when nobody said. */
const BENCH = 'Bench'
export const RETAINED = 'Retained sample'

/** The same words everywhere for what a lot is. */
export const KIND_WORDS: Record<LotKind, string> = {
  ferment: 'ferment',
  base: 'base',
  pulp: 'pulp',
  brine: 'brine',
  stock: 'bought or kept',
  blend: 'blend',
  bottled: 'bottles',
}

const words = (lot: Lot, place: string) =>
  `${lot.code} ${lot.name} ${KIND_WORDS[lot.kind]} ${place} ${lot.state}`.toLowerCase()

/**
 * Everything in stock, lot by lot and place by place; what is used up or thrown away too, where asked for. What is
 * only planned is not in stock.
 */
export function cellarRows(book: Book, gone = false): CellarRow[] {
  return [...book.lots.values()].flatMap((lot): CellarRow[] => {
    if (lot.state === 'planned') return []
    const over = lot.state === 'used up' || lot.state === 'discarded'
    const bestBefore = lot.made.kind === 'bottle' ? lot.made.bestBefore : null
    const row = (place: string, count: number | null, massG: number, retained = false): CellarRow => ({
      key: `${lot.id}@${place}`,
      lot,
      place,
      count,
      massG,
      bestBefore,
      retained,
      searchText: words(lot, place),
    })
    if (lot.bottles) {
      const each = lot.bottles.made > 0 ? lot.madeG / lot.bottles.made : 0
      const here = lot.bottles.places.map(({ place, count }) => row(place, count, count * each))
      const kept =
        lot.bottles.retained > 0 ? [row(RETAINED, lot.bottles.retained, lot.bottles.retained * each, true)] : []
      return here.length + kept.length > 0 ? [...here, ...kept] : gone ? [row('', 0, 0)] : []
    }
    if (over) return gone ? [row(lot.place, null, 0)] : []
    return [row(lot.place || (lot.kind === 'ferment' ? BENCH : CELLAR), null, lot.leftG)]
  })
}

/** How rows are ordered: what must go first, what is newest, by code. */
export const CELLAR_ORDERS = ['first out', 'newest', 'code'] as const
export type CellarOrder = (typeof CELLAR_ORDERS)[number]

/** What bottles wait for before they may go out; `null` where they may, and of what is no bottle. */
export function heldBack({ bottles, release }: Lot): 'held' | 'not released' | null {
  if (!bottles || release?.decision === 'released') return null
  return release ? 'held' : 'not released'
}
/** What may go out stands before what is held back, and that before samples. */
const outRank = ({ lot, retained }: CellarRow): number => (retained ? 2 : heldBack(lot) ? 1 : 0)

/**
 * Rows that hold every word of a search, of a kind and at a place, in order. First out: what may go out, by best
 * before, then the oldest; then what is held back; samples last.
 */
export function findRows(
  rows: readonly CellarRow[],
  { text, kind, place, order }: { text: string; kind: LotKind | ''; place: string; order: CellarOrder },
): CellarRow[] {
  const sought = text.toLowerCase().split(/\s+/).filter(Boolean)
  const found = rows.filter(
    (row) =>
      (!kind || row.lot.kind === kind) &&
      (!place || row.place === place) &&
      sought.every((word) => row.searchText.includes(word)),
  )
  const code = (a: CellarRow, b: CellarRow) => (a.lot.code < b.lot.code ? -1 : a.lot.code > b.lot.code ? 1 : 0)
  switch (order) {
    case 'newest':
      return found.sort((a, b) => b.lot.startedMs - a.lot.startedMs || code(a, b))
    case 'code':
      return found.sort(code)
    case 'first out':
      return found.sort(
        (a, b) =>
          outRank(a) - outRank(b) ||
          ((a.bestBefore ?? '9') < (b.bestBefore ?? '9')
            ? -1
            : (a.bestBefore ?? '9') > (b.bestBefore ?? '9')
              ? 1
              : a.lot.startedMs - b.lot.startedMs || code(a, b)),
      )
  }
}

/** What stands at each place, by name: bottles, and grams of everything else. */
export function placesOf(
  rows: readonly CellarRow[],
): { place: string; bottles: number; massG: number; rows: number }[] {
  const places = new Map<string, { place: string; bottles: number; massG: number; rows: number }>()
  for (const { place, count, massG } of rows) {
    const known = places.get(place) ?? { place, bottles: 0, massG: 0, rows: 0 }
    places.set(place, {
      place,
      bottles: known.bottles + (count ?? 0),
      massG: known.massG + (count === null ? massG : 0),
      rows: known.rows + 1,
    })
  }
  return [...places.values()].sort((a, b) => (a.place < b.place ? -1 : 1))
}
