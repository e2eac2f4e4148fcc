import { z } from '../../schema'
import { content, RowSchema } from '../contents'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { contentWords } from '../say'

const { rows: _rows, ...poured } = content

/** Something put in after packing: salt, water, produce, brine. */
export const AddEntry = z
  .object({
    ...base,
    kind: z.literal('add'),
    lotId: IdSchema,
    ...poured,
    rows: z.array(RowSchema).max(20),
    /** The jars it went into, of a lot in several; all of them where not said. */
    marks: z.array(z.string().max(4)).max(40).optional(),
    reason: text,
  })
  .refine((entry) => entry.rows.length > 0 || entry.waterG + entry.saltG > 0, 'Nothing was added.')

const kind: Kind<typeof AddEntry> = {
  schema: AddEntry,
  says: 'put in after packing',
  words: (entry, world) =>
    `Put in${entry.marks ? ` jar ${entry.marks.join(', ')}` : ''}: ${contentWords(entry, world)}. ${entry.reason}`.trim(),
  lots: ({ lotId }) => [lotId],
  effect: addsTo('added'),
  reversible: true,
}
export default kind
