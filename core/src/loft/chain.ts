import type { When } from '../ferment/forecast'
import type { Style } from '../library/style'
import { DAY_MS, HOUR_MS } from '../units/time'

/* The way of a lot through the loft, in days: how long it ferments, and what comes after the press. */

/**
 * How long a lot ferments, days from packing: in the middle, and by when nine in ten of those that reach their target
 * are there; and the share that stands still above it, which a plan cannot wait for.
 */
export interface Lead {
  likelyDays: number
  lateDays: number
  missed: number
}

/**
 * The lead of a style: of one that time or the pot decides, its own days; of one that its acid decides, the
 * forecast's.
 * @param ready of the forecast at the temperature of the place; `null` while it is worked out.
 * @returns `null` where nobody knows: not worked out yet, or not half of them are there within what was looked at.
 */
export function leadOf({ judgedBy, days }: Pick<Style, 'judgedBy' | 'days'>, ready: When | null): Lead | null {
  if (judgedBy === 'time') return { likelyDays: days.low, lateDays: days.high, missed: 0 }
  if (!ready || ready.typical === null || ready.lateOfThose === null) return null
  const inDays = (hours: number) => Math.max(days.low, Math.ceil((hours * HOUR_MS) / DAY_MS))
  const likely = Math.min(ready.typical, ready.lateOfThose)
  return { likelyDays: inDays(likely), lateDays: inDays(ready.lateOfThose), missed: ready.missed }
}

/**
 * Days after the press: blended the next day, the finished pH read a day later, bottled and labelled the day after
 * that, sold from the next on. Common practice: a blend evens out for 24 h before its pH counts.
 */
export const AFTER_PRESS = { press: 0, blend: 1, read: 2, bottle: 3, sale: 4 } as const
export type LoftStep = keyof typeof AFTER_PRESS

/** What is done on which day once it is pressed at a moment, ms. */
export const stepsFrom = (pressMs: number): { step: LoftStep; atMs: number }[] =>
  (Object.keys(AFTER_PRESS) as LoftStep[]).map((step) => ({ step, atMs: pressMs + AFTER_PRESS[step] * DAY_MS }))

/** The latest start for a sale, ms: what comes after the press, and the late end of the ferment before it. */
export const latestStart = (saleMs: number, { lateDays }: Lead): number =>
  saleMs - (AFTER_PRESS.sale + lateDays) * DAY_MS

/** The first sale of a lot that starts at a moment, ms, at the late end. */
export const firstSale = (startMs: number, { lateDays }: Lead): number =>
  startMs + (AFTER_PRESS.sale + lateDays) * DAY_MS
