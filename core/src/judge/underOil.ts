import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { OILY_PCT, oilOf } from '../makeup/oil'
import { DAY_MS } from '../units/time'
import type { Reason } from './reasons'

/**
 * Days in the refrigerator under oil: usually, and where what it went into had been read at 4.2 or less before. USDA
 * and extension services for the first, from memory; the second is judgement.
 */
const DAYS = { usual: 4, sour: 30 } as const

/** What oil in a lot means, at a moment; a bought oil by itself keeps, and so does what is frozen. */
export function oilReasons(book: Book, lot: Lot, atMs: number): Reason[] {
  const { made } = lot
  if (made.kind === 'stock' || (made.kind === 'bottle' && made.store === 'frozen')) return []
  const oil = oilOf(book, lot)
  if (!oil || oil.pct <= OILY_PCT || oil.atMs > atMs) return []
  const { pct, sourBefore } = oil
  const days = sourBefore ? DAYS.sour : DAYS.usual
  const useByMs = oil.atMs + days * DAY_MS
  return atMs > useByMs
    ? [{ code: 'too long under oil', facts: { pct, days } }]
    : [{ code: 'under oil', facts: { pct, days, useByMs, sourBefore } }]
}
