/** The way of a blend, from the parts to the pot. */
export const STEPS = [
  { value: 'mix', label: 'Mix' },
  { value: 'try', label: 'Try small' },
  { value: 'keep', label: 'Keep' },
  { value: 'pour', label: 'Pour' },
] as const
export type Step = (typeof STEPS)[number]['value']
