/* Lengths of time in milliseconds, and moments as entries carry them. */

export const SECOND_MS = 1000
export const MINUTE_MS = 60 * SECOND_MS
export const HOUR_MS = 60 * MINUTE_MS
export const DAY_MS = 24 * HOUR_MS

/** A moment as an entry carries it, `2026-05-04T07:30:00.000Z`. @param ms since the epoch. */
export const momentOf = (ms: number): string => new Date(ms).toISOString()
