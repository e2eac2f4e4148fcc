import { z } from '../../schema'
import { formatTemperature } from '../../units/quantity'
import { base, IdSchema, MomentSchema, name, tempC, text } from '../entryParts'
import type { Kind } from '../kind'
import { add } from '../lot'

/** What the maker decided: to another place, more time, that it is ready, or for the own kitchen only. */
export const DecideEntry = z.object({
  ...base,
  kind: z.literal('decide'),
  lotId: IdSchema,
  decision: z.enum(['cold', 'warm', 'wait', 'ready', 'home']),
  place: name.optional(),
  tempC: tempC.optional(),
  until: MomentSchema.optional(),
  /** How likely, by eye and tongue, it stood under 4.6 when it was called ready and no pH told; 0 to 1. */
  likely: z.number().min(0).max(1).optional(),
  reason: text,
})

const DECISION_WORDS = {
  cold: (place: string) => `To the cold, ${place}`,
  warm: (place: string) => `Back to the warm, ${place}`,
  wait: () => 'More time',
  ready: () => 'Called ready',
  home: () => 'For home use only',
}

const kind: Kind<typeof DecideEntry> = {
  schema: DecideEntry,
  says: 'to the cold, back to the warm, more time, ready, for home use only',
  words: ({ decision, place, tempC: degrees, likely, reason }, world) =>
    [
      DECISION_WORDS[decision](place ?? ''),
      degrees === undefined ? '' : `, ${formatTemperature(degrees, world)}`,
      likely === undefined ? '' : ' by taste, not measured',
      reason ? `: ${reason}` : '',
    ].join(''),
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.decisions = add(lot.decisions, entry)
    lot.place = entry.place ?? lot.place
  },
  reversible: true,
}
export default kind
