import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  fold,
  makeLibrary,
  mix,
  mixturePh,
  narrowest,
  ofMass,
  ofMaterial,
  ofSalt,
  phRange,
  planFigures,
  propertiesOf,
  saltRange,
  shuRange,
  volumeOf,
  volumeRange,
  type MixedPart,
  type Range,
} from '../../src'

const library = makeLibrary()
const THINGS = ['cayenne', 'tomato', 'garlic', 'lime-juice', 'white-vinegar', 'water', 'whey', 'onion'] as const

const massRange = fc
  .tuple(fc.double({ min: 1, max: 2000, noNaN: true }), fc.double({ min: 1, max: 2.5, noNaN: true }))
  .map(([low, times]): Range => ({ low, typical: (low * (1 + times)) / 2, high: low * times }))
const part = fc.tuple(fc.constantFrom(...THINGS), massRange).map(([id, massG]): MixedPart => ({
  name: id,
  composition: ofMaterial(library.materialOrUnknown(id), massG.typical),
  massG,
}))
const salt = massRange.map((massG): MixedPart => ({
  name: 'Salt',
  composition: ofSalt(massG.typical),
  massG: scale(massG, 0.05),
}))
const scale = ({ low, typical, high }: Range, by: number): Range => ({
  low: low * by,
  typical: typical * by,
  high: high * by,
})
const mixture = fc.tuple(fc.array(part, { minLength: 2, maxLength: 6 }), salt).map(([parts, more]) => [...parts, more])
/** Where in its range each amount truly lies. */
const truths = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 7, maxLength: 7 })

describe('a mixture whose amounts are ranges', () => {
  it('always holds the true salt, volume, heat and pH, wherever the amounts truly lie', () => {
    fc.assert(
      fc.property(mixture, truths, (parts, where) => {
        const true_ = mix(
          parts.map(({ composition, massG }, index) =>
            ofMass(composition, massG.low + where[index % 7]! * (massG.high - massG.low)),
          ),
        )
        const holds = ({ low, high }: Range, value: number) => {
          expect(value).toBeGreaterThanOrEqual(low - 1e-6)
          expect(value).toBeLessThanOrEqual(high + 1e-6)
        }
        holds(saltRange(parts), propertiesOf(true_).saltPct)
        holds(volumeRange(parts), volumeOf(true_))
        const shu = propertiesOf(true_).shu
        holds(shuRange(parts), shu.low)
        holds(shuRange(parts), shu.high)
        // Salt alone has no pH, and no band; anything with water in it has both.
        const pH = mixturePh(true_)
        const band = phRange(parts)
        expect(band === null).toBe(pH === null)
        holds(band ?? NOTHING, pH ?? 0)
      }),
      { numRuns: 300, seed: 17 },
    )
  })

  it('is the exact figure where everything is weighed, and names the weighing that would tell most', () => {
    const of = (id: string, low: number, typical: number, high: number): MixedPart => ({
      name: id,
      composition: ofMaterial(library.materialOrUnknown(id), typical),
      massG: { low, typical, high },
    })
    const exact = [of('tomato', 1000, 1000, 1000), { name: 'Salt', composition: ofSalt(25), massG: scale(ONE, 25) }]
    const { low, high } = saltRange(exact)
    expect(high - low).toBeLessThan(1e-9)
    expect(narrowest(exact)).toBeNull()
    // A cup of tomatoes is known within a third, a clove of garlic weighs little either way.
    const parts = [of('tomato', 720, 908, 960), of('garlic', 3, 5, 7), exact[1]!]
    const told = narrowest(parts)!
    expect(told.name).toBe('tomato')
    expect(told.saltPct.high - told.saltPct.low).toBeLessThan(0.1)
  })

  it('goes into the plan: cups and spoons give a salt between, and may be too weak at its low end', () => {
    const figures = planFigures(fold([]), {
      ...{ style: 'mash', waterG: 0, saltPct: 0, saltBasis: 'ingredients' },
      rows: [
        {
          ...{ materialId: 'tomato', name: 'Tomato', massG: 908, preparation: 'raw', seedsOut: false },
          ...{ said: '4 cups', betweenG: { low: 720, high: 960 } },
        },
      ],
      // A tablespoon and a teaspoon of fine sea salt.
      salted: { low: 20, typical: 22, high: 24 },
    })!
    expect(figures.dose.saltG).toBe(22)
    // Exact corners by hand: 20 / (960 + 20) and 24 / (720 + 24), with the tomatoes' own 0.03 %.
    expect(figures.evenedPct.low).toBeCloseTo(2.04, 1)
    expect(figures.evenedPct.high).toBeCloseTo(3.23, 1)
    expect(figures.toWeigh?.name).toBe('Tomato')
    expect(figures.mayBeWeak).toBe(false)
  })
})
const NOTHING = { low: 0, typical: 0, high: 0 }
const ONE: Range = { low: 1, typical: 1, high: 1 }
