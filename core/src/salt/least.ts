/**
 * Salt of everything, evened out, under which the wrong bacteria can win, percent; less with a strong starter. Common
 * practice.
 */
export const LEAST_SALT_PCT = { usual: 2, strongStarter: 1.5 } as const

/** The least that a batch needs. */
export const leastSaltPct = (strongStarter: boolean): number =>
  strongStarter ? LEAST_SALT_PCT.strongStarter : LEAST_SALT_PCT.usual
