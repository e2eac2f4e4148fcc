import { styleById } from '../library/styles'
import { DAY_MS, HOUR_MS } from '../units/time'
import { lateReasons, preserved, putInReason, type Case } from './fermenting'
import { weakestSaltInWater, type History } from './history'
import { isProof } from './passing'
import type { Reason } from './reasons'

/** So cold, °C, and so salty, percent salt in the water, a paste keeps so many days. Judgement. */
const COLD = { tempC: 4, saltInWaterPct: 10, days: 30 } as const
/** What was not read at the start may have lasted so long, h, and what was read last speaks so long. Judgement. */
const UNREAD_H = 2
const SPEAKS_DAYS = 7

/** Measured at 4 °C or below from packing until a moment, and how warm it was at most; `null` where it was not. */
function coldest({ temperature, startMs, lot }: History, atMs: number): { hottestC: number } | null {
  const readMs = Math.max(...lot.readings.filter(({ tempC }) => tempC !== undefined).map(({ at }) => Date.parse(at)))
  if (!(atMs - Math.min(readMs, atMs) <= SPEAKS_DAYS * DAY_MS)) return null
  const stretches = temperature.filter(({ fromMs, toMs }) => fromMs < atMs && toMs > startMs)
  const assumedMs = stretches
    .filter(({ assumed }) => assumed)
    .reduce((sum, { fromMs, toMs }) => sum + Math.min(toMs, atMs) - Math.max(fromMs, startMs), 0)
  if (assumedMs > UNREAD_H * HOUR_MS) return null
  const hottestC = Math.max(...stretches.filter(({ assumed }) => !assumed).flatMap(({ fromC, toC }) => [fromC, toC]))
  return hottestC <= COLD.tempC ? { hottestC } : null
}

/** Salt and measured cold together, where the style may rest on both. */
function saltedCold({ history, atMs }: Case, hurdles: readonly string[]): Reason[] {
  const saltInWaterPct = weakestSaltInWater(history, atMs)
  if (!hurdles.includes('salt and cold') || saltInWaterPct < COLD.saltInWaterPct) return []
  const cold = coldest(history, atMs)
  if (!cold) return []
  const useByMs = history.startMs + COLD.days * DAY_MS
  return [
    atMs > useByMs
      ? { code: 'past its days in the cold', facts: { days: COLD.days } }
      : { code: 'kept by salt and cold', facts: { saltInWaterPct, hottestC: cold.hottestC, useByMs } },
  ]
}

/** What shows that it keeps: a pH that was read or, for the own fridge, worked out; salt; or salt and measured cold. */
function heldBy(of: Case, hurdles: readonly string[]): Reason[] {
  const { history, columns, atMs, due } = of
  const { blended } = columns
  const read = history.acidity.findLast((fact) => fact.atMs <= atMs && fact.of === 'blended' && isProof(fact))
  if (blended.passed && read) return [{ code: 'kept by acid', facts: { ph: read.ph } }]
  const cold = saltedCold(of, hurdles)
  if (cold.length) return cold
  if (blended.passed) return [{ code: 'sour as worked out', facts: { upperPh: history.start?.upperPh ?? null } }]
  const ph = blended.newest?.ph ?? null
  return blended.spent >= 1
    ? [{ code: 'time over, not read', facts: { spent: blended.spent, ph, pieces: false, chance: null } }]
    : [{ code: 'nothing keeps it yet', facts: { ph, dueMs: due(1, blended.spent) } }]
}

/** A style that time judges: its days, and never without a hurdle. */
export function hurdleReasons(of: Case): Reason[] {
  const { history, atMs, allowance } = of
  const { made } = history.lot
  const style = made.kind === 'plan' ? styleById(made.style) : null
  if (style?.judgedBy !== 'time') return []
  const putIn = putInReason(history, atMs)
  if (!allowance) return [...preserved(history, atMs, style.days.low), ...putIn]
  const leftMs = style.days.low * DAY_MS - (atMs - history.startMs)
  const wait: Reason[] = leftMs > 0 ? [{ code: 'by time', facts: { leftMs } }] : []
  const cold = saltedCold(of, style.hurdles)
  const late = cold.length ? [] : lateReasons(of)
  return [...(late.length ? late : heldBy(of, style.hurdles)), ...putIn, ...wait]
}
