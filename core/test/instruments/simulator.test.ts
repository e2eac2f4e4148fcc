import { describe, expect, it } from 'vitest'
import { BenchSimulator, BenchStateSchema, calibrateMeter } from '../../src'

const START = Date.parse('2026-03-02T08:00:00.000Z')

/** A bench, and a way to let seconds pass in steps of a quarter. */
function bench(seed = 7) {
  const simulator = new BenchSimulator(START, seed)
  let nowMs = START
  const pass = (seconds: number) => {
    for (const end = nowMs + seconds * 1000; nowMs < end;) simulator.run((nowMs += 250))
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

  it('the zero of the scale creeps with the hours, and is set again by taring', () => {
    const { simulator } = bench()
    const shownAfter = (hours: number) => {
      simulator.run(START + hours * 3_600_000)
      return simulator.read().scale.value!
    }
    expect(shownAfter(10)).toBeGreaterThan(1)
    simulator.obey({ do: 'tare' })
    expect(Math.abs(shownAfter(10.01))).toBeLessThan(0.5)
    expect(shownAfter(20)).toBeGreaterThan(1)
  })

  it('the pH meter reads nothing in the air, settles in a sample, slower in the cold and in a thick mash', () => {
    const settling = (tempC: number, thick = false) => {
      const { simulator, pass } = bench()
      expect(pass(1).ph.value).toBeNull()
      simulator.obey({ do: 'dip', sample: 'LF-01', ph: 3.6, tempC, thick })
      for (let seconds = 1; seconds < 200; seconds++) if (pass(1).ph.steady) return seconds
      return Infinity
    }
    expect(settling(20)).toBeGreaterThan(5)
    expect(settling(4)).toBeGreaterThan(1.5 * settling(20))
    expect(settling(20, true)).toBeGreaterThan(1.5 * settling(20))
  })

  it('drifts with the hours since calibration and is put right by it', () => {
    const { simulator, pass } = bench()
    /** Both buffers, read for their millivolts, and what they come to. */
    const calibrate = () => {
      const read = (ph: number) => {
        simulator.obey({ do: 'dip', sample: `buffer ${ph}`, ph, tempC: 22 })
        return { ph, millivolt: pass(90).ph.millivolt!, tempC: pass(1).thermometer.value! }
      }
      const { slopePct, offsetMv, accepted } = calibrateMeter(read(7), read(4.01))
      simulator.obey({ do: 'calibrate', slopePct, offsetMv })
      simulator.obey({ do: 'dip', sample: 'LF-01', ph: 3.6, tempC: 20 })
      pass(90)
      return { slopePct, accepted }
    }
    const error = () =>
      Math.abs(
        Array.from({ length: 20 }, () => pass(3).ph.value!)
          .slice(10)
          .reduce((sum, value) => sum + value / 10, 0) - 3.6,
      )
    expect(calibrate().slopePct).toBeGreaterThan(97)
    const fresh = error()
    pass(40 * 3600)
    const old = error()
    expect(fresh).toBeLessThan(0.02)
    expect(old).toBeGreaterThan(0.1)
    const again = calibrate()
    expect([again.accepted, again.slopePct < 95]).toEqual([true, true])
    expect(error()).toBeLessThan(0.02)
  })

  it('probes follow where they are put, by themselves', () => {
    const { simulator, pass } = bench()
    const of = () => pass(600).probes.find(({ id }) => id === 'probe-2')!.value!
    expect(Math.abs(of() - 13.1)).toBeLessThan(1.2)
    simulator.obey({ do: 'place', probe: 'probe-2', tempC: 4 })
    expect(Math.abs(of() - 4)).toBeLessThan(1.2)
  })

  it('is reproducible by its seed, and another seed is another bench', () => {
    const run = (seed: number) => Array.from({ length: 5 }, (_, index) => bench(seed).pass(index + 1).thermometer.value)
    expect(run(3)).toEqual(run(3))
    expect(run(3)).not.toEqual(run(4))
  })
})
