import { styleById, type StyleId } from '../library/styles'
import type { Book } from '../lots/fold'
import type { PressMethod } from '../press/separate'

/** An earlier pressing: which lot, how, and how much of it became base. */
export interface EarlierYield {
  lotId: string
  code: string
  name: string
  atMs: number
  method: PressMethod
  yieldPct: number
  missingPct: number
}

/**
 * Earlier pressings of ferments of a style, newest first; liquid that was only drawn off is none.
 * @param exceptLotId the ferment at hand.
 */
export function earlierYields(book: Book, styleId: StyleId, exceptLotId: string): EarlierYield[] {
  const style = styleById(styleId)
  return [...book.lots.values()]
    .flatMap((lot): EarlierYield[] => {
      const { made } = lot
      if (
        made.kind !== 'press' ||
        lot.kind !== 'base' ||
        made.method === 'draw' ||
        made.fromLotId === exceptLotId ||
        !(made.inG > 0)
      )
        return []
      const from = book.lots.get(made.fromLotId)
      if (from?.made.kind !== 'plan' || from.made.style !== style.id) return []
      const outG = made.baseG + made.pulpG + made.seedsG + (made.brineG ?? 0) + (made.spiltG ?? 0) + (made.boardG ?? 0)
      return [
        {
          lotId: lot.id,
          code: lot.code,
          name: from.name,
          atMs: Date.parse(made.at),
          method: made.method,
          yieldPct: (100 * made.baseG) / made.inG,
          missingPct: (100 * (made.inG - outG)) / made.inG,
        },
      ]
    })
    .sort((a, b) => b.atMs - a.atMs)
}
