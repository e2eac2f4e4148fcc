import { describe, expect, it } from 'vitest'
import { PROPERTIES } from '@lactofer/core'
import { RULERS, stepped, wishWords } from '~/components/measure/rulers'
import { potColour } from '~/forms/potColour'

describe('a ruler', () => {
  it('finds a value at the place it lies', () => {
    for (const property of PROPERTIES) {
      const { low, high, share, at, ticks } = RULERS[property]
      for (const value of [low, ...ticks, high]) expect(at(share(value)), property).toBeCloseTo(value, 6)
    }
  })

  it('steps a wish to the next line and back, within its limits; mild heat finely, fierce heat coarsely', () => {
    const wide = { low: 0, high: 1_000_000 }
    expect(stepped('acid', 3.62, 1, { low: 2.5, high: 4.6 })).toBe(3.65)
    expect(stepped('acid', 4.6, 1, { low: 2.5, high: 4.6 })).toBe(4.6)
    expect(stepped('heat', 320, 1, wide)).toBe(350)
    expect(stepped('heat', 9600, 1, wide)).toBe(9700)
    expect([stepped('heat', 950, 1, wide), stepped('heat', 1000, -1, wide)]).toEqual([1000, 950])
    expect(stepped('heat', 52_300, 0, wide)).toBe(52_000)
  })

  it('says its wish', () => {
    expect(wishWords('acid', { low: 3.6, high: 3.7 })).toBe('3.60 to 3.70')
    expect(wishWords('salt', { low: null, high: 2.5 })).toBe('at most 2.50')
    expect(wishWords('salt', { low: null, high: null })).toBe('')
  })
})

describe('the colour of a pot', () => {
  const red = { colour: '#c8321e', massG: 500, clear: false }
  it('is that of one part alone, lies between two, and hardly follows what is clear', () => {
    expect(potColour([])).toBeNull()
    expect(potColour([red])).toBe('#c8321e')
    const water = { colour: '#b9d4e0', massG: 500, clear: true }
    const [thin, mixed] = [potColour([red, water])!, potColour([red, { ...water, clear: false }])!]
    const blue = (colour: string) => parseInt(colour.slice(5), 16)
    expect(blue(thin)).toBeLessThan(blue(mixed))
    expect(blue(mixed)).toBeGreaterThan(0x1e)
    expect(blue(mixed)).toBeLessThan(0xe0)
  })
})
