import { mixturePh } from '../acid/mixture'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
import { lastPouredMs } from '../lots/measured'
import { compositionOf } from './lotComposition'
import { lastPh } from './measuredPh'

/** Last known pH of a lot: its own reading, else what its make-up shows. */
export function phOf(book: Book, lotId: string): { ph: number; measured: boolean } | null {
  const lot = book.lots.get(lotId)
  // What stands in a bottle is read in it, or was in its pot before it was filled.
  const isPoured = lot?.made.kind === 'bottle' && !lastPh(lot)
  const read = isPoured && lot.made.kind === 'bottle' ? book.lots.get(lot.made.fromLotId) : lot
  const untilMs = isPoured ? Date.parse(lot.made.at) : Infinity
  const reading = read && lastPh(read, untilMs)
  const stale = read?.made.kind === 'blend' && reading !== undefined && reading.atMs < lastPouredMs(read, untilMs)
  if (reading && !stale) return { ph: reading.ph, measured: true }
  if (lot?.made.kind === 'stock' && lot.made.ph !== undefined) return { ph: lot.made.ph, measured: true }
  const composition = compositionOf(book, lotId)
  const ph = composition && mixturePh(composition)
  return ph === null ? null : { ph, measured: false }
}

/**
 * The pH that a ferment, or what was pressed of it, works out to where nobody read one in either: as it was packed,
 * whatever a forecast says. `null` where one was read, and for all that does not ferment.
 */
export function unreadPhOf(book: Book, lotId: string): number | null {
  const lot = book.lots.get(lotId)
  const source = lot?.made.kind === 'press' ? book.lots.get(lot.made.fromLotId) : lot
  if (!lot || source?.made.kind !== 'plan' || !styleById(source.made.style).ferments) return null
  return lastPh(lot) || lastPh(source) ? null : (phOf(book, lotId)?.ph ?? null)
}
