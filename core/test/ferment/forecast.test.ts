import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  assimilating,
  COLUMNS,
  courseOf,
  DRAWS,
  drawMembers,
  forecastFerment,
  forecasting,
  GROUPS,
  memberOf,
  mergeReadings,
  movedTo,
  phFactor,
  phWithAcids,
  runAsked,
  sharedOut,
  integrateMember,
  sameAs,
  LIES,
  structureOf,
  studentBelow,
  temperatureAt,
  temperatureFactor,
  titratablePct,
  valueAt,
  vesselLagH,
  waterActivity,
  waterPhaseSaltPct,
  type Batch,
  type Course,
  type FermentCase,
  type Hand,
} from '../../src'
import { coverageOf } from '../truth/coverage'
import { at, batch } from './foods'

/** Living members, whatever else a batch may do. */
const living = (z: Float64Array) => ({ z, ways: [] })
/** A course of many living members without readings; of the all-median one where `median`. */
const course = ({ batch: of, temperature, targetPh }: FermentCase, days: number, median = false): Course =>
  courseOf({ batch: of, temperature }, living(median ? new Float64Array(DRAWS) : drawMembers(500, 1)), targetPh, days)
const typical = (of: Course, day: number) => valueAt(of.hours, of.blended.typical, day * 24)
const reaches = (of: Course, pH: number) => of.hours[of.blended.typical.findIndex((value) => value <= pH)]! / 24

describe('pace, against values worked out by hand (science sheet, model)', () => {
  it.each([
    [15.6, 0.4869, 0.2889],
    [22, 0.807, 0.5552],
  ])('temperature %d °C: H %d, P %d', (tempC, h, p) => {
    expect(temperatureFactor(tempC, GROUPS.H)).toBeCloseTo(h, 4)
    expect(temperatureFactor(tempC, GROUPS.P)).toBeCloseTo(p, 4)
  })

  it('acid and salt', () => {
    expect(phFactor(5.2, GROUPS.H.phMin)).toBeCloseTo(0.882, 4)
    expect(phFactor(5.2, GROUPS.P.phMin)).toBeCloseTo(0.9018, 4)
    expect(waterPhaseSaltPct(4, 88)).toBeCloseTo(4.348, 3)
    // Sodium chloride at 25 °C: Robinson and Stokes at 10, 15, 20 % of the weight, from memory.
    for (const [pct, activity] of [
      [10, 0.935],
      [15, 0.8925],
      [20, 0.839],
    ] as const)
      expect(waterActivity(pct), `${pct} %`).toBeCloseTo(activity, 3)
    expect(waterActivity(40)).toBe(0.7528)
    expect(waterActivity(4, 1)).toBeCloseTo(waterActivity(4) - 0.008, 9)
  })

  it.each([
    ['pepper', 3.892],
    ['tomato', 3.484],
    ['cabbage', 4.234],
  ] as const)('pH of %s with 50 lactic and 10 acetic', (food, ph) => {
    expect(phWithAcids(batch(food, 4).medium, 50, 10)).toBeCloseTo(ph, 3)
  })
})

