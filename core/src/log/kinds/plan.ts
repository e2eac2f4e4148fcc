import { z } from '../../schema'
import { CUTS } from '../../library/cuts'
import { STYLE_IDS } from '../../library/styles'
import { formatMass } from '../../units/quantity'
import { content, contentG, IntendedSchema, salting } from '../contents'
import { base, IdSchema, lot } from '../entryParts'
import type { Kind } from '../kind'
import { flowsFrom, newLot } from '../lot'

export const PlanEntry = z.object({
  ...base,
  kind: z.literal('plan'),
  ...lot,
  style: z.enum(STYLE_IDS),
  ...content,
  ...salting,
  /** How the produce is cut; where it is not said, as the style usually is. */
  cut: z.enum(CUTS).optional(),
  /** Mixed in one bowl, to be split into jars that are lots of their own. */
  bowl: z.boolean().optional(),
  recipeId: IdSchema.optional(),
  intended: IntendedSchema.optional(),
})

const kind: Kind<typeof PlanEntry> = {
  schema: PlanEntry,
  says: 'what is to be packed; makes a ferment lot',
  words: (entry, world) => {
    const massG = entry.rows.reduce((sum, row) => sum + row.massG, 0)
    const names = entry.rows.map((row) => row.name.toLowerCase()).join(', ')
    return `Planned: ${formatMass(massG, world)} of ${names}, ${formatMass(entry.saltG, world)} salt (${entry.saltPct} % of the ${entry.saltBasis})`
  },
  lots: ({ lotId }) => [lotId],
  makes: (entry) => [newLot(entry, { kind: 'ferment', state: 'planned', madeG: contentG(entry) })],
  sources: (lot, entry) => flowsFrom(lot, (lot.weighed ?? entry).rows),
  reversible: false,
}
export default kind
