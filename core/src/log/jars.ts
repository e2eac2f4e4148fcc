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

/** What a jar that had no mark is called once there are two. */
export const FIRST_MARK = 'a'

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
  const out = [
    ...lot.uses.filter(({ marks }) => !marks).map(({ at, massG }) => ({ at, massG })),
    ...pouredOf(lot).filter(({ ended }) => ended.length === 0),
  ]
  const used = out.map(({ at, massG }): Moved => ({ atMs: Date.parse(at), changeG: -massG, marks: undefined }))
  return [...changes, ...used].sort((a, b) => a.atMs - b.atMs)
}

/** What of a lot went into others, or was drawn off, while the rest stayed where it stood. */
const pouredOf = ({ id, entries }: Lot): { at: string; massG: number; ended: readonly string[] }[] =>
  entries.flatMap((entry) => {
    if (entry.kind === 'press' && entry.method === 'draw' && entry.fromLotId === id)
      return [{ at: entry.at, massG: entry.inG, ended: [] }]
    if (entry.kind !== 'add' || entry.lotId === id) return []
    return entry.rows
      .filter(({ lotId }) => lotId === id)
      .map(({ massG, ended = [] }) => ({ at: entry.at, massG, ended }))
  })

/** When each jar ended that did, ms, by its mark. */
const endsOf = (lot: Lot): Map<string, number> =>
  new Map(
    [...lot.uses, ...lot.lost, ...pouredOf(lot).map(({ at, ended: marks }) => ({ at, marks }))].flatMap(
      ({ at, marks = [] }) => marks.map((mark) => [mark, Date.parse(at)] as const),
    ),
  )

/** What happened to the jars of a lot, in order: an amount that moved, or a jar shared into one more. */
type Happened = { atMs: number } & ({ moved: Moved; shared: null } | { moved: null; shared: EntryOf<'share'> })

function happenedTo(lot: Lot): Happened[] {
  const moved = movesOf(lot).map((one): Happened => ({ atMs: one.atMs, moved: one, shared: null }))
  const shared = lot.shares.map((entry): Happened => ({ atMs: Date.parse(entry.at), moved: null, shared: entry }))
  return [...moved, ...shared].sort((a, b) => a.atMs - b.atMs)
}

/**
 * What is in each jar that still stands, g: as it was packed, with what was put in (into the jars named, else into all
 * that stood then, by what they were packed with), without what ran over or was taken, and shared where it was.
 */
export function inVessels(lot: Lot): Lot['vessels'] {
  const happened = happenedTo(lot)
  if (happened.length === 0) return lot.vessels
  const entry = lot.entries.find((one): one is EntryOf<'pack'> => one.kind === 'pack' && one.id === lot.packed?.id)
  const first = (entry ?? lot.packed)?.vessels ?? lot.vessels
  const called = (mark: string) => (mark === '' && lot.shares.length > 0 ? FIRST_MARK : mark)
  const ends = endsOf(lot)
  /** What is in it, and the weight it has among the others. */
  const jars = new Map(first.map(({ mark, massG }) => [called(mark), { massG, weight: massG }]))
  for (const { atMs, moved, shared } of happened) {
    const from = shared && jars.get(called(shared.from))
    if (shared && from) {
      const part = from.massG > 0 ? Math.min(1, shared.massG / from.massG) : 0
      jars.set(shared.mark, { massG: from.massG * part, weight: from.weight * part })
      jars.set(called(shared.from), { massG: from.massG * (1 - part), weight: from.weight * (1 - part) })
    }
    if (!moved) continue
    const into = [...jars].filter(
      ([mark]) => (moved.marks?.includes(mark) ?? true) && (ends.get(mark) ?? Infinity) > atMs,
    )
    const all = into.reduce((sum, [, { weight }]) => sum + weight, 0)
    for (const [, jar] of into) jar.massG = Math.max(0, jar.massG + (all > 0 ? (moved.changeG * jar.weight) / all : 0))
  }
  return lot.vessels.map((vessel) => ({ ...vessel, massG: jars.get(vessel.mark)?.massG ?? vessel.massG }))
}

/** What is in some jars of a lot together, g. @param marks of those jars. */
export const inJars = (lot: Lot, marks: readonly string[]): number =>
  inVessels(lot).reduce((sum, { mark, massG }) => sum + (marks.includes(mark) ? massG : 0), 0)

/** Share of a lot that can be drawn off as brine while its pieces stay covered. Judgement. */
const BRINE_SHARE = 0.6

/** The most brine that can be drawn off a lot, g. */
export const mostBrineG = ({ leftG }: Lot): number => BRINE_SHARE * leftG
