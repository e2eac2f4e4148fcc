import { z } from 'zod'
import { RowSchema } from '../contents'
import { base, IdSchema, massG, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { contentWords } from '../say'

/** Something put in after packing: salt, water, produce, brine. */
export const AddEntry = z
  .object({
    ...base,
    kind: z.literal('add'),
    lotId: IdSchema,
    rows: z.array(RowSchema).max(20),
    waterG: massG,
    saltG: massG,
    reason: text,
  })
  .refine((entry) => entry.rows.length > 0 || entry.waterG + entry.saltG > 0, 'Nothing was added.')

const kind: Kind<typeof AddEntry> = {
  schema: AddEntry,
  says: 'put in after packing',
  words: (entry, world) => `Put in: ${contentWords(entry, world)}. ${entry.reason}`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('added'),
  reversible: true,
}
export default kind
