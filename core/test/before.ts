import { readFileSync } from 'node:fs'
import { expect } from 'vitest'

/** Figures that the code before gave, one run of it on one machine: numbers in a text beside the test. */
export const figuresBefore = (file: URL): number[] => readFileSync(file, 'utf8').trim().split(/\s+/).map(Number)

/** No figure differs by more than 1e-9 of itself; what is as good as nothing, by more than 1e-12. */
export function expectAsBefore(now: number[], then: number[]): void {
  expect(now.length).toBe(then.length)
  const worst = Math.max(...now.map((value, at) => (Math.abs(value - then[at]!) - 1e-12) / Math.abs(then[at]! || 1)))
  expect(worst).toBeLessThan(1e-9)
}
