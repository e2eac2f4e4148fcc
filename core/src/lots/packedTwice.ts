import type { Fork } from './corrections'
import type { Book } from './fold'
import { lotsByStart } from './standing'

const repacked = lotsByStart(({ repacked: more }) => more.length > 0)

/** Batches that were packed more than once, each as a fact of which several things are said; the first holds. */
export const packedTwice = (book: Book): Fork[] =>
  repacked(book).flatMap(({ packed, repacked: more }) => (packed ? [{ root: packed.id, said: [packed, ...more] }] : []))
