/**
 * How pressing something is, the mildest first: fine, look or ask, act today, throw away. The one scale of marks,
 * asks and signs.
 */
export const LEVELS = ['fine', 'ask', 'act', 'discard'] as const
export type Level = (typeof LEVELS)[number]

/** What a check of a pot or of bottles comes to. */
export const VERDICTS = ['pass', 'ask', 'stop'] as const
export type Verdict = (typeof VERDICTS)[number]
