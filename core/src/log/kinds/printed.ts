import { z } from '../../schema'
import { base, counted, IdSchema } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'

/** Labels that were printed for a lot: all that stood on them, and the ingredients they rest on. */
export const PrintedEntry = z.object({
  ...base,
  kind: z.literal('printed'),
  lotId: IdSchema,
  count: counted,
  size: z.string().max(60),
  text: z.string().max(8000),
  basis: z.string().max(8000),
  byHand: z.boolean().optional(),
})

const kind: Kind<typeof PrintedEntry> = {
  schema: PrintedEntry,
  says: 'labels printed or written, with all that stood on them; `basis` are the ingredients they rest on',
  words: ({ byHand, count: labels, size }) =>
    byHand ? `Labels written by hand: ${labels}` : `Labels printed: ${labels}, ${size}`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('printed'),
  reversible: true,
}
export default kind
