import type { Entry } from '../log/entry'
import type { SupplyItem } from '../log/kinds/supply'

/**
 * Packaging at hand: an item and what it fits (a format's id, or a neck), and how many there are. What nobody ever
 * counted is not listed.
 */
export interface Supply {
  item: SupplyItem
  fits: string
  count: number
}

/**
 * What is at hand of the packaging: the last count, what came in since, less what runs took and what broke. Never
 * below zero: a run proves that there were enough.
 */
export function suppliesOf(entries: readonly Entry[]): Supply[] {
  const found = new Map<string, Supply>()
  const change = (item: SupplyItem, fits: string, to: (count: number) => number) => {
    const key = `${item} ${fits}`
    const known = found.get(key) ?? { item, fits, count: 0 }
    found.set(key, { ...known, count: Math.max(0, to(known.count)) })
  }
  for (const entry of entries) {
    if (entry.kind === 'supply')
      change(entry.item, entry.fits, (count) =>
        entry.what === 'counted' ? entry.count : entry.what === 'received' ? count + entry.count : count - entry.count,
      )
    // What was never counted is not known to be gone either.
    if (entry.kind === 'bottle')
      for (const { item, fits, count: taken } of entry.supplies ?? [])
        if (found.has(`${item} ${fits}`)) change(item, fits, (count) => count - taken)
  }
  return [...found.values()]
}
