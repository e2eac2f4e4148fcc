import type { SupplyItem } from '../log/kinds/supply'
import type { BottleFormat } from '../library/formats'

/**
 * Whole bottles that a volume fills, and what is left over in mL.
 * @param lossMl what stays in the pot and the funnel.
 */
export function bottlesFilled(volumeMl: number, bottleMl: number, lossMl = 0): { count: number; restMl: number } {
  const usable = Math.max(0, volumeMl - lossMl)
  const count = bottleMl > 0 ? Math.floor(usable / bottleMl + 1e-9) : 0
  return { count, restMl: usable - count * bottleMl }
}

/** A kind of packaging: the item and what it fits, a format or a neck. */
export interface SupplyKey {
  item: SupplyItem
  fits: string
}

/** What a run takes of the packaging, one of each a bottle. */
export function suppliesFor(format: BottleFormat, count: number): (SupplyKey & { count: number })[] {
  const items: (SupplyKey & { wanted: boolean })[] = [
    { item: 'bottle', fits: format.id, wanted: true },
    { item: 'insert', fits: format.neck, wanted: format.insert },
    { item: 'cap', fits: format.neck, wanted: true },
    { item: 'band', fits: format.id, wanted: format.band },
    { item: 'label', fits: format.id, wanted: true },
  ]
  return items.filter(({ wanted }) => wanted).map(({ item, fits }) => ({ item, fits, count }))
}

/** Air over the sauce as a share of the sauce. */
export const headspaceOf = ({ brimMl, fillMl }: Pick<BottleFormat, 'brimMl' | 'fillMl'>): number =>
  Math.max(0.005, (brimMl - fillMl) / fillMl)
