import type { Lot } from '../log/lot'

/**
 * When something was last poured into a lot, ms: as it was made, or put in later. What was read before is of another
 * mixture.
 */
export const lastPouredMs = (lot: Lot, untilMs = Infinity): number =>
  Math.max(Date.parse(lot.made.at), ...lot.added.map(({ at }) => Date.parse(at)).filter((ms) => ms <= untilMs))

/** Under this a lot stands in the cold: storage, not fermenting. Common practice. */
export const COLD_C = 8

/** Whether a lot was moved to the cold and not back. */
export const isCold = (lot: Lot): boolean =>
  lot.decisions.findLast(({ decision }) => decision === 'cold' || decision === 'warm')?.decision === 'cold'
