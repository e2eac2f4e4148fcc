import type { Preparation } from '../composition/ingredient'
import { formatNumber } from '../units/number'
import { exactly, type Range } from '../working'
import type { Living } from './batch'
import { GROUPS } from './growth'

/**
 * A row seen for its bacteria: produce, or a starter with its count in log10 a gram. Leaves, roots and other `green`
 * things carry more than fruits and peppers.
 */
export interface LivingRow {
  massG: number
  preparation: Preparation
  livens: boolean
  green?: boolean
  starterLog10?: number | null
}

/** What of it is still raw, share of its weight. Torched hearts: judgement, wide, for nobody measures it. */
const RAW: Record<Preparation, Range> = {
  raw: exactly(1),
  'torched, mostly raw': { low: 0.6, typical: 0.75, high: 0.9 },
  'torched, half raw': { low: 0.3, typical: 0.5, high: 0.7 },
  'torched, little raw': { low: 0.05, typical: 0.15, high: 0.3 },
  frozen: exactly(0),
  roasted: exactly(0),
  smoked: exactly(0),
  boiled: exactly(0),
  dried: exactly(0),
}

/**
 * Share of the weight that brings living bacteria, with what it lies between: raw produce counts, torched in part,
 * cooked and frozen do not; a starter is neither. `null` for no weight.
 */
export function rawRange(rows: readonly LivingRow[]): Range | null {
  const produce = rows.filter((row) => typeof row.starterLog10 !== 'number')
  const total = produce.reduce((sum, row) => sum + row.massG, 0)
  if (total <= 0) return null
  const share = (end: keyof Range) =>
    produce.reduce((sum, row) => sum + (row.livens ? row.massG * RAW[row.preparation][end] : 0), 0) / total
  return { low: share('low'), typical: share('typical'), high: share('high') }
}

/** The share that is raw for sure: what a judgement rests on. `null` for no weight. */
export const rawShare = (rows: readonly LivingRow[]): number | null => rawRange(rows)?.low ?? null

/**
 * Living bacteria on raw produce, log10 a gram, both groups together. Judgement; the spread is a factor of ten either
 * way.
 */
const RAW_LOG10 = 3.5

/** What is left of them after preparing. Judgement. */
const SURVIVES: Record<Preparation, number> = {
  raw: 1,
  'torched, mostly raw': RAW['torched, mostly raw'].typical,
  'torched, half raw': RAW['torched, half raw'].typical,
  'torched, little raw': RAW['torched, little raw'].typical,
  frozen: 0.1,
  dried: 0.01,
  roasted: 1e-4,
  smoked: 1e-4,
  boiled: 1e-4,
}

/** Living lactic acid bacteria at the start, log10 a gram of everything; `null` when nothing alive goes in. */
export function startCountLog10(rows: readonly LivingRow[], everythingG: number): number | null {
  const count = rows.reduce(
    (sum, row) =>
      sum +
      row.massG *
        (typeof row.starterLog10 === 'number'
          ? 10 ** row.starterLog10
          : row.livens
            ? 10 ** RAW_LOG10 * SURVIVES[row.preparation]
            : 0),
    0,
  )
  return count > 0 && everythingG > 0 ? Math.log10(count / everythingG) : null
}

/** More of group H on leaves and roots, log10. Judgement. */
const GREEN_MORE = 0.5

/** Living cells of each group a gram of everything, log10, produce and starter apart. */
export function livingCounts(rows: readonly LivingRow[], everythingG: number): Living {
  const log = (sum: number) => (sum > 0 && everythingG > 0 ? Math.log10(sum / everythingG) : null)
  const sum = (each: (row: LivingRow) => number) => rows.reduce((total, row) => total + row.massG * each(row), 0)
  const produce = (log10: (row: LivingRow) => number) =>
    log(
      sum((row) =>
        typeof row.starterLog10 !== 'number' && row.livens ? 10 ** log10(row) * SURVIVES[row.preparation] : 0,
      ),
    )
  return {
    rawH: produce((row) => GROUPS.H.raw + (row.green ? GREEN_MORE : 0)),
    rawP: produce(() => GROUPS.P.raw),
    starterLog10: log(sum((row) => (typeof row.starterLog10 === 'number' ? 10 ** row.starterLog10 : 0))),
  }
}

/** Living bacteria of a strong start, log10 a gram of everything: it may lead by a day. Judgement. */
const STRONG_START_LOG10 = 5

/** Whether starters among the rows bring a strong start by themselves. @param everythingG their mass and all else. */
export const isStrongStart = (rows: readonly LivingRow[], everythingG: number): boolean => {
  const starters = rows.filter(({ starterLog10 }) => typeof starterLog10 === 'number')
  return (startCountLog10(starters, everythingG) ?? -1) >= STRONG_START_LOG10
}

/** A start count in words. Limits are judgement. */
export function startWords(log10: number | null): string {
  if (log10 === null) return 'nothing alive goes in'
  if (log10 >= STRONG_START_LOG10) return 'a strong start: it may lead by a day'
  if (log10 >= 3) return 'a normal wild start'
  if (log10 >= 2) return 'a thin start: expect a day or two more'
  return 'hardly anything alive'
}

/** Least raw share that starts on its own. Common practice. */
export const RAW_NEEDED = 0.5

/** Living bacteria in a kept brine or an active ferment, log10 a gram. Judgement. */
export const KEPT_BRINE_LOG10 = 7

/**
 * A starter lives in this: a pH at or over the first (what plantarum outlives), salt in its water under the second,
 * percent. Judgement.
 */
export const STARTER_LIVES = { leastPh: 3.2, saltInWaterPct: 10 } as const

/**
 * The two ways out of too little raw produce: grams of raw produce to add, or of a starter with `starterLog10` living
 * in a gram.
 */
export function rawRemedies(
  rows: readonly LivingRow[],
  everythingG: number,
  starterLog10 = KEPT_BRINE_LOG10,
): { rawG: number; starterG: number; sentence: string } {
  const produce = rows.filter((row) => typeof row.starterLog10 !== 'number')
  const total = produce.reduce((sum, row) => sum + row.massG, 0)
  const raw = (rawShare(rows) ?? 0) * total
  const rawG = Math.max(0, (RAW_NEEDED * total - raw) / (1 - RAW_NEEDED))
  // At least a spoon of it in a kilogram, so that it can be stirred through.
  const starterG = Math.max(everythingG * 10 ** (STRONG_START_LOG10 - starterLog10), everythingG * 0.02)
  return {
    rawG,
    starterG,
    sentence: `Less than half is raw and nothing starts it. Add ${formatNumber(rawG)} g of raw produce, or ${formatNumber(starterG)} g of living kept brine.`,
  }
}
