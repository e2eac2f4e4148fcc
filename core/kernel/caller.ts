/* What the loop asks of who calls it, where the temperature changes. */

/** Pace of the two groups at the vessel's temperature at an hour, written to `H.warm` and `P.warm`. */
export declare function setPace(hour: f64): void

/** Longest step that still sees a change of temperature, h. */
export declare function longestStepH(hour: f64): f64
