import { describe, expect, test } from 'vitest'
import { integrateMember } from '../../src/ferment/integrate'
import { startKernel } from '../../src/ferment/kernel'
import { SHOWN } from '../../src/ferment/shown'
import { expectAsBefore, figuresBefore } from '../before'
import { coursesBy, forecastFigures } from './beforeCases'

const PH = { within: 0.01 }
const GAS = { within: 0.2, share: 0.01 }
/** pH; gas and acid, mmol/kg; bacteria, log10 a gram. */
const TOLERANCES = {
  ...{ blended: PH, liquid: PH, pieces: PH, gas: GAS, gasPerDay: GAS },
  ...{ lactic: GAS, acetic: GAS, cells: { within: 0.05 } },
}
const before = (name: string) => figuresBefore(new URL(`./${name}.before.txt`, import.meta.url))

describe('the compiled loop beside the one before it (its own figures, kept)', () => {
  test('every figure of every course, whatever the structure and the temperature', () => {
    expectAsBefore(
      coursesBy(integrateMember),
      before('courses'),
      SHOWN.map((name) => TOLERANCES[name]),
    )
  })

  test('the bands of a forecast that was led to three readings', () => {
    const { ph, gas } = forecastFigures()
    const then = before('forecast')
    expectAsBefore(ph, then.slice(0, ph.length), [PH])
    expectAsBefore(gas, then.slice(ph.length), [GAS])
  })

  test('its exponential is that of the platform to one in 10¹⁵', () => {
    const { expOf } = startKernel({ setPace: () => undefined, longestStepH: () => 24 }, 680, 8)
    for (let x = -90; x < 9; x += 0.0137) expect(Math.abs(expOf(x) / Math.exp(x) - 1)).toBeLessThan(1e-15)
    expect(expOf(-26_400)).toBe(0)
  })
})
