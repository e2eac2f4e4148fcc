import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  materialById,
  mix,
  mixturePh,
  ofMaterial,
  ofSalt,
  otherSolidsG,
  pressBalance,
  PRESS_METHODS,
  propertiesOf,
  separate,
} from '../../src'

const ferment = mix([ofMaterial(materialById('cayenne')!, 960), ofSalt(40)])

describe('press', () => {
  it('balances the weights, shows what is missing, refuses more than went in', () => {
    expect(pressBalance({ inG: 1000, baseG: 780, pulpG: 200, seedsG: 0 })).toMatchObject({ missingG: 20, yieldPct: 78 })
    expect(pressBalance({ inG: 1000, baseG: 700, pulpG: 200, seedsG: 0 }).sentence).toMatch(/not accounted for/)
    expect(() => pressBalance({ inG: 1000, baseG: 900, pulpG: 200, seedsG: 0 })).toThrow(/100 g too much/)
    expect(pressBalance({ inG: 1000, baseG: 600, pulpG: 100, seedsG: 20, brineG: 270 }).missingG).toBe(10)
  })

  it('conserves everything between base, pulp, seeds, brine and loss, and leaves the pH of the liquid', () => {
    const grams = (max: number) => fc.double({ min: 0, max, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom(...PRESS_METHODS.filter((method) => method !== 'draw')),
        grams(200),
        grams(60),
        grams(250),
        grams(40),
        (method, pulp, seedsG, brineG, lostG) => {
          const pulpG = method === 'whole' ? 0 : pulp
          const parts = separate(ferment, method, {
            inG: 1000,
            baseG: 1000 - pulpG - seedsG - brineG - lostG,
            pulpG,
            seedsG,
            brineG,
          })
          const all = mix([parts.base, parts.pulp, parts.seeds, parts.brine, parts.lost])
          for (const key of ['massG', 'waterG', 'saltG', 'sidMmol'] as const)
            expect(all[key]).toBeCloseTo(ferment[key], 5)
          for (const id of Object.keys(ferment.acids) as (keyof typeof ferment.acids)[])
            expect(all.acids[id]!).toBeCloseTo(ferment.acids[id]!, 6)
          expect(all.sugarG.typical).toBeCloseTo(ferment.sugarG.typical, 5)
          expect(all.heat.typical / ferment.heat.typical).toBeCloseTo(1, 6)
          expect(mixturePh(parts.base)!).toBeCloseTo(mixturePh(ferment)!, 4)
        },
      ),
    )
  })

  it('brine let off is liquid alone: no solids, a tenth of its share of the heat; the pieces keep theirs', () => {
    const { base, brine } = separate(ferment, 'drain', { inG: 1000, baseG: 700, pulpG: 0, seedsG: 0, brineG: 300 })
    expect(otherSolidsG(brine)).toBeCloseTo(0, 6)
    expect(brine.heat.typical).toBeLessThan(0.05 * ferment.heat.typical)
    expect(propertiesOf(base).bodyPct).toBeGreaterThan(propertiesOf(ferment).bodyPct)
  })

  it('drawing off takes liquid alone: its salt and acid in proportion, a tenth of the heat, no pieces', () => {
    const whole = propertiesOf(ferment)
    const base = propertiesOf(separate(ferment, 'draw', { inG: 200, baseG: 200, pulpG: 0, seedsG: 0 }).base)
    expect(base.pH).toBeCloseTo(whole.pH!, 4)
    expect(base.saltPct).toBeGreaterThan(whole.saltPct)
    expect(base.shu.typical).toBeLessThan(0.15 * whole.shu.typical)
  })

  it('straining takes heat with the solids', () => {
    const { base } = separate(ferment, 'cloth', { inG: 1000, baseG: 800, pulpG: 200, seedsG: 0 })
    expect(base.heat.typical / base.massG).toBeLessThan((0.7 * ferment.heat.typical) / ferment.massG)
  })
})
