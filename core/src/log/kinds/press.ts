import { z } from '../../schema'
import { CAME_OUT, PRESS_METHODS, type CameOut } from '../../press/separate'
import { formatMass } from '../../units/quantity'
import type { EntryOf } from '../entry'
import { base, IdSchema, LotCodeSchema, lot, massG } from '../entryParts'
import type { Kind } from '../kind'
import { flowsFrom, newLot, type Lot } from '../lot'

export const PressEntry = z.object({
  ...base,
  kind: z.literal('press'),
  ...lot,
  fromLotId: IdSchema,
  method: z.enum(PRESS_METHODS),
  inG: massG,
  baseG: massG,
  pulpG: massG,
  seedsG: massG,
  pulpLotId: IdSchema.optional(),
  pulpCode: LotCodeSchema.optional(),
  /** Liquid let off before and kept apart, as a lot of its own where it has an id. */
  brineG: massG.optional(),
  brineLotId: IdSchema.optional(),
  brineCode: LotCodeSchema.optional(),
  /** Liquid that ran over, and pieces that stayed on board and knife. */
  spiltG: massG.optional(),
  boardG: massG.optional(),
  /** How the base came out: it narrows what went with the pulp. */
  cameOut: z.enum(CAME_OUT).optional(),
  /** The jars that were pressed, of a lot in several; all of them where not said. */
  marks: z.array(z.string().max(4)).max(40).optional(),
})

/** What the press took from its ferment for one of the lots it made, g. */
function takenBy(lot: Lot, { inG, pulpG, brineG = 0, pulpLotId, brineLotId }: EntryOf<'press'>): number {
  if (lot.kind === 'pulp') return pulpG
  if (lot.kind === 'brine') return brineG
  return inG - (pulpLotId ? pulpG : 0) - (brineLotId ? brineG : 0)
}

/** Colour of a brine on its tape. */
const BRINE_COLOR = '#cdbd84'

/** The base, and pulp and brine where they are kept as lots of their own. */
function lotsOf(entry: EntryOf<'press'>): Lot[] {
  const { code, name: of, pulpLotId, brineLotId } = entry
  const lots = [newLot(entry, { kind: 'base', state: 'in stock', madeG: entry.baseG })]
  if (pulpLotId)
    lots.push(
      newLot(entry, {
        id: pulpLotId,
        code: entry.pulpCode ?? `${code}-P`,
        kind: 'pulp',
        state: 'in stock',
        madeG: entry.pulpG,
        name: `${of}, pulp`,
      }),
    )
  if (brineLotId)
    lots.push(
      newLot(entry, {
        id: brineLotId,
        code: entry.brineCode ?? `${code}-K`,
        kind: 'brine',
        state: 'in stock',
        madeG: entry.brineG ?? 0,
        name: `${of}, brine`,
        color: BRINE_COLOR,
      }),
    )
  return lots
}

const CAME_OUT_WORDS: Record<CameOut, string> = { pours: 'pours', thick: 'is thick', sticks: 'sticks to the spoon' }

const kind: Kind<typeof PressEntry> = {
  schema: PressEntry,
  says: 'pressed (`whole`, `scrape`, `sieve`, `cloth`, `drain`), or liquid drawn off (`draw`, which leaves the rest fermenting); makes a base, and a pulp and a brine lot if kept',
  words: ({ method, inG, baseG, pulpG, brineG, spiltG, boardG, cameOut, code }, world) => {
    const more = (grams: number | undefined, what: string) => (grams ? `, ${formatMass(grams, world)} ${what}` : '')
    const apart = `${more(brineG, 'brine kept apart')}${more(spiltG, 'ran over')}${more(boardG, 'on the board')}`
    return `Pressed (${method}): ${formatMass(inG, world)} in, ${formatMass(baseG, world)} base, ${formatMass(pulpG, world)} pulp${apart}${cameOut ? `, it ${CAME_OUT_WORDS[cameOut]}` : ''}, to ${code}`
  },
  lots: ({ lotId, pulpLotId, brineLotId }) => [
    lotId,
    ...(pulpLotId ? [pulpLotId] : []),
    ...(brineLotId ? [brineLotId] : []),
  ],
  makes: lotsOf,
  sources: (lot, entry) => flowsFrom(lot, [{ lotId: entry.fromLotId, massG: takenBy(lot, entry) }]),
  reversible: false,
}
export default kind
