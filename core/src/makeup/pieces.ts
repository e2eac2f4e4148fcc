import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { structureOfLot } from './structure'

/** What a jar is taken from piece by piece: what they are called, what one weighs, how many are still there, about. */
export interface Pieces {
  name: string
  pieceG: number
  left: number
}

/**
 * The pieces a jar is taken from by the piece: its heaviest produce, where that is counted and lies whole or cut.
 * `null` for all that is ground, and where nobody knows what a piece weighs.
 */
export function piecesOf(book: Book, lot: Lot): Pieces | null {
  if (lot.made.kind !== 'plan' || !lot.packed || structureOfLot(book, lot).liquid >= 1) return null
  const rows = [...(lot.weighed ?? lot.made).rows].sort((a, b) => b.massG - a.massG)
  const main = rows.find(({ lotId }) => !lotId)
  const material = main && book.library.material(main.materialId)
  const pieceG = material?.pieceG?.typical
  if (!main || !material || !pieceG) return null
  const packed = rows
    .filter(({ materialId }) => materialId === main.materialId)
    .reduce((sum, row) => sum + row.massG, 0)
  const taken = lot.uses.reduce((sum, { pieces = 0 }) => sum + pieces, 0)
  return { name: material.name, pieceG, left: Math.max(0, Math.round(packed / pieceG) - taken) }
}
