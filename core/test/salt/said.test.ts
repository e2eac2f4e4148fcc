import { describe, expect, it } from 'vitest'
import type { InvalidInput } from '../../src'
import { exactly, readSalt, spoonCountWords, spoonsSaid, saltOfDose, SALTS } from '../../src'

/* Salt as it is dosed. Level teaspoons: common practice, as in docs/checks.md. */

const inAll = (text: string, jars = 1, waterG = 0, cups = 0): number => {
  const said = readSalt(text, SALTS, 'fine-sea')
  if (said.kind === 'percent') return said.pct.typical
  if (said.kind === 'by eye') return Number.NaN
  return saltOfDose(said, { jars, waterG: exactly(waterG), produceCups: exactly(cups) }).typical
}

describe('salt as it is said', () => {
  it.each([
    ['4 %', 4],
    ['4', 4],
    ['4-5 %', 4.5],
    ['56 g', 56],
    ['2 oz', 56.7],
    ['3 tbsp', 49.5],
    ['3 tbsp coarse', 45],
    ['5 tbsp of pickling salt', 88.5],
    ['half a teaspoon a layer, 9 times', 24.75],
    ['1/2 tsp per layer, 9 layers', 24.75],
    ['1 tsp salt on top', 5.5],
    ['2 tbsp coarse in a quart', 30],
    ['box 500 g before, 340 g after', 160],
    ['sprinkled: box from 1 kg to 860 g', 140],
    ['500 before and 340 after', 160],
  ])('%s', (text, grams) => expect(inAll(text)).toBeCloseTo(grams, 1))

  it('by the jar, by the water, by the cup', () => {
    expect(inAll('3 tbsp coarse in each two-quart jar', 3)).toBeCloseTo(135, 6)
    expect(inAll('two tablespoons coarse in each half-gallon', 2)).toBeCloseTo(60, 6)
    expect(inAll('45 g per jar', 2)).toBeCloseTo(90, 6)
    // Three pints are 1 419.5 mL: half as much water takes half the salt.
    expect(inAll('2 tbsp in three pints of water', 1, 1419.53 / 2)).toBeCloseTo(16.5, 2)
    expect(inAll('1 tbsp per quart of water', 1, 2 * 946.353)).toBeCloseTo(33, 2)
    expect(inAll('1 tbsp to each cup', 1, 0, 4)).toBeCloseTo(66, 6)
    expect(inAll('2 tsp in 1 1/2 cups', 1, 0)).toBeCloseTo(11, 6)
    // Trade check (common practice): one tablespoon in two cups of water is 3.5 to 4 % of the water.
    expect((100 * inAll('1 tbsp in 2 cups', 1, 473.18)) / 473.18).toBeCloseTo(3.5, 1)
  })

  it('spoons are counted on, and said in spoons there are; any other dose is left alone', () => {
    for (let halves = 1; halves <= 60; halves++)
      expect(spoonsSaid(spoonCountWords(halves / 2))).toBeCloseTo(halves / 2, 9)
    expect(spoonCountWords(7.5)).toBe('2 tbsp 1 1/2 tsp')
    expect(['', '3 tbsp', '2 tbsp in each jar', '40 g', '3 %', '2 tsp in 1 1/2 cups'].map(spoonsSaid)).toEqual([
      0,
      9,
      ...[null, null, null, null],
    ])
  })

  it('says of what a percentage is, and which salt was named', () => {
    expect(readSalt('4 % of the water', SALTS, 'fine-sea')).toMatchObject({ kind: 'percent', basis: 'water' })
    expect(readSalt('2.5% of everything', SALTS, 'fine-sea')).toMatchObject({ basis: 'everything' })
    expect(readSalt('2 tbsp pink', SALTS, 'fine-sea')).toMatchObject({ saltId: 'pink' })
    expect(readSalt('1 tsp salt on top', SALTS, 'fine-sea')).toMatchObject({ onTop: true })
    expect(readSalt('coarse salt by eye', SALTS, 'fine-sea')).toEqual({ kind: 'by eye', saltId: 'coarse-sea' })
  })

  it.each([
    ['a spoon to each cup', ['a tbsp to each cup', 'a tsp to each cup']],
    ['2 tbsp kosher', ['2 tbsp dense kosher', '2 tbsp flaky kosher']],
    ['500-450 g', ['450-500 g']],
    ['box 340 g before, 500 g after', []],
    ['to taste', []],
    ['salt', []],
    ['3 limes', []],
    ['a teaspoon a layer', []],
  ])('asks or refuses: %s', (text, suggestions) => {
    try {
      readSalt(text, SALTS, 'fine-sea')
      expect.unreachable()
    } catch (error) {
      expect((error as InvalidInput).suggestions).toEqual(suggestions)
    }
  })
})
