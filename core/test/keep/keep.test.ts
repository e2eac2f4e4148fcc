import { describe, expect, it } from 'vitest'
import { bottlePressure, co2Volumes, exactly, mayRelease, releaseChecks, type ReleaseCase } from '../../src'

describe('pressure of a live bottle (model)', () => {
  it('4 g/L of hexose is 0.99 volumes; 0.73, 1.20, 1.74 bar at 4, 20, 35 °C', () => {
    expect(co2Volumes(4)).toBeCloseTo(0.99, 2)
    for (const [tempC, bar] of [[4, 0.73], [20, 1.2], [35, 1.74]] as const) expect(bottlePressure(4, tempC)).toBeCloseTo(bar, 2)
  })
})

describe('release', () => {
  const good: ReleaseCase = {
    treatment: 'live-cold', limitPh: 4.0, reading: { ph: 3.6, hoursAfterBlending: 26, calibrationAgeH: 5 }, predictedPh: { low: 3.5, typical: 3.6, high: 3.7 },
    sugarGPerL: exactly(0.5), hasLiveFerment: true, lastFillTempC: null, discarded: false,
  }
  const stops = (change: Partial<ReleaseCase>) => releaseChecks({ ...good, ...change }).filter(check => check.verdict === 'stop').map(check => check.id)

  it('passes a sound lot and shows the working of its pH', () => {
    const checks = releaseChecks(good)
    expect(mayRelease(checks)).toBe(true)
    expect(checks.find(check => check.id === 'ph')?.working?.result).toBe('3.65')
  })

  it.each([
    ['no reading', { reading: null }, ['ph', 'even']],
    ['the upper end is over the limit', { reading: { ph: 3.97, hoursAfterBlending: 26, calibrationAgeH: 5 } }, ['ph']],
    ['read too early', { reading: { ph: 3.6, hoursAfterBlending: 3, calibrationAgeH: 5 } }, ['even']],
    ['live and sweet', { sugarGPerL: exactly(12) }, ['pressure']],
    ['hot fill not measured', { treatment: 'cooked-hot-fill' }, ['fill']],
    ['a discarded source', { discarded: true }, ['discard']],
  ] as const)('stops when %s', (_, change, expected) => {
    expect(stops(change)).toEqual(expected)
  })

  it('an uncalibrated meter counts twice, and no limit over 4.2 is taken', () => {
    expect(stops({ reading: { ph: 3.92, hoursAfterBlending: 26, calibrationAgeH: null } })).toEqual(['ph'])
    expect(() => releaseChecks({ ...good, limitPh: 4.4 })).toThrow(/between 2.5 and 4.2/)
  })
})
