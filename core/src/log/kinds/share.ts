import { z } from '../../schema'
import { formatMass } from '../../units/quantity'
import type { EntryOf } from '../entry'
import { base, IdSchema, massG } from '../entryParts'
import type { Kind } from '../kind'
import { FIRST_MARK, inVessels } from '../jars'
import { add, type Lot } from '../lot'

/** Some of a jar poured into one more, because it pushes out or does not fit: the same lot, in two. */
export const ShareEntry = z.object({
  ...base,
  kind: z.literal('share'),
  lotId: IdSchema,
  /** The jar it came from; empty where there was only one. */
  from: z.string().max(4),
  vesselId: z.string().min(1).max(60),
  /** The mark of the new jar on the tape. */
  mark: z.string().min(1, 'Give the new jar a mark.').max(4),
  massG: massG.positive('Say how much went over.'),
})

/** What was seen, tasted or read in the jar it came from before stands for both. */
function standsForBoth<T extends { marks?: string[] | undefined }>(facts: T[], lot: Lot, entry: EntryOf<'share'>): T[] {
  const only = lot.vessels.length === 1
  const from = entry.from || FIRST_MARK
  return facts.map((fact) => {
    const named = fact.marks?.length ? fact.marks : only ? [from] : []
    return named.includes(from) ? { ...fact, marks: [...named, entry.mark] } : fact
  })
}

/** Splits the jar in the ratio of what went over, whatever was put in or ran over since it was packed. */
function shared(lot: Lot, entry: EntryOf<'share'>): void {
  const { packed } = lot
  const source = inVessels(lot).find(({ mark }) => mark === entry.from)
  if (!packed || !source || lot.vessels.some(({ mark }) => mark === entry.mark)) return
  const ratio = source.massG > 0 ? Math.min(1, entry.massG / source.massG) : 0.5
  const split = (vessels: Lot['vessels']) =>
    vessels.flatMap((vessel) =>
      vessel.mark === entry.from
        ? [
            { ...vessel, mark: entry.from || FIRST_MARK, massG: vessel.massG * (1 - ratio) },
            { vesselId: entry.vesselId, mark: entry.mark, hot: vessel.hot, massG: vessel.massG * ratio },
          ]
        : [vessel],
    )
  lot.shares = add(lot.shares, entry)
  lot.readings = standsForBoth(lot.readings, lot, entry)
  lot.signs = standsForBoth(lot.signs, lot, entry)
  lot.senses = standsForBoth(lot.senses, lot, entry)
  lot.packed = { ...packed, vessels: split(packed.vessels) }
  lot.vessels = split(lot.vessels)
}

const kind: Kind<typeof ShareEntry> = {
  schema: ShareEntry,
  says: 'some of a jar poured into one more: the same lot, in two',
  words: ({ from, mark, massG: grams }, world) =>
    `Shared${from ? ` jar ${from}` : ''}: ${formatMass(grams, world)} into jar ${mark}`,
  lots: ({ lotId }) => [lotId],
  effect: shared,
  reversible: true,
}
export default kind