describe('cases', () => {
  it('the all-median pepper mash, 4 %, 23.9 °C, with the water activity the reference was run with (model, RK4 at 0.05 h; error of this scheme allowed 0.012)', () => {
    const member = memberOf(batch('pepper', 4), new Float64Array(DRAWS))
    const even = (factor: number) => [factor, factor] as const
    const reference = { ...member, waterH: even((0.9761 - 0.95) / 0.05), waterP: even((0.9761 - 0.93) / 0.07) }
    const expected = [
      [1, 5.198],
      [2, 4.544],
      [3, 3.92],
      [5, 3.648],
      [10, 3.498],
      [30, 3.419],
    ] as const
    const out = new Float64Array(expected.length * COLUMNS)
    const hours = Float64Array.from(expected, ([day]) => day * 24)
    integrateMember(reference, { points: [{ hour: 0, tempC: 23.9 }] }, hours, out, 0)
    expected.forEach(([day, ph], index) =>
      expect(Math.abs(out[index * COLUMNS]! - ph), `day ${day}`).toBeLessThan(0.012),
    )
    // With the activity of the table it is a little faster.
    const run = course(at(23.9, batch('pepper', 4)), 5, true)
    for (const [day, ph] of expected.slice(0, 4)) expect(Math.abs(typical(run, day) - ph)).toBeLessThan(0.03)
  })

  it('lively about 3 days at 24 °C, 4 to 5 at 15.6 °C, calm by day 5 to 10 (common practice)', () => {
    const calm = (tempC: number) => {
      const run = course(at(tempC, batch('pepper', 4)), 20)
      return run.hours[run.gas.typical.findLastIndex((rate) => rate > 5)]! / 24
    }
    expect(calm(24)).toBeGreaterThan(2.5)
    expect(calm(24)).toBeLessThan(5)
    expect(calm(15.6)).toBeGreaterThan(4.5)
    expect(calm(15.6)).toBeLessThan(8)
  })

  it('start 4.3, 23 °C, day 5.5: 3.6 to 3.7 (common practice)', () => {
    const found = typical(course(at(23, batch('pepper', 4, { startPh: 4.3 })), 6), 5.5)
    expect(found).toBeGreaterThan(3.6)
    expect(found).toBeLessThan(3.72)
  })

  it('fine salsa at 22 °C to 4.1 in 2 to 3 days, coarse pieces in 5 to 7 (common practice)', () => {
    const days = (cut: 'fine' | 'coarse') => reaches(course(at(22, batch('salsa', 2.4, { cut })), 20), 4.1)
    expect(days('fine')).toBeGreaterThanOrEqual(2)
    expect(days('fine')).toBeLessThanOrEqual(3)
    expect(days('coarse')).toBeGreaterThanOrEqual(5)
    expect(days('coarse')).toBeLessThanOrEqual(7)
  })

  it('two days at 22 °C, then 120 to 180 days at 4 °C, is like 5 to 6 days at 22 °C (common practice)', () => {
    const mash = batch('pepper', 4)
    const cold = { batch: mash, temperature: movedTo({ points: [{ hour: 0, tempC: 22 }] }, 48, 4, vesselLagH(3)) }
    const z = living(drawMembers(300, 1))
    const away = courseOf(cold, z, 3.8, 190)
    const warm = courseOf(at(22, mash), z, 3.8, 14)
    for (const [coldDay, low, high] of [
      [120, 4.5, 7],
      [180, 5, 8],
    ] as const) {
      const day = sameAs(warm, away, coldDay * 24)! / 24
      expect(day).toBeGreaterThan(low)
      expect(day).toBeLessThan(high)
    }
    expect(sameAs(away, warm, 6 * 24)! / 24).toBeGreaterThan(100)
  })

  it('cabbage 2.25 % as titratable acid (Pederson and Albury as given in FAO Agricultural Services Bulletin 134, from memory); 18 °C is a known miss, low', () => {
    const titratable = (tempC: number, day: number) => {
      const hours = Float64Array.from([day * 24])
      const out = new Float64Array(COLUMNS)
      const of = batch('cabbage', 2.25)
      integrateMember(memberOf(of, new Float64Array(DRAWS)), { points: [{ hour: 0, tempC }] }, hours, out, 0)
      // Lye to 8.2: what the acids and the food's own buffer still take up.
      const [pH, lactic, acetic] = [out[0]!, out[5]!, out[6]!]
      const { buffer, citric, malic } = of.medium
      const left = (pK: number) => 1 / (1 + 10 ** (pH - pK))
      const mmol =
        lactic * left(3.66) +
        acetic * left(4.57) +
        buffer * Math.max(0, 6 - pH) +
        citric * (left(2.92) + left(4.35) + left(5.65)) +
        malic * (left(3.22) + left(4.7))
      return titratablePct({ sampleG: 10, lyeMl: mmol / 10, lyeMolar: 0.1 })
    }
    expect(titratable(7.5, 10)).toBeGreaterThan(0.25)
    expect(titratable(7.5, 10)).toBeLessThan(0.7)
    for (const day of [8, 10]) {
      expect(titratable(23, day)).toBeGreaterThan(1.0)
      expect(titratable(23, day)).toBeLessThan(1.6)
    }
    // Published 1.7 to 2.3 %: the model stays under it. A miss, stated.
    expect(titratable(18, 20)).toBeLessThan(1.7)
    expect(titratable(18, 20)).toBeGreaterThan(1.2)
  })

  it('some 2 to 3 % mashes stay near 3.9 for two months: the model says lower, a known miss; readings override it', () => {
    const mash = batch('pepper', 2.5)
    expect(typical(course(at(22, mash), 60), 60)).toBeLessThan(3.6)
    const read = forecastFerment(
      at(22, mash, [
        [3, 4.2],
        [10, 3.95],
        [30, 3.92],
      ]),
      { days: 60 },
    )
    expect(typical(read, 60)).toBeGreaterThan(3.7)
    expect(read.ready.typical).toBeNull()
  })
})

