import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  brineDensity,
  describeDose,
  saltDose,
  saltToReach,
  SALTS,
  teaspoons,
  thinnerToReach,
  waterPhaseSaltPct,
} from '../../src'

describe('dose (mass balance; trade figures are common practice)', () => {
  it('600 g and 400 g water to 3 % of everything is 30.93 g, said four ways', () => {
    const dose = saltDose('everything', 3, { ingredientG: 600, waterG: 400 })
    expect(dose.saltG).toBeCloseTo(30.93, 2)
    expect(dose.ofIngredientsPct).toBeCloseTo(5.155, 3)
    expect(dose.ofWaterPct).toBeCloseTo(7.73, 2)
    expect(dose.ofBrinePct).toBeCloseTo(7.18, 2)
    expect(dose.ofEverythingPct).toBeCloseTo(3, 10)
  })

  it('dry salting at 2.5 % evens out to 2.439 %', () => {
    expect(saltDose('ingredients', 2.5, { ingredientG: 1000, waterG: 0 }).ofEverythingPct).toBeCloseTo(2.439, 3)
  })

  it('a kilo of vegetable in a kilo of brine: 5 % of the brine ends at 2.500 %, of the water at 2.381 %', () => {
    expect(describeDose(50, { ingredientG: 1000, waterG: 950 }).ofEverythingPct).toBeCloseTo(2.5, 3)
    const ofWater = (1000 * 5) / 105
    expect(describeDose(ofWater, { ingredientG: 1000, waterG: 1000 - ofWater }).ofEverythingPct).toBeCloseTo(2.381, 3)
  })

  it.each([
    [1400, 4, 56],
    [347, 4, 13.88],
    [2960, 2.5, 74],
    [3000, 2.5, 75],
  ])('%d g at %d %% is %d g', (ingredientG, pct, saltG) => {
    expect(saltDose('ingredients', pct, { ingredientG, waterG: 0 }).saltG).toBeCloseTo(saltG, 6)
  })

  it('30 g in 1 000 g of water is 2.91 % of the brine', () => {
    expect(saltDose('water', 3, { ingredientG: 0, waterG: 1000 }).ofBrinePct).toBeCloseTo(2.913, 3)
  })

  it('own salt counts, and a strength that cannot be is refused in words', () => {
    expect(saltDose('everything', 3, { ingredientG: 1000, waterG: 0, ownSaltG: 10 }).saltG).toBeCloseTo(20.62, 2)
    expect(() => saltDose('everything', 1, { ingredientG: 1000, waterG: 0, ownSaltG: 50 })).toThrow(
      /already hold more salt/,
    )
    expect(() => saltDose('brine', 3, { ingredientG: 1000, waterG: 0 })).toThrow(/no water/)
    expect(() => saltDose('ingredients', 65, { ingredientG: 1000, waterG: 0 })).toThrow(/between 0 and 60/)
    expect(() => saltDose('everything', 40, { ingredientG: 1000, waterG: 0 })).toThrow(/between 0 and 35/)
    expect(() => saltDose('ingredients', NaN, { ingredientG: 1000, waterG: 0 })).toThrow(/not a number/)
  })

  it('every basis brings the strength it promises, and more salt is never weaker', () => {
    const mass = fc.double({ min: 1, max: 50_000, noNaN: true })
    fc.assert(
      fc.property(
        mass,
        mass,
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.constantFrom('ingredients' as const, 'water' as const, 'brine' as const, 'everything' as const),
        (ingredientG, waterG, pct, basis) => {
          const dose = saltDose(basis, pct, { ingredientG, waterG })
          const said = {
            ingredients: dose.ofIngredientsPct,
            water: dose.ofWaterPct,
            brine: dose.ofBrinePct,
            everything: dose.ofEverythingPct,
          }[basis]
          expect(said).toBeCloseTo(pct, 8)
          expect(saltDose(basis, pct * 1.01, { ingredientG, waterG }).ofEverythingPct).toBeGreaterThan(
            dose.ofEverythingPct,
          )
        },
      ),
    )
  })
})

describe('brine and corrections', () => {
  it.each([
    [5, 1.034],
    [10, 1.0707],
    [20, 1.1478],
  ])('density at %d %% (CRC Handbook, 20 °C)', (pct, density) => {
    expect(brineDensity(pct)).toBeCloseTo(density, 3)
  })

  it('3 % salt in something with 85 % water is 3.409 % of the water phase', () => {
    expect(waterPhaseSaltPct(3, 85)).toBeCloseTo(3.409, 3)
  })

  it('2 000 g from 4 to 3 % takes 666.7 g of water; from 2 to 2.5 % 10.26 g of salt, not 10', () => {
    expect(thinnerToReach(2000, 4, 3)).toBeCloseTo(666.7, 1)
    expect(saltToReach(2000, 2, 2.5)).toBeCloseTo(10.26, 2)
    expect(() => thinnerToReach(2000, 3, 4)).toThrow(/already weaker/)
    expect(() => saltToReach(2000, 3, 2)).toThrow(/already saltier/)
  })

  it('56 g is about 3 tablespoons of fine sea salt (common practice)', () => {
    const spoons = teaspoons(
      56,
      SALTS.find((salt) => salt.id === 'fine-sea')!,
    )
    expect(spoons.low / 3).toBeGreaterThan(2.8)
    expect(spoons.typical / 3).toBeCloseTo(3.4, 1)
    expect(spoons.low).toBeLessThan(spoons.high)
  })

  it('3 tbsp of canning salt to 5 lb of cabbage is about 2.25-2.5 % (USDA Complete Guide to Home Canning, from memory)', () => {
    const pickling = SALTS.find((salt) => salt.id === 'pickling')!
    expect((100 * 9 * pickling.teaspoonG.low) / (5 * 453.59237)).toBeGreaterThan(2.1)
    expect((100 * 9 * pickling.teaspoonG.high) / (5 * 453.59237)).toBeLessThan(2.7)
  })
})
