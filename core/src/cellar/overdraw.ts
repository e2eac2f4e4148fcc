import type { Lot } from '../log/lot'

/** Grams a scale and its rounding may be off before more counts as taken than there is; on every page. Judgement. */
export const SCALE_NOISE_G = 0.5

/** Weights of a lot may differ so much by drops, scales and what sticks to a pot, share of it. Judgement. */
const HANDLED = 0.02

/** More was taken of a lot than weighing explains: grams, or bottles; `null` where it was not. */
export function takenTooMuch({
  bottles,
  shortG,
  madeG,
}: Pick<Lot, 'bottles' | 'shortG' | 'madeG'>): { shortG: number; bottles: number } | null {
  if (bottles) return bottles.short > 0 ? { shortG: 0, bottles: bottles.short } : null
  return shortG > Math.max(SCALE_NOISE_G, HANDLED * madeG) ? { shortG, bottles: 0 } : null
}

/** Takes from lots in stock: rows of a plan, parts of a pot. */
interface Take {
  lotId?: string | undefined
  massG: number | null
}

/**
 * The first lot that more is taken of than there is, all rows of it together; `null` where there is enough of each.
 * @param leftG what is left of a lot, g; 0 for one that is not there.
 */
export function overdrawnLot(takes: readonly Take[], leftG: (lotId: string) => number): string | null {
  const sums = new Map<string, number>()
  for (const { lotId, massG } of takes) if (lotId) sums.set(lotId, (sums.get(lotId) ?? 0) + (massG ?? 0))
  for (const [lotId, sumG] of sums) if (sumG > leftG(lotId) + SCALE_NOISE_G) return lotId
  return null
}
