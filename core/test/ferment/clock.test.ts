import { describe, expect, it } from 'vitest'
import {
  allowanceOf,
  allowedDays,
  dueAt,
  piecesTimes,
  PLAIN_ALLOWANCE,
  rawShare,
  spentBetween,
  type Stretch,
} from '../../src'

const DAY = 86_400_000
const line = (fromC: number, toC: number, days: number): Stretch[] => [
  { fromMs: 0, toMs: days * DAY, fromC, toC, assumed: false },
]

describe('time allowed above 4.6 (judgement, conservative)', () => {
  it.each([
    [4, 10],
    [10, 10],
    [15, 7],
    [21, 4],
    [27, 2.5],
    [30, 2],
    [35, 1],
    [40, 1],
  ])('%d °C allows %d days', (tempC, days) => {
    expect(allowedDays(tempC)).toBeCloseTo(days, 6)
  })

  it('is spent evenly at a steady temperature, by the exact integral on a line, and less with salt', () => {
    expect(spentBetween(line(21, 21, 2), 0, 2 * DAY)).toBeCloseTo(0.5, 9)
    expect(spentBetween(line(21, 21, 2), 0, 2 * DAY, { ...PLAIN_ALLOWANCE, times: 2 })).toBeCloseTo(0.25, 9)
    const warming = line(8, 33, 3)
    const steps = 3 * 24 * 60
    let sum = 0
    for (let step = 0; step < steps; step++) sum += 3 / steps / allowedDays(8 + (25 * (step + 0.5)) / steps)
    expect(spentBetween(warming, 0, 3 * DAY)).toBeCloseTo(sum, 4)
    // Parts of it add up.
    expect(spentBetween(warming, 0, DAY) + spentBetween(warming, DAY, 3 * DAY)).toBeCloseTo(sum, 4)
    expect(() => spentBetween(line(NaN, NaN, 1), 0, DAY)).toThrow(/not a number/)
  })

  it('salt lengthens it, in the cold too; from 10 % it is about staphylococci, from 20 % nothing grows', () => {
    expect([0, 4.5, 6.25, 8, 9.9, 14, NaN].map((pct) => allowanceOf(pct)?.times)).toEqual([1, 1, 2, 3, 3, 3, 1])
    expect([3.4, 3.5].map((pct) => allowedDays(4, allowanceOf(pct)!))).toEqual([
      expect.closeTo(10, 6),
      expect.closeTo(14, 6),
    ])
    expect([9.9, 10, 19.9].map((pct) => allowanceOf(pct)!.hazard)).toEqual([
      'botulinum',
      'staphylococci',
      'staphylococci',
    ])
    expect(allowanceOf(20)).toBeNull()
  })

  it('pieces have twice the time only where they are cut or pierced and salted', () => {
    expect([piecesTimes(true, 3.5), piecesTimes(true, 3.4), piecesTimes(false, 6)]).toEqual([2, 1, 1])
  })

  it('is due sooner in the warm', () => {
    expect(dueAt(0, 0.5, 21)).toBeCloseTo(2 * DAY, 0)
    expect(dueAt(0, 0.5, 27)).toBeLessThan(dueAt(0, 0.5, 21))
  })
})

describe('raw share', () => {
  it('counts only raw, living produce', () => {
    expect(
      rawShare([
        { massG: 680, preparation: 'raw', livens: true },
        { massG: 320, preparation: 'roasted', livens: true },
      ]),
    ).toBeCloseTo(0.68)
    expect(rawShare([])).toBeNull()
  })
})
