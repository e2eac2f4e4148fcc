import type { Book } from './fold'
import type { Lot } from '../log/lot'

/** A lot seen from another one along the flow of mass; `depth` counts the steps. */
export interface Kin {
  lot: Lot
  depth: number
  massG: number
}

function walk(book: Book, lotId: string, next: (lot: Lot) => { lotId: string; massG: number }[]): Kin[] {
  const found = new Map<string, Kin>()
  const queue = [{ lotId, depth: 0 }]
  for (let step = queue.shift(); step; step = queue.shift()) {
    const from = book.lots.get(step.lotId)
    for (const flow of from ? next(from) : []) {
      const lot = book.lots.get(flow.lotId)
      const known = found.get(flow.lotId)
      if (known) known.massG += flow.massG
      else if (lot && lot.id !== lotId) {
        found.set(lot.id, { lot, depth: step.depth + 1, massG: flow.massG })
        queue.push({ lotId: lot.id, depth: step.depth + 1 })
      }
    }
  }
  return [...found.values()]
}

/** All lots that went into a lot, nearest first. `massG` is what left them on this way's last step. */
export const ancestors = (book: Book, lotId: string): Kin[] => walk(book, lotId, (lot) => lot.from)

/** All lots that a lot went into, nearest first: where a recall has to look. */
export const descendants = (book: Book, lotId: string): Kin[] => walk(book, lotId, (lot) => lot.to)
