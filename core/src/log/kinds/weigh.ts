import { z } from '../../schema'
import { content } from '../contents'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { contentWords } from '../say'

/** What was actually weighed in, in place of what was planned. */
export const WeighEntry = z.object({
  ...base,
  kind: z.literal('weigh'),
  lotId: IdSchema,
  ...content,
  note: text.optional(),
})

const kind: Kind<typeof WeighEntry> = {
  schema: WeighEntry,
  says: 'what was actually weighed in, in place of the plan',
  words: (entry, world) => `Weighed in: ${contentWords(entry, world)}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.weighed = entry
  },
  reversible: false,
}
export default kind
