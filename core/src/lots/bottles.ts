import type { EntryOf } from '../log/entry'
import type { Bottles, BottlesOut } from '../log/lot'
import { byTime } from '../log/merge'

/** Where bottles stand when nobody said. */
export const CELLAR = 'Cellar'

/** The bottles of a lot, from its run and what was sent, moved and thrown away, in order. */
export function bottlesOf(
  {
    sent,
    moves,
    discarded,
  }: { sent: readonly EntryOf<'send'>[]; moves: readonly EntryOf<'move'>[]; discarded: EntryOf<'discard'> | null },
  made: EntryOf<'bottle'>,
): Bottles {
  const retained = Math.min(made.count, made.retained ?? 0)
  const places = new Map([[made.place ?? CELLAR, made.count - retained]])
  /** Takes so many from a place, then from the others; returns from where, and what was not there. */
  const take = (count: number, from?: string) => {
    let rest = count
    const taken: { place: string; count: number }[] = []
    const takeAt = (place: string, count: number) => {
      const here = Math.min(rest, count)
      if (here <= 0) return
      places.set(place, count - here)
      taken.push({ place, count: here })
      rest -= here
    }
    if (from !== undefined) takeAt(from, places.get(from) ?? 0)
    for (const [place, count] of places) takeAt(place, count)
    return { taken, rest }
  }
  const out: BottlesOut[] = []
  let short = 0
  for (const entry of [...sent, ...moves].sort(byTime)) {
    if (entry.kind === 'send') {
      const { taken, rest } = take(entry.count, entry.place)
      short += rest
      const left = { how: entry.how ?? 'sold', to: entry.to, atMs: Date.parse(entry.at) }
      for (const { place, count } of taken) out.push({ ...left, place, count })
      if (rest > 0) out.push({ ...left, place: entry.place ?? '', count: rest })
    } else if (entry.from !== entry.place) {
      const there =
        entry.from === undefined
          ? [...places].reduce((sum, [place, count]) => (place === entry.place ? sum : sum + count), 0)
          : (places.get(entry.from) ?? 0)
      const here = places.get(entry.place) ?? 0
      places.delete(entry.place)
      const { taken } = take(Math.min(entry.count ?? there, there), entry.from)
      places.set(entry.place, here + taken.reduce((sum, { count }) => sum + count, 0))
    }
  }
  const placed = [...places].flatMap(([place, count]) => (count > 0 ? [{ place, count }] : []))
  const left = placed.reduce((sum, { count }) => sum + count, 0)
  return discarded
    ? { made: made.count, left: 0, retained: 0, discarded: left + retained, short, places: [], out }
    : { made: made.count, left, retained, discarded: 0, short, places: placed, out }
}
