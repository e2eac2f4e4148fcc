import { isUneven, portionOf, reaches } from '../flow'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { factsOfJar, followedJar } from '../makeup/acidity'
import type { Columns } from './fermenting'
import { historyOf, type History } from './history'
import type { TimeAbove } from './passing'
import { ruleFor, type Reason } from './reasons'

/** Jars of one lot differ: each that was read by its mark is followed by itself, and the lot stands as the worst. */

/** One jar of a lot in several, or all of it, and what speaks for it. */
export interface Jar {
  /** `null`: all of it. */
  mark: string | null
  history: History
  /** The forecast of the lot is of it. */
  foretold: boolean
  /** It is judged by itself; of the others only what was seen in them counts. */
  followed: boolean
}

/** The jars of a lot in several, and which of them a pH was read in by its mark, until a moment, ms. */
export function jarsRead({ lot, acidity }: History, atMs: number): { mark: string; read: boolean }[] {
  const read = new Set(acidity.filter((fact) => fact.atMs <= atMs).flatMap((fact) => fact.marks))
  return lot.vessels.map(({ mark }) => ({ mark, read: read.has(mark) }))
}

/**
 * The jars of a lot, each with what speaks for it. Judged by itself is each that was read by its mark; where something
 * went into some of them only, each of those with what it holds.
 * @param marks of the jars asked about; `null`: all that stood at the moment, ms.
 */
export function jarsApart(book: Book, lot: Lot, marks: readonly string[] | null, atMs: number): Jar[] {
  const all = historyOf(book, portionOf(lot, null, atMs))
  const whole = historyOf(book, portionOf(lot, marks, atMs))
  const anyRead = jarsRead(all, atMs).some(({ read }) => read)
  const uneven = isUneven(lot)
  if (all.lot.vessels.length < 2 || (!anyRead && !uneven))
    return [{ mark: null, history: whole, foretold: true, followed: true }]
  const foretold = followedJar(all.lot, all.acidity)
  return jarsRead(whole, atMs).map(({ mark, read }) => {
    const own = uneven ? historyOf(book, portionOf(lot, [mark], atMs)) : whole
    const signs = own.signs.filter(({ marks }) => !marks?.length || marks.includes(mark))
    const history = { ...own, signs, acidity: anyRead ? factsOfJar(whole.acidity, mark) : own.acidity }
    const followed = !anyRead || read || marks !== null || isTouched(lot, mark)
    return { mark, history, foretold: mark === foretold && !uneven, followed }
  })
}

/** Whether something that did not go into all jars, or run over from all, was of this one. */
const isTouched = (lot: Lot, mark: string): boolean =>
  [...lot.added, ...lot.overflowed].some(({ marks, id }) => marks?.length && reaches(lot, [mark], id))

/** How bad it is: over for good, above again, not passed, passed; among equals the more time was spent. */
const rankOf = ({ over, above, passed, lateSpent }: TimeAbove): number[] => [
  over ? 3 : above ? 2 : passed ? 0 : 1,
  lateSpent,
]

/** The worse of two. */
function worse(a: TimeAbove, b: TimeAbove): TimeAbove {
  const [first, second] = [rankOf(a), rankOf(b)]
  const at = first[0] === second[0] ? 1 : 0
  return (second[at] ?? 0) > (first[at] ?? 0) ? b : a
}

/** The columns of several jars as one: of each kind of sample the worst. */
export const worstOf = (columns: readonly Columns[]): Columns =>
  columns.reduce((one, other) => ({
    liquid: worse(one.liquid, other.liquid),
    blended: worse(one.blended, other.blended),
  }))

/** A jar, how it stands, and what is said of it. */
export interface JarStands {
  mark: string | null
  columns: Columns
  said: readonly Reason[]
}

/** The jar that holds up the others: they stand under the line, or are ready, and it is not. `null` where none does. */
function jarThatDecides(jars: readonly JarStands[]): string | null {
  const under = jars.map(({ columns: { blended } }) => blended.passed !== null && !blended.over && !blended.above)
  const ready = jars.map(({ said }) => said.every((reason) => ruleFor(reason).make === 'pass'))
  for (const stands of [under, ready])
    if (stands.includes(true) && stands.includes(false)) return jars[stands.indexOf(false)]?.mark ?? null
  return null
}

/** Drops repeated reasons; signs of different kinds stay apart. */
export function onceEach(reasons: readonly Reason[]): Reason[] {
  const listed = new Set<string>()
  return reasons.filter(({ code, facts }) => {
    const key = 'sign' in facts ? `${code} ${facts.sign}` : code
    return !listed.has(key) && listed.add(key)
  })
}

/** What is said of several jars, said of the lot: each reason once, and which jar decides. */
export function together(jars: readonly JarStands[]): Reason[] {
  const once = onceEach(jars.flatMap(({ said }) => said))
  const mark = jarThatDecides(jars)
  return mark === null ? once : [{ code: 'one jar decides', facts: { mark } }, ...once]
}
