import type { Chore } from '../library/chores'
import type { StyleChore } from '../library/style'
import { styleById } from '../library/styles'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { isCold } from '../lots/measured'
import { phsOf } from '../makeup/acidity'
import { compositionOf } from '../makeup/lotComposition'
import { waterPhaseSaltPct } from '../salt/brine'
import { holdsDown } from '../library/vessels'
import { historyOf } from '../judge/history'
import { judgeOf } from '../judge/judge'
import { signReasons } from '../judge/openSigns'
import type { Judgement } from '../judge/judgement'
import { RESERVE } from '../pack/cover'
import { isByTaste } from '../judge/reasons'
import type { ForecastSummary } from './forecastSummary'
import { isMeter, USUAL_KIT, type Kit } from './kit'
import { DAY_MS, HOUR_MS } from '../units/time'
import type { Level } from '../level'

/** When a chore falls due next, and how often it comes again. */
export interface ChoreTime {
  chore: Chore
  title: string
  why: string
  level: Extract<Level, 'ask' | 'act'>
  dueMs: number
  everyH: number
  lastMs: number
}

/** Tasting begins at this pH, and only where nothing doubtful was seen. Judgement, conservative. */
const TASTE_PH = 4.2
/** In the cold everything goes slower: so many times the interval. Judgement. */
const COLD_PACE = 3

/** A strip tells in half points: not daily. Judgement. */
const STRIP_EVERY_H = 72

/** How often pH is read: daily by meter until 4.6 is passed, each third day to day 21, then fortnightly. Judgement. */
function readEveryH(lot: Lot, judgement: Judgement | null, nowMs: number, kit: Kit): number {
  if (!judgement?.passed) return isMeter(kit) ? 24 : STRIP_EVERY_H
  return nowMs - lot.startedMs < 21 * DAY_MS ? 72 : 14 * 24
}

/**
 * Brine of the strength that is inside, evened out, for what pieces drink: mass, water and salt in g. `null` where
 * there is no salt water. Common practice.
 */
export function topUpBrine(
  book: Book,
  lot: Lot,
): { massG: number; waterG: number; saltG: number; strengthPct: number } | null {
  if (lot.made.kind !== 'plan') return null
  const { waterG, saltG, rows } = lot.weighed ?? lot.made
  const allG = rows.reduce((sum, row) => sum + row.massG, waterG + saltG)
  const inside = compositionOf(book, lot.id)
  if (allG <= 0 || !inside || inside.saltG <= 0 || inside.waterG <= 0) return null
  const strengthPct = waterPhaseSaltPct(inside.saltG, inside.waterG)
  const massG = RESERVE * (waterG > 0 ? waterG + saltG : allG * 0.5)
  return { massG, waterG: massG * (1 - strengthPct / 100), saltG: (massG * strengthPct) / 100, strengthPct }
}

/** What a jar in the cold is spared: its quiet round asks in their place. */
const NOT_IN_THE_COLD: readonly Chore[] = ['read', 'taste', 'wipe', 'cover check', 'look for film', 'weigh']

/** Not asked for under what is closed, held down or ground so, or stands in the cold; nor without meter or scale. */
function isIdle({ chore, closures }: StyleChore, lot: Lot, proven: boolean, kit: Kit): boolean {
  const { packed, made } = lot
  if (!packed || made.kind !== 'plan' || (closures && !closures.includes(packed.closure))) return true
  if ((chore === 'read' && kit.sour === 'nose and tongue') || (chore === 'weigh' && !kit.scale)) return true
  if (proven && isCold(lot) && NOT_IN_THE_COLD.includes(chore)) return true
  if (chore !== 'press down') return false
  return holdsDown(packed.weight) || (made.cut ?? styleById(made.style).usualCut) === 'ground'
}

/**
 * Chores of a lot with the moment each falls due: by style, closure and day, by the gas forecast and by what was
 * done.
 */
