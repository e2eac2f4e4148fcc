import { factsOfJar, followedJar } from '../makeup/acidity'
import type { Columns } from './fermenting'
import type { History } from './history'
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
}

/** The jars asked about of a lot in several, and which of them a pH was read in by its mark, until a moment, ms. */
export function jarsRead({ lot, acidity }: History, atMs: number, marks?: readonly string[]) {
  if (lot.vessels.length < 2) return []
  const read = new Set(acidity.filter((fact) => fact.atMs <= atMs).flatMap((fact) => fact.marks))
  return lot.vessels
    .filter(({ mark }) => marks?.includes(mark) ?? true)
    .map(({ mark }) => ({ mark, read: read.has(mark) }))
}

/**
 * What is followed by itself: each jar that was read by its mark, with what speaks for it.
 */
export function jarsApart(history: History, jars: ReturnType<typeof jarsRead>): Jar[] {
  const named = jars.filter(({ read }) => read)
  if (named.length === 0) return [{ mark: null, history, foretold: true }]
  const followed = followedJar(history.lot, history.acidity)
  return named.map(({ mark }) => ({
    mark,
    history: { ...history, acidity: factsOfJar(history.acidity, mark) },
    foretold: mark === followed,
  }))
}

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

/** What is said of several jars, said of the lot: each reason once, and which jar decides. */
export function together(jars: readonly JarStands[]): Reason[] {
  const codes = new Set<string>()
  const once = jars.flatMap(({ said }) => said).filter(({ code }) => !codes.has(code) && codes.add(code))
  const mark = jarThatDecides(jars)
  return mark === null ? once : [{ code: 'one jar decides', facts: { mark } }, ...once]
}
