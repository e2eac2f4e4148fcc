import { z } from '../../schema'
import { formatMass } from '../../units/quantity'
import { BetweenSchema } from '../contents'
import { base, IdSchema, massG, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'

/** Some of a ferment that ran over: gone, with the salt and the acid in it. */
export const OverflowEntry = z.object({
  ...base,
  kind: z.literal('overflow'),
  lotId: IdSchema,
  massG: massG.positive('Say how much ran over, or "a little".'),
  said: z.string().trim().max(40).optional(),
  betweenG: BetweenSchema.optional(),
  /** The jars that ran over, of a lot in several; any of them where not said. */
  marks: z.array(z.string().max(4)).max(40).optional(),
  note: text.optional(),
})

const kind: Kind<typeof OverflowEntry> = {
  schema: OverflowEntry,
  says: 'some of a ferment that ran over',
  words: ({ massG: grams, said, marks, note }, world) =>
    `Ran over${marks ? `, jar ${marks.join(', ')}` : ''}: ${said ? `${said}, about ` : ''}${formatMass(grams, world)}${note ? `. ${note}` : ''}`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('overflowed'),
  reversible: true,
}
export default kind
