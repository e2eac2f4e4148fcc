import { ofMass, otherSolidsG, type Composition } from '../composition/composition'
import { styleById } from '../library/styles'
import { contentG } from '../log/contents'
import type { EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'

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

/** What runs over of a lot: its brine where pieces lie in one, else all of it alike. */
export const isLiquidLost = ({ made }: Lot): boolean => made.kind === 'plan' && styleById(made.style).lie === 'in brine'

/**
 * A mixture after some of it ran over, g: all of it alike, or only its liquid with what is dissolved in it (water,
 * salt, acids, sugar; heat stays in the pieces). Never more than there is.
 */
export function ranOver(now: Composition, lostG: number, liquid: boolean): Composition {
  const solidsG = liquid ? otherSolidsG(now) : 0
  const liquidG = now.massG - solidsG
  const gone = Math.min(lostG, liquidG)
  if (gone <= 0) return now
  const rest = ofMass(now, now.massG * (1 - gone / liquidG))
  if (!liquid) return rest
  return { ...rest, massG: now.massG - gone, heat: now.heat }
}

/**
 * What is in each vessel now, g: as it was packed, with what was put in (into the jars named, else into all by what
 * they hold) and without what ran over.
 */
export function inVessels(lot: Lot): Lot['vessels'] {
  const changes = changesOf(lot)
  if (changes.length === 0) return lot.vessels
  const masses = new Map(lot.vessels.map(({ mark, massG }) => [mark, massG]))
  for (const { added, lost } of changes) {
    const changeG = added ? contentG(added) : -lost.massG
    const marks = (added ?? lost).marks
    const into = lot.vessels.filter(({ mark }) => marks?.includes(mark) ?? true)
    const allG = into.reduce((sum, { massG }) => sum + massG, 0)
    for (const { mark, massG } of into)
      masses.set(mark, Math.max(0, (masses.get(mark) ?? 0) + (allG > 0 ? (changeG * massG) / allG : 0)))
  }
  return lot.vessels.map((vessel) => ({ ...vessel, massG: masses.get(vessel.mark) ?? vessel.massG }))
}
