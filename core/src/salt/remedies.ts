import { within } from '../invalid'
import { formatNumber } from '../units/number'
import { saltToReach, thinnerToReach } from './correct'

/** What can be put in to mend a salt that is off. */
export type RemedyId = 'salt' | 'water' | 'produce' | 'brine'

/** One way to mend it: what, how much (g), what it makes of the batch, and whether it still fits its vessel. */
export interface Remedy {
  id: RemedyId
  massG: number
  saltPct: number
  totalG: number
  fits: boolean
  fraction: number | null
  sentence: string
}

/**
 * A batch whose salt is off. Strengths in percent of everything; `capacityMl` to the brim, `null` where it is not
 * known.
 */
export interface SaltFault {
  massG: number
  saltPct: number
  targetPct: number
  densityGPerMl: number
  capacityMl: number | null
  fillLimit: number
  brinePct: number
}

/** Closer than this it needs nothing: no kitchen scale and no spoon is better. Judgement. */
export const CLOSE_ENOUGH_PCT = 0.05

/** Whether the vessel still takes it, in words; empty where no vessel is known. */
function roomWords(fraction: number | null, fillLimit: number): string {
  if (fraction === null) return ''
  const full = `${formatNumber(100 * fraction)} %`
  if (fraction <= fillLimit) return ` It still fits: ${full} full.`
  return fraction > 1
    ? ` It does not fit: ${full} of the vessel. Take some out first, or use a larger one.`
    : ` ${full} full: over its ${formatNumber(100 * fillLimit)} %.`
}

/** Adding so much of something, with what it makes of the batch. */
function remedyOf(
  { massG, targetPct, densityGPerMl, capacityMl, fillLimit }: SaltFault,
  id: RemedyId,
  addedG: number,
  what: string,
): Remedy {
  const totalG = massG + addedG
  const fraction = capacityMl ? totalG / densityGPerMl / capacityMl : null
  return {
    id,
    massG: addedG,
    saltPct: targetPct,
    totalG,
    fits: fraction === null || fraction <= fillLimit,
    fraction,
    sentence: `${formatNumber(addedG, addedG < 100 ? 1 : 0)} g of ${what}.${roomWords(fraction, fillLimit)}`,
  }
}

/**
 * What would mend a salt that is off: salt or a stronger brine when it is weak; water, unsalted produce or a weaker
 * brine when it is strong.
 * Each with what it makes of the batch and whether it still fits. Empty when it is near enough.
 */
export function saltRemedies(fault: SaltFault): Remedy[] {
  const { massG, saltPct, targetPct, brinePct } = fault
  within(massG, 0.1, 1e9, 'The batch in grams')
  within(saltPct, 0, 40, 'The salt it has, in percent,')
  within(targetPct, 0.1, 35, 'The salt it should have, in percent,')
  within(brinePct, 0, 26, 'The brine in percent')
  if (Math.abs(saltPct - targetPct) < CLOSE_ENOUGH_PCT) return []
  const brine = `brine of ${formatNumber(brinePct, 1)} %`
  if (saltPct < targetPct)
    return [
      remedyOf(fault, 'salt', saltToReach(massG, saltPct, targetPct), 'salt, stirred in'),
      ...(brinePct > targetPct
        ? [remedyOf(fault, 'brine', (massG * (targetPct - saltPct)) / (brinePct - targetPct), brine)]
        : []),
    ]
  const thin = thinnerToReach(massG, saltPct, targetPct)
  return [
    remedyOf(fault, 'produce', thin, 'the same produce, unsalted'),
    remedyOf(fault, 'water', thin, 'water'),
    ...(brinePct < targetPct && brinePct > 0
      ? [remedyOf(fault, 'brine', thinnerToReach(massG, saltPct, targetPct, brinePct), brine)]
      : []),
  ]
}
