import type { Book } from '../lots/fold'
import { addedG } from '../log/lot'
import type { Cost } from '../units/cost'

const sum = (costs: readonly Cost[]): Cost => ({
  money: costs.reduce((all, { money }) => all + money, 0),
  unpriced: [...new Set(costs.flatMap(({ unpriced }) => unpriced))],
})
const times = ({ money, unpriced }: Cost, share: number): Cost => ({ money: money * share, unpriced })

/**
 * What an amount of a material or of a lot cost.
 * @param pricePerKg what was paid for it, where that is known; else the library's own price.
 */
export function amountCost(
  book: Book,
  {
    lotId,
    materialId,
    name,
    massG,
    boughtG,
    pricePerKg,
  }: {
    lotId?: string | undefined
    materialId?: string | undefined
    name: string
    massG: number
    boughtG?: number | undefined
    pricePerKg?: number | undefined
  },
  path: readonly string[] = [],
): Cost {
  if (lotId) {
    const whole = lotCost(book, lotId, path)
    const madeG = book.lots.get(lotId)?.madeG ?? 0
    return times(whole, madeG > 0 ? massG / madeG : 0)
  }
  const material = book.library.material(materialId ?? '')
  const perKg = pricePerKg ?? (material?.id === 'water' ? 0 : (material?.pricePerKg ?? null))
  return perKg === null ? { money: 0, unpriced: [name] } : { money: ((boughtG ?? massG) / 1000) * perKg, unpriced: [] }
}

/**
 * What a lot cost as it was made, from what went in, through press and blend. What is kept of a pressing shares its
 * cost by weight; what is thrown out has none.
 */
export function lotCost(book: Book, lotId: string, path: readonly string[] = []): Cost {
  const lot = book.lots.get(lotId)
  if (!lot || path.includes(lotId)) return { money: 0, unpriced: ['a lot that is not in the log'] }
  const further = [...path, lotId]
  const { made } = lot
  const contents = (rows: readonly Parameters<typeof amountCost>[1][], saltG: number) =>
    sum([
      ...rows.map((row) => amountCost(book, row, further)),
      ...(saltG > 0 ? [amountCost(book, { materialId: 'salt', name: 'Salt', massG: saltG }, further)] : []),
    ])
  const added = lot.added.map(({ rows, saltG }) => contents(rows, saltG))
  switch (made.kind) {
    case 'plan': {
      const { rows, saltG } = lot.weighed ?? made
      return sum([contents(rows, saltG), ...added])
    }
    case 'stock':
      return amountCost(book, { materialId: made.materialId, name: made.name, massG: made.massG }, further)
    case 'blend':
      return sum([contents(made.parts, 0), ...added])
    case 'bottle':
      return amountCost(book, { lotId: made.fromLotId, name: made.name, massG: made.usedG }, further)
    case 'press': {
      const keptG = made.baseG + (made.pulpLotId ? made.pulpG : 0) + (made.brineLotId ? (made.brineG ?? 0) : 0)
      const whole = amountCost(book, { lotId: made.fromLotId, name: made.name, massG: made.inG }, further)
      return sum([times(whole, keptG > 0 ? (lot.madeG - addedG(lot)) / keptG : 0), ...added])
    }
  }
}
