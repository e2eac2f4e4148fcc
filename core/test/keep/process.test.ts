import { describe, expect, it } from 'vitest'
import {
  exactly,
  ProcessSchema,
  referenceFor,
  releaseChecks,
  USUAL_REFERENCE,
  type Draft,
  type Process,
  type ReleaseCase,
} from '../../src'

import { caseOf, day, KEPT_COLD, notebook } from '../log/build'

/* A scheduled process is data: every figure of it is checked, and without one the usual figures are called that. */

const letter: Process = ProcessSchema.parse({
  ...{ basis: 'scheduled process', name: 'Red sauce', author: 'Process authority', written: '2026-03-01' },
  ...{ product: 'Red pepper sauce', container: 'glass, 150 mL', closure: 'lined cap', pack: 'hot' },
  ...{ fillC: 91, holdMin: 3, maxPh: 4.3, permits: ['shelf'] },
})
const points = (tempC: number, minutes = 10) => Array.from({ length: minutes + 1 }, (_, minute) => ({ minute, tempC }))
const heat = {
  reference: USUAL_REFERENCE,
  pot: { points: points(92) },
  lastBottle: { points: points(92, 0) },
  water: null,
}
const hot: ReleaseCase = {
  ...{ treatment: 'cooked-hot-fill', store: 'shelf', limitPh: 4.2, headspace: 0.06, altitudeM: 0, heat },
  reading: { ph: 3.6, hoursAfterBlending: 26, trust: 'bench', calibrationAgeH: 5, checkedAfter: 'passed' },
  ...{ predictedPh: null, sugarGPerL: exactly(0.5), hasLiveFerment: false, relief: 'none' },
  ...{ process: null, bottleMl: 150, filledHours: 48, heldMin: null, turnedMin: 2 },
  ...{ oilPct: 0, aw: null, chunky: false, solids: [], judged: [], unknown: [], allergens: [] },
  label: { current: true, evidence: { atMs: 0, by: 'Bench', what: '60 printed' } },
}
const stops = (change: Partial<ReleaseCase>) =>
  releaseChecks({ ...hot, ...change })
    .filter(({ verdict }) => verdict === 'stop')
    .map(({ id }) => id)
const by = (process: Partial<Process>, change: Partial<ReleaseCase> = {}) => {
  const whole = ProcessSchema.parse({ ...letter, ...process })
  return stops({ process: whole, heldMin: 3, heat: { ...heat, reference: referenceFor(whole) }, ...change })
}
const withPh = (ph: number) => ({ reading: { ...hot.reading!, ph } })
const bottle = (tempC: number) => ({ heat: { ...heat, lastBottle: { points: points(tempC, 0) } } })

describe('without a process', () => {
  it('82 °C in the last bottle, turned over for two minutes, at most pH 4.1, and called defaults', () => {
    expect(stops({})).toEqual([])
    expect(releaseChecks(hot).find(({ id }) => id === 'process')!.sentence).toMatch(/not a scheduled process/)
    expect(stops(bottle(81.9))).toEqual(['fill'])
    expect(stops({ turnedMin: 1.9 })).toEqual(['turned'])
    expect(stops({ turnedMin: null })).toEqual(['turned'])
    expect(stops(withPh(4.06))).toEqual(['ph', 'heat'])
  })
  it('1.3 min at 71.7 °C and one bottle at 82 °C, not turned over, does not pass', () => {
    const weak = {
      ...heat,
      pot: {
        points: [
          { minute: 0, tempC: 71.7 },
          { minute: 1.3, tempC: 71.7 },
        ],
      },
    }
    expect(stops({ heat: { ...weak, lastBottle: { points: points(82, 0) } }, turnedMin: null })).toEqual(['turned'])
  })
  it('boiling in the jar keeps nothing on the shelf by itself', () => {
    const boiled = { treatment: 'boiled-in-jar', heat: { ...heat, water: { points: points(100, 15) } } } as const
    expect(stops(boiled)).toEqual(['process'])
    expect(stops({ ...boiled, store: 'cold' })).toEqual([])
    const recipe = { basis: 'tested recipe', pack: 'raw', boilMin: 15 } as const
    expect(by({ ...recipe }, boiled)).toEqual([])
    expect(by({ ...recipe, boilMin: 16 }, boiled)).toEqual(['boil'])
    expect(
      by({ ...recipe, initialC: 60 }, { ...boiled, heat: { ...boiled.heat, water: { points: points(100, 20) } } }),
    ).toEqual([])
    expect(by({ ...recipe }, { ...boiled, altitudeM: 400 })).toEqual(['boil'])
  })
})

