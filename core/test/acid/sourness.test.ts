import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foodsAt, KNOWN_FOODS, sourerWords, sourerWorking, timesAsSour } from '../../src'

describe('how sour is sour', () => {
  it.each([
    [4.3, 3.7, 'four times the acid activity'],
    [4.3, 3.9, 'two and a half times the acid activity'],
    [4.6, 3.6, 'ten times the acid activity'],
    [5.2, 3.6, '40 times the acid activity'],
    [4, 3.7, 'two times the acid activity'],
    [4, 3.82, 'one and a half times the acid activity'],
    [4, 3.93, 'a little more acid activity'],
    [3.7, 3.7, 'as sour, as far as a meter tells'],
    [3.7, 4.3, 'less sour: four times less acid activity'],
  ])('%d to %d: %s', (from, to, words) => expect(sourerWords(from, to)).toBe(words))

  it('steps multiply, and back is one over it', () => {
    const ph = fc.double({ min: 2, max: 7, noNaN: true })
    fc.assert(
      fc.property(ph, ph, ph, (a, b, c) => {
        expect(timesAsSour(a, b) * timesAsSour(b, c)).toBeCloseTo(timesAsSour(a, c), 6 - Math.ceil(Math.abs(a - c)))
        expect(timesAsSour(a, b) * timesAsSour(b, a)).toBeCloseTo(1, 9)
      }),
      { seed: 18 },
    )
    expect(sourerWorking(4.3, 3.7).result).toBe('3.98 times')
  })

  it('a lot lies among known foods (US FDA, approximate pH of foods, from memory)', () => {
    expect(foodsAt(3.45).map(({ name }) => name)).toEqual(['apples', 'sauerkraut'])
    expect(foodsAt(6.1).map(({ name }) => name)).toEqual(['bread'])
    expect(foodsAt(1.5).map(({ name }) => name)).toEqual(['lemon juice'])
    expect(KNOWN_FOODS.every(({ low, high }) => low < high)).toBe(true)
  })
})
