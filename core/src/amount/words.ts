import { CUP_ML, GALLON_ML, OUNCE_G, POUND_G, TABLESPOON_ML, TEASPOON_ML } from '../units/quantity'
import type { Range } from '../working'

/** What is counted: the piece itself, and what else a thing is bought and used by. */
export const PIECES = [
  'piece',
  'head',
  'clove',
  'bunch',
  'handful',
  'sprig',
  'leaf',
  'stalk',
  'slice',
  'wedge',
  'packet',
] as const
export type Piece = (typeof PIECES)[number]

/** A unit as it is said. Factors to g and mL. `rough` is a measure that is a range by itself. */
export type UnitWord = { name: string } & (
  | { of: 'mass'; factor: number }
  | { of: 'volume'; factor: number; by?: 'cup' | 'spoon'; rough?: Range }
  | { of: 'small'; rough: Range }
  | { of: 'percent' }
  | { of: 'vessels' }
  /** Short for two that differ by three times: a tablespoon holds three teaspoons. */
  | { of: 'which spoon' }
  | { of: 'pieces'; piece: Piece }
)

const mass = (name: string, factor: number): UnitWord => ({ name, of: 'mass', factor })
const volume = (name: string, factor: number, by?: 'cup' | 'spoon'): UnitWord => ({
  name,
  of: 'volume',
  factor,
  ...(by && { by }),
})
const pieces = (piece: Piece): UnitWord => ({ name: piece, of: 'pieces', piece })

/** Units and the words for them, as typed with small letters; of two words first. */
const UNITS: readonly (readonly [UnitWord, string])[] = [
  [mass('g', 1), 'g|gr|gram|grams|gramme|grammes'],
  [mass('kg', 1000), 'kg|kgs|kilo|kilos|kilogram|kilograms'],
  [mass('oz', OUNCE_G), 'oz|ounce|ounces'],
  [mass('lb', POUND_G), 'lb|lbs|pound|pounds|#'],
  [volume('mL', 1), 'ml|mls|millilitre|millilitres|milliliter|milliliters|cc'],
  [volume('cL', 10), 'cl|centilitre|centilitres'],
  [volume('dL', 100), 'dl|decilitre|decilitres'],
  [volume('L', 1000), 'l|litre|litres|liter|liters'],
  [volume('cup', CUP_ML, 'cup'), 'cup|cups|c|cupful|cupfuls'],
  [volume('pint', GALLON_ML / 8), 'pint|pints|pt|pts'],
  [volume('quart', GALLON_ML / 4), 'quart|quarts|qt|qts'],
  [volume('gallon', GALLON_ML), 'gallon|gallons|gal|gals'],
  [volume('fl oz', 2 * TABLESPOON_ML), 'fl oz|floz|fluid ounce|fluid ounces|fl ounce|fl ounces'],
  [
    volume('tbsp', TABLESPOON_ML, 'spoon'),
    'tbsp|tbsps|tbs|tblsp|tablespoon|tablespoons|tablespoonful|tablespoonfuls|table spoon|table spoons',
  ],
  [volume('tsp', TEASPOON_ML, 'spoon'), 'tsp|tsps|teaspoon|teaspoons|teaspoonful|teaspoonfuls|tea spoon|tea spoons'],
  [volume('dessertspoon', 2 * TEASPOON_ML, 'spoon'), 'dessertspoon|dessertspoons'],
  [{ name: 'spoon', of: 'which spoon' }, 't|ts|spoon|spoons|spoonful|spoonfuls'],
  [{ name: 'dash', of: 'volume', factor: 0.6, rough: { low: 0.5, typical: 1, high: 2 } }, 'dash|dashes'],
  [{ name: 'splash', of: 'volume', factor: 10, rough: { low: 0.5, typical: 1, high: 2 } }, 'splash|splashes'],
  [{ name: 'pinch', of: 'small', rough: { low: 0.2, typical: 0.4, high: 0.8 } }, 'pinch|pinches'],
  [{ name: '%', of: 'percent' }, '%|percent|pct|per cent'],
  [
    { name: 'jar', of: 'vessels' },
    'jar full|jars full|jarful|jarfuls|jar|jars|vessel full|crock full|bucket full|jar filled',
  ],
  [pieces('piece'), 'piece|pieces|pc|pcs|pod|pods|fruit|fruits|bottle|bottles'],
  [pieces('head'), 'head|heads|bulb|bulbs'],
  [pieces('clove'), 'clove|cloves'],
  [pieces('bunch'), 'bunch|bunches'],
  [pieces('handful'), 'handful|handfuls'],
  [pieces('sprig'), 'sprig|sprigs|stem|stems'],
  [pieces('leaf'), 'leaf|leaves'],
  [pieces('stalk'), 'stalk|stalks|stick|sticks|rib|ribs'],
  [pieces('slice'), 'slice|slices|round|rounds'],
  [pieces('wedge'), 'wedge|wedges'],
  [pieces('packet'), 'packet|packets|sachet|sachets'],
]

const BY_WORD = new Map(UNITS.flatMap(([unit, words]) => words.split('|').map((word) => [word, unit] as const)))

/** The unit at a place, of two words or of one. */
export function unitWord(typed: (ahead: number) => string | undefined): { unit: UnitWord; words: number } | null {
  const [one, two] = [typed(0)?.toLowerCase(), typed(1)?.toLowerCase()]
  if (one === undefined) return null
  const both = two === undefined ? undefined : BY_WORD.get(`${one} ${two}`)
  if (both) return { unit: both, words: 2 }
  const unit = BY_WORD.get(one)
  return unit ? { unit, words: 1 } : null
}

const NUMBERS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
}
const SHARES: Readonly<Record<string, number>> = {
  half: 1 / 2,
  halves: 1 / 2,
  third: 1 / 3,
  thirds: 1 / 3,
  quarter: 1 / 4,
  quarters: 1 / 4,
  fourth: 1 / 4,
  fourths: 1 / 4,
  eighth: 1 / 8,
  eighths: 1 / 8,
}

/** A number in words: "three", "half a", "two thirds of a", "a couple of"; and how many words it took. */
export function quantityWord(word: (ahead: number) => string | undefined): { value: number; words: number } | null {
  let at = 0
  let value: number | null = null
  const eat = (...words: string[]) => {
    if (!words.every((one, index) => word(at + index) === one)) return false
    at += words.length
    return true
  }
  const number = NUMBERS[word(at) ?? '']
  if (number !== undefined) {
    at++
    value = number
    const share = SHARES[word(at) ?? '']
    if (share !== undefined) {
      at++
      value *= share
    }
  } else {
    const article = eat('a') || eat('an') || eat('the')
    const share = SHARES[word(at) ?? '']
    if (share !== undefined) {
      at++
      value = share
    } else if (article) value = 1
    else return eat('couple') ? { value: 2, words: (eat('of'), at) } : eat('dozen') ? { value: 12, words: at } : null
  }
  // "half a", "of a", "half a dozen", "a couple of".
  if (eat('of', 'a') || eat('of', 'an') || eat('a') || eat('an')) value *= 1
  if (eat('dozen')) value *= 12
  else if (value === 1 && eat('couple')) {
    eat('of')
    value = 2
  }
  return { value, words: at }
}
