import { z } from '../../schema'
import { base, IdSchema, PhSchema, tempC } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'

/** A logger's record, thinned: minutes after `at`, temperature, pH; `rows` of the file it came from. */
export const LoggedEntry = z.object({
  ...base,
  kind: z.literal('logged'),
  lotId: IdSchema,
  name: z.string().trim().min(1).max(60),
  rows: z.number().int().min(1),
  points: z
    .array(z.tuple([z.number().min(0).max(3_000_000), tempC.nullable(), PhSchema.nullable()]))
    .min(1)
    .max(5000),
})

const kind: Kind<typeof LoggedEntry> = {
  schema: LoggedEntry,
  says: 'a logger’s record, thinned; its points are [minutes after `at`, °C or null, pH or null]',
  words: ({ name: of, rows, points }) => `Record of ${of}: ${rows} lines, ${points.length} points kept`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('logged'),
  reversible: true,
}
export default kind