describe('learning from readings', () => {
  it('Student’s distribution with five degrees of freedom (tables: 95 % at 2.015, 99 % at 3.365)', () => {
    expect(studentBelow(2.015)).toBeCloseTo(0.95, 3)
    expect(studentBelow(3.365)).toBeCloseTo(0.99, 3)
  })

  it('readings taken together are as sure as the surest of them', () => {
    const read = (hour: number, sd: number) => ({ hour, ph: 4.4, sd, of: 'blended' as const })
    expect(mergeReadings([read(24, 0.2), read(26, 0.03), read(27, 0.1)])).toMatchObject([{ sd: 0.03 }])
  })

  it('readings of one kind within 8 h are one; before the start they do not count; order and repetition do not matter', () => {
    const r = (hour: number, ph: number, of: 'liquid' | 'blended' = 'blended') => ({ hour, ph, sd: 0.05, of })
    expect(
      mergeReadings([r(30, 4.4), r(24, 4.6), r(-3, 5), r(26, 4.3, 'liquid'), r(60, 4)]).map(({ hour, ph }) => [
        hour,
        ph,
      ]),
    ).toEqual([
      [26, 4.3],
      [27, 4.5],
      [60, 4],
    ])
    const mash = at(22, batch('pepper', 4), [
      [2, 4.6],
      [3, 4.05],
    ])
    const shuffledTwice = { ...mash, readings: [...mash.readings, ...mash.readings].reverse() }
    expect(forecastFerment(shuffledTwice, { days: 6, members: 200 }).blended).toEqual(
      forecastFerment(mash, { days: 6, members: 200 }).blended,
    )
  })

  it('shared out among several it is the very same, also where one of them fails', async () => {
    const mash = at(22, batch('pepper', 4), [
      [2, 4.6],
      [5, 3.8],
      [9, 3.7],
    ])
    const helper: Hand = (asked) => Promise.resolve(runAsked(structuredClone(asked)))
    const gone: Hand = () => Promise.reject(new Error('The worker is gone.'))
    const options = { days: 12, members: 121 }
    const learned = await sharedOut(assimilating(mash, options), [helper, gone])
    const { learned: alone, ...forecast } = forecastFerment(mash, options)
    expect(learned).toEqual(alone)
    expect(await sharedOut(forecasting(mash, options, learned), [gone, helper, helper])).toEqual({
      ...forecast,
      learned,
    })
  })

  const after = (readings: readonly (readonly [number, number])[], days = 10) =>
    forecastFerment(at(22, batch('pepper', 4), readings), { days })
  const flagsAfter = (readings: readonly (readonly [number, number])[]) => after(readings).flags.map(({ code }) => code)
  const onItsWay = [
    [2, 4.6],
    [3, 4.05],
  ] as const

  it('mash 4 %, 22 °C, read 4.60 on day 2 and 4.05 on day 3: day 5 at 3.62, 3.78, 3.93 of living ones (model); standstills lift the upper end', () => {
    const { hours, blended } = after(onItsWay)
    const index = hours.indexOf(120)
    expect(Math.abs(blended.low[index]! - 3.62)).toBeLessThan(0.06)
    expect(Math.abs(blended.typical[index]! - 3.78)).toBeLessThan(0.06)
    expect(blended.high[index]!).toBeGreaterThan(3.93)
    expect(blended.high[index]!).toBeLessThan(4.2)
  })

  it.each([
    ['on its way', onItsWay, []],
    ['one high reading alone proves little', [[3, 4.95]], []],
    [
      'nothing works in it yet',
      [
        [2, 5.2],
        [3, 5.2],
      ],
      ['distrust', 'dead'],
    ],
    [
      'stands still above 4.6',
      [
        [3, 4.8],
        [5, 4.8],
      ],
      ['distrust', 'standing still', 'behind'],
    ],
    [
      'stands still above its target',
      [
        [2, 4.5],
        [4, 4.42],
        [7, 4.4],
      ],
      ['standing still', 'behind'],
    ],
    [
      'far under what it was',
      [
        [4, 3.75],
        [7, 3.2],
      ],
      ['distrust'],
    ],
    [
      'above living ones',
      [
        [3, 3.8],
        [7, 3.99],
      ],
      ['behind'],
    ],
    [
      'a rise that a band cannot explain',
      [
        [4, 3.8],
        [8, 4.1],
      ],
      ['film', 'behind'],
    ],
  ] as const)('flags: %s', (_, readings, codes) => {
    expect(flagsAfter(readings)).toEqual(codes)
  })

  it('what nothing works in and what has not begun are told apart by time alone; each flag has its probability', () => {
    const [first] = after([
      [2, 5.2],
      [3, 5.2],
    ]).flags
    const [later] = after([
      [3, 5.2],
      [5, 5.2],
      [7, 5.2],
    ]).flags
    expect(first!.chance).toBeGreaterThan(0.5)
    expect(first!.chance).toBeLessThan(0.8)
    expect(later!.chance).toBeGreaterThan(0.99)
  })

  it('when it passed 4.6 comes from the same batches: most likely, and a late end that standstills can put off for ever', () => {
    const { crossing, passes } = after(onItsWay)
    expect(crossing.blended.likelyH).toBeCloseTo(passes.typical!, 6)
    expect(crossing.blended.lateH).toBeGreaterThan(crossing.blended.likelyH)
    expect(crossing.blended.lateH).toBeLessThan(72)
    expect(after([[3, 4.95]]).crossing.blended.lateH).toBe(Infinity)
  })

  it('the band holds batches that are not of its making, standing ones are flagged (a few here; many of each by `npm run bands`, whose table stands in docs/checks.md)', () => {
    const count = 4
    const held = { day7: 0, day14: 0 }
    const kinds = ['model', 'another curve', 'stuck at 3.9', 'stuck at 4.3', 'late start', 'pieces x3'] as const
    for (const kind of kinds) {
      const found = coverageOf(kind, 9001, count, 120, [2, 4])
      held.day7 += found.held.day7
      held.day14 += found.held.day14
    }
    expect(held.day7).toBeGreaterThanOrEqual(0.85 * kinds.length * count)
    expect(held.day14).toBeGreaterThanOrEqual(0.85 * kinds.length * count)
    for (const kind of ['stalled at 4.8', 'dead', 'yeast'] as const)
      expect(
        coverageOf(kind, 9001, 3, 120).flags[7].map((flags) => flags.length > 0),
        kind,
      ).toEqual([true, true, true])
  })
})

