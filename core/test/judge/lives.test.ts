import { expect, it } from 'vitest'
import { live } from './lives'

it('eight hundred random lives: never a verdict milder than the oracle of docs/judgement.md, nor two pages that differ', () => {
  const { unsafe, stricter, twoPages, states } = live(1, 800)
  expect([unsafe, stricter, twoPages]).toEqual([[], 0, []])
  // They go everywhere: a comparison that only ever sees one state would hold nothing.
  for (const state of ['ready', 'working', 'ask', 'act', 'discard']) expect(states[state]).toBeGreaterThan(120)
})
