import { factsOf, type Draft } from '../log/entry'
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

/**
 * The entries of an infusion's one refill: the vinegar drawn off becomes a lot in stock, the pods another, and these
 * with fresh vinegar a new infusion in the same vessels.
 * @throws InvalidInput when more is drawn off than there is.
 */
export function refillDrafts(lot: Lot, { at, drawnG, vinegarId, vinegarName, vinegarG, ids, codes }: Refill): Draft[] {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed) throw new InvalidInput('Only a packed infusion can be drawn off.')
  within(drawnG, 1, 1e6, 'What is drawn off, in g,')
  within(vinegarG, 1, 1e6, 'The fresh vinegar in g')
  const podsG = lot.leftG - drawnG
  if (podsG < 1)
    throw new InvalidInput(`There are only ${Math.round(lot.leftG)} g in it, pods included. Weigh what ran off again.`)
  const filled = packed.vessels.reduce((sum, vessel) => sum + vessel.massG, 0)
  const { bowl: _bowl, ...planned } = factsOf(made)
  const plan: Draft = {
    ...planned,
    at,
    lotId: ids.refillLot,
    code: codes.refill,
    name: `${lot.name}, refill`.slice(0, 80),
    waterG: 0,
    saltG: 0,
    rows: [
      {
        materialId: 'lot',
        lotId: ids.podsLot,
        name: `${lot.name}, pods`.slice(0, 80),
        massG: podsG,
        preparation: 'raw',
        seedsOut: false,
      },
      { materialId: vinegarId, name: vinegarName, massG: vinegarG, preparation: 'raw', seedsOut: false },
    ],
  }
  return [
    {
      kind: 'press',
      at,
      lotId: ids.vinegarLot,
      code: codes.vinegar,
      name: `${lot.name}, vinegar`.slice(0, 80),
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
    plan,
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
