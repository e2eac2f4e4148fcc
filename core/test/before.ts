import { readFileSync } from 'node:fs'
import { expect } from 'vitest'

/** Figures that the code before gave, one run of it on one machine: numbers in a text beside the test. */
export const figuresBefore = (file: URL): number[] => readFileSync(file, 'utf8').trim().split(/\s+/).map(Number)

/** How far a figure may be from what it was: in its own unit, or as a share of it, whichever is more. */
export interface Tolerance {
  within: number
  share?: number
}

/**
 * Every figure is what it was, in terms of the field: a constant may be set a little otherwise without new figures.
 * @param tolerances of the figures of one row, again and again.
 */
export function expectAsBefore(now: number[], then: number[], tolerances: readonly Tolerance[]): void {
  expect(now.length).toBe(then.length)
  const off = now.flatMap((value, at) => {
    const { within, share = 0 } = tolerances[at % tolerances.length]!
    const before = then[at]!
    return Math.abs(value - before) <= Math.max(within, share * Math.abs(before)) ? [] : [{ at, value, before }]
  })
  expect(off).toEqual([])
}
