import { z } from '../../schema'
import { TargetsSchema } from '../../blend/targets'
import { formatMass } from '../../units/quantity'
import { PartSchema } from '../contents'
import { base, lot } from '../entryParts'
import type { Kind } from '../kind'
import { flowsFrom, newLot } from '../lot'
import { predicted } from '../observed'

export const BlendEntry = z.object({
  ...base,
  kind: z.literal('blend'),
  ...lot,
  parts: z.array(PartSchema).min(1).max(40),
  cooked: z.boolean(),
  predictedPh: predicted.optional(),
  /** What it was to be. */
  targets: TargetsSchema.optional(),
})

const kind: Kind<typeof BlendEntry> = {
  schema: BlendEntry,
  says: 'poured together; makes a lot',
  words: ({ code, name: what, parts }, world) =>
    `Blended into ${code} ${what}: ${parts.map((part) => `${formatMass(part.massG, world)} ${part.name}`).join(', ')}`,
  lots: ({ lotId }) => [lotId],
  makes: (entry) => [
    newLot(entry, { kind: 'blend', state: 'in stock', madeG: entry.parts.reduce((sum, part) => sum + part.massG, 0) }),
  ],
  sources: (lot, entry) => flowsFrom(lot, entry.parts),
  reversible: false,
}
export default kind
