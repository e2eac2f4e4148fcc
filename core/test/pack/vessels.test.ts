import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  brineDensity,
  brineParts,
  chooseVessels,
  coverBrine,
  fillLimitOf,
  styleById,
  greedyVessels,
  recommendedChoice,
  type FreeVessel,
} from '../../src'

const free: FreeVessel[] = [
  { id: 'half', capacityMl: 520, count: 10 },
  { id: 'one', capacityMl: 1050, count: 7 },
  { id: 'two', capacityMl: 2100, count: 6 },
  { id: 'three', capacityMl: 3150, count: 2 },
  { id: 'five', capacityMl: 5200, count: 2 },
]

/** Least total capacity that takes a need, by trying every way. */
function bruteForce(need: number, vessels: readonly FreeVessel[]): number {
  const [first, ...rest] = vessels
  if (need <= 0) return 0
  if (!first) return Infinity
  return Math.min(
    ...Array.from(
      { length: first.count + 1 },
      (_, count) => count * first.capacityMl + bruteForce(need - count * first.capacityMl, rest),
    ),
  )
}

describe('which vessels', () => {
  const row = fc
    .array(fc.record({ capacityMl: fc.integer({ min: 100, max: 3000 }), count: fc.integer({ min: 0, max: 3 }) }), {
      minLength: 1,
      maxLength: 4,
    })
    .map((list) => list.map((vessel, index) => ({ ...vessel, id: `v${index}` })))
  const limit = fc.constantFrom(0.5, 0.75, 0.85, 0.9)

  it('never passes a fill limit, never takes more than there are, and is never worse than the greedy way; the least air is the least there is', () => {
    fc.assert(
      fc.property(row, limit, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (vessels, most, share) => {
        const together = vessels.reduce((sum, vessel) => sum + vessel.capacityMl * vessel.count, 0)
        fc.pre(together * most * share >= 1)
        const volumeMl = together * most * share
        const choices = chooseVessels(volumeMl, vessels, most)
        const greedy = greedyVessels(volumeMl, vessels, most)!
        for (const choice of choices) {
          expect(choice.fraction).toBeLessThanOrEqual(most + 1e-9)
          for (const { id, count } of choice.vessels)
            expect(count).toBeLessThanOrEqual(vessels.find((vessel) => vessel.id === id)!.count)
        }
        expect(choices[0]!.airMl).toBeLessThanOrEqual(greedy.airMl + 1e-6)
        expect(Math.min(...choices.map((choice) => choice.count))).toBeLessThanOrEqual(greedy.count)
        expect(choices[0]!.capacityMl).toBeCloseTo(bruteForce(volumeMl / most - 1e-6, vessels), 6)
      }),
      { numRuns: 300 },
    )
  })

  it('offers from the least air to the fewest vessels, and begins with a full one and not with seven small ones', () => {
    const choices = chooseVessels(2965, free, 0.85)
    expect(choices.map((choice) => choice.count)).toEqual([7, 4, 2, 1])
    expect(recommendedChoice(choices, 0.85)).toMatchObject({
      count: 2,
      vessels: [
        { id: 'three', count: 1 },
        { id: 'half', count: 1 },
      ],
    })
  })

  it('says in words what cannot be: too much, nothing free, less than a jarful', () => {
    expect(() => chooseVessels(60_000, free, 0.75)).toThrow(
      /does not fit: 60.00 L want 80.00 L of vessels at 75 % full, and 41.85 L are free/,
    )
    expect(() => chooseVessels(1000, [{ id: 'one', capacityMl: 1050, count: 0 }], 0.75)).toThrow(/No vessel is free/)
    expect(() => chooseVessels(1000, [{ id: 'none', capacityMl: 0, count: 1 }], 0.75)).toThrow(/A vessel in mL/)
    expect(chooseVessels(60, free, 0.75)[0]).toMatchObject({ verdict: 'airy', count: 1 })
  })
})

describe('brine that covers', () => {
  it('fills the gaps and stands a finger above: 1 L of pieces with 40 % gaps takes 767 mL', () => {
    const cover = coverBrine(1000, { low: 0.3, typical: 0.4, high: 0.5 }, 5)
    expect(cover.volumeMl.typical).toBeCloseTo((1000 / 0.6) * 0.46, 6)
    expect(cover.volumeMl.low).toBeLessThan(cover.volumeMl.typical)
    expect(cover.massG).toBeCloseTo(cover.volumeMl.typical * brineDensity(5), 6)
    expect(cover.reserveG).toBeCloseTo(cover.massG / 10, 6)
    const { waterG, saltG } = brineParts(cover.massG, 5)
    expect((100 * saltG) / (saltG + waterG)).toBeCloseTo(5, 9)
    expect(() => coverBrine(1000, { low: 0.3, typical: 0.4, high: 0.95 }, 5)).toThrow(/share between 0 and 0.9/)
  })

  it('a mash with fruit, or kept warm, is filled less (65-70 %, common practice)', () => {
    expect([
      fillLimitOf(styleById('mash'), 0),
      fillLimitOf(styleById('mash'), 0.4),
      fillLimitOf(styleById('mash'), 0, 26),
      fillLimitOf(styleById('chop'), 0.4),
    ]).toEqual([0.75, 0.68, 0.68, 0.85])
  })
})
