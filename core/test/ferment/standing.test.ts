import { describe, expect, it } from 'vitest'
import { allowedDays, deadlineClock, rawShare, standing } from '../../src'

const DAY = 86_400_000

describe('deadline clock (judgement, conservative)', () => {
  it.each([[10, 14], [15, 7], [21, 4], [27, 2.5], [35, 2]])('%d °C allows %d days', (tempC, days) => {
    expect(allowedDays(tempC)).toBeCloseTo(days, 6)
  })

  it('spends evenly at a steady temperature and faster when it warms', () => {
    expect(deadlineClock(0, 2 * DAY, [{ atMs: 0, tempC: 21 }]).spent).toBeCloseTo(0.5, 3)
    const warming = deadlineClock(0, 2 * DAY, [{ atMs: 0, tempC: 18 }, { atMs: 2 * DAY, tempC: 27 }])
    expect(warming.spent).toBeGreaterThan(deadlineClock(0, 2 * DAY, [{ atMs: 0, tempC: 18 }]).spent)
    expect(() => deadlineClock(0, DAY, [])).toThrow(/temperature/)
  })
})

describe('standing', () => {
  const at = (day: number, ph: number) => ({ atMs: day * DAY, ph })
  const judge = (nowDay: number, ph: { atMs: number, ph: number }[], tempC = 21) =>
    standing({ packedMs: 0, nowMs: nowDay * DAY, targetPh: 3.8, ph, temperatures: [{ atMs: 0, tempC }], phMatters: true })

  it.each([
    ['two readings at target a day apart', judge(12, [at(4, 4.0), at(10, 3.63), at(12, 3.62)]), 'ready'],
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
    expect(rawShare([{ massG: 680, preparation: 'raw', livens: true }, { massG: 320, preparation: 'roasted', livens: true }])).toBeCloseTo(0.68)
    expect(rawShare([])).toBeNull()
  })
})
