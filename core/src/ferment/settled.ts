/**
 * Gas at or under this is calm, mmol/kg a day; a fall under this a day is settled; a rise over this asks. Judgement.
 */
export const CALM_GAS = 2
export const SETTLED_FALL = 0.05
export const RISE = 0.2

/** Least fall from the start that shows a ferment, pH. Judgement. */
export const FERMENTED_FALL = 0.3
