import { z } from '../../schema'
import { formatNumber } from '../../units/number'
import { base, massG, name, volumeMl } from '../entryParts'
import type { Kind } from '../kind'

/**
 * A bottle as the maker buys it: what it is filled to, what it holds to the brim, what it weighs empty, g, and what
 * its neck takes.
 */
export const FormatEntry = z
  .object({
    ...base,
    kind: z.literal('format'),
    formatId: z.string().min(1).max(60),
    name,
    shape: z.enum(['bottle', 'jar']),
    fillMl: volumeMl,
    brimMl: volumeMl,
    emptyG: massG,
    neck: z.string().trim().min(1).max(30),
    insert: z.boolean(),
    band: z.boolean(),
    retired: z.boolean().optional(),
  })
  .refine(
    (format) => format.brimMl > format.fillMl,
    'To the brim it holds more than it is filled to: some air must stay.',
  )

const kind: Kind<typeof FormatEntry> = {
  schema: FormatEntry,
  says: 'a bottle the maker fills',
  words: ({ name: what, fillMl }) => `Bottle: ${what}, filled to ${formatNumber(fillMl)} mL`,
  reversible: false,
}
export default kind
