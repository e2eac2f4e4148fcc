import { describe, expect, it } from 'vitest'
import { contentComposition, fold, mixturePh, titratableOf, type Composition } from '../../src'

/* pH and titratable acid together, through the library: what the produce binds of its own. */

const BOOK = fold([])
function packed(weights: Record<string, number>, saltPct: number, waterG = 0): Composition {
  const rows = Object.entries(weights).map(([materialId, massG]) => ({
    ...{ materialId, name: materialId, massG, seedsOut: false },
    preparation: 'raw' as const,
  }))
  const massG = waterG + rows.reduce((sum, row) => sum + row.massG, 0)
  return contentComposition(BOOK, { rows, waterG, saltG: (massG * saltPct) / 100 })!
}

/** Titratable acid as lactic, percent, once lactic acid, and this much acetic with it, brought it to a pH. */
function titratedAt(pH: number, fresh: Composition, aceticShare: number): number {
  const soured = (lactic: number): Composition => ({
    ...fresh,
    acids: { ...fresh.acids, lactic, acetic: aceticShare * lactic },
  })
  let [low, high] = [0, fresh.massG]
  for (let pass = 0; pass < 60; pass++) {
    const middle = (low + high) / 2
    if (mixturePh(soured(middle))! > pH) low = middle
    else high = middle
  }
  return (titratableOf(soured(low))!.mmol * 9.008) / fresh.massG
}

describe('fermented foods: pH and titratable acid as lactic, published pairs (from memory)', () => {
  const kimchi = { 'cabbage-chinese': 800, daikon: 120, garlic: 30, ginger: 10, 'spring-onion': 40 }
  it.each([
    ['sauerkraut at 3.6: 1.3 to 1.7 %', titratedAt(3.6, packed({ cabbage: 1000 }, 2.25), 0.25), 1.3, 1.7],
    ['kimchi at its best, 4.2: 0.5 to 0.8 %', titratedAt(4.2, packed(kimchi, 2.5), 0.25), 0.5, 0.8],
    [
      'cucumbers in brine, 60 to 40, at 3.4: 0.6 to 1.0 %',
      titratedAt(3.4, packed({ cucumber: 600 }, 5, 400), 0),
      0.6,
      1,
    ],
    ['carrots at 3.9: 0.7 to 1.1 %', titratedAt(3.9, packed({ carrot: 1000 }, 2), 0.1), 0.7, 1.1],
    ['onions at 3.3: 1.2 to 1.6 %', titratedAt(3.3, packed({ onion: 1000 }, 2), 0.1), 1.2, 1.6],
    ['radish at 4.0: 0.5 to 0.8 %', titratedAt(4, packed({ daikon: 1000 }, 2.5), 0.25), 0.5, 0.8],
  ])('%s', (_, found, low, high) => {
    expect(found).toBeGreaterThanOrEqual(low)
    expect(found).toBeLessThanOrEqual(high)
  })

  it.each([
    ['apple, as malic', 'apple', 6.704, 0.3, 0.7],
    ['orange juice, as citric', 'orange-juice', 6.404, 0.6, 1],
    ['pineapple, as citric', 'pineapple', 6.404, 0.5, 0.9],
    ['lemon juice, as citric', 'lemon-juice', 6.404, 4.5, 6.5],
    ['strawberry, as citric', 'strawberry', 6.404, 0.6, 1.1],
    ['tomato, as citric', 'tomato', 6.404, 0.25, 0.5],
  ])('fresh %s', (_, id, perMmol, low, high) => {
    const fresh = packed({ [id]: 1000 }, 0)
    const found = (titratableOf(fresh)!.mmol * perMmol) / fresh.massG
    expect(found).toBeGreaterThanOrEqual(low)
    expect(found).toBeLessThanOrEqual(high)
  })
})