export function choreTimes(
  book: Book,
  lot: Lot,
  nowMs: number,
  summary: ForecastSummary | undefined,
  judgement: Judgement | null,
  kit: Kit = USUAL_KIT,
): ChoreTime[] {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed) return []
  const packedMs = Date.parse(packed.at)
  const newest = phsOf(book, lot).at(-1)?.ph
  const overUnproven = judgement?.clock?.state === 'over' && !judgement.clock.passed
  const doubtful = signReasons(historyOf(book, lot), nowMs).length > 0 || judgement?.state === 'discard' || overUnproven
  const likely = judgement?.reasons.some(isByTaste) ?? false
  const sour = !doubtful && (newest === undefined ? likely : newest <= TASTE_PH)
  const proven = judgement?.passed === true || likely
  const pace = isCold(lot) ? COLD_PACE : 1
  const lastOf = (chore: Chore) =>
    Math.max(
      ...lot.chores.filter((entry) => entry.chore === chore).map(({ at }) => Date.parse(at)),
      ...(chore === 'read'
        ? phsOf(book, lot).map(({ atMs }) => atMs)
        : chore === 'weigh'
          ? lot.readings.filter(({ massG }) => massG !== undefined).map(({ at }) => Date.parse(at))
          : []),
      -Infinity,
    )
  const everyH = ({ chore, everyH }: StyleChore) =>
    chore === 'burp' && summary?.burpEveryH
      ? summary.burpEveryH
      : chore === 'read'
        ? readEveryH(lot, judgement, nowMs, kit)
        : everyH * pace
  const reason = ({ chore, why }: StyleChore) =>
    (chore === 'burp' || chore === 'vent') && summary?.gasSentence ? summary.gasSentence : why
  return styleById(made.style).chores.flatMap((rule) => {
    const { chore, title, level, fromDay, toDay, whenSour, stays } = rule
    if (isIdle(rule, lot, proven, kit) || (whenSour && !sour)) return []
    const every = everyH(rule)
    const lastMs = lastOf(chore)
    // The first falls due after one interval, never at packing.
    const firstMs = packedMs + (fromDay === 0 ? every * HOUR_MS : fromDay * DAY_MS)
    const dueMs = Math.max(firstMs, Math.round(lastMs + every * HOUR_MS))
    const open = stays && lastMs < firstMs && nowMs >= firstMs
    return !open && Math.max(dueMs, nowMs) >= packedMs + (toDay + 1) * DAY_MS
      ? []
      : [{ chore, title, why: reason(rule), level, dueMs, everyH: every, lastMs }]
  })
}

/**
 * An event of the calendar: the same `uid` says the same chore of the same day anew; `sequence` rises with what is
 * logged.
 */
export interface RoundEvent {
  uid: string
  startMs: number
  title: string
  why: string
  cancelled: boolean
  sequence: number
}

/** Days from now that the calendar tells. */
export const CALENDAR_DAYS = 14

/**
 * The round of the coming days for a calendar. Ids are made of lot, chore and day, so that a later export moves what
 * was told before;
 * what a lot no longer asks for, since it was pressed or thrown away of late, is told as cancelled.
 */
export function calendarOf(
  book: Book,
  lots: readonly Lot[],
  nowMs: number,
  summaries: ReadonlyMap<string, ForecastSummary> = new Map(),
  kit: Kit = USUAL_KIT,
): RoundEvent[] {
  const endMs = nowMs + CALENDAR_DAYS * DAY_MS
  const judge = judgeOf(book, (lotId) => summaries.get(lotId))
  return lots.flatMap((lot) => {
    if (lot.made.kind !== 'plan' || !lot.packed) return []
    const open = lot.state === 'fermenting'
    // What ended longer ago than a calendar looks ahead was never told of these days.
    if (!open && Math.max(...lot.entries.map(({ at }) => Date.parse(at))) < nowMs - CALENDAR_DAYS * DAY_MS) return []
    const count = new Map<string, number>()
    return choreTimes(book, lot, nowMs, summaries.get(lot.id), judge(lot.id, nowMs), kit).flatMap(
      ({ chore, title, why, dueMs, everyH }) => {
        const events: RoundEvent[] = []
        for (
          let atMs = Math.max(dueMs, nowMs);
          atMs < endMs && events.length < 60;
          atMs += Math.max(4, everyH) * HOUR_MS
        ) {
          const day = Math.floor((atMs - lot.startedMs) / DAY_MS)
          const key = `${lot.id}-${chore.replaceAll(' ', '-')}-d${day}`
          const nth = (count.get(key) ?? 0) + 1
          count.set(key, nth)
          events.push({
            uid: `${key}${nth > 1 ? `-${nth}` : ''}@lactofer`,
            startMs: Math.round(atMs),
            title: `${lot.code} ${title}`,
            why,
            cancelled: !open,
            sequence: lot.entries.length,
          })
        }
        return events
      },
    )
  })
}