describe('laws', () => {
  const anyBatch = fc.record({
    salt: fc.double({ min: 1.5, max: 20, noNaN: true }),
    tempC: fc.double({ min: -2, max: 45, noNaN: true }),
    cut: fc.constantFrom('ground' as const, 'fine' as const, 'coarse' as const, 'whole' as const),
    lie: fc.constantFrom(...LIES),
    seed: fc.integer({ min: 1, max: 1e6 }),
  })

  it('never NaN, never a rise of the blended pH, over all salts, temperatures and cuts', () => {
    fc.assert(
      fc.property(anyBatch, ({ salt, tempC, cut, lie, seed }) => {
        const of: Batch = { ...batch('pepper', salt), structure: structureOf(lie, cut, 0.45) }
        const hours = Float64Array.from({ length: 40 }, (_, index) => index * 18)
        const out = new Float64Array(hours.length * COLUMNS)
        integrateMember(memberOf(of, drawMembers(1, seed)), { points: [{ hour: 0, tempC }], swingC: 2 }, hours, out, 0)
        expect(out.every(Number.isFinite)).toBe(true)
        for (let index = 1; index < hours.length; index++) {
          expect(out[index * COLUMNS]! - out[(index - 1) * COLUMNS]!).toBeLessThan(1e-3)
          expect(out[index * COLUMNS + 3]!).toBeGreaterThanOrEqual(out[(index - 1) * COLUMNS + 3]! - 1e-9)
        }
      }),
      { numRuns: 150 },
    )
  })

  it('warmer is never slower up to 26 °C, more salt is never faster, member by member', () => {
    const passesAt = (of: Batch, tempC: number, z: Float64Array) => {
      const hours = Float64Array.from({ length: 241 }, (_, index) => index * 6)
      const out = new Float64Array(hours.length * COLUMNS)
      integrateMember(memberOf(of, z), { points: [{ hour: 0, tempC }] }, hours, out, 0)
      const index = hours.findIndex((_, step) => out[step * COLUMNS]! <= 4.6)
      return index < 0 ? Infinity : hours[index]!
    }
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.double({ min: 9, max: 24, noNaN: true }),
        fc.double({ min: 2, max: 6, noNaN: true }),
        (seed, tempC, salt) => {
          const z = drawMembers(1, seed)
          const now = passesAt(batch('pepper', salt), tempC, z)
          expect(passesAt(batch('pepper', salt), tempC + 2, z)).toBeLessThanOrEqual(now)
          expect(passesAt(batch('pepper', salt + 1), tempC, z)).toBeGreaterThanOrEqual(now)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('a later reading below the band never delays the date', () => {
    for (const [tempC, first, open] of [
      [22, 4.5, false],
      [18, 4.8, true],
      [24, 4.2, false],
    ] as const) {
      const before = forecastFerment(at(tempC, batch('pepper', 4), [[2, first]]), { days: 40 })
      const low = valueAt(before.hours, before.blended.low, 96)
      const after = forecastFerment(
        at(tempC, batch('pepper', 4), [
          [2, first],
          [4, low - 0.05],
        ]),
        { days: 40 },
      )
      expect(after.ready.typical!).toBeLessThanOrEqual(before.ready.typical!)
      // Only where 4.6 still lies ahead of the first reading can the second bring it nearer.
      expect(before.passes.typical! > 48).toBe(open)
      expect(Math.max(48, after.passes.typical!)).toBeLessThanOrEqual(Math.max(48, before.passes.typical!))
    }
  })

  it('is reproducible by its seed', () => {
    const run = (seed: number) =>
      forecastFerment(at(22, batch('pepper', 4), [[3, 4.9]]), { days: 8, members: 120, seed }).blended.typical
    expect(run(3)).toEqual(run(3))
    expect(run(3)).not.toEqual(run(4))
  })
})

describe('temperature', () => {
  it('a vessel follows a move with its lag, and reaches it', () => {
    const plan = movedTo({ points: [{ hour: 0, tempC: 22 }] }, 48, 4, vesselLagH(8))
    const lag = vesselLagH(8)
    expect(lag).toBeCloseTo(2 * 8 ** 0.6, 6)
    expect(temperatureAt(plan, 47)).toBeCloseTo(22, 6)
    expect(temperatureAt(plan, 48 + lag)).toBeCloseTo(4 + 18 / Math.E, 2)
    expect(temperatureAt(plan, 500)).toBe(4)
  })
})
