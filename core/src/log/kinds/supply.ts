import { z } from '../../schema'
import { base } from '../entryParts'
import type { Kind } from '../kind'

/** Things a bottle takes. A bottle, a label and a band belong to a format; inserts and caps to a neck. */
export const SUPPLIES = ['bottle', 'insert', 'cap', 'band', 'label'] as const
export type SupplyItem = (typeof SUPPLIES)[number]

/** An item and what it fits. */
export const supply = { item: z.enum(SUPPLIES), fits: z.string().trim().min(1).max(60) }

/** Packaging that came in, was counted, or broke. */
export const SupplyEntry = z.object({
  ...base,
  kind: z.literal('supply'),
  ...supply,
  what: z.enum(['received', 'counted', 'broken']),
  count: z.number().int().min(0).max(1_000_000),
})

const kind: Kind<typeof SupplyEntry> = {
  schema: SupplyEntry,
  says: 'packaging counted, come in or broken',
  words: ({ what, count, item, fits }) => `Packaging ${what}: ${count} × ${item}, ${fits}`,
  reversible: false,
}
export default kind
