import { describe, expect, it } from 'vitest'
import { allowedDays, deadlineClock, rawShare, standing } from '../../src'

const DAY = 86_400_000

describe('deadline clock (judgement, conservative)', () => {
  it.each([
    [10, 14],
    [15, 7],
    [21, 4],
    [27, 2.5],
    [35, 2],
  ])('%d °C allows %d days', (tempC, days) => {
    expect(allowedDays(tempC)).toBeCloseTo(days, 6)
  })

  it('spends evenly at a steady temperature and faster when it warms', () => {
    expect(deadlineClock(0, 2 * DAY, [{ atMs: 0, tempC: 21 }]).spent).toBeCloseTo(0.5, 3)
    const warming = deadlineClock(0, 2 * DAY, [
      { atMs: 0, tempC: 18 },
      { atMs: 2 * DAY, tempC: 27 },
    ])
    expect(warming.spent).toBeGreaterThan(deadlineClock(0, 2 * DAY, [{ atMs: 0, tempC: 18 }]).spent)
    expect(() => deadlineClock(0, DAY, [])).toThrow(/temperature/)
  })
})

describe('standing', () => {
  const at = (day: number, ph: number, even = true) => ({
    atMs: day * DAY,
    ph,
    even,
    of: even ? ('blended' as const) : ('liquid' as const),
  })
  const judge = (
    nowDay: number,
    ph: ReturnType<typeof at>[],
    tempC = 21,
    more: Partial<Parameters<typeof standing>[0]> = {},
  ) => standing({ packedMs: 0, nowMs: nowDay * DAY, targetPh: 3.8, ph, temperatures: [{ atMs: 0, tempC }], ...more })
  const ready = [at(4, 4.0), at(10, 3.63), at(12, 3.62)]
  const sign = (level: 'ask' | 'act' | 'discard', holds: boolean, onDay = 12.5) => ({
    signs: [{ atMs: onDay * DAY, what: 'Film', level, holds }],
  })

  it.each([
    ['two readings at target a day apart', judge(12, ready), 'ready'],
    ['a discard sign stops ready', judge(13, ready, 21, sign('discard', true)), 'discard'],
    ['an unsettled sign stops ready', judge(13, ready, 21, sign('ask', true, 3)), 'ask'],
    ['a film after the last pH asks for a new one', judge(13, ready, 21, sign('act', true)), 'ask'],
    ['a film before it does not', judge(13, ready, 21, sign('act', true, 11)), 'ready'],
    ['gas in the forecast holds it back', judge(12, ready, 21, { gasPerDay: 6 }), 'working'],
    ['only the liquid of pieces read', judge(5, [at(3, 3.7, false), at(5, 3.6, false)]), 'working'],
    ['pieces never read in twice the time', judge(9, [at(3, 4.4, false), at(8.9, 4.3, false)]), 'ask'],
    ['pieces read after their liquid are no rise', judge(5, [at(3, 3.6, false), at(5, 4.0)]), 'working'],
    ['pieces above 4.6 behind their liquid have twice the time', judge(4, [at(3, 4.3, false), at(4, 4.9)]), 'working'],
    ['and then it presses', judge(6.5, [at(3, 4.3, false), at(6.5, 4.8)]), 'act'],
    ['and then it is over', judge(8.5, [at(3, 4.3, false), at(8.5, 4.8)]), 'discard'],
    ['back above 4.6 by a little', judge(6, [at(3, 4.55), at(6, 4.7)]), 'ask'],
    ['sour from the start, but not sour enough in twice the time', judge(9, [at(0, 4.5), at(9, 4.4)]), 'ask'],
    ['one reading at target', judge(6, [at(6, 3.7)]), 'working'],
    ['still falling', judge(6, [at(4.5, 3.8), at(6, 3.6)]), 'working'],
    ['4.9 on day 6 at 13 °C', judge(6, [at(2, 5.1), at(6, 4.9)], 13), 'act'],
    ['above 4.6 past the time', judge(5, [at(5, 4.9)]), 'discard'],
    ['a rise', judge(8, [at(5, 3.7), at(8, 4.0)]), 'ask'],
    ['nothing read in three days', judge(3, []), 'act'],
    ['nothing read and the time over', judge(9, []), 'discard'],
  ])('%s', (_, stand, state) => {
    expect(stand.state).toBe(state)
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
