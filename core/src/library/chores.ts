/** What is done to a lot on the round. */
export const CHORES = [
  'burp',
  'press down',
  'stir',
  'top up',
  'skim',
  'wipe',
  'vent',
  'airlock water',
  'cover check',
  'look for film',
  'taste',
  'turn',
  'shake',
  'squeeze test',
  'weigh',
  'read',
  'look over',
  'test bottle',
] as const
export type Chore = (typeof CHORES)[number]
