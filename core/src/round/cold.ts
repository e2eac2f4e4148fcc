import { COLD_C, isCold } from '../lots/measured'
import { historyOf, saltAt } from '../judge/history'
import type { Judgement } from '../judge/judgement'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { measuredPhs } from '../makeup/measuredPh'
import { structureOfLot } from '../makeup/structure'
import { temperatureAtMs } from '../makeup/temperature'
import { DAY_MS, HOUR_MS } from '../units/time'

/* A jar that is kept in the cold and eaten as it is: its quiet round. Common practice, unless said. */

/** Since when a lot stands in the cold, ms; `null` where it does not. */
export const coldSinceMs = (lot: Lot): number | null =>
  isCold(lot) ? Date.parse(lot.decisions.findLast(({ decision }) => decision === 'cold')?.at ?? '') : null

/** Looked over so often, read or tasted so often, while that matters. */
const LOOK_MS = 10 * DAY_MS
const READ_MS = 30 * DAY_MS

/** How long a jar keeps its best as it is, by its measured pH, days. Common practice; conservative. */
const KEEPS: readonly { upToPh: number; days: number }[] = [
  { upToPh: 3.8, days: 270 },
  { upToPh: 4.0, days: 180 },
  { upToPh: 4.2, days: 90 },
]
/** Under so much salt nothing is said, percent. */
const KEEPS_SALT_PCT = 2

/**
 * When a jar kept cold as it is should be looked at again, ms: by its last pH and its salt. `null` where it does not
 * stand in the cold, and for what was not measured.
 */
export function lookAgainBy(book: Book, lot: Lot, judgement: Judgement | null): number | null {
  const sinceMs = coldSinceMs(lot)
  const last = measuredPhs(lot).at(-1)
  const salt = saltAt(historyOf(book, lot), judgement?.atMs ?? 0)
  if (sinceMs === null || !last || !judgement?.passed || judgement.state === 'discard') return null
  if (!salt || salt.lowPct < KEEPS_SALT_PCT) return null
  const keeps = KEEPS.find(({ upToPh }) => last.ph <= upToPh)
  return keeps ? Math.max(sinceMs, last.atMs) + keeps.days * DAY_MS : null
}

/** When the quiet round of a cold jar falls due, ms: to look it over, and to read or taste it. */
export function quietRound(lot: Lot, nowMs: number): { lookMs: number; readMs: number } | null {
  const sinceMs = coldSinceMs(lot)
  if (sinceMs === null) return null
  const past = (times: readonly string[]) =>
    Math.max(sinceMs, ...times.map((at) => Date.parse(at)).filter((ms) => ms <= nowMs))
  const looked = lot.chores.filter(({ chore, skipped }) => chore === 'look over' && !skipped).map(({ at }) => at)
  const read = lot.readings.filter(({ ph, taste }) => ph !== undefined || taste).map(({ at }) => at)
  const tasted = lot.senses.filter(({ seen }) => seen.sour !== undefined).map(({ at }) => at)
  const done = lot.chores.filter(({ chore }) => chore === 'taste').map(({ at }) => at)
  return { lookMs: past(looked) + LOOK_MS, readMs: past([...read, ...tasted, ...done]) + READ_MS }
}

/** Salt has evened out to within a twentieth after three times the exchange; in the cold it takes two weeks. */
const EVEN_TIMES = 3
const EVEN_COLD_MS = 14 * DAY_MS

/** When the salt will have reached the pieces of a lot, ms; `null` where nothing has to, or where it has. */
export function evensOutMs(book: Book, lot: Lot, nowMs: number): number | null {
  if (!lot.packed) return null
  const structure = structureOfLot(book, lot)
  if (structure.liquid >= 1) return null
  const cold = (temperatureAtMs(historyOf(book, lot).temperature, nowMs) ?? 20) < COLD_C
  const takesMs = Math.max(EVEN_TIMES * structure.tauH * HOUR_MS, cold ? EVEN_COLD_MS : 0)
  const atMs = Date.parse(lot.packed.at) + takesMs
  return atMs > nowMs ? atMs : null
}
