import { z } from '../../schema'
import { VERDICTS } from '../../level'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'

const initials = z
  .string()
  .trim()
  .regex(/^[\p{L}.]{1,6}$/u, 'Initials are one to six letters.')

/** A release or a hold, with the checks as they stood then and the initials of who answers for it. */
export const ReleaseEntry = z.object({
  ...base,
  kind: z.literal('release'),
  lotId: IdSchema,
  decision: z.enum(['released', 'held']),
  limitPh: z.number().min(2.5).max(4.6),
  reason: text,
  initials: initials.optional(),
  checks: z
    .array(z.object({ id: z.string().max(20), verdict: z.enum(VERDICTS), sentence: text }))
    .max(20)
    .optional(),
})

const kind: Kind<typeof ReleaseEntry> = {
  schema: ReleaseEntry,
  says: 'released or held',
  words: ({ decision, initials: who, reason }) =>
    `${decision === 'released' ? 'Released' : 'Held'}${who ? ` by ${who}` : ''}: ${reason}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.release = entry
  },
  reversible: true,
}
export default kind
