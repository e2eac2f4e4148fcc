import { z } from 'zod'
import { formatMass } from '../../units/quantity'
import { base, IdSchema, massG, name } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { WAYS_OUT } from './send'

/** Some of a stock that left it without becoming another lot. */
export const UseEntry = z.object({
  ...base,
  kind: z.literal('use'),
  lotId: IdSchema,
  massG: massG.positive('Say how much.'),
  how: z.enum(WAYS_OUT),
  to: name,
})

const kind: Kind<typeof UseEntry> = {
  schema: UseEntry,
  says: 'some of a stock that left it without becoming another lot',
  words: ({ massG: grams, how, to }, world) => `${formatMass(grams, world)} ${how}: ${to}`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('uses'),
  reversible: true,
}
export default kind
