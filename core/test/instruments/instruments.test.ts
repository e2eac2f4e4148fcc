import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  bagGasL,
  burpEveryH,
  calibrateMeter,
  calibrationAge,
  co2Held,
  gaugeBar,
  nernstMv,
  phOfMv,
  titratablePct,
  trustOf,
} from '../../src'

describe('pH meter', () => {
  it('Nernst slope: 59.16 mV at 25 °C, 58.17 at 20 °C (CODATA constants)', () => {
    expect(nernstMv(25)).toBeCloseTo(59.16, 2)
    expect(nernstMv(20)).toBeCloseTo(58.17, 2)
  })

  const electrode =
    (slopePct: number, offsetMv: number) =>
    (ph: number, tempC = 25) => ({ ph, tempC, millivolt: offsetMv + ((7 - ph) * nernstMv(tempC) * slopePct) / 100 })

  it('finds slope and offset of any electrode back, buffers at two temperatures, and then reads true', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 80, max: 104, noNaN: true }),
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: 2.5, max: 6, noNaN: true }),
        (slope, offset, ph) => {
          const of = electrode(slope, offset)
          const found = calibrateMeter(of(7, 20), of(4, 27))
          expect(found.slopePct).toBeCloseTo(slope, 6)
          expect(found.offsetMv).toBeCloseTo(offset, 6)
          expect(found.accepted).toBe(slope >= 90 && Math.abs(offset) <= 30)
          expect(phOfMv(of(ph, 18).millivolt, 18, found)).toBeCloseTo(ph, 6)
        },
      ),
    )
  })

  it('refuses the same buffer twice, and two buffers too near', () => {
    expect(() => calibrateMeter({ ph: 7, millivolt: 0, tempC: 25 }, { ph: 4, millivolt: 2, tempC: 25 })).toThrow(
      /same buffer twice/,
    )
    expect(() => calibrateMeter({ ph: 7, millivolt: 0, tempC: 25 }, { ph: 6.86, millivolt: 8, tempC: 25 })).toThrow(
      /1\.5 pH apart/,
    )
  })

  it('an electrode 80 mV off is done, either way: not accepted, and what it reads is of an unchecked meter', () => {
    for (const offset of [-80, 80]) {
      const of = (ph: number) => ({ ph, millivolt: offset + (7 - ph) * nernstMv(25), tempC: 25 })
      expect(calibrateMeter(of(7), of(4)).accepted).toBe(false)
      const calibratedAt = '2026-03-02T08:00:00.000Z'
      const meter = { name: 'Meter', kind: 'meter', steady: true, calibratedAt, slopePct: 97 } as const
      const trusted = (offsetMv: number) => trustOf({ ...meter, offsetMv }, Date.parse(calibratedAt) + 3_600_000)
      expect([trusted(offset), trusted(10)]).toEqual(['unchecked', 'bench'])
    }
  })

  it('tells its age', () => {
    expect([
      calibrationAge(null, 0).fresh,
      calibrationAge(0, 3_600_000).fresh,
      calibrationAge(0, 30 * 3_600_000).fresh,
    ]).toEqual([false, true, false])
  })
})

describe('titration', () => {
  it('8.50 mL of 0.1 mol/L on 10 g: 0.766 % lactic, 0.510 % acetic (milliequivalents, from memory)', () => {
    const titration = { sampleG: 10, lyeMl: 8.5, lyeMolar: 0.1 }
    expect(titratablePct(titration)).toBeCloseTo(0.766, 3)
    expect(titratablePct(titration, 'acetic')).toBeCloseTo(0.51, 3)
  })
})

describe('gas', () => {
  const jar = { liquidL: 0.8, headspaceL: 0.2, tempC: 20, saltMolar: 0.75 }

  it('CO2 in water at 20 °C: Bunsen 0.878, so 39.4 mmol/L; salt drives it out (from memory)', () => {
    expect(co2Held(20, 0) * 1000).toBeCloseTo(39.4, 1)
    expect(co2Held(20, 0.75)).toBeLessThan(co2Held(20, 0))
  })

  it('15 mmol/kg a day in 0.8 L with 0.2 L above: 0.36 bar a day in equilibrium, 1.47 once saturated (model)', () => {
    expect(gaugeBar(15 * 0.8, jar, false)).toBeCloseTo(0.36, 1)
    expect(Math.abs(gaugeBar(15 * 0.8, jar, true) - 1.47)).toBeLessThan(0.02)
  })

  it('burps more often with more gas and less room, never seldom beyond the limit', () => {
    expect(burpEveryH(15, jar)).toBeCloseTo((24 * 0.5) / gaugeBar(12, jar, true), 6)
    expect(burpEveryH(30, jar)).toBeLessThan(burpEveryH(15, jar))
    expect(burpEveryH(15, { ...jar, headspaceL: 0.1 })).toBeLessThan(burpEveryH(15, jar))
    expect(burpEveryH(0, jar)).toBe(72)
  })

  it('a bag stays flat until the liquid is full, then blows up', () => {
    expect(bagGasL(20, 20, 0.75)).toBe(0)
    expect(bagGasL(132, 20, 0.75)).toBeCloseTo(0.024 * (132 - 1000 * co2Held(20, 0.75)), 6)
  })
})
