import { z } from 'zod'
import { formatMass } from '../../units/quantity'
import { base, IdSchema, massG, name, text } from '../entryParts'
import type { Kind } from '../kind'
import { add, withoutVessels } from '../lot'
import { WAYS_OUT } from './send'

/** How some of a stock or of a jar leaves: as bottles do, eaten at home, or into the freezer. */
export const WAYS_OF_USE = [...WAYS_OUT, 'eaten', 'frozen'] as const
export type WayOfUse = (typeof WAYS_OF_USE)[number]

/** Some of a stock, or of a jar as it stands, that left it without becoming another lot. */
export const UseEntry = z.object({
  ...base,
  kind: z.literal('use'),
  lotId: IdSchema,
  massG: massG.positive('Say how much.'),
  how: z.enum(WAYS_OF_USE),
  to: name,
  /** The jars that end with it, of a lot in several. */
  marks: z.array(z.string().max(4)).max(40).optional(),
  /** How it was. */
  note: text.optional(),
})

const kind: Kind<typeof UseEntry> = {
  schema: UseEntry,
  says: 'some of a stock, or of a jar, that left it without becoming another lot',
  words: ({ massG: grams, how, to, marks, note }, world) =>
    `${formatMass(grams, world)} ${how}${marks ? `, jar ${marks.join(', ')}` : ''}: ${to}${note ? `. ${note}` : ''}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.uses = add(lot.uses, entry)
    if (entry.marks) withoutVessels(lot, entry.marks)
  },
  reversible: true,
}
export default kind