describe('with one, every figure of it is asked', () => {
  it.each([
    ['as it says', {}, {}, []],
    ['filled at 90.9 °C', {}, bottle(90.9), ['fill']],
    ['held a minute short', {}, { heldMin: 2 }, ['hold']],
    ['not turned over, where it asks for it', { invertMin: 3 }, { turnedMin: 2 }, ['turned']],
    ['a sauce over its pH', {}, withPh(4.27), ['ph', 'heat']],
    ['a larger bottle', { largestMl: 150 }, { bottleMl: 250 }, ['process']],
    ['too little air', { leastAirPct: 8 }, {}, ['process']],
    ['its water activity was not measured', { maxAw: 0.9 }, {}, ['process']],
    ['too wet', { maxAw: 0.9 }, { aw: 0.93 }, ['process']],
    ['colder at the start', { initialC: 95 }, {}, ['process']],
    ['fewer minutes than it asks', { refC: 93.3, zC: 8.9, minutes: 12 }, {}, ['heat']],
    ['no leave to stand on the shelf', { permits: [] }, {}, ['process']],
    ['packed raw', { pack: 'raw' }, {}, ['process']],
  ] as const)('%s', (_, process, change, expected) => {
    expect(by(process as Partial<Process>, change)).toEqual(expected)
  })
  it('it may raise the limit, never over 4.6', () => {
    expect(by({}, { ...withPh(4.24), limitPh: 4.3 })).toEqual([])
    expect(() => ProcessSchema.parse({ ...letter, maxPh: 4.7 })).toThrow()
    expect(() => releaseChecks({ ...hot, limitPh: 4.3 })).toThrow(/between 2.5 and 4.2/)
  })
  it('cold filling wants pH 3.3 or less, a process, and its days', () => {
    const cold = { treatment: 'cold-fill', ...withPh(3.2) } as const
    expect(stops(cold)).toEqual(['process'])
    const days = { pack: 'cold', standDays: 3 } as const
    expect(by({ ...days }, { ...cold, filledHours: 73 })).toEqual([])
    expect(by({ ...days }, { ...cold, filledHours: 71 })).toEqual(['process'])
    expect(by({ ...days }, { ...cold, ...withPh(3.3), filledHours: 73 })).toEqual(['ph'])
  })
  it('oil stands on no shelf without a process that covers it', () => {
    expect(stops({ oilPct: 55 })).toEqual(['process'])
    expect(by({}, { oilPct: 55 })).toEqual(['process'])
    expect(by({ permits: ['shelf', 'oil'] }, { oilPct: 55 })).toEqual([])
    expect(stops({ oilPct: 0.4 })).toEqual([])
  })
})

describe('bottles read more than once', () => {
  const readings = (...read: [hours: number, ph: number, instrument?: object][]) => {
    const log = notebook()
    const pot = log.id()
    const made = { code: 'S-1', name: 'Sauce', color: '#c22a1b' }
    const vinegar = [{ materialId: 'white-vinegar', name: 'Vinegar', massG: 1000 }]
    log.write({ kind: 'blend', at: day(0), lotId: pot, ...made, cooked: false, parts: vinegar } as Draft)
    const lotId = log.id()
    const run = {
      fromLotId: pot,
      bottleMl: 150,
      count: 4,
      usedG: 600,
      treatment: 'live-cold',
      bestBefore: '2027-01-01',
    }
    log.write({ kind: 'bottle', at: day(0.05), lotId, ...made, code: 'S-1A', ...run } as Draft)
    for (const [hours, ph, instrument] of read)
      if (instrument) log.write({ kind: 'reading', at: day(hours / 24), lotId, ph, instrument } as Draft)
      else log.read(lotId, hours / 24, ph)
    return caseOf(log.book(), pot, KEPT_COLD, { bottledId: lotId }).reading
  }
  it('an early reading, or one with a meter nobody checked, is no dead end; of those that count the highest does', () => {
    expect(readings([2, 3.8], [26, 3.6])).toMatchObject({ ph: 3.6, hoursAfterBlending: 26 })
    expect(readings([26, 3.6, { name: 'M', kind: 'meter', steady: true }], [28, 3.5])).toMatchObject({ trust: 'bench' })
    expect(readings([26, 3.7], [28, 3.5])).toMatchObject({ ph: 3.7 })
    expect(readings([2, 3.8])).toMatchObject({ ph: 3.8 })
  })
})

describe('chunky products', () => {
  const solid = (ph: number) => ({ ph, hoursAfterBlending: 26, trust: 'bench', calibrationAgeH: 2 }) as const
  it('are released on the drained solids of three containers, a liquid reading never does it', () => {
    expect(stops({ chunky: true })).toEqual(['solids'])
    expect(stops({ chunky: true, solids: [solid(3.7), solid(3.7)] })).toEqual(['solids'])
    expect(stops({ chunky: true, solids: [solid(3.7), solid(3.7), solid(3.8)] })).toEqual([])
    expect(stops({ chunky: true, solids: [solid(3.7), solid(3.7), solid(3.7), solid(4.3)] })).toEqual(['solids'])
  })
})
