/**
 * Ways a true batch can differ from what its maker and the model believe of it. Judgement: what is met, and what the
 * judge must hold against.
 */
export const HIDDEN_KINDS = [
  'model',
  'growth x0.7',
  'growth x1.3',
  'least pH +0.3',
  'another curve',
  'room 3 °C colder',
  'room 3 °C warmer',
  'buffer x1.8',
  'start +0.4',
  'salt x0.6',
  'salt x1.6',
  'late start',
  'stuck at 3.9',
  'stuck at 4.3',
  'stalled at 4.8',
  'dead',
  'yeast',
  'film',
  'not covered',
  'pieces x2',
  'pieces x3',
  'pieces x6',
] as const
export type HiddenKind = (typeof HIDDEN_KINDS)[number]
