import { KEPT_BRINE_LOG10, STARTER_LIVES, type LivingRow } from '../ferment/rawShare'
import { PRODUCE_KINDS } from '../library/materials'
import { styleById } from '../library/styles'
import type { Row } from '../log/contents'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { waterPhaseSaltPct } from '../salt/brine'
import { compositionOf } from './lotComposition'
import { phOf } from './lotPh'

/** Whether part of a lot starts a ferment: by its own pH, salt and style; a lemon brine of pH 2.5 starts nothing. */
export function isStarter(book: Book, lot: Lot): boolean {
  if (lot.kind === 'bottled' || (lot.made.kind === 'plan' && !styleById(lot.made.style).ferments)) return false
  const composition = compositionOf(book, lot.id)
  if (!composition?.live) return false
  const salt = composition.waterG > 0 ? waterPhaseSaltPct(composition.saltG, composition.waterG) : 0
  const ph = phOf(book, lot.id)?.ph
  return salt < STARTER_LIVES.saltInWaterPct && (ph === undefined || ph >= STARTER_LIVES.leastPh)
}

/**
 * A row seen for its bacteria; a lot in stock that is alive counts as a starter, a bowl of fresh produce as what went
 * into it.
 */
export function livingRows(book: Book, rows: readonly Row[]): LivingRow[] {
  return rows.flatMap((row): LivingRow[] => {
    if (!row.lotId) {
      const { livens, starterLog10, kind } = book.library.materialOrUnknown(row.materialId)
      const brings = (PRODUCE_KINDS as readonly string[]).includes(kind) || starterLog10 !== null
      return brings
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
    return [
      {
        massG: row.massG,
        preparation: 'raw',
        livens: false,
        starterLog10: isStarter(book, lot) ? KEPT_BRINE_LOG10 : null,
      },
    ]
  })
}
