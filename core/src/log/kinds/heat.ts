import { z } from '../../schema'
import { formatTemperature } from '../../units/quantity'
import { base, IdSchema, InstrumentSchema, tempC, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'

/** Where a temperature of the cooking was taken. */
export const HEAT_PLACES = ['pot', 'last bottle', 'jar in the water'] as const
export type ProcessPlace = (typeof HEAT_PLACES)[number]

/** Temperatures measured while a blend was cooked or filled: minutes after `at`, °C. */
export const HeatEntry = z.object({
  ...base,
  kind: z.literal('heat'),
  lotId: IdSchema,
  where: z.enum(HEAT_PLACES),
  name: z.string().trim().min(1).max(60),
  points: z
    .array(z.tuple([z.number().min(0).max(10_000), tempC]))
    .min(1, 'Measure at least once.')
    .max(5000),
  instrument: InstrumentSchema.optional(),
  note: text.optional(),
})

const kind: Kind<typeof HeatEntry> = {
  schema: HeatEntry,
  says: 'temperatures measured while a blend was cooked or filled; its points are [minutes after `at`, °C]',
  words: ({ where, name: of, points, note }, world) => {
    const hottestC = Math.max(...points.map(([, degrees]) => degrees))
    const readings = `${points.length} ${points.length === 1 ? 'reading' : 'readings'}`
    return `Heat of the ${where}, ${of}: ${readings}, up to ${formatTemperature(hottestC, world)}${note ? `. ${note}` : ''}`
  },
  lots: ({ lotId }) => [lotId],
  effect: addsTo('heats'),
  reversible: true,
}
export default kind
