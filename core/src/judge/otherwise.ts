import type { Lot } from '../log/lot'
import type { Fork } from '../lots/corrections'
import { fold, type Book } from '../lots/fold'
import { lotsOf } from '../lots/ledger'

/* What the log would say if of two devices the other were right. */

const lotsOfFork = ({ said }: Fork): Set<string> => new Set(said.flatMap((entry) => [...lotsOf(entry)]))

/** How many facts about each lot two devices say different things of. */
export function forksAbout({ forks }: Book): ReadonlyMap<string, number> {
  const about = new Map<string, number>()
  for (const fork of forks) for (const id of lotsOfFork(fork)) about.set(id, (about.get(id) ?? 0) + 1)
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
  book.forks.flatMap((fork) => {
    const kin = kinOf(book, lotsOfFork(fork)).flatMap(({ entries }) => entries)
    const [holds, ...others] = fork.said
    const rest = [...new Map(kin.map((entry) => [entry.id, entry])).values()].filter(({ id }) => id !== holds?.id)
    return others.map((other) => {
      const { library, recipes, supplies, newer } = book
      // What it corrects is not among them: it stands by itself.
      const said = other.kind === 'retract' ? rest : [...rest, other]
      return { ...fold(said), library, recipes, supplies, newer }
    })
  })
