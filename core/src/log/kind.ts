import type { z } from '../schema'
import type { UnitWorld } from '../units/quantity'
import type { Flow, Lot } from './lot'

/**
 * All there is to know of one kind of entry, in one place. The log's schema, the fold, the log in words, what can be
 * taken back
 * and the tables of docs/file-format.md derive from these.
 */
export interface Kind<S extends z.ZodType> {
  /** Its shape; the single definition of what is stored or received. */
  schema: S
  /** What it says, as docs/file-format.md tells it. */
  says: string
  /** It as a line of the log. */
  words: (entry: z.infer<S>, world: UnitWorld) => string
  /** Ids of the lots it is about; absent where it is about none (the library, packaging, a meter). */
  lots?: (entry: z.infer<S>) => readonly string[]
  /** Ids of lots in whose log it stands as well. */
  alsoIn?: (entry: z.infer<S>) => readonly string[]
  /** The lots it brings into being. */
  makes?: (entry: z.infer<S>) => Lot[]
  /** Where the mass of a lot that it made came from. */
  sources?: (lot: Lot, entry: z.infer<S>) => Flow[]
  /** What it does to the lot it is about. */
  effect?: (lot: Lot, entry: z.infer<S>) => void
  /** Whether a maker may take it back by hand. */
  reversible: boolean
}
