import { InvalidInput } from '../invalid'
import { mapRange, type Range } from '../working'

/** A salt as it is spooned: grams in a level teaspoon, with the range met. */
export interface SaltKind {
  id: string
  name: string
  teaspoonG: Range
  /** Weighed by the maker. */
  own?: boolean
}

/** Common practice, no source: a level teaspoon differs by brand, grind and hand. Always weigh when you can. */
export const SALTS: readonly SaltKind[] = [
  { id: 'fine-sea', name: 'fine sea salt', teaspoonG: { low: 5, typical: 5.5, high: 6 } },
  { id: 'table', name: 'plain table salt, not iodised', teaspoonG: { low: 5.7, typical: 6, high: 6.3 } },
  { id: 'pickling', name: 'pickling salt', teaspoonG: { low: 5.5, typical: 5.9, high: 6.5 } },
  { id: 'coarse-sea', name: 'coarse sea salt', teaspoonG: { low: 4.3, typical: 5, high: 5.5 } },
  { id: 'dense-kosher', name: 'dense kosher salt', teaspoonG: { low: 4.5, typical: 4.9, high: 5.3 } },
  { id: 'pink', name: 'pink salt, fine', teaspoonG: { low: 5, typical: 5.6, high: 6.2 } },
  { id: 'rock', name: 'rock salt, coarse', teaspoonG: { low: 4.2, typical: 5.1, high: 6 } },
  { id: 'flaky-kosher', name: 'flaky kosher salt', teaspoonG: { low: 2.6, typical: 2.8, high: 3.2 } },
]

/** Tablespoons are three teaspoons. */
export const TEASPOONS_PER_TABLESPOON = 3

/** Level teaspoons that hold `saltG` grams. The low count goes with the heaviest spoon. */
export function teaspoons(saltG: number, salt: SaltKind): Range {
  const { low, typical, high } = mapRange(salt.teaspoonG, (spoon) => saltG / spoon)
  return { low: high, typical, high: low }
}

const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8']
/** So many spoons to the nearest quarter, or eighth under one: "2 1/4". */
function quarters(count: number): string {
  const step = count < 1 ? 8 : 4
  const eighths = Math.max(1, Math.round(count * step) * (8 / step))
  return [Math.floor(eighths / 8) || '', EIGHTHS[eighths % 8]].filter(Boolean).join(' ')
}

/** A range of teaspoons as a spoon says it: in tablespoons from three on. */
export function spoonWords({ low, high }: Range): string {
  const big = high >= TEASPOONS_PER_TABLESPOON
  const [from, to] = [low, high].map((count) => quarters(big ? count / TEASPOONS_PER_TABLESPOON : count))
  return `${from === to ? to : `${from} to ${to}`} ${big ? 'tbsp' : 'tsp'}`
}

/** So many teaspoons, in spoons there are: "2 tbsp 1 1/2 tsp". @param teaspoons over 0, in halves. */
export function spoonCountWords(teaspoons: number): string {
  const halves = Math.max(1, Math.round(2 * teaspoons))
  const tablespoons = Math.floor(halves / (2 * TEASPOONS_PER_TABLESPOON))
  const rest = halves / 2 - tablespoons * TEASPOONS_PER_TABLESPOON
  return [tablespoons > 0 ? `${tablespoons} tbsp` : '', rest > 0 ? `${quarters(rest)} tsp` : '']
    .filter(Boolean)
    .join(' ')
}

/**
 * Grams in so many level teaspoons of a salt.
 * @throws InvalidInput when nobody knows that salt's spoon: spoons of salts differ by more than two times.
 */
export function spoonedG(count: number, saltId: string, salts: readonly SaltKind[] = SALTS): Range {
  const salt = salts.find((kind) => kind.id === saltId)
  if (!salt)
    throw new InvalidInput(
      'What a spoon of this salt weighs is not known, and spoons of salts differ by more than two times. Weigh it, or choose a salt from the list.',
    )
  return mapRange(salt.teaspoonG, (spoon) => spoon * count)
}

/** What the salt becomes when the same number of spoons is taken of another salt: grams, typical. */
export const swappedG = (saltG: number, from: SaltKind, to: SaltKind): number =>
  (saltG / from.teaspoonG.typical) * to.teaspoonG.typical
