import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  combineHeat,
  dilutionSteps,
  heatFromTasting,
  heatWord,
  HeatScaleSchema,
  nextDilution,
  thresholdOf,
  type TastingStep,
} from '../../src'

/** Somebody who just feels heat down to a dilution. */
const taste = (threshold: number, expected = { low: 1000, typical: 3000, high: 9000 }) => {
  const series: TastingStep[] = []
  for (
    let next = nextDilution(series, expected);
    next !== null && series.length < 30;
    next = nextDilution(series, expected)
  )
    series.push({ dilution: next, felt: next <= threshold })
  return series
}

describe('dilution tasting', () => {
  it('comes to the threshold in a few sips, whatever was expected, and holds it in its range', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 400_000, noNaN: true }),
        fc.double({ min: 100, max: 100_000, noNaN: true }),
        (threshold, typical) => {
          const series = taste(threshold, { low: typical / 2, typical, high: typical * 2 })
          expect(series.length).toBeLessThanOrEqual(16)
          const found = heatFromTasting(series)!
          expect(found.low).toBeLessThanOrEqual(threshold)
          expect(found.high).toBeGreaterThanOrEqual(threshold)
          expect(found.high / found.low).toBeLessThan(16)
        },
      ),
    )
  })

  it('begins thin, tells a contradiction, and says nothing while an end is open', () => {
    expect(nextDilution([], { low: 1000, typical: 3000, high: 9000 })).toBe(20_000)
    expect(
      thresholdOf([
        { dilution: 5000, felt: true },
        { dilution: 2000, felt: false },
      ]).contradicts,
    ).toBe(true)
    expect(heatFromTasting([{ dilution: 5000, felt: true }])).toBeNull()
    expect(
      heatFromTasting([
        { dilution: 5000, felt: true },
        { dilution: 2000, felt: false },
      ]),
    ).toBeNull()
  })

  it('is mixed in steps that come to the dilution', () => {
    for (const dilution of [10, 100, 2500, 40_000, 1_000_000]) {
      const reached = dilutionSteps(dilution).reduce((all, { takeG, waterG }) => (all * (takeG + waterG)) / takeG, 1)
      expect(Math.abs(reached / dilution - 1)).toBeLessThan(0.02)
      expect(Math.max(...dilutionSteps(dilution).map(({ waterG }) => waterG))).toBeLessThanOrEqual(99.1)
    }
  })

  it('narrows an estimate it agrees with and widens one it does not', () => {
    const estimate = { low: 1000, typical: 3000, high: 9000 }
    const { range, agrees } = combineHeat(estimate, { low: 1500, typical: 4000, high: 10_000 })
    expect(agrees).toBe(true)
    expect(range.high / range.low).toBeLessThan(estimate.high / estimate.low)
    expect(range.typical).toBeGreaterThan(3000)
    expect(range.typical).toBeLessThan(4000)
    const apart = combineHeat(estimate, { low: 40_000, typical: 80_000, high: 150_000 })
    expect(apart).toMatchObject({ agrees: false, range: { low: 1000, high: 150_000 } })
    // Sweet peppers that burn: not a thing to take the tongue's word for.
    expect(combineHeat({ low: 0, typical: 20, high: 80 }, { low: 8000, typical: 20_000, high: 50_000 }).agrees).toBe(
      false,
    )
  })
})

it('five words are the maker’s own; limits that do not rise are refused', () => {
  const scale = { words: ['shy', 'friendly', 'lively', 'loud', 'roaring'], limits: [100, 1000, 5000, 20_000] }
  expect([50, 100, 4999, 5000, 1e6].map((shu) => heatWord(shu, HeatScaleSchema.parse(scale)))).toEqual([
    'shy',
    'friendly',
    'lively',
    'loud',
    'roaring',
  ])
  expect(HeatScaleSchema.safeParse({ ...scale, limits: [100, 90, 5000, 20_000] }).success).toBe(false)
  expect(HeatScaleSchema.safeParse({ ...scale, words: ['', 'b', 'c', 'd', 'e'] }).success).toBe(false)
})
