import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { materialById, mix, mixturePh, ofMaterial, ofSalt, pressBalance, PRESS_METHODS, propertiesOf, separate } from '../../src'

const ferment = mix([ofMaterial(materialById('cayenne')!, 960), ofSalt(40)])

describe('press', () => {
  it('balances the weights, shows what is missing, refuses more than went in', () => {
    expect(pressBalance({ inG: 1000, baseG: 780, pulpG: 200, seedsG: 0 })).toMatchObject({ missingG: 20, yieldPct: 78 })
    expect(pressBalance({ inG: 1000, baseG: 700, pulpG: 200, seedsG: 0 }).sentence).toMatch(/not accounted for/)
    expect(() => pressBalance({ inG: 1000, baseG: 900, pulpG: 200, seedsG: 0 })).toThrow(/100 g too much/)
  })

  it('conserves water, salt, acid and heat between base and pulp, and leaves the pH of the liquid', () => {
    fc.assert(fc.property(fc.constantFrom(...PRESS_METHODS.filter(method => method !== 'draw')), fc.double({ min: 0, max: 300, noNaN: true }), (method, pulpG) => {
      const outG = method === 'whole' ? 0 : pulpG
      const { base, pulp } = separate(ferment, method, { inG: 1000, baseG: 1000 - outG, pulpG: outG, seedsG: 0 })
      expect(base.waterG + pulp.waterG).toBeCloseTo(ferment.waterG, 6)
      expect(base.saltG + pulp.saltG).toBeCloseTo(ferment.saltG, 6)
      expect(base.heat.typical + pulp.heat.typical).toBeCloseTo(ferment.heat.typical, 3)
      expect(mixturePh(base)!).toBeCloseTo(mixturePh(ferment)!, 4)
    }))
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
    expect(base.heat.typical / base.massG).toBeLessThan(0.7 * ferment.heat.typical / ferment.massG)
  })
})
