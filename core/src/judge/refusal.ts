import type { Draft } from '../log/entry'
import type { Book } from '../lots/fold'
import { inVessels } from '../log/jars'
import { SCALE_NOISE_G } from '../cellar/overdraw'
import { formatNumber } from '../units/number'
import { plainTell, tellReason } from '../words/judgement'
import type { Lot } from '../log/lot'
import type { Judge } from './judgement'
import { isPermitted } from './permitted'
import { ruleFor } from './reasons'

/** Why it is not sold: it is on hold, or not for sale. */
function stopped(judge: Judge, { id, made }: Lot, at: string): string | null {
  const process = made.kind === 'bottle' ? (made.process ?? null) : null
  const reasons = (judge(id, Date.parse(at))?.reasons ?? []).filter((reason) => !isPermitted(reason, process))
  const because = reasons.find((reason) => (ruleFor(reason).sale ?? ruleFor(reason).make) === 'stop')
  return because ? `It is not for sale. ${tellReason(because, plainTell)}` : null
}

/** Why bottles may not be moved or sent. */
function refusedBottles(book: Book, judge: Judge, draft: Extract<Draft, { kind: 'send' | 'move' }>): string | null {
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
  if (draft.kind === 'move' || (draft.how ?? 'sold') !== 'sold') return null
  if (lot.release?.decision !== 'released') return 'Not released: it is not cleared for sale.'
  if (Date.parse(lot.release.at) > Date.parse(draft.at))
    return 'It was released later than that. Correct the date of the sale.'
  return stopped(judge, lot, draft.at)
}

/**
 * Why something may not be taken, moved or sent, or `null` where it may: a form asks before it writes.
 * Two devices may still take the same thing; the fold then says so and counts nothing below zero.
 */
export function refusalOf(book: Book, judge: Judge, draft: Draft): string | null {
  switch (draft.kind) {
    case 'send':
    case 'move':
      return refusedBottles(book, judge, draft)
    case 'use': {
      const lot = book.lots.get(draft.lotId)
      if (!lot) return 'This lot is not in the log.'
      if (lot.bottles) return 'Bottles are counted, not weighed.'
      // Eaten, frozen or given away it is a fact; sold it is a choice.
      const onHold = draft.how === 'sold' ? stopped(judge, lot, draft.at) : null
      if (onHold) return onHold
      return draft.massG > lot.leftG + SCALE_NOISE_G ? `Only ${formatNumber(lot.leftG)} g are left.` : null
    }
    case 'add': {
      for (const { lotId, massG, name } of draft.rows) {
        const source = lotId === undefined ? undefined : book.lots.get(lotId)
        if (lotId === draft.lotId) return 'A lot cannot go into itself.'
        if (source && massG > source.leftG + SCALE_NOISE_G)
          return `Only ${formatNumber(source.leftG)} g are left of ${name}.`
      }
      return null
    }
    case 'share': {
      const source = book.lots.get(draft.lotId)
      const jar = source && inVessels(source).find(({ mark }) => mark === draft.from)
      if (!jar) return 'This jar is not there.'
      if (source.packed?.vessels.some(({ mark }) => mark === draft.mark)) return `There is a jar ${draft.mark} already.`
      return draft.massG >= jar.massG ? `Only ${formatNumber(jar.massG)} g are in it.` : null
    }
    case 'overflow': {
      const left = book.lots.get(draft.lotId)?.leftG ?? 0
      return draft.massG > left + SCALE_NOISE_G ? `Only ${formatNumber(left)} g were in it.` : null
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
