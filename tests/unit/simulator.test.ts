import { describe, expect, it } from 'vitest'
import { BenchStateSchema } from '@lactofer/core'
import { BenchSimulator } from '../../server/bench/simulator'

const START = Date.parse('2026-03-02T08:00:00.000Z')

/** A bench, and a way to let seconds pass in steps of a quarter. */
function bench(seed = 7) {
  const simulator = new BenchSimulator(START, seed)
  let nowMs = START
  const pass = (seconds: number) => {
    for (const end = nowMs + seconds * 1000; nowMs < end;) simulator.run(nowMs += 250)
    return simulator.read()
  }
  return { simulator, pass }
}

describe('the simulated bench', () => {
  it('sends what its schema says', () => {
    expect(() => BenchStateSchema.parse(bench().pass(1))).not.toThrow()
  })

  it('the scale lags, settles, jitters by less than half a gram, and tares', () => {
    const { simulator, pass } = bench()
    simulator.obey({ do: 'load', massG: 500 })
    const early = pass(0.25).scale
    expect(early.steady).toBe(false)
    expect(early.value!).toBeLessThan(450)
    const late = Array.from({ length: 40 }, () => pass(0.5).scale).slice(10)
    expect(late.every(({ value, steady }) => steady && Math.abs(value! - 500) < 0.5)).toBe(true)
    expect(new Set(late.map(({ value }) => value)).size).toBeGreaterThan(1)
    simulator.obey({ do: 'tare' })
    simulator.obey({ do: 'load', massG: 700 })
    expect(Math.abs(pass(5).scale.value! - 200)).toBeLessThan(0.5)
  })

  it('the pH meter reads nothing in the air, settles in a sample, slower in the cold', () => {
    const settling = (tempC: number) => {
      const { simulator, pass } = bench()
      expect(pass(1).ph.value).toBeNull()
      simulator.obey({ do: 'dip', sample: 'LF-01', ph: 3.6, tempC })
      for (let seconds = 1; seconds < 200; seconds++) if (pass(1).ph.steady) return seconds
      return Infinity
    }
    expect(settling(20)).toBeGreaterThan(5)
    expect(settling(4)).toBeGreaterThan(1.5 * settling(20))
  })

  it('drifts with the hours since calibration and is put right by it', () => {
    const { simulator, pass } = bench()
    simulator.obey({ do: 'dip', sample: 'LF-01', ph: 3.6, tempC: 20 })
    const error = () => Math.abs(Array.from({ length: 20 }, () => pass(3).ph.value!).slice(10).reduce((sum, value) => sum + value / 10, 0) - 3.6)
    simulator.obey({ do: 'calibrate' })
    const fresh = error()
    pass(40 * 3600)
    const old = error()
    expect(fresh).toBeLessThan(0.01)
    expect(old).toBeGreaterThan(0.1)
    expect(pass(1).ph.slopePct).toBeLessThan(95)
    simulator.obey({ do: 'calibrate' })
    expect(error()).toBeLessThan(0.01)
  })

  it('is reproducible by its seed', () => {
    const run = (seed: number) => Array.from({ length: 5 }, (_, index) => bench(seed).pass(index + 1).thermometer.value)
    expect(run(3)).toEqual(run(3))
  })
})
