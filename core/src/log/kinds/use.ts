import { z } from '../../schema'
import { formatMass } from '../../units/quantity'
import { base, IdSchema, massG, name, tempC, text } from '../entryParts'
import type { Kind } from '../kind'
import { add, withoutVessels } from '../lot'
import { WAYS_OUT } from './send'

/** How some of a stock or of a jar leaves: as bottles do, eaten at home, or into the freezer. */
export const WAYS_OF_USE = [...WAYS_OUT, 'eaten', 'frozen'] as const
export type WayOfUse = (typeof WAYS_OF_USE)[number]

/** What of a piece is used: salted citrus gives its peel, its pulp is stronger and softer. */
export const PARTS_OF_PIECE = ['whole', 'peel', 'pulp'] as const
/** What a jar that is eaten as it is may be sweetened with. */
export const TABLE_SWEETS = ['honey', 'syrup'] as const

/** Some of a stock, or of a jar as it stands, that left it without becoming another lot. */
export const UseEntry = z.object({
  ...base,
  kind: z.literal('use'),
  lotId: IdSchema,
  massG: massG.positive('Say how much.'),
  how: z.enum(WAYS_OF_USE),
  to: name,
  /** The jars that end with it, of a lot in several. */
  marks: z.array(z.string().max(4)).max(40).optional(),
  /** How it was. */
  note: text.optional(),
  /** Preserved fruit is taken by the piece: how many, rinsed or as they were, and what of them. */
  pieces: z.number().int().min(1).max(10_000).optional(),
  rinsed: z.boolean().optional(),
  part: z.enum(PARTS_OF_PIECE).optional(),
  /** Of the freezer, °C. */
  tempC: tempC.optional(),
  /** What sweetened it at the table. */
  table: z.array(z.enum(TABLE_SWEETS)).max(2).optional(),
})

const kind: Kind<typeof UseEntry> = {
  schema: UseEntry,
  says: 'some of a stock, or of a jar, that left it without becoming another lot',
  words: ({ massG: grams, how, to, marks, note, pieces, rinsed, part, table }, world) => {
    const some = pieces === undefined ? '' : `, ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}`
    const rinse = rinsed === undefined ? '' : rinsed ? ', rinsed' : ', as they were'
    const of = part === undefined || part === 'whole' ? '' : `, the ${part}`
    const sweet = table?.length ? `, with ${table.join(' and ')} at the table` : ''
    const jars = marks ? `, jar ${marks.join(', ')}` : ''
    return `${formatMass(grams, world)} ${how}${some}${rinse}${of}${jars}${sweet}: ${to}${note ? `. ${note}` : ''}`
  },
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.uses = add(lot.uses, entry)
    if (entry.marks) withoutVessels(lot, entry.marks)
  },
  reversible: true,
}
export default kind
