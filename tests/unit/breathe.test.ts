import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { awaited, stepAside } from '~/clock/breathe'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

test('what nobody waits for stands still while something is written, and no longer than a moment where that hangs', async () => {
  let [done, went] = [() => {}, 0]
  const written = awaited(() => new Promise<void>((resolve) => (done = resolve)))
  void stepAside().then(() => went++)
  await vi.advanceTimersByTimeAsync(100)
  expect(went).toBe(0)
  done()
  await written
  await vi.advanceTimersByTimeAsync(400)
  expect(went).toBe(1)
  void awaited(() => new Promise(() => {}))
  void stepAside().then(() => went++)
  await vi.advanceTimersByTimeAsync(1000)
  expect(went).toBe(1)
  await vi.advanceTimersByTimeAsync(1000)
  expect(went).toBe(2)
})
