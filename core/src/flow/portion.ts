import { PH_LINE } from '../ferment/clock'
import type { Row } from '../log/contents'
import type { EntryOf } from '../log/entry'
import { jarsOf, sameMark, type JarRecord } from '../log/jars'
import type { Lot } from '../log/lot'
import { toldOnce } from '../log/toldOnce'

/** A fact that may name the jars it is of. */
type JarFact = EntryOf<'reading' | 'sign' | 'sense'>

/** The jars of a lot that stood at a moment, ms; where none did, those that ended last. */
function standingAt(all: readonly JarRecord[], atMs: number): readonly JarRecord[] {
  const standing = all.filter(({ fromMs, untilMs }) => fromMs <= atMs && atMs < untilMs)
  if (standing.length) return standing
  const lastMs = Math.max(...all.map(({ untilMs }) => untilMs))
  return all.filter(({ untilMs }) => untilMs === lastMs)
}

/** Whether a fact of some jars is one of this jar: it was filled from one of them later. */
function isOf(jar: JarRecord, marks: readonly string[], factMs: number, all: readonly JarRecord[]): boolean {
  if (marks.includes(jar.mark)) return true
  const before = all.find(({ mark }) => mark === jar.filledFrom)
  return before !== undefined && factMs <= jar.fromMs && isOf(before, marks, factMs, all)
}

/**
 * A fact with the marks of those of some jars that it is about; `null` if it is about other jars only. It keeps no
 * marks if nobody knows which jar is meant: it names none while several stand, or one that does not exist. A mixed
 * sample above 4.6 counts against every jar in it; one below proves nothing about any of them.
 */
function factOf<Fact extends JarFact>(fact: Fact, jars: readonly JarRecord[], all: readonly JarRecord[]): Fact | null {
  const { marks: names = [], ...unnamed } = fact
  const factMs = Date.parse(fact.at)
  const there = all.filter(({ fromMs, untilMs }) => fromMs <= factMs && factMs < untilMs)
  const only = names.length === 0 && there.length === 1 ? there : []
  const named = [...only, ...all.filter(({ mark }) => names.some((name) => sameMark(name, mark)))].map(
    ({ mark }) => mark,
  )
  if (named.length === 0) return unnamed as Fact
  const marks = jars.filter((jar) => isOf(jar, named, factMs, all)).map(({ mark }) => mark)
  if (marks.length === 0) return null
  const mixed = named.length > 1 && fact.kind === 'reading' && (fact.ph ?? Infinity) <= PH_LINE
  return mixed ? (unnamed as Fact) : { ...fact, marks }
}

/** What a reading of other jars still tells: the temperature of the place, which all jars share. */
function warmthOf({ id, by, origin, at, kind, lotId, tempC }: EntryOf<'reading'>): EntryOf<'reading'>[] {
  return tempC === undefined ? [] : [{ id, by, origin, at, kind, lotId, tempC }]
}

const scaled = (rows: readonly Row[], share: number): Row[] =>
  rows.map((row) => ({
    ...row,
    massG: row.massG * share,
    ...(row.betweenG && { betweenG: { low: row.betweenG.low * share, high: row.betweenG.high * share } }),
  }))

/** The share of a packing or an addition that went into some jars. */
const someOf = <Content extends EntryOf<'weigh' | 'add'>>(content: Content, share: number): Content => ({
  ...content,
  rows: scaled(content.rows, share),
  waterG: content.waterG * share,
  saltG: content.saltG * share,
})

/** What some jars were packed with, were given later and lost over the rim. */
function contentOf(lot: Lot, jars: readonly JarRecord[]): Pick<Lot, 'weighed' | 'added' | 'overflowed'> {
  const { made, weighed, added, overflowed, packed } = lot
  if (made.kind !== 'plan') return { weighed, added, overflowed }
  const share = (id: string) => jars.reduce((sum, { shares }) => sum + (shares.get(id) ?? 0), 0)
  const { rows, waterG, saltG, id, at, by, origin, lotId } = weighed ?? made
  const all: EntryOf<'weigh'> = weighed ?? { kind: 'weigh', rows, waterG, saltG, id, at, by, origin, lotId }
  return {
    weighed: someOf(all, share(packed?.id ?? '')),
    added: added.filter((entry) => share(entry.id) > 0).map((entry) => someOf(entry, share(entry.id))),
    overflowed: overflowed
      .filter((entry) => share(entry.id) > 0)
      .map((entry) => ({ ...entry, massG: entry.massG * share(entry.id) })),
  }
}

/** Whether something was added to, or ran over from, some jars of a lot only. */
export const isUneven = ({ added, overflowed, packed }: Lot): boolean =>
  (packed?.vessels.length ?? 0) > 1 && [...added, ...overflowed].some(({ marks }) => marks?.length)

const viewsOf = toldOnce((_: Lot) => new Map<string, Lot>())

function viewOf(lot: Lot, jars: readonly JarRecord[], all: readonly JarRecord[]): Lot {
  const facts = <Kind extends JarFact['kind']>(kind: Kind) =>
    lot.entries.filter((entry): entry is EntryOf<Kind> => entry.kind === kind && entry.lotId === lot.id)
  const marks = jars.map(({ mark }) => mark)
  return {
    ...lot,
    ...(isUneven(lot) && contentOf(lot, jars)),
    readings: facts('reading').flatMap((reading) => factOf(reading, jars, all) ?? warmthOf(reading)),
    signs: facts('sign').flatMap((sign) => factOf(sign, jars, all) ?? []),
    senses: facts('sense').flatMap((sense) => factOf(sense, jars, all) ?? []),
    vessels: (lot.packed?.vessels ?? []).filter(({ mark }) => marks.includes(mark)),
  }
}

/**
 * Some jars of a lot as a lot of their own, with their contents and only the facts about them. A jar that ended keeps
 * its facts.
 * @param marks of the jars; `null`: those that stood at the moment, ms. @returns the lot itself where it is in no jars.
 */
export function portionOf(lot: Lot, marks: readonly string[] | null, atMs: number): Lot {
  const all = jarsOf(lot)
  if (all.length === 0) return lot
  const asked = all.filter(({ mark }) => marks?.some((name) => sameMark(name, mark)))
  const jars = asked.length ? asked : standingAt(all, atMs)
  const key = jars.map(({ mark }) => mark).join('\n')
  const views = viewsOf(lot)
  const view = views.get(key) ?? viewOf(lot, jars, all)
  views.set(key, view)
  return view
}

/**
 * Whether an addition or overflow changed any of some jars of a lot, or the jars those were filled from.
 * @param marks of the jars; ignored if the lot is in no jars.
 */
export const reaches = (lot: Lot, marks: readonly string[], entryId: string): boolean => {
  const all = jarsOf(lot)
  return all.length === 0 || all.some(({ mark, shares }) => marks.includes(mark) && (shares.get(entryId) ?? 0) > 0)
}
