import { contentG } from './contents'
import type { EntryOf } from './entry'
import type { Lot } from './lot'
import { toldOnce } from './toldOnce'

/** What changed the amount of a lot after packing, in order of time: something was put in, or ran over. */
export type Change =
  | { atMs: number; added: EntryOf<'add'>; lost: null }
  | { atMs: number; added: null; lost: EntryOf<'overflow'> }

/** All changes of a lot until a moment, ms. */
export function changesOf(lot: Lot, untilMs = Infinity): Change[] {
  const added = lot.added.map((entry): Change => ({ atMs: Date.parse(entry.at), added: entry, lost: null }))
  const lost = lot.overflowed.map((entry): Change => ({ atMs: Date.parse(entry.at), added: null, lost: entry }))
  const all = lost.length ? [...added, ...lost].sort((a, b) => a.atMs - b.atMs) : added
  return untilMs === Infinity ? all : all.filter(({ atMs }) => atMs <= untilMs)
}

/** What a jar that had no mark is called once there are two. */
export const FIRST_MARK = 'a'

/** Whether a written mark means a jar; case and spaces around it do not matter. */
export const sameMark = (written: string, mark: string): boolean => written.trim().toLowerCase() === mark.toLowerCase()

/** An amount that came into some jars or left them, g: negative where it left. None named: all that stood then. */
interface Moved {
  id: string
  atMs: number
  changeG: number
  marks: readonly string[] | undefined
}

/** All that came into jars or left them without ending one. */
function movesOf(lot: Lot): Moved[] {
  const changes = changesOf(lot).map(({ atMs, added, lost }): Moved => {
    const changeG = added ? contentG(added) : -lost.massG
    return { id: (added ?? lost).id, atMs, changeG, marks: (added ?? lost).marks }
  })
  const out = [
    ...lot.uses.filter(({ marks }) => !marks).map(({ id, at, massG }) => ({ id, at, massG })),
    ...pouredOf(lot).filter(({ ended }) => ended.length === 0),
  ]
  const used = out.map(({ id, at, massG }): Moved => ({ id, atMs: Date.parse(at), changeG: -massG, marks: undefined }))
  return [...changes, ...used].sort((a, b) => a.atMs - b.atMs)
}

/** What of a lot went into others, or was drawn off, while the rest stayed where it stood. */
const pouredOf = ({ id, entries }: Lot): { id: string; at: string; massG: number; ended: readonly string[] }[] =>
  entries.flatMap((entry) => {
    if (entry.kind === 'press' && entry.method === 'draw' && entry.fromLotId === id)
      return [{ id: entry.id, at: entry.at, massG: entry.inG, ended: [] }]
    if (entry.kind !== 'add' || entry.lotId === id) return []
    return entry.rows
      .filter(({ lotId }) => lotId === id)
      .map(({ massG, ended = [] }) => ({ id: entry.id, at: entry.at, massG, ended }))
  })

/** When each jar ended that did, ms, by its mark. */
const endsOf = (lot: Lot): Map<string, number> =>
  new Map(
    [...lot.uses, ...lot.lost, ...pouredOf(lot).map(({ at, ended: marks }) => ({ at, marks }))].flatMap(
      ({ at, marks = [] }) => marks.map((mark) => [mark, Date.parse(at)] as const),
    ),
  )

/** A jar of a lot from its filling to its end, ms. */
export interface JarRecord {
  mark: string
  fromMs: number
  untilMs: number
  /** The jar some of which was poured into it; `null` where it was packed. */
  filledFrom: string | null
  massG: number
  /**
   * Its share of what was packed, by the packing's id, and of each amount that was put in or ran over, by that entry's:
   * of the jars named, else of all that stood then, by what they were packed with.
   */
  shares: ReadonlyMap<string, number>
}

/** Every jar a lot ever had, those that ended too. */
function recordsOf(lot: Lot): JarRecord[] {
  const entry = lot.entries.find((one): one is EntryOf<'pack'> => one.kind === 'pack' && one.id === lot.packed?.id)
  const first = (entry ?? lot.packed)?.vessels ?? lot.vessels
  const called = (mark: string) => (mark === '' && lot.shares.length > 0 ? FIRST_MARK : mark)
  const ends = endsOf(lot)
  const packedG = first.reduce((sum, { massG }) => sum + massG, 0)
  const packedId = lot.packed?.id ?? ''
  const begun = { fromMs: -Infinity, filledFrom: null as string | null }
  /** What is in it, and the weight it has among the others. */
  const jars = new Map(
    first.map(({ mark, massG }) => [
      called(mark),
      {
        ...{ ...begun, massG, weight: massG },
        shares: new Map([[packedId, packedG > 0 ? massG / packedG : 1 / first.length]]),
      },
    ]),
  )
  const happened = [
    ...movesOf(lot).map((moved) => ({ atMs: moved.atMs, moved, shared: null })),
    ...lot.shares.map((shared) => ({ atMs: Date.parse(shared.at), moved: null, shared })),
  ].sort((a, b) => a.atMs - b.atMs)
  for (const { atMs, moved, shared } of happened) {
    const from = shared && jars.get(called(shared.from))
    if (shared && from) {
      const part = from.massG > 0 ? Math.min(1, shared.massG / from.massG) : 0
      const some = ({ massG, weight, shares }: typeof from, of: number) => ({
        ...{ massG: massG * of, weight: weight * of },
        // Poured out to the last, a jar keeps what it was made of, for what was taken of it before.
        shares: new Map([...shares].map(([id, share]) => [id, share * (of || 1)])),
      })
      jars.set(shared.mark, { fromMs: atMs, filledFrom: called(shared.from), ...some(from, part) })
      jars.set(called(shared.from), { ...from, ...some(from, 1 - part) })
    }
    if (!moved) continue
    const into = [...jars].filter(
      ([mark]) =>
        (!moved.marks?.length || moved.marks.some((name) => sameMark(name, mark))) &&
        (ends.get(mark) ?? Infinity) > atMs,
    )
    const all = into.reduce((sum, [, { weight }]) => sum + weight, 0)
    for (const [, jar] of into) {
      const share = all > 0 ? jar.weight / all : 1 / into.length
      jar.massG = Math.max(0, jar.massG + moved.changeG * share)
      jar.shares.set(moved.id, share)
    }
  }
  return [...jars].map(([mark, { fromMs, filledFrom, massG, shares }]) => ({
    ...{ mark, fromMs, filledFrom, massG, shares },
    untilMs: ends.get(mark) ?? Infinity,
  }))
}

/** Every jar a lot ever had, of a lot in a book: those are not changed any more. */
export const jarsOf: (lot: Lot) => readonly JarRecord[] = toldOnce(recordsOf)

/** The vessels that still hold a lot, with what is in each, g. */
export function inVessels(lot: Lot): Lot['vessels'] {
  const held = new Map(recordsOf(lot).map(({ mark, massG }) => [mark, massG]))
  return lot.vessels.map((vessel) => ({ ...vessel, massG: held.get(vessel.mark) ?? vessel.massG }))
}

/** What is in some jars of a lot together, g. @param marks of those jars. */
export const inJars = (lot: Lot, marks: readonly string[]): number =>
  inVessels(lot).reduce((sum, { mark, massG }) => sum + (marks.includes(mark) ? massG : 0), 0)

/** Share of a lot that can be drawn off as brine while its pieces stay covered. Judgement. */
const BRINE_SHARE = 0.6

/** The most brine that can be drawn off a lot, g. */
export const mostBrineG = ({ leftG }: Lot): number => BRINE_SHARE * leftG
