/**
 * Gas at or under this is calm, mmol/kg a day; a fall under this a day is settled; a rise over this asks. Judgement.
 */
export const CALM_GAS = 2
export const SETTLED_FALL = 0.05
const RISE = 0.2

/** Least fall from the start that shows a ferment, pH. Judgement. */
export const FERMENTED_FALL = 0.3

/** Of an instrument that is less sure: so many of its standard deviations. Judgement. */
const RISE_SD = 3.25

/** A rise of pH over this asks, read with an instrument of such a standard deviation. */
export const riseAsks = (sd: number): number => Math.max(RISE, RISE_SD * sd)
