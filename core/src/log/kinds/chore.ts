import { z } from '../../schema'
import { CHORES } from '../../library/chores'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'

/** A chore done, or passed over with a reason. */
export const ChoreEntry = z.object({
  ...base,
  kind: z.literal('chore'),
  lotId: IdSchema,
  chore: z.enum(CHORES),
  skipped: text.min(1, 'Say why it is skipped.').optional(),
  note: text.optional(),
})

const kind: Kind<typeof ChoreEntry> = {
  schema: ChoreEntry,
  says: 'something was done, or skipped with a reason',
  words: ({ chore, skipped, note }) =>
    `${chore[0]?.toUpperCase()}${chore.slice(1)}${skipped ? ` skipped: ${skipped}` : ''}${note ? `: ${note}` : ''}`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('chores'),
  reversible: true,
}
export default kind
