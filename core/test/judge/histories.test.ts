import { expect, it } from 'vitest'
import { tell } from './histories'

it('two hundred histories of jars, draws and pours: no verdict milder than the one worked out portion by portion', () => {
  const { milder, stricter, states } = tell(1, 200)
  expect([milder, stricter]).toEqual([[], []])
  for (const state of ['ready', 'working', 'ask', 'act', 'discard']) expect(states[state]).toBeGreaterThan(40)
})
