import { describe, expect, it } from 'vitest'
import { allowedDays, dueAt, rawShare, spentBetween, type Stretch } from '../../src'

const DAY = 86_400_000
const line = (fromC: number, toC: number, days: number): Stretch[] => [
  { fromMs: 0, toMs: days * DAY, fromC, toC, assumed: false },
]

describe('time allowed above 4.6 (judgement, conservative)', () => {
  it.each([
    [10, 14],
    [15, 7],
    [21, 4],
    [27, 2.5],
    [35, 2],
  ])('%d °C allows %d days', (tempC, days) => {
    expect(allowedDays(tempC)).toBeCloseTo(days, 6)
  })

  it('is spent evenly at a steady temperature, by the exact integral on a line, and less with salt', () => {
    expect(spentBetween(line(21, 21, 2), 0, 2 * DAY)).toBeCloseTo(0.5, 9)
    expect(spentBetween(line(21, 21, 2), 0, 2 * DAY, 2)).toBeCloseTo(0.25, 9)
    const warming = line(8, 33, 3)
    const steps = 3 * 24 * 60
    let sum = 0
    for (let step = 0; step < steps; step++) sum += 3 / steps / allowedDays(8 + (25 * (step + 0.5)) / steps)
    expect(spentBetween(warming, 0, 3 * DAY)).toBeCloseTo(sum, 4)
    // Parts of it add up.
    expect(spentBetween(warming, 0, DAY) + spentBetween(warming, DAY, 3 * DAY)).toBeCloseTo(sum, 4)
    expect(() => spentBetween(line(NaN, NaN, 1), 0, DAY)).toThrow(/not a number/)
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
