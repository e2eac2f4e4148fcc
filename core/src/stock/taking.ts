import type { Draft } from '../log/entry'
import type { Book } from '../log/fold'
import { formatNumber } from '../units/number'

/** Grams a scale and its rounding may be off before more counts as taken than there is. Judgement. */
const SCALE_NOISE_G = 1

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
      if (
        draft.kind === 'send' &&
        ['sold', 'given'].includes(draft.how ?? 'sold') &&
        lot.release?.decision !== 'released'
      )
        return 'Not released: it is not cleared to leave.'
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
