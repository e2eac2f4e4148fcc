import { takenTooMuch } from '../cellar/overdraw'
import type { Draft, Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import { lotsOfOneCode } from '../lots/codes'
import type { Fork } from '../lots/corrections'
import type { Book } from '../lots/fold'
import { lotsOf } from '../lots/ledger'
import { lotsByStart } from '../lots/standing'
import { packedTwice } from '../lots/packedTwice'

/* What does not go together once the facts of several devices are in one log; and what settles it. */

/** Something that somebody has to decide. Its key is the same on every device. */
export type Disagreement = { key: string } & (
  | { what: 'fork'; fork: Fork; lotId: string | null }
  /** Several lots with one code, the first that was made first. */
  | { what: 'code'; code: string; lots: readonly Lot[] }
  /** More was taken of a lot than there was: grams, or bottles. */
  | { what: 'overdrawn'; lot: Lot; shortG: number; bottles: number }
  /** A correction of another kind or lot than what it names. */
  | { what: 'refused'; entry: Entry; lotId: string | null }
)

const firstLot = (entry: Entry): string | null => [...lotsOf(entry)][0] ?? null

const doubleCodes = (book: Book): Disagreement[] =>
  [...lotsOfOneCode(book)].map(([key, lots]) => ({ key: `code ${key}`, what: 'code', code: lots[0]!.code, lots }))

const overdrawnLots = lotsByStart((lot) => takenTooMuch(lot) !== null)
const overdrawn = (book: Book): Disagreement[] =>
  overdrawnLots(book).map((lot) => ({ key: `overdrawn ${lot.id}`, what: 'overdrawn', lot, ...takenTooMuch(lot)! }))

/** All that is not settled: facts said twice, codes given twice, more taken than there is, what corrects nothing. */
export function disagreementsOf(book: Book): Disagreement[] {
  const lotOf = ({ said }: Fork) => said.map(firstLot).find((id) => id !== null) ?? null
  return [
    ...[...book.forks, ...packedTwice(book)].map((fork): Disagreement => ({
      key: `fork ${fork.root}`,
      what: 'fork',
      fork,
      lotId: lotOf(fork),
    })),
    ...doubleCodes(book),
    ...overdrawn(book),
    ...book.refused.map((entry): Disagreement => ({
      key: `refused ${entry.id}`,
      what: 'refused',
      entry,
      lotId: firstLot(entry),
    })),
  ]
}

/**
 * Entries that settle a fact: all that was said of it is taken back but one.
 * @param right one of what was said. @param at the moment it is decided.
 */
export const settleFork = ({ said }: Fork, right: Entry, at: string): Draft[] =>
  said
    .filter(({ id }) => id !== right.id)
    .map(({ id }) => ({ kind: 'retract', at, replaces: id, reason: 'Settled: the other one is right.' }))
