/**
 * How pressing something is, the mildest first: fine, look or ask, act today, throw away. The one scale of marks,
 * asks and signs.
 */
export const LEVELS = ['fine', 'ask', 'act', 'discard'] as const
export type Level = (typeof LEVELS)[number]

/** What a check of a pot or of bottles comes to. */
export const VERDICTS = ['pass', 'ask', 'stop'] as const
export type Verdict = (typeof VERDICTS)[number]

/**
 * How a check is marked. One of gas in a closed bottle asks for a hand, never only for a look: what may burst is not
 * marked as a question.
 */
export function checkLevel({ verdict, burst }: { verdict: Verdict; burst?: boolean }): Level {
  if (verdict === 'ask') return burst ? 'act' : 'ask'
  return verdict === 'pass' ? 'fine' : 'discard'
}
