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

/**
 * What would mend a salt that is off: salt or a stronger brine when it is weak; water, unsalted produce or a weaker
 * brine when it is strong.
 * Each with what it makes of the batch and whether it still fits. Empty when it is near enough.
 */
export function saltRemedies({
  massG,
  saltPct,
  targetPct,
  densityGPerMl,
  capacityMl,
  fillLimit,
  brinePct,
}: SaltFault): Remedy[] {
  within(massG, 0.1, 1e9, 'The batch in grams')
  within(saltPct, 0, 40, 'The salt it has, in percent,')
  within(targetPct, 0.1, 35, 'The salt it should have, in percent,')
  within(brinePct, 0, 26, 'The brine in percent')
  if (Math.abs(saltPct - targetPct) < CLOSE_ENOUGH_PCT) return []
  const remedy = (id: RemedyId, addedG: number, what: string): Remedy => {
    const totalG = massG + addedG
    const fraction = capacityMl ? totalG / densityGPerMl / capacityMl : null
    const fits = fraction === null || fraction <= fillLimit
    const room =
      fraction === null
        ? ''
        : fits
          ? ` It still fits: ${formatNumber(100 * fraction)} % full.`
          : fraction > 1
            ? ` It does not fit: ${formatNumber(100 * fraction)} % of the vessel. Take some out first, or use a larger one.`
            : ` ${formatNumber(100 * fraction)} % full: over its ${formatNumber(100 * fillLimit)} %.`
    return {
      id,
      massG: addedG,
      saltPct: targetPct,
      totalG,
      fits,
      fraction,
      sentence: `${formatNumber(addedG, addedG < 100 ? 1 : 0)} g of ${what}.${room}`,
    }
  }
  if (saltPct < targetPct) {
    const brine =
      brinePct > targetPct
        ? [
            remedy(
              'brine',
              (massG * (targetPct - saltPct)) / (brinePct - targetPct),
              `brine of ${formatNumber(brinePct, 1)} %`,
            ),
          ]
        : []
    return [remedy('salt', saltToReach(massG, saltPct, targetPct), 'salt, stirred in'), ...brine]
  }
  const thin = thinnerToReach(massG, saltPct, targetPct)
  const brine =
    brinePct < targetPct && brinePct > 0
      ? [
          remedy(
            'brine',
            thinnerToReach(massG, saltPct, targetPct, brinePct),
            `brine of ${formatNumber(brinePct, 1)} %`,
          ),
        ]
      : []
  return [remedy('produce', thin, 'the same produce, unsalted'), remedy('water', thin, 'water'), ...brine]
}
