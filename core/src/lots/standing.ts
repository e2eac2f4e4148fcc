import type { Lot } from '../log/lot'
import { alongSteps } from './steps'
import type { Book } from './fold'

const byStart = (a: Lot, b: Lot): number => a.startedMs - b.startedMs

/** Where a lot stands in a list in order of start. */
function placeOf(lots: readonly Lot[], lot: Lot): number {
  let [low, high] = [0, lots.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (lots[middle]!.startedMs < lot.startedMs) low = middle + 1
    else high = middle
  }
  // Those that began at the same moment stand beside each other.
  return lots.indexOf(lot, low)
}

/**
 * Those lots of a book that are meant, in order of their start; carried on from book to book where none comes or goes,
 * and the very same list where none was touched.
 * @param isMeant hangs on the lot alone.
 */
export const lotsByStart = (isMeant: (lot: Lot) => boolean): ((book: Book) => readonly Lot[]) =>
  alongSteps(
    (book: Book): readonly Lot[] => Array.from(book.lots.values()).filter(isMeant).sort(byStart),
    (was, { before, now, lotIds }) => {
      let next: Lot[] | null = null
      for (const id of lotIds) {
        const [old, is] = [before.lots.get(id), now.lots.get(id)].map((lot) => (lot && isMeant(lot) ? lot : null))
        if (old === is) continue
        // Where it stands among those of the same start hangs on what made it.
        if (!old || !is || is.startedMs !== old.startedMs || is.made.id !== old.made.id) return null
        next ??= [...was]
        next[placeOf(next, old)] = is
      }
      return next ?? was
    },
  )

/** All lots of a book, in order of their start. */
export const allLots = lotsByStart(() => true)
/** Those that ferment now. */
export const lotsFermenting = lotsByStart(({ state }) => state === 'fermenting')
/** Those that are planned for a day. */
export const lotsPlanned = lotsByStart(({ state }) => state === 'planned')
/** What is in stock: bases, blends, bottles and all else. */
export const lotsInStock = lotsByStart(({ state }) => state === 'in stock')
/** What ferments and what is in stock. */
export const lotsOnHand = lotsByStart(({ state }) => state === 'fermenting' || state === 'in stock')
