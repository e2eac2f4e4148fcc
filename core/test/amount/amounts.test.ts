import { readFileSync } from 'node:fs'
import * as fc from 'fast-check'
import { parseIngredient } from 'parse-ingredient'
import { describe, expect, it } from 'vitest'
import { InvalidInput, makeLibrary, readAmount, readRange, weigh, type Range } from '../../src'

/* docs/checks.md: what people type. The table says what each must come to; it was written before the reader. */

const lines = readFileSync(new URL('./amounts.txt', import.meta.url), 'utf8')
  .split('\n')
  .filter((line) => line !== '' && !line.startsWith('#'))
const library = makeLibrary()

/** What a field of the table makes of a text. */
function come(field: string, text: string): Range {
  const [, kind = '', id = '', unit = ''] = /^\[(\w+)(?: ([\w-]+(?= in)))?(?: in (\w+))?\]$/.exec(field) ?? []
  if (kind === 'row') return weigh(library.materialOrUnknown(id), text, unit).massG
  return readRange(text, kind as 'volume' | 'percent' | 'temperature', unit || undefined)
}

function outcome(field: string, text: string): string | Range {
  try {
    return come(field, text)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    return error.suggestions.length ? `? ${error.suggestions.join(' / ')}` : '!'
  }
}

const near = (a: number, b: number) => Math.abs(a - b) <= 0.006 * Math.abs(b) + 1e-6
const exactly = (a: number, b: number) => Math.abs(a - b) <= 0.0005 * Math.abs(b) + 1e-6

/** Whether a range is what the table says: middle and ends within what is written there, 0.5 %. */
function fits({ low, typical, high }: Range, said: string): boolean {
  const numbers = said.split('..').map(Number)
  if (numbers.length === 1) return exactly(typical, numbers[0]!) && low === high
  const ends = near(low, numbers[0]!) && near(high, numbers.at(-1)!)
  const middle = numbers.length === 3 ? numbers[1]! : (numbers[0]! + numbers[1]!) / 2
  return ends && Math.abs(typical - middle) <= 0.005 * middle
}

describe('amounts as people type them', () => {
  let field = ''
  const wrong: string[] = []
  let count = 0
  for (const line of lines) {
    if (line.startsWith('[')) {
      field = line
      continue
    }
    count++
    const at = line.lastIndexOf('= ')
    const [text, said] = [line.slice(0, at).trimEnd(), line.slice(at + 2)]
    const found = outcome(field, text)
    if (typeof found === 'string' ? found !== said : !fits(found, said))
      wrong.push(`${field} ${line}: ${typeof found === 'string' ? found : JSON.stringify(found)}`)
  }
  it('reads, asks or refuses each of three hundred', () => {
    expect(count).toBeGreaterThanOrEqual(280)
    expect(wrong).toEqual([])
  })
})

/** Factors of the independent reader's units, from memory: NIST Handbook 44, appendix C. */
const FACTOR: Readonly<Record<string, number>> = {
  ...{ gram: 1, kilogram: 1000, ounce: 28.349523125, pound: 453.59237, milliliter: 1, liter: 1000, centiliter: 10 },
  ...{ cup: 236.5882365, pint: 473.176473, quart: 946.352946, gallon: 3785.411784, 'fluid ounce': 29.5735295625 },
  ...{ tablespoon: 14.78676478125, teaspoon: 4.92892159375, deciliter: 100 },
}

const whole = fc.integer({ min: 1, max: 60 })
const decimal = fc.integer({ min: 1, max: 9999 }).map((value) => String(value / 100))
const fraction = fc.constantFrom('1/2', '1/4', '3/4', '1/3', '2/3', '1/8', '½', '¼', '¾', '⅓', '⅔')
const number = fc.oneof(
  whole.map(String),
  decimal,
  fraction,
  fc.tuple(whole, fraction).map(([one, part]) => (/\d/.test(part) ? `${one} ${part}` : `${one}${part}`)),
)
const unit = fc.constantFrom(
  ...[
    'g',
    'gram',
    'grams',
    'kg',
    'kilograms',
    'oz',
    'ounce',
    'ounces',
    'lb',
    'lbs',
    'pound',
    'pounds',
    'ml',
    'l',
    'liter',
  ],
  ...['cup', 'cups', 'pint', 'pints', 'pt', 'quart', 'quarts', 'qt', 'gallon', 'gal', 'fl oz', 'tbsp', 'tablespoons'],
  ...['tsp', 'teaspoon', 'teaspoons', 'litre', 'kilo', 'bunch', 'bunches', 'cloves', 'heads', 'sprigs', 'slices'],
)
const range = fc
  .tuple(whole, whole, fc.constantFrom('-', ' - ', ' to ', '–'))
  .map(([a, b, between]) => `${a}${between}${a + b}`)

it('5 000 generated amounts read as an independent parser reads them (parse-ingredient)', () => {
  fc.assert(
    fc.property(fc.oneof(number, range), unit, fc.constantFrom(' ', ''), (said, name, gap) => {
      const text = `${said}${gap || (/[a-z]$/.test(said) ? ' ' : '')}${name}`
      const [theirs] = parseIngredient(`${said} ${name} tomato`)
      // What it does not know as a unit it says nothing of.
      fc.pre(theirs?.quantity != null && (theirs.unitOfMeasureID ?? '') !== '')
      const factor = FACTOR[theirs!.unitOfMeasureID!] ?? 1
      const [low, high] = [theirs!.quantity!, theirs!.quantity2 ?? theirs!.quantity!].map((one) => one * factor)
      const mine = readAmount(text)
      const found =
        mine.kind === 'mass' ? mine.massG : mine.kind === 'volume' ? mine.volumeMl : 'count' in mine ? mine.count : null
      // It rounds thirds to three places.
      expect(Math.abs(found!.low / low! - 1)).toBeLessThan(0.002)
      expect(Math.abs(found!.high / high! - 1)).toBeLessThan(0.002)
    }),
    { numRuns: 5_000, seed: 17 },
  )
})
