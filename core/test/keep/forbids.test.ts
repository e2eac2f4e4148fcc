import { expect, it } from 'vitest'
import { mayRelease, releaseChecks } from '../../src'
import { drawCase, forbidden, TABLE } from './forbids'

it('five thousand runs of bottles, with a fault or two: none released that the table of hazards forbids', () => {
  const escaped: string[] = []
  const seen = new Set<string>()
  let released = 0
  for (let seed = 1; seed <= 5000; seed++) {
    const drawn = drawCase(seed)
    const why = forbidden(drawn)
    if (why.length === 1) seen.add(why[0]!)
    if (!mayRelease(releaseChecks(drawn))) continue
    released++
    if (why.length) escaped.push(`${seed} ${drawn.treatment}: ${why.join(', ')}`)
  }
  expect(escaped).toEqual([])
  expect(released).toBeGreaterThan(300)
  // Every row was the only thing against some run.
  expect(TABLE.map(({ hazard }) => hazard).filter((hazard) => !seen.has(hazard))).toEqual([])
})
