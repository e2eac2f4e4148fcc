import { z } from '../../schema'
import { base, counted, IdSchema, name } from '../entryParts'
import type { Kind } from '../kind'
import { add } from '../lot'
import { bottlesWords } from '../say'

/** To another place: so many bottles, or a whole stock. */
export const MoveEntry = z.object({
  ...base,
  kind: z.literal('move'),
  lotId: IdSchema,
  place: name,
  from: name.optional(),
  count: counted.optional(),
})

const kind: Kind<typeof MoveEntry> = {
  schema: MoveEntry,
  says: 'to another place: so many bottles, or a whole stock',
  words: ({ count: bottles, from, place }) =>
    `${bottles === undefined ? 'All of it' : bottlesWords(bottles)}${from ? ` from ${from}` : ''} to ${place}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.moves = add(lot.moves, entry)
    if (entry.count === undefined) lot.place = entry.place
  },
  reversible: true,
}
export default kind
