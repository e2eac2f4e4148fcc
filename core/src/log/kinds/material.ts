import { z } from '../../schema'
import { ALLERGENS, MATERIAL_KINDS } from '../../library/material'
import { base, name, pct, colour } from '../entryParts'
import type { Kind } from '../kind'
import { pctRange, RangeSchema } from '../ranges'

/**
 * The maker's own knowledge of a material: only what is given is put over the library's. A new `materialId` is a
 * material of the maker's own.
 */
export const MaterialEntry = z.object({
  ...base,
  kind: z.literal('material'),
  materialId: z.string().regex(/^[a-z0-9-]{1,60}$/, 'An id of small letters, digits and dashes.'),
  name,
  names: z.array(z.string().trim().min(1).max(60)).max(20).optional(),
  group: z.enum(MATERIAL_KINDS),
  waterPct: pctRange.optional(),
  sugarPct: pctRange.optional(),
  saltPct: pct.optional(),
  citricPct: pctRange.optional(),
  malicPct: pctRange.optional(),
  aceticPct: pctRange.optional(),
  lacticPct: pctRange.optional(),
  ph: RangeSchema.refine(
    (range) => range.low >= 1.5 && range.high <= 9,
    'A pH here lies between 1.5 and 9.',
  ).optional(),
  dryShu: RangeSchema.refine(
    (range) => range.high <= 16_000_000,
    'Pure capsaicin has 16 million SHU: nothing has more.',
  ).optional(),
  cupG: RangeSchema.optional(),
  pieceG: RangeSchema.optional(),
  teaspoonG: RangeSchema.optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).optional(),
  color: colour.optional(),
  /** Takes the own values back: the library's stand again. */
  forget: z.boolean().optional(),
})

const kind: Kind<typeof MaterialEntry> = {
  schema: MaterialEntry,
  says: 'the maker’s own values over the library’s',
  words: ({ forget, name: what }) => (forget ? `Own values of ${what} taken back` : `Own values: ${what}`),
  reversible: false,
}
export default kind
