import { afterEach, expect, it, vi } from 'vitest'
import { leadership } from '~/composables/leadership'
import { setClock } from '~/clock/clock'

let putBack: () => void = () => undefined
afterEach(() => {
  putBack()
  vi.unstubAllGlobals()
})

it('without locks, over plain http, one window of several writes, and another takes over when it is gone', () => {
  const kept = new Map<string, string>()
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  })
  let now = 1_000_000
  putBack = setClock(() => now)
  const [first, second] = [leadership('probes', 'a'), leadership('probes', 'b')]
  expect([first(), second(), first()]).toEqual([true, false, true])
  now += 15_000
  expect([first(), second()]).toEqual([true, false])
  now += 21_000
  expect([second(), first()]).toEqual([true, false])
})

it('where storage is denied this window writes', () => {
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('localStorage', {
    getItem: () => {
      throw new Error('denied')
    },
  })
  expect(leadership('probes', 'a')()).toBe(true)
})
