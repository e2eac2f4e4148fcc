import type { Row } from '../log/contents'
import type { Lot } from '../log/lot'
import { DAY_MS } from '../units/time'

/** How much each likeness of two ferments says that they were made to be compared. Judgement. */
const LIKENESS = { recipe: 5, bowl: 5, sameDay: 3, style: 2, produce: 2 } as const

const heaviest = (rows: readonly Row[]): string | undefined =>
  [...rows].sort((a, b) => b.massG - a.massG).find(({ lotId }) => !lotId)?.materialId

/** How alike two ferments are in what was to be the same; what differs is what is looked for. */
export function likenessOf(a: Lot, b: Lot): number {
  if (a.made.kind !== 'plan' || b.made.kind !== 'plan') return 0
  const [one, other] = [a.made, b.made]
  const bowls = (lot: Lot) => lot.from.map(({ lotId }) => lotId)
  const main = heaviest(one.rows)
  return (
    (one.recipeId !== undefined && one.recipeId === other.recipeId ? LIKENESS.recipe : 0) +
    (bowls(a).some((id) => bowls(b).includes(id)) ? LIKENESS.bowl : 0) +
    (Math.abs(a.startedMs - b.startedMs) <= DAY_MS ? LIKENESS.sameDay : 0) +
    (one.style === other.style ? LIKENESS.style : 0) +
    (main !== undefined && main === heaviest(other.rows) ? LIKENESS.produce : 0)
  )
}

/** So many of the newest are laid beside each other: what is years apart nobody made to be compared. Judgement. */
const NEWEST = 100

/**
 * The two packed ferments that fit best side by side, the more alike and then the newer first, out of the newest; with
 * one of them given, its best partner. `null` where there are no two.
 */
export function fittingPair(lots: readonly Lot[], givenId?: string): readonly [Lot, Lot] | null {
  const packed = lots.filter(({ kind, packed: entry }) => kind === 'ferment' && entry)
  const given = packed.find(({ id }) => id === givenId)
  const newestFirst = [...packed].sort((a, b) => b.startedMs - a.startedMs).slice(0, NEWEST)
  const beside = given ? packed : packed.filter((lot) => newestFirst.includes(lot))
  const at = given ? packed.indexOf(given) : -1
  const pairOf = (a: Lot, b: Lot) => ({ pair: [a, b] as const, like: likenessOf(a, b) })
  const fits = given
    ? beside.flatMap((lot, index) => (lot === given ? [] : [index < at ? pairOf(lot, given) : pairOf(given, lot)]))
    : beside.flatMap((a, index) => beside.slice(index + 1).map((b) => pairOf(a, b)))
  const newest = ({ pair: [a, b] }: ReturnType<typeof pairOf>) => Math.min(a.startedMs, b.startedMs)
  const best = [...fits].sort((a, b) => b.like - a.like || newest(b) - newest(a))[0]
  if (!best) return null
  return given && best.pair[1] === given ? [best.pair[1], best.pair[0]] : best.pair
}

/** One thing in which two ferments were made differently. */
export interface Difference {
  what: 'style' | 'salt' | 'cut' | 'closure' | 'weight' | 'place' | 'produce'
  of: readonly [string, string]
}

/** What differs in how two ferments were made. */
export function differencesOf(a: Lot, b: Lot): Difference[] {
  if (a.made.kind !== 'plan' || b.made.kind !== 'plan') return []
  const [one, other] = [a.made, b.made]
  const names = ({ rows }: { rows: readonly Row[] }) =>
    rows
      .map(({ name }) => name.toLowerCase())
      .sort()
      .join(', ')
  const salt = ({ saltPct, saltBasis, saltSaid }: typeof one) => saltSaid ?? `${saltPct} % of the ${saltBasis}`
  const all: Difference[] = [
    { what: 'style', of: [one.style, other.style] },
    { what: 'produce', of: [names(a.weighed ?? one), names(b.weighed ?? other)] },
    { what: 'cut', of: [one.cut ?? 'as usual', other.cut ?? 'as usual'] },
    { what: 'salt', of: [salt(one), salt(other)] },
    {
      what: 'closure',
      of: [a.packed?.called ?? a.packed?.closure ?? '', b.packed?.called ?? b.packed?.closure ?? ''],
    },
    { what: 'weight', of: [a.packed?.weight ?? 'not said', b.packed?.weight ?? 'not said'] },
    { what: 'place', of: [a.packed?.place ?? '', b.packed?.place ?? ''] },
  ]
  return all.filter(({ of: [x, y] }) => x !== y)
}
