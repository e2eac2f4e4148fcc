import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plankPieces, shelfScale } from '~/composables/shelfScale'

/* The one scale of the shelf: litre jars of 100 by 170 mm on planks. */
const jars = (count: number) => ({
  lots: Array.from({ length: count }, () => ({ widthsMm: [100], tallestMm: 170 })),
})
const desk = { widthPx: 800, heightPx: 620 }

describe('the scale of the shelf', () => {
  it('two jars stand tall; two hundred stay within the least that can be read', () => {
    expect(170 * shelfScale([jars(2)], desk)).toBeGreaterThan(300)
    expect(shelfScale([jars(100), jars(100)], desk)).toBeCloseTo(0.28, 6)
  })
  it('never draws fewer larger than the room, nor more vessels larger than fewer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 320, max: 1900 }), (count, widthPx) => {
        const few = shelfScale([jars(count)], { ...desk, widthPx })
        expect(shelfScale([jars(count + 1)], { ...desk, widthPx })).toBeLessThanOrEqual(few)
        expect(few).toBeGreaterThanOrEqual(0.28)
        expect(few).toBeLessThanOrEqual(1.9)
      }),
      { numRuns: 100, seed: 20 },
    )
  })
  it('keeps a lot of several jars within the width of a phone', () => {
    const four = { lots: [{ widthsMm: [100, 100, 100, 100], tallestMm: 170 }] }
    expect(4 * (100 * shelfScale([four], { widthPx: 360, heightPx: 1600 }) + 10)).toBeLessThanOrEqual(360)
  })
  it('draws a long plank in pieces of whole rows: every lot in one of them, in order, none too large', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 320, max: 1900 }), (count, widthPx) => {
        const pieces = plankPieces(jars(count), 0.28, widthPx)
        expect(pieces.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, at) => from + at))).toEqual(
          Array.from({ length: count }, (_, at) => at),
        )
        const perRow = Math.max(...pieces.map(({ from, to }) => to - from))
        expect(perRow).toBeLessThanOrEqual(20)
        expect(pieces.every(({ heightPx }) => heightPx > 100)).toBe(true)
      }),
      { numRuns: 60, seed: 21 },
    )
  })
})
