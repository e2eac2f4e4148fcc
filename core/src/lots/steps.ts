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
