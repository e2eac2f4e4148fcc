import type { Lot } from '../log/lot'
import type { Book } from './fold'

/* From one book of a log that is followed to the next: what is told of all lots need not be told anew for a few. */

/** What came between two books: the lots that may stand differently. */
export interface Step {
  before: Book
  now: Book
  lotIds: ReadonlySet<string>
}

const steps = new WeakMap<Book, { before: WeakRef<Book>; lotIds: ReadonlySet<string> }>()

/** Remembers how a book came from the one before it. */
export const stepped = ({ before, now, lotIds }: Step): void =>
  void steps.set(now, { before: new WeakRef(before), lotIds })

/**
 * Something that is told of a whole book, carried on from the book before it where that is known.
 * @param anew tells it from all lots. @param carryOn changes what was told of the book before into what is to be told
 * now, in place or not; `null` where it has to be told anew.
 */
export function alongSteps<T extends object>(anew: (book: Book) => T, carryOn: (was: T, step: Step) => T | null) {
  const known = new WeakMap<Book, T>()
  return (now: Book): T => {
    const here = known.get(now)
    if (here) return here
    const step = steps.get(now)
    const before = step?.before.deref()
    const was = before && known.get(before)
    // What is changed in place is no longer true of the book before.
    if (was) known.delete(before)
    const told = (was && carryOn(was, { before, now, lotIds: step!.lotIds })) ?? anew(now)
    known.set(now, told)
    return told
  }
}

/**
 * Those lots of a book of which something is so, in its order; few of them, and asked of those only that were touched.
 * @param isSo hangs on the lot alone.
 */
export function lotsThat(isSo: (lot: Lot) => boolean): (book: Book) => Lot[] {
  const idsOf = alongSteps(
    (book) => new Set(Array.from(book.lots.values()).flatMap((lot) => (isSo(lot) ? [lot.id] : []))),
    (ids, { now, lotIds }) => {
      for (const id of lotIds) {
        const lot = now.lots.get(id)
        if (lot && isSo(lot)) ids.add(id)
        else ids.delete(id)
      }
      return ids
    },
  )
  return (book) => {
    const ids = idsOf(book)
    return ids.size ? Array.from(book.lots.values()).filter(({ id }) => ids.has(id)) : []
  }
}
