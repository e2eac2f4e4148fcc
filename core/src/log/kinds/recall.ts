import { z } from '../../schema'
import { formatNumber } from '../../units/number'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'

/** A recall, or the exercise of one: what the log said was made, is here and is out, and what was found. */
export const RecallEntry = z.object({
  ...base,
  kind: z.literal('recall'),
  lotId: IdSchema,
  exercise: z.boolean(),
  made: z.number().int().min(0),
  here: z.number().int().min(0),
  out: z.number().int().min(0),
  found: z.number().int().min(0).optional(),
  minutes: z.number().min(0).max(100_000).optional(),
  note: text.optional(),
})

const kind: Kind<typeof RecallEntry> = {
  schema: RecallEntry,
  says: 'a recall or its exercise, as the log stood',
  words: ({ exercise, made, here, out, found, minutes, note }) =>
    [
      `${exercise ? 'Recall exercise' : 'Recall'}: ${made} made, ${here} here, ${out} out`,
      found === undefined ? '' : `, ${found} found`,
      minutes === undefined ? '' : ` in ${formatNumber(minutes)} min`,
      note ? `. ${note}` : '',
    ].join(''),
  lots: ({ lotId }) => [lotId],
  effect: addsTo('recalls'),
  reversible: true,
}
export default kind
