import { z } from '../../schema'
import { ALLERGENS } from '../../library/material'
import { formatMass } from '../../units/quantity'
import { base, lot, massG, name, pct, PhSchema } from '../entryParts'
import type { Kind } from '../kind'
import { newLot } from '../lot'

/** Something that came from outside, or a kept brine: its make-up as far as it is known. */
export const StockEntry = z.object({
  ...base,
  kind: z.literal('stock'),
  ...lot,
  massG,
  materialId: z.string().max(60).optional(),
  waterPct: pct.optional(),
  saltPct: pct.optional(),
  ph: PhSchema.optional(),
  lacticPct: z.number().min(0).max(5).optional(),
  acetic: z.number().min(0).max(80).optional(),
  sugarPct: pct.optional(),
  shu: z.number().min(0).max(16_000_000).optional(),
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).optional(),
  live: z.boolean(),
  ingredients: z.array(name).max(40).optional(),
})

const kind: Kind<typeof StockEntry> = {
  schema: StockEntry,
  says: 'bought, or a kept brine; makes a lot; `acetic` in percent',
  words: ({ massG: grams, name: what }, world) => `Into stock: ${formatMass(grams, world)} ${what}`,
  lots: ({ lotId }) => [lotId],
  makes: (entry) => [newLot(entry, { kind: 'stock', state: 'in stock', madeG: entry.massG })],
  reversible: false,
}
export default kind
