import type { PouredRow } from '../log/contents'
import type { Book } from '../lots/fold'
import { addedG, type Lot } from '../log/lot'
import { ONE_SIDED } from '../log/trust'
import { measuredPhs } from './measuredPh'

/** From this share of weight on, percent, a food stands under oil. Judgement. */
export const OILY_PCT = 0.5
/** The water phase must have been read at or under this before the oil. Extension services, from memory. */
const SOUR_BEFORE = 4.2

/** Oil in a lot: its share of weight, percent; when it went in, ms; whether what it went into had been read as sour. */
export interface Oil {
  pct: number
  atMs: number
  sourBefore: boolean
}

/** The last pH read of a lot by a moment is 4.2 or less at its upper end. */
function wasSour(lot: Lot, atMs: number): boolean {
  const last = measuredPhs(lot).findLast((read) => read.atMs <= atMs)
  return last !== undefined && last.trust !== 'failed' && last.ph + ONE_SIDED * last.sd <= SOUR_BEFORE
}

/** Oil of some rows that were poured together at a moment: bought oil, and what is in lots. */
function inRows(book: Book, rows: readonly PouredRow[], atMs: number, sour: boolean, depth: number) {
  return rows.flatMap(({ lotId, materialId = '', massG }): (Oil & { oilG: number })[] => {
    const source = lotId === undefined ? undefined : book.lots.get(lotId)
    const material = source?.made.kind === 'stock' ? source.made.materialId : materialId
    if (material && book.library.material(material)?.kind === 'oil')
      return [{ oilG: massG, pct: 100, atMs, sourBefore: sour }]
    const inside = source && oilOf(book, source, depth + 1)
    return inside ? [{ ...inside, oilG: (massG * inside.pct) / 100 }] : []
  })
}

/** Oil in a lot; `null` without any. @param depth lots gone through so far. */
export function oilOf(book: Book, lot: Lot, depth = 0): Oil | null {
  if (depth > 12) return null
  const { made } = lot
  const madeMs = Date.parse(made.at)
  const from = made.kind === 'press' || made.kind === 'bottle' ? book.lots.get(made.fromLotId) : undefined
  const before = from && oilOf(book, from, depth + 1)
  const rows = made.kind === 'plan' ? (lot.weighed ?? made).rows : made.kind === 'blend' ? made.parts : []
  const lots = rows.flatMap(({ lotId }) => (lotId === undefined ? [] : (book.lots.get(lotId) ?? [])))
  const parts = lots.filter(({ made: of }) => of.kind !== 'stock')
  const sour = made.kind === 'blend' && parts.length > 0 && parts.every((part) => wasSour(part, madeMs))
  const found = [
    ...(before ? [{ ...before, oilG: (before.pct * (lot.madeG - addedG(lot))) / 100 }] : []),
    ...inRows(book, rows, madeMs, sour, depth),
    ...lot.added.flatMap((entry) =>
      inRows(book, entry.rows, Date.parse(entry.at), wasSour(lot, Date.parse(entry.at)), depth),
    ),
  ]
  const oilG = found.reduce((sum, one) => sum + one.oilG, 0)
  if (oilG <= 0) return null
  return {
    pct: (100 * oilG) / Math.max(oilG, lot.madeG),
    atMs: Math.min(...found.map(({ atMs }) => atMs)),
    sourBefore: found.every(({ sourBefore }) => sourBefore),
  }
}
