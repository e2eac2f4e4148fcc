import type { Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import type { Fork } from '../lots/corrections'
import { fold, type Book } from '../lots/fold'
import { lotsOf } from '../lots/ledger'
import { packedTwice } from '../lots/packedTwice'

/* What the log would say if of two devices the other were right. */

const forksOf = (book: Book): readonly Fork[] => [...book.forks, ...packedTwice(book)]
const lotsOfFork = ({ said }: Fork): Set<string> => new Set(said.flatMap((entry) => [...lotsOf(entry)]))

/** How many facts about each lot two devices say different things of. */
export function forksAbout(book: Book): ReadonlyMap<string, number> {
  const about = new Map<string, number>()
  for (const fork of forksOf(book)) for (const id of lotsOfFork(fork)) about.set(id, (about.get(id) ?? 0) + 1)
  return about
}

/** Lots, all they were made of and all that was made of them. */
function kinOf(book: Book, ids: Iterable<string>): Lot[] {
  const found = new Map<string, Lot>()
  const waiting = [...ids]
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    const lot = found.has(id) ? undefined : book.lots.get(id)
    if (!lot) continue
    found.set(id, lot)
    waiting.push(...lot.from.map(({ lotId }) => lotId), ...lot.to.map(({ lotId }) => lotId))
  }
  return [...found.values()]
}

/** Books of the lots concerned in which one fact is as the other device has it; none where all is settled. */
export const saidOtherwise = (book: Book): Book[] =>
  forksOf(book).flatMap((fork) => {
    const kin = kinOf(book, lotsOfFork(fork)).flatMap(({ entries }) => entries)
    const [, ...others] = fork.said
    const isSaid = ({ id }: Entry) => fork.said.some((entry) => entry.id === id)
    const rest = [...new Map(kin.map((entry) => [entry.id, entry])).values()].filter((entry) => !isSaid(entry))
    return others.map((other) => {
      const { library, recipes, supplies, newer } = book
      // What it corrects is not among them: it stands by itself.
      const said = other.kind === 'retract' ? rest : [...rest, other]
      return { ...fold(said), library, recipes, supplies, newer }
    })
  })
