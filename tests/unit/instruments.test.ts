import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { Shown } from '~/instruments/driver'
import { openKitchenScale } from '~/instruments/kitchenScale'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('a scale of another make: ounces in, grams out, once a second; tared; away in mid-reading it gives nothing', async () => {
  let loadG: number | null = 283.5
  const scale = openKitchenScale(() => loadG)
  const told: Shown[] = []
  const stop = scale.subscribe((shown) => shown && told.push(shown))
  expect(told.at(-1)!.steady).toBe(false)
  vi.advanceTimersByTime(2000)
  expect(told).toHaveLength(3)
  // Ten ounces, in its steps of a twentieth.
  expect(told.at(-1)).toMatchObject({ kind: 'mass', steady: true, instrument: { name: 'kitchen scale' } })
  expect(told.at(-1)!.value!).toBeCloseTo(283.5, 1)
  await scale.tare!()
  loadG = 283.5 + 141.7
  vi.advanceTimersByTime(1000)
  expect(told.at(-1)).toMatchObject({ steady: false, note: 'tare 10.0 oz' })
  expect(told.at(-1)!.value!).toBeCloseTo(141.7, 0)
  vi.advanceTimersByTime(24_000)
  expect(told.filter(({ value }) => value === null).every(({ note }) => note === 'dropped out')).toBe(true)
  expect(told.filter(({ value }) => value === null)).toHaveLength(3)
  loadG = null
  vi.advanceTimersByTime(1000)
  expect(told.at(-1)!.value).toBeNull()
  stop()
  const count = told.length
  vi.advanceTimersByTime(5000)
  expect(told).toHaveLength(count)
})
