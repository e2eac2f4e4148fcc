import { PH_LINE } from '../ferment/clock'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { phsOf } from '../makeup/acidity'
import { DAY_MS } from '../units/time'

/** Days since packing between which a pH fell under 4.6: the last reading over it, and the first under it. */
export interface Passing {
  low: number
  high: number
}

/**
 * When a lot was found under 4.6, and the last day it was read. `null` where it was not read so. Only what was blended
 * counts: the liquid of pieces runs ahead of them.
 */
function readOf(book: Book, lot: Lot): { passing: Passing | null; lastDay: number | null } {
  const days = phsOf(book, lot)
    .filter(({ of }) => of === 'blended')
    .map(({ atMs, ph }) => ({ day: (atMs - lot.startedMs) / DAY_MS, ph }))
  const at = days.findIndex(({ ph }) => ph <= PH_LINE)
  const found = days[at]
  return {
    passing: found ? { low: days[at - 1]?.day ?? 0, high: found.day } : null,
    lastDay: days.at(-1)?.day ?? null,
  }
}

/** Which of two lots went down faster, as far as it was read. */
export interface Faster {
  passings: readonly [Passing | null, Passing | null]
  /** Of which nothing but the liquid was read, or nothing at all. */
  unread: readonly [boolean, boolean]
  /** The one that was surely under 4.6 while the other was not; `null` where the readings lie too far apart to tell. */
  first: 0 | 1 | null
}

/**
 * Which of two lots went under 4.6 first, each counted from its packing. It is told only where the readings leave no
 * doubt: one was under before the other was last read over it. `null` where neither was ever read so.
 */
export function fasterOf(book: Book, lots: readonly [Lot, Lot]): Faster | null {
  const read = [readOf(book, lots[0]), readOf(book, lots[1])] as const
  if (read.every(({ lastDay }) => lastDay === null)) return null
  /** Until when a lot was surely not under. */
  const overUntil = ({ passing, lastDay }: (typeof read)[number]) => passing?.low ?? lastDay ?? 0
  const wins = (one: 0 | 1) => {
    const mine = read[one].passing
    return mine !== null && mine.high <= overUntil(read[one === 0 ? 1 : 0])
  }
  return {
    passings: [read[0].passing, read[1].passing],
    unread: [read[0].lastDay === null, read[1].lastDay === null],
    first: wins(0) ? 0 : wins(1) ? 1 : null,
  }
}
