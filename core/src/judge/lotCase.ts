import { allowanceOf, piecesTimes, spentBetween } from '../ferment/clock'
import type { FermentCase } from '../ferment/forecast'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { fermentCaseOf } from '../makeup/fermentCase'
import { DAY_MS, HOUR_MS } from '../units/time'
import { historyOf, weakestSaltInWater } from './history'

/** Nothing is allowed longer above 4.6 than this, h: the longest time there is, threefold by salt, twice for pieces. */
const LONGEST_H = (100 * DAY_MS) / HOUR_MS

/** When a share of the time allowed above 4.6 will be spent, h since packing, had it never passed. */
function spentAtHour(book: Book, lot: Lot, atMs: number, share: number): number {
  const history = historyOf(book, lot)
  const allowance = allowanceOf(weakestSaltInWater(history, atMs))
  const spentBy = (hour: number) =>
    spentBetween(history.temperature, history.startMs, history.startMs + hour * HOUR_MS, allowance ?? undefined)
  // Where salt preserves nothing is ever too late.
  if (!allowance || spentBy(LONGEST_H) < share) return LONGEST_H
  let [low, high] = [0, LONGEST_H]
  while (high - low > 0.5) {
    const middle = (low + high) / 2
    if (spentBy(middle) < share) low = middle
    else high = middle
  }
  return low
}

/**
 * A lot as the forecast sees it at a moment, ms, with until when it must have passed 4.6 where something was sensed of
 * it; `null` as {@link fermentCaseOf} has it.
 */
export function lotCaseOf(book: Book, lot: Lot, atMs: number): FermentCase | null {
  const found = fermentCaseOf(book, lot)
  if (!found?.sensed?.length) return found
  const history = historyOf(book, lot)
  const times = history.pieces ? piecesTimes(history.opened, weakestSaltInWater(history, atMs)) : 1
  const liquid = spentAtHour(book, lot, atMs, 1)
  return { ...found, allowed: { liquid, blended: times > 1 ? spentAtHour(book, lot, atMs, times) : liquid } }
}
