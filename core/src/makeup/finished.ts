import type { Lot } from '../log/lot'
import { EVENING_OUT_H } from '../keep/release'
import { lastPouredMs } from '../lots/measured'
import { afterHours } from '../units/counted'
import { HOUR_MS } from '../units/time'
import type { Level } from '../level'

/** A finished pH and how long after blending it was read. */
export interface FinishedPh {
  atMs: number
  hours: number
  ph: number
}

/** What the readings of a finished blend say together. `level` as everywhere. */
export interface Drift {
  first: FinishedPh
  last: FinishedPh
  by: number
  level: Exclude<Level, 'discard'>
  sentence: string
}

/** Two readings of one good meter differ by this much by themselves. Judgement. */
export const READING_NOISE = 0.05

/**
 * Whether a reading lies outside the band that was expected, by more than a meter differs by itself: then what was
 * read counts, and something is not what its label or table says.
 */
export const isUnexpectedPh = (ph: number, { low, high }: { low: number; high: number }): boolean =>
  ph < low - READING_NOISE || ph > high + READING_NOISE

/** pH readings of a blend since it was poured, or since something was put in last. */
export function finishedReadings(lot: Lot): FinishedPh[] {
  const sinceMs = lastPouredMs(lot)
  return lot.readings.flatMap(({ at, ph }) =>
    ph !== undefined && Date.parse(at) >= sinceMs
      ? [{ atMs: Date.parse(at), hours: (Date.parse(at) - sinceMs) / HOUR_MS, ph }]
      : [],
  )
}

/**
 * Explains a drift between a reading at once and one a day later; `null` while there is only one, or they are close
 * in time.
 * Pieces give off and take up acid slowly: a rise is their own, higher pH evening out, a fall in a live sauce with
 * sugar is fermenting on.
 */
export function driftOf(lot: Lot, { live, sugarPct }: { live: boolean; sugarPct: number }): Drift | null {
  const readings = finishedReadings(lot)
  const [first, last] = [readings[0], readings.at(-1)]
  if (!first || !last || last.hours - first.hours < EVENING_OUT_H / 2) return null
  const by = last.ph - first.ph
  const moved = `${first.ph.toFixed(2)} ${afterHours(first.hours)}, ${last.ph.toFixed(2)} ${afterHours(last.hours)}`
  const done = last.hours >= EVENING_OUT_H
  const next = done ? 'The later one counts.' : `Read it once more at ${EVENING_OUT_H} h.`
  if (Math.abs(by) <= READING_NOISE)
    return {
      first,
      last,
      by,
      level: 'fine',
      sentence: `${moved}: no more than two readings of one meter differ. ${next}`,
    }
  if (by > 0)
    return {
      first,
      last,
      by,
      level: 'act',
      sentence: `${moved}: it rose by ${by.toFixed(2)}. Pieces and fruit give off their own, higher pH while they even out. ${next} If it is over the limit, put in the correction and wait another day.`,
    }
  return live && sugarPct > 0.3
    ? {
        first,
        last,
        by,
        level: 'ask',
        sentence: `${moved}: it fell by ${(-by).toFixed(2)} and it is live with sugar in it: it ferments on, and makes gas. Keep it cold, or cook it. ${next}`,
      }
    : {
        first,
        last,
        by,
        level: 'ask',
        sentence: `${moved}: it fell by ${(-by).toFixed(2)}. Acid worked its way through the pieces, or the first sample was not stirred. ${next}`,
      }
}
