import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  CAME_OUT,
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
  type CameOut,
  type PressMethod,
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
        grams(40),
        grams(60),
        fc.constantFrom(undefined, ...CAME_OUT),
        (method, pulp, seedsG, brineG, lostG, spiltG, boardG, cameOut) => {
          const pulpG = method === 'whole' ? 0 : pulp
          const baseG = 1000 - pulpG - seedsG - brineG - lostG - spiltG - boardG
          const parts = separate(ferment, method, { inG: 1000, baseG, pulpG, seedsG, brineG, spiltG, boardG }, cameOut)
          const { base, pulp: out, seeds, brine, spilt, board, lost } = parts
          const all = mix([base, out, seeds, brine, spilt, board, lost])
          for (const key of ['massG', 'waterG', 'saltG', 'sidMmol'] as const)
            expect(all[key]).toBeCloseTo(ferment[key], 5)
          for (const id of Object.keys(ferment.acids) as (keyof typeof ferment.acids)[])
            expect(all.acids[id]!).toBeCloseTo(ferment.acids[id]!, 6)
          expect(all.sugarG.typical).toBeCloseTo(ferment.sugarG.typical, 5)
          expect(all.pungency.typical / ferment.pungency.typical).toBeCloseTo(1, 6)
          expect(mixturePh(parts.base)!).toBeCloseTo(mixturePh(ferment)!, 4)
        },
      ),
    )
  })

  it('brine let off is liquid alone: no solids, a tenth of its share of the heat; the pieces keep theirs', () => {
    const { base, brine } = separate(ferment, 'drain', { inG: 1000, baseG: 700, pulpG: 0, seedsG: 0, brineG: 300 })
    expect(otherSolidsG(brine)).toBeCloseTo(0, 6)
    expect(brine.pungency.typical).toBeLessThan(0.05 * ferment.pungency.typical)
    expect(propertiesOf(base).bodyPct).toBeGreaterThan(propertiesOf(ferment).bodyPct)
  })

  it('drawing off takes liquid alone: its salt and acid in proportion, a tenth of the heat, no pieces', () => {
    const whole = propertiesOf(ferment)
    const base = propertiesOf(separate(ferment, 'draw', { inG: 200, baseG: 200, pulpG: 0, seedsG: 0 }).base)
    expect(base.pH).toBeCloseTo(whole.pH!, 4)
    expect(base.saltPct).toBeGreaterThan(whole.saltPct)
    expect(base.shu.typical).toBeLessThan(0.15 * whole.shu.typical)
  })

  it('blended fine and scraped through it keeps most of heat and solids, however much stays in the sieve', () => {
    for (const pulpG of [150, 400]) {
      const weights = { inG: 1000, baseG: 1000 - pulpG, pulpG, seedsG: 0 }
      const kept = (method: PressMethod) => {
        const { base } = separate(ferment, method, weights)
        return [base.pungency.typical / ferment.pungency.typical, otherSolidsG(base) / otherSolidsG(ferment)] as const
      }
      expect(Math.min(...kept('scrape')), `${pulpG} g left`).toBeGreaterThan(0.6)
      expect(kept('sieve')[0]).toBeLessThan(kept('scrape')[0])
    }
    // As wet and heavy as 400 g are, next to all solids would be in them.
    const { base } = separate(ferment, 'sieve', { inG: 1000, baseG: 600, pulpG: 400, seedsG: 0 })
    expect(base.pungency.typical / ferment.pungency.typical).toBeLessThan(0.2)
  })

  it('how it came out narrows the share thrown out, and says where it does not fit the weights', () => {
    const as = (cameOut?: CameOut) =>
      separate(ferment, 'sieve', { inG: 1000, baseG: 780, pulpG: 220, seedsG: 0 }, cameOut)
    const solids = (cameOut?: CameOut) => propertiesOf(as(cameOut).base).bodyPct
    expect(solids('pours')).toBeLessThanOrEqual(solids())
    expect(solids('sticks')).toBeGreaterThan(solids('pours'))
    const range = ({ low, high }: { low: number; high: number }) => high - low
    expect(range(as('pours').solidsThrownOut)).toBeLessThan(range(as().solidsThrownOut))
    const little = separate(ferment, 'sieve', { inG: 1000, baseG: 980, pulpG: 20, seedsG: 0 }, 'pours')
    expect([as('pours').odd, little.odd]).toEqual([false, true])
  })

  it('what ran over takes no solids along, what stayed on the board is like the pieces', () => {
    const weights = { inG: 1000, baseG: 620, pulpG: 0, seedsG: 0, brineG: 250, spiltG: 80, boardG: 50 }
    expect(pressBalance(weights).missingG).toBe(0)
    const { spilt, board, base } = separate(ferment, 'drain', weights)
    expect(otherSolidsG(spilt)).toBeCloseTo(0, 6)
    expect(board.pungency.typical / board.massG).toBeCloseTo(base.pungency.typical / base.massG, 6)
  })

  it('straining takes heat with the solids', () => {
    const { base } = separate(ferment, 'cloth', { inG: 1000, baseG: 800, pulpG: 200, seedsG: 0 })
    expect(base.pungency.typical / base.massG).toBeLessThan((0.7 * ferment.pungency.typical) / ferment.massG)
  })
})
