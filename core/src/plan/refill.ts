import { factsOf, type Draft, type EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'
import { InvalidInput, within } from '../invalid'

/** What is drawn off an infusion and what goes back over the pods. Masses in g; ids and codes are new. */
export interface Refill {
  at: string
  drawnG: number
  vinegarId: string
  vinegarName: string
  vinegarG: number
  ids: { vinegarLot: string; podsLot: string; refillLot: string }
  codes: { vinegar: string; pods: string; refill: string }
}

const named = (lot: Lot, what: string) => `${lot.name}, ${what}`.slice(0, 80)

/** The plan of the refill: the pods and fresh vinegar. */
function refillPlan(lot: Lot, made: EntryOf<'plan'>, podsG: number, refill: Refill): Draft {
  const { at, vinegarId, vinegarName, vinegarG, ids, codes } = refill
  const { bowl: _bowl, ...planned } = factsOf(made)
  const raw = { preparation: 'raw', seedsOut: false } as const
  return {
    ...planned,
    at,
    lotId: ids.refillLot,
    code: codes.refill,
    name: named(lot, 'refill'),
    waterG: 0,
    saltG: 0,
    rows: [
      { materialId: 'lot', lotId: ids.podsLot, name: named(lot, 'pods'), massG: podsG, ...raw },
      { materialId: vinegarId, name: vinegarName, massG: vinegarG, ...raw },
    ],
  }
}

/**
 * The entries of an infusion's one refill: the vinegar drawn off becomes a lot in stock, the pods another, and these
 * with fresh vinegar a new infusion in the same vessels.
 * @throws InvalidInput when more is drawn off than there is.
 */
export function refillDrafts(lot: Lot, refill: Refill): Draft[] {
  const { at, drawnG, vinegarG, ids, codes } = refill
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed) throw new InvalidInput('Only a packed infusion can be drawn off.')
  within(drawnG, 1, 1e6, 'What is drawn off, in g,')
  within(vinegarG, 1, 1e6, 'The fresh vinegar in g')
  const podsG = lot.leftG - drawnG
  if (podsG < 1)
    throw new InvalidInput(`There are only ${Math.round(lot.leftG)} g in it, pods included. Weigh what ran off again.`)
  const filled = packed.vessels.reduce((sum, vessel) => sum + vessel.massG, 0)
  return [
    {
      kind: 'press',
      at,
      lotId: ids.vinegarLot,
      code: codes.vinegar,
      name: named(lot, 'vinegar'),
      color: lot.color,
      fromLotId: lot.id,
      method: 'cloth',
      inG: lot.leftG,
      baseG: drawnG,
      pulpG: podsG,
      seedsG: 0,
      pulpLotId: ids.podsLot,
      pulpCode: codes.pods,
    },
    refillPlan(lot, made, podsG, refill),
    {
      kind: 'pack',
      at,
      lotId: ids.refillLot,
      place: packed.place,
      closure: packed.closure,
      vessels: packed.vessels.map((vessel) => ({
        ...vessel,
        massG: (podsG + vinegarG) * (filled > 0 ? vessel.massG / filled : 1 / packed.vessels.length),
      })),
    },
  ]
}
