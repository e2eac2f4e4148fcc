import { PH_LINE } from '../ferment/clock'
import type { Lot } from '../log/lot'
import { looksOf } from '../stock/sensed'
import { HOUR_MS } from '../units/time'
import { interpolate } from '../units/interpolate'
import type { History } from './history'
import type { Foresight } from './judgement'
import type { TimeAbove } from './passing'
import type { Reason } from './reasons'

/*
 * What stands on eye and tongue alone: how likely a lot passed 4.6 in its time and stands under it now. A probability
 * in words, never a proof.
 */

/** From this on it is likely, at or under the other unlikely; nobody can tell between. Judgement. */
export const LIKELY = 0.99
export const UNLIKELY = 0.2
/** Likely is what was so half a day before: nobody feels the hour in which it passes. Judgement. */
const MARGIN_H = 12
/** From this share of its time on somebody who cannot tell is asked for a strip. Judgement. */
const PRESSING = 0.5

/** How a probability is called. */
export type Told = 'likely' | 'can’t tell' | 'unlikely'
export const toldOf = (chance: number): Told =>
  chance >= LIKELY ? 'likely' : chance <= UNLIKELY ? 'unlikely' : 'can’t tell'

/** The newest call that it is ready, until a moment, ms. */
const calledReady = ({ decisions }: Lot, atMs: number) => {
  const last = decisions.findLast(({ at, decision }) => Date.parse(at) <= atMs && decision !== 'cold')
  return last?.decision === 'ready' ? last : undefined
}

/**
 * How likely it passed in its time and stands under 4.6 at an hour since packing; where that alone would be likely,
 * half a day before.
 */
export function underAt({ hours, chances }: NonNullable<Foresight['under']>, hour: number): number {
  const at = (when: number) =>
    interpolate(
      hours.length,
      (index) => hours[index] ?? 0,
      (index) => chances[index] ?? 0,
      when,
    )
  const now = at(hour)
  return now < LIKELY ? now : Math.min(now, at(hour - MARGIN_H))
}

/**
 * How likely it passed in its time and stands under 4.6 at a moment, by what was sensed: as the forecast has it now,
 * else as it was when the lot was called ready. `null` where nothing tells.
 */
export function underChance({ lot, startMs }: History, foresight: Foresight | undefined, atMs: number): number | null {
  const under = foresight?.under
  if (under && looksOf(lot).some((look) => look.atMs <= atMs)) return underAt(under, (atMs - startMs) / HOUR_MS)
  return calledReady(lot, atMs)?.likely ?? null
}

/**
 * What eye and tongue say of a lot that no pH proves; `null` where they say nothing, or where a pH speaks against it.
 * @param runs whether a clock runs; @param due when a share of the time is over, ms.
 */
export function byTaste(
  history: History,
  { newest, spent }: Pick<TimeAbove, 'newest' | 'spent'>,
  foresight: Foresight | undefined,
  { atMs, runs, due }: { atMs: number; runs: boolean; due: (limit: number, spent: number) => number },
): Reason[] | null {
  if (newest && newest.ph > PH_LINE) return null
  const chance = underChance(history, foresight, atMs)
  if (chance === null) return null
  if (chance >= LIKELY) {
    const called = calledReady(history.lot, atMs)
    return called
      ? [{ code: 'ready by taste', facts: { chance, atMs: Date.parse(called.at) } }]
      : [{ code: 'likely under', facts: { chance } }]
  }
  if (runs && spent >= 1)
    return chance <= UNLIKELY && !newest
      ? [{ code: 'unlikely under', facts: { chance, spent } }]
      : [{ code: 'time over, not read', facts: { spent, ph: newest?.ph ?? null, pieces: false, chance } }]
  const dueMs = due(1, spent)
  return [{ code: spent > PRESSING ? 'not told yet' : 'on its way by eye', facts: { chance, dueMs } }]
}
