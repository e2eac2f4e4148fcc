import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { InvalidInput } from '../../src'
import {
  afterHours,
  counted,
  dayWords,
  ends,
  formatForField,
  formatMass,
  formatNumber,
  plainNumber,
  formatTemperature,
  formatVolume,
  inWorld,
  parseQuantity,
  readField,
} from '../../src'

describe('reading what was typed', () => {
  it.each([
    ['1384.6', 'mass', 1384.6],
    ['1 384.6 g', 'mass', 1384.6],
    ['1.4kg', 'mass', 1400],
    ['2 lb 3 oz', 'mass', 992.233],
    ['1 1/2 cup', 'volume', 354.882],
    ['1½ cup', 'volume', 354.882],
    ['3 tbsp', 'volume', 44.36],
    ['68F', 'temperature', 20],
    ['15.6 °C', 'temperature', 15.6],
    ['-4', 'temperature', -4],
    ['12,5', 'mass', 12.5],
    ['0,125 kg', 'mass', 125],
    ['pH 3.62', 'ph', 3.62],
    ['4 %', 'percent', 4],
  ] as const)('%s', (text, kind, expected) => {
    expect(readField(text, kind)).toBeCloseTo(expected, 2)
  })

  it("takes the reader's own unit where none is typed", () => {
    expect(readField('2', 'mass', 'oz')).toBeCloseTo(56.699, 3)
    expect(readField('212', 'temperature', 'f')).toBeCloseTo(100, 6)
  })

  it.each([
    ['', 'mass', /Enter an amount/],
    ['NaN', 'mass', /No amount can be read/],
    ['-5', 'mass', /less than zero/],
    ['1000000000', 'mass', /between 0 g and 1.000.000 g/],
    ['1,250', 'mass', /Write 1250/],
    ['14', 'ph', /Did you mean 1.4|between 1.5 and 9/],
    ['41', 'ph', /Did you mean 4.1/],
    ['40', 'percent', /between 0 % and 35 %/],
    ['3 stone', 'mass', /"stone" cannot be read/],
    ['1/0', 'mass', /below the line/],
    ['2.5', 'count', /whole number/],
    ['5 6 x', 'ph', /not a/],
  ] as const)('refuses "%s" as %s in words', (text, kind, sentence) => {
    expect(() => readField(text, kind, undefined, kind === 'percent' ? { high: 35 } : {})).toThrow(sentence)
  })

  it('offers what was probably meant', () => {
    const suggestion = (text: string, kind: 'ph' | 'mass') => {
      try {
        readField(text, kind)
      } catch (error) {
        return (error as InvalidInput).suggestions[0]
      }
    }
    expect(suggestion('41', 'ph')).toBe('4.1')
    expect(suggestion('1,250 g', 'mass')).toBe('1250 g')
  })
})

describe('writing', () => {
  it('groups thousands and chooses a unit', () => {
    expect(formatNumber(1384.6, 1)).toBe('1\u202f384.6')
    expect([formatMass(13.88), formatMass(56), formatMass(12500), formatMass(992.23, 'us')]).toEqual([
      '13.9 g',
      '56.0 g',
      '12.50 kg',
      '2 lb 3.0 oz',
    ])
    expect([formatVolume(354.9, 'us'), formatVolume(1400), formatTemperature(20, 'us')]).toEqual([
      '1.5 cups',
      '1.40 L',
      '68.0 °F',
    ])
  })

  it('what a field shows is read back the same, in every unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100_000, noNaN: true }),
        fc.constantFrom('g', 'kg', 'oz', 'lb'),
        fc.constantFrom('c', 'f'),
        (value, unit, degree) => {
          const within = { g: 0.051, kg: 0.51, oz: 0.15, lb: 2.3 }[unit]!
          expect(Math.abs(readField(formatForField(value, 'mass', unit), 'mass', unit) - value)).toBeLessThanOrEqual(
            within,
          )
          expect(
            Math.abs(
              parseQuantity(formatForField(value / 1000, 'temperature', degree), 'temperature', degree) - value / 1000,
            ),
          ).toBeLessThanOrEqual(0.051)
        },
      ),
    )
  })
})

describe('sentences of core in the maker’s units', () => {
  it.each([
    ['Needs 1\u202f133 mL; the vessel holds 500 mL.', 'Needs 1.2 quarts; the vessel holds 2.11 cups.'],
    ['probably 34 to 56.7 g of salt', 'probably 1.20 oz to 2.00 oz of salt'],
    ['-4 °C at night', '24.8 °F at night'],
    ['density 1.020 g/mL, 24 g/L', 'density 1.020 g/mL, 24 g/L'],
    ['into a 5 L jar', 'into a 5 L jar'],
    ['on day 3, 4 %', 'on day 3, 4 %'],
  ])('%s', (sentence, us) => {
    expect(inWorld(sentence, 'us')).toBe(us)
    expect(inWorld(sentence, 'metric')).toBe(sentence)
  })
})

describe('counts, ranges and times as people say them', () => {
  it.each([
    [counted(1, 'bottle'), '1 bottle'],
    [counted(0, 'bottle'), '0 bottles'],
    [counted(1200, 'entry', 'entries'), '1\u202f200 entries'],
    [ends(85.2, 84.9), '85'],
    [ends(5, 7), '5–7'],
    [afterHours(0.3), 'at once'],
    [afterHours(24.2), 'after 24 h'],
    [plainNumber(6), '6'],
    [plainNumber(6.52), '6.5'],
    [dayWords(6 * 86_400_000), 'day 6'],
  ])('%s', (said, wanted) => expect(said).toBe(wanted))
})
