import { z } from '../../schema'
import { formatMass } from '../../units/quantity'
import type { EntryOf } from '../entry'
import { base, IdSchema, massG, text } from '../entryParts'
import type { Kind } from '../kind'
import { inVessels } from '../jars'
import { add, withoutVessels, type Lot } from '../lot'
import { photos } from '../observed'

/** Thrown away: everything, or the vessels with these marks. */
export const DiscardEntry = z.object({
  ...base,
  kind: z.literal('discard'),
  lotId: IdSchema,
  reason: text.min(1, 'Say why it is discarded.'),
  marks: z.array(z.string().max(4)).max(40).optional(),
  massG: massG.optional(),
  photos,
})

/** Takes the vessels named off the shelf; with none left, or none named, all of it is gone. */
function throwAway(lot: Lot, entry: EntryOf<'discard'>): void {
  const gone = inVessels(lot).filter(({ mark }) => entry.marks?.includes(mark) ?? true)
  if (gone.length === lot.vessels.length) {
    lot.discarded ??= entry
    return
  }
  lot.lost = add(lot.lost, { ...entry, massG: gone.reduce((sum, vessel) => sum + vessel.massG, 0) })
  withoutVessels(
    lot,
    gone.map(({ mark }) => mark),
  )
}

const kind: Kind<typeof DiscardEntry> = {
  schema: DiscardEntry,
  says: 'thrown away: all, or the vessels named',
  words: ({ marks, massG: grams, reason }, world) =>
    `Discarded${marks ? ` ${marks.join(', ')}` : ''}${grams ? `, ${formatMass(grams, world)}` : ''}: ${reason}`,
  lots: ({ lotId }) => [lotId],
  effect: throwAway,
  reversible: true,
}
export default kind
