import { describe, expect, it } from 'vitest'
import { asIsShu, exactly, formatShu, heatWord, mixtureShu, strainingKeeps } from '../../src'

describe('heat', () => {
  it('40 000 dry × 0.16 × 0.95 × 65 % mash × 0.90 kept is 3 557, inside the 2 500-5 000 of a cayenne-type sauce (common practice)', () => {
    const fermented = asIsShu(exactly(40_000), exactly(0.16)).typical * 0.95
    const sauce =
      mixtureShu([
        { massG: 65, shu: exactly(fermented) },
        { massG: 35, shu: exactly(0) },
      ])!.typical * 0.9
    expect(sauce).toBeCloseTo(3557, 0)
    expect(sauce).toBeGreaterThan(2500)
    expect(sauce).toBeLessThan(5000)
  })

  it('straining keeps 1 − 0.9 r; no mass has no heat; figures are shown as ranges', () => {
    expect(strainingKeeps(0.5)).toBeCloseTo(0.55)
    expect(() => strainingKeeps(1.2)).toThrow(/between/)
    expect(mixtureShu([])).toBeNull()
    expect(formatShu({ low: 2534, typical: 3557, high: 4960 })).toBe('2\u202f500–5\u202f000 SHU')
    expect([heatWord(0), heatWord(3557), heatWord(200_000)]).toEqual(['mild', 'warm', 'fierce'])
  })
})
