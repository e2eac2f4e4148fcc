import { z } from '../../schema'
import { CLOSURE_NAMES, WEIGHT_NAMES } from '../../library/vessels'
import { called, VesselUseSchema } from '../contents'
import { base, IdSchema, name } from '../entryParts'
import type { Kind } from '../kind'
import { add } from '../lot'

export const PackEntry = z.object({
  ...base,
  kind: z.literal('pack'),
  lotId: IdSchema,
  vessels: z.array(VesselUseSchema).min(1).max(40),
  place: name,
  closure: z.enum(CLOSURE_NAMES),
  /** What the maker calls it, where it is none of the usual ones: it works like `closure`. */
  called: called.optional(),
  /** What holds it down, where it was said. */
  weight: z.enum(WEIGHT_NAMES).optional(),
})

const kind: Kind<typeof PackEntry> = {
  schema: PackEntry,
  says: 'it is in its vessels',
  words: ({ vessels, closure, called: name = closure, place, weight }) =>
    `Packed into ${vessels.length} ${vessels.length === 1 ? 'vessel' : 'vessels'}, ${name}${weight ? `, held down by ${weight}` : ''}, at ${place}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    // A batch is packed once: of two packings the first counts until somebody says which is right.
    if (lot.packed) {
      lot.repacked = add(lot.repacked, entry)
      return
    }
    lot.packed = entry
    lot.state = 'fermenting'
    lot.startedMs = Date.parse(entry.at)
    lot.hot = entry.vessels.some(({ hot }) => hot)
    lot.vessels = entry.vessels
    lot.place = entry.place
  },
  reversible: false,
}
export default kind
