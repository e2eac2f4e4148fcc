import { factsOf, type Draft, type EntryOf } from '../log/entry'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
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
 * Whether a lot that could be refilled already was: its pods came out of an earlier one, or vinegar went over them
 * again.
 */
export const isRefill = (book: Book, lot: Lot): boolean =>
  lot.made.kind === 'plan' &&
  styleById(lot.made.style).refills &&
  (lot.from.length > 0 ||
    lot.added.some(({ rows }) => rows.some(({ materialId }) => book.library.material(materialId)?.kind === 'vinegar')))

/** Vinegar that was over the pods at first, g. */
const vinegarAtFirst = (book: Book, { weighed, made }: Lot): number =>
  made.kind === 'plan'
    ? (weighed ?? made).rows
        .filter(({ materialId }) => book.library.material(materialId)?.kind === 'vinegar')
        .reduce((sum, { massG }) => sum + massG, 0)
    : 0

/** The pods give a second vinegar of what there was, not a weaker one of more. @throws InvalidInput */
function notMore(book: Book, lot: Lot, vinegarG: number): void {
  const first = vinegarAtFirst(book, lot)
  if (vinegarG > first * SCALE_OFF)
    throw new InvalidInput(
      `There were ${Math.round(first)} g of vinegar on these pods. Never put more on them than was there.`,
    )
}
/** A kitchen scale is off by this much. */
const SCALE_OFF = 1.02

/**
 * Pepper vinegar that was used from its jar, left on its pods and filled up once.
 * @throws InvalidInput when nothing was taken, when more would go in than was taken, or when it was filled up before.
 */
export function topUpPods(
  book: Book,
  lot: Lot,
  { at, vinegarId, vinegarName, vinegarG }: Pick<Refill, 'at' | 'vinegarId' | 'vinegarName' | 'vinegarG'>,
): Draft[] {
  within(vinegarG, 1, 1e6, 'The fresh vinegar in g')
  if (isRefill(book, lot)) throw new InvalidInput('It was filled up once already; the pods are spent.')
  if (lot.usedG <= 0) throw new InvalidInput('Nothing was taken from it yet: write down what was used first.')
  if (vinegarG > lot.usedG * SCALE_OFF)
    throw new InvalidInput(`${Math.round(lot.usedG)} g were taken from it. Never put more back than that.`)
  notMore(book, lot, vinegarG)
  const row = {
    materialId: vinegarId,
    name: vinegarName,
    massG: vinegarG,
    preparation: 'raw',
    seedsOut: false,
  } as const
  return [{ kind: 'add', at, lotId: lot.id, rows: [row], waterG: 0, saltG: 0, reason: 'Filled up on its pods, once.' }]
}

/**
 * The entries of an infusion's one refill: the vinegar drawn off becomes a lot in stock, the pods another, and these
 * with fresh vinegar a new infusion in the same vessels.
 * @throws InvalidInput when more is drawn off than there is, or more goes back than was there.
 */
export function refillDrafts(book: Book, lot: Lot, refill: Refill): Draft[] {
  const { at, drawnG, vinegarG, ids, codes } = refill
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed) throw new InvalidInput('Only a packed infusion can be drawn off.')
  within(drawnG, 1, 1e6, 'What is drawn off, in g,')
  within(vinegarG, 1, 1e6, 'The fresh vinegar in g')
  const podsG = lot.leftG - drawnG
  if (podsG < 1)
    throw new InvalidInput(`There are only ${Math.round(lot.leftG)} g in it, pods included. Weigh what ran off again.`)
  notMore(book, lot, vinegarG)
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
