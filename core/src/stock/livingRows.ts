import { KEPT_BRINE_LOG10, type LivingRow } from '../ferment/rawShare'
import type { Row } from '../log/contents'
import type { Book } from '../log/fold'

/**
 * A row seen for its bacteria; a lot in stock that is alive counts as a starter, a bowl of fresh produce as what went
 * into it.
 */
export function livingRows(book: Book, rows: readonly Row[]): LivingRow[] {
  return rows.flatMap((row): LivingRow[] => {
    if (!row.lotId) {
      const { livens, starterLog10, kind } = book.library.materialOrUnknown(row.materialId)
      const isProduce = ['pepper', 'vegetable', 'fruit', 'herb', 'seafood', 'starter'].includes(kind)
      return isProduce
        ? [
            {
              massG: row.massG,
              preparation: row.preparation,
              livens,
              green: kind === 'vegetable' || kind === 'herb',
              starterLog10,
            },
          ]
        : []
    }
    const lot = book.lots.get(row.lotId)
    if (!lot) return []
    if (lot.made.kind === 'plan' && !lot.packed) {
      const content = lot.weighed ?? lot.made
      const inside = livingRows(book, content.rows)
      const share = lot.madeG > 0 ? row.massG / lot.madeG : 0
      return inside.map((one) => ({ ...one, massG: one.massG * share }))
    }
    const alive = lot.made.kind === 'stock' ? lot.made.live : lot.kind !== 'bottled'
    return [{ massG: row.massG, preparation: 'raw', livens: false, starterLog10: alive ? KEPT_BRINE_LOG10 : null }]
  })
}
