import { PH_LINE } from '../ferment/clock'
import { contentG } from '../log/contents'
import type { Lot } from '../log/lot'
import { looksOf } from '../makeup/sensed'
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

/** Brine and water of up to this share of a lot, put in since it was tasted, change its taste little. Judgement. */
const TOP_UP_SHARE = 0.15
/** More is not said of what nobody tasted since it changed, or of jars that nobody tasted. */
const NOT_LIKELY = 0.98

/** Something that could raise its pH was put in since it was last tasted, or a jar of several was never tasted. */
export function isUntasted({ lot, additions }: History, atMs: number): boolean {
  const tastes = looksOf(lot).filter((look) => look.question === 'sour' && look.atMs <= atMs)
  const lastMs = tastes.at(-1)?.atMs ?? -Infinity
  const since = lot.added.filter(({ at }) => Date.parse(at) > lastMs && Date.parse(at) <= atMs)
  const raising = new Set(additions.filter(({ raises }) => raises).map((one) => one.atMs))
  const brineG = since.reduce((sum, entry) => sum + (entry.rows.length === 0 ? contentG(entry) : 0), 0)
  if (brineG > TOP_UP_SHARE * lot.madeG) return true
  if (since.some(({ rows, at }) => rows.length > 0 && raising.has(Date.parse(at)))) return true
  const covers = (mark: string) => tastes.some(({ marks }) => marks.length === 0 || marks.includes(mark))
  return lot.vessels.length > 1 && lot.vessels.some(({ mark }) => !covers(mark))
}

/**
 * How likely it passed in its time and stands under 4.6 at a moment, by what was sensed: as the forecast has it now,
 * else as it was when the lot was called ready. `null` where nothing tells.
 */
function underChance(history: History, foresight: Foresight | undefined, atMs: number): number | null {
  const { lot, startMs } = history
  const under = foresight?.under
  const chance =
    under && looksOf(lot).some((look) => look.atMs <= atMs)
      ? underAt(under, (atMs - startMs) / HOUR_MS)
      : (calledReady(lot, atMs)?.likely ?? null)
  return chance !== null && chance >= LIKELY && isUntasted(history, atMs) ? NOT_LIKELY : chance
}

/**
 * What eye and tongue say of a lot that no pH proves; `null` where they say nothing, or where a pH speaks against it.
 * @param due when a share of the time is over, ms.
 */
export function byTaste(
  history: History,
  { newest, spent }: Pick<TimeAbove, 'newest' | 'spent'>,
  foresight: Foresight | undefined,
  { atMs, due }: { atMs: number; due: (limit: number, spent: number) => number },
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
  if (spent >= 1)
    return chance <= UNLIKELY && !newest
      ? [{ code: 'unlikely under', facts: { chance, spent } }]
      : [{ code: 'time over, not read', facts: { spent, ph: newest?.ph ?? null, pieces: false, chance } }]
  const dueMs = due(1, spent)
  return [{ code: spent > PRESSING ? 'not told yet' : 'on its way by eye', facts: { chance, dueMs } }]
}
