import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { integrateMember } from '../../src/ferment/integrate'
import { startKernel } from '../../src/ferment/kernel'
import { coursesBy, forecastFigures } from './beforeCases'

/** Figures that the loop gave before it was compiled, one run of it on one machine. */
const before = (name: string): number[] =>
  readFileSync(new URL(`./${name}.before.txt`, import.meta.url), 'utf8')
    .trim()
    .split(/\s+/)
    .map(Number)

/** No figure differs by more than 1e-9 of itself; what is as good as nothing, by more than 1e-12. */
function expectAsBefore(now: number[], then: number[]): void {
  expect(now.length).toBe(then.length)
  const worst = Math.max(...now.map((value, at) => (Math.abs(value - then[at]!) - 1e-12) / Math.abs(then[at]! || 1)))
  expect(worst).toBeLessThan(1e-9)
}

describe('the compiled loop beside the one before it (its own figures, kept)', () => {
  test('every figure of every course, whatever the structure and the temperature', () => {
    expectAsBefore(coursesBy(integrateMember), before('courses'))
  })

  test('the bands of a forecast that was led to three readings', () => {
    expectAsBefore(forecastFigures(), before('forecast'))
  })

  test('its exponential is that of the platform to one in 10¹⁵', () => {
    const { expOf } = startKernel({ setPace: () => undefined, longestStepH: () => 24 }, 680, 8)
    for (let x = -90; x < 9; x += 0.0137) expect(Math.abs(expOf(x) / Math.exp(x) - 1)).toBeLessThan(1e-15)
    expect(expOf(-26_400)).toBe(0)
  })
})
