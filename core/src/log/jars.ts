import { contentG } from './contents'
import type { EntryOf } from './entry'
import type { Lot } from './lot'

/** What changed the amount of a lot after packing, in order of time: something was put in, or ran over. */
export type Change =
  { atMs: number; added: EntryOf<'add'>; lost: null } | { atMs: number; added: null; lost: EntryOf<'overflow'> }

/** All changes of a lot until a moment, ms. */
export function changesOf(lot: Lot, untilMs = Infinity): Change[] {
  const added = lot.added.map((entry): Change => ({ atMs: Date.parse(entry.at), added: entry, lost: null }))
  const lost = lot.overflowed.map((entry): Change => ({ atMs: Date.parse(entry.at), added: null, lost: entry }))
  const all = lost.length ? [...added, ...lost].sort((a, b) => a.atMs - b.atMs) : added
  return untilMs === Infinity ? all : all.filter(({ atMs }) => atMs <= untilMs)
}

/** An amount that came into some jars or left them, g: negative where it left. None named: all that stood then. */
interface Moved {
  atMs: number
  changeG: number
  marks: readonly string[] | undefined
}

/** All that came into jars or left them without ending one. */
function movesOf(lot: Lot): Moved[] {
  const changes = changesOf(lot).map(({ atMs, added, lost }): Moved => {
    const changeG = added ? contentG(added) : -lost.massG
    return { atMs, changeG, marks: (added ?? lost).marks }
  })
  const some = lot.uses.filter(({ marks }) => !marks)
  const used = some.map(({ at, massG }): Moved => ({ atMs: Date.parse(at), changeG: -massG, marks: undefined }))
  return [...changes, ...used].sort((a, b) => a.atMs - b.atMs)
}

/** When each jar ended that did, ms, by its mark. */
const endsOf = (lot: Lot): Map<string, number> =>
  new Map(
    [...lot.uses, ...lot.lost].flatMap(({ at, marks = [] }) => marks.map((mark) => [mark, Date.parse(at)] as const)),
  )

/**
 * What is in each jar that still stands, g: as it was packed, with what was put in (into the jars named, else into all
 * that stood then, by what they were packed with) and without what ran over or was taken.
 */
export function inVessels(lot: Lot): Lot['vessels'] {
  const moves = movesOf(lot)
  if (moves.length === 0) return lot.vessels
  const packed = lot.packed?.vessels ?? lot.vessels
  const ends = endsOf(lot)
  const masses = new Map(packed.map(({ mark, massG }) => [mark, massG]))
  for (const { atMs, changeG, marks } of moves) {
    const into = packed.filter(({ mark }) => (marks?.includes(mark) ?? true) && (ends.get(mark) ?? Infinity) > atMs)
    const allG = into.reduce((sum, { massG }) => sum + massG, 0)
    for (const { mark, massG } of into)
      masses.set(mark, Math.max(0, (masses.get(mark) ?? 0) + (allG > 0 ? (changeG * massG) / allG : 0)))
  }
  return lot.vessels.map((vessel) => ({ ...vessel, massG: masses.get(vessel.mark) ?? vessel.massG }))
}
