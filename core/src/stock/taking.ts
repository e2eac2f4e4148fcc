import type { Draft } from '../log/entry'
import type { Book } from '../log/fold'
import { formatNumber } from '../units/number'

/** Grams a scale and its rounding may be off before more counts as taken than there is; on every page. Judgement. */
export const SCALE_NOISE_G = 0.5

/** Takes from lots in stock: rows of a plan, parts of a pot. */
interface Take {
  lotId?: string | undefined
  massG: number | null
}

/**
 * The first lot that more is taken of than there is, all rows of it together; `null` where there is enough of each.
 * @param leftG what is left of a lot, g; 0 for one that is not there.
 */
export function overdrawnLot(takes: readonly Take[], leftG: (lotId: string) => number): string | null {
  const sums = new Map<string, number>()
  for (const { lotId, massG } of takes) if (lotId) sums.set(lotId, (sums.get(lotId) ?? 0) + (massG ?? 0))
  for (const [lotId, sumG] of sums) if (sumG > leftG(lotId) + SCALE_NOISE_G) return lotId
  return null
}

/**
 * Why something may not be taken, moved or sent, or `null` where it may: a form asks before it writes.
 * Two devices may still take the same thing; the fold then says so and counts nothing below zero.
 */
export function refusalOf(book: Book, draft: Draft): string | null {
  switch (draft.kind) {
    case 'send':
    case 'move': {
      const lot = book.lots.get(draft.lotId)
      if (!lot) return 'This lot is not in the log.'
      if (draft.kind === 'move' && draft.count === undefined) return null
      if (!lot.bottles) return 'Only bottles are counted out; weigh what you take of this.'
      if (lot.state === 'discarded') return 'It was thrown away.'
      const from = draft.kind === 'send' ? draft.place : draft.from
      const here =
        from === undefined ? lot.bottles.left : (lot.bottles.places.find(({ place }) => place === from)?.count ?? 0)
      const where = from === undefined ? '' : ` at ${from}`
      if ((draft.count ?? 0) > here)
        return here === 0 ? `None are left${where}.` : `Only ${here} ${here === 1 ? 'is' : 'are'} left${where}.`
      // What is given away or eaten at home is a fact, released or not: a refused gift would make a recall lie.
      if (draft.kind === 'send' && (draft.how ?? 'sold') === 'sold' && lot.release?.decision !== 'released')
        return 'Not released: it is not cleared for sale.'
      return null
    }
    case 'use': {
      const lot = book.lots.get(draft.lotId)
      if (!lot) return 'This lot is not in the log.'
      if (lot.bottles) return 'Bottles are counted, not weighed.'
      return draft.massG > lot.leftG + SCALE_NOISE_G ? `Only ${formatNumber(lot.leftG)} g are left.` : null
    }
    case 'bottle': {
      const lot = book.lots.get(draft.fromLotId)
      if (!lot) return 'This blend is not in the log.'
      if (lot.state === 'discarded') return 'This blend was thrown away.'
      if (draft.usedG > lot.leftG + SCALE_NOISE_G) return `Only ${formatNumber(lot.leftG)} g are left in the pot.`
      return (draft.retained ?? 0) > draft.count ? 'More are kept back than were filled.' : null
    }
    default:
      return null
  }
}
