import { structureOf, type Structure } from '../ferment/batch'
import type { Cut } from '../library/cuts'
import { styleById } from '../library/styles'
import { contentG } from '../log/contents'
import type { Book } from '../lots/fold'
import { addedG, type Lot } from '../log/lot'

/** The bowl a row was taken from: a plan that was never packed. */
const bowlOf = (book: Book, lotId: string | undefined): Lot | null => {
  const lot = lotId === undefined ? undefined : book.lots.get(lotId)
  return lot?.made.kind === 'plan' && !lot.packed ? lot : null
}

/** Share of a lot that is water put in, through the bowl it was split from. @param depth bowls gone through so far. */
function waterShare(book: Book, lot: Lot, depth = 0): number {
  if (lot.made.kind !== 'plan' || depth > 8) return 0
  const content = lot.weighed ?? lot.made
  const allG = contentG(content) + addedG(lot)
  const waterG =
    content.waterG +
    lot.added.reduce((sum, added) => sum + added.waterG, 0) +
    content.rows.reduce((sum, { lotId, massG }) => {
      const bowl = bowlOf(book, lotId)
      return bowl ? sum + massG * waterShare(book, bowl, depth + 1) : sum
    }, 0)
  return allG > 0 ? Math.min(1, waterG / allG) : 0
}

/** How the produce of a lot is cut: as it was said of it, or of the bowl it was split from. */
function cutOf(book: Book, lot: Lot, depth = 0): Cut | undefined {
  if (lot.made.kind !== 'plan') return undefined
  if (lot.made.cut) return lot.made.cut
  const bowls = (lot.weighed ?? lot.made).rows.flatMap(({ lotId }) => bowlOf(book, lotId) ?? [])
  return depth > 8 ? undefined : bowls.map((bowl) => cutOf(book, bowl, depth + 1)).find(Boolean)
}

/** Liquid and pieces of a planned lot as it really is: weighed in, put in later, split from a bowl. */
export function structureOfLot(book: Book, lot: Lot): Structure {
  if (lot.made.kind !== 'plan') return structureOf('in its juice', 'ground')
  const { lie, usualCut } = styleById(lot.made.style)
  return structureOf(lie, cutOf(book, lot) ?? usualCut, waterShare(book, lot))
}

/** Whether brine gets into its produce: cut, or pierced before it was packed. */
export function isOpened(book: Book, lot: Lot): boolean {
  if (lot.made.kind !== 'plan') return true
  const cut = cutOf(book, lot) ?? styleById(lot.made.style).usualCut
  return cut !== 'whole' || (lot.checked?.done.includes('pierced') ?? false)
}

/** Where a sample comes from when nobody said: pieces are read in their liquid. */
export const usuallyOf = (structure: Structure): 'liquid' | 'blended' => (structure.liquid < 1 ? 'liquid' : 'blended')
