import { z } from '../../schema'
import { base, counted, IdSchema, name } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { bottlesWords } from '../say'

/** How bottles leave, or what becomes of a stock. */
export const WAYS_OUT = ['sold', 'given', 'used', 'broken'] as const
export type WayOut = (typeof WAYS_OUT)[number]

/** Bottles that left a place: to whom, or what for. Without `how` they were sold. */
export const SendEntry = z.object({
  ...base,
  kind: z.literal('send'),
  lotId: IdSchema,
  count: counted,
  to: name,
  how: z.enum(WAYS_OUT).optional(),
  place: name.optional(),
  /** They left without being released: given away, or used in the own kitchen. */
  unreleased: z.literal(true).optional(),
})

const kind: Kind<typeof SendEntry> = {
  schema: SendEntry,
  says: 'bottles that left',
  words: ({ count: bottles, how, place, to, unreleased }) =>
    `${bottlesWords(bottles)} ${how ?? 'sold'}${unreleased ? ', not released' : ''}${place ? ` from ${place}` : ''}: ${to}`,
  lots: ({ lotId }) => [lotId],
  effect: addsTo('sent'),
  reversible: true,
}
export default kind
