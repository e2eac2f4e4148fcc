import { mapRange, type Range } from '../working'

/** A salt as it is spooned: grams in a level teaspoon, with the range met. */
export interface SaltKind { id: string, name: string, teaspoonG: Range }

/** Common practice, no source: a level teaspoon differs by brand, grind and hand. Always weigh when you can. */
export const SALTS: readonly SaltKind[] = [
  { id: 'fine-sea', name: 'fine sea salt', teaspoonG: { low: 5, typical: 5.5, high: 6 } },
  { id: 'table', name: 'plain table salt, not iodised', teaspoonG: { low: 5.7, typical: 6, high: 6.3 } },
  { id: 'pickling', name: 'pickling salt', teaspoonG: { low: 5.5, typical: 5.9, high: 6.5 } },
  { id: 'coarse-sea', name: 'coarse sea salt', teaspoonG: { low: 4.3, typical: 5, high: 5.5 } },
  { id: 'dense-kosher', name: 'dense kosher salt', teaspoonG: { low: 4.5, typical: 4.9, high: 5.3 } },
  { id: 'flaky-kosher', name: 'flaky kosher salt', teaspoonG: { low: 2.6, typical: 2.8, high: 3.2 } },
]

/** Level teaspoons that hold `saltG` grams. The low count goes with the heaviest spoon. */
export function teaspoons(saltG: number, salt: SaltKind): Range {
  const { low, typical, high } = mapRange(salt.teaspoonG, spoon => saltG / spoon)
  return { low: high, typical, high: low }
}
