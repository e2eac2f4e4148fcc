import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  checkLevel,
  boilingMinutesAdded,
  boilingPointC,
  coolingMinutes,
  filledBottleC,
  glassFor,
  lastFilledC,
  keepCaseOf,
  lethality,
  needsOf,
  pressureVerdict,
  rampMinutes,
  shrinkPct,
  storeRefusal,
  trapezoidMinutes,
  USUAL_REFERENCE,
  WARN_BAR,
  type KeepCase,
} from '../../src'

const reference = USUAL_REFERENCE
/** One reading a minute of a straight rise. */
const rise = (fromC: number, toC: number, minutes: number) =>
  Array.from({ length: minutes + 1 }, (_, minute) => ({ minute, tempC: fromC + ((toC - fromC) * minute) / minutes }))

describe('lethality', () => {
  it('1.2 min held at 71.1 °C is 1.2 min (model); the reference is for pH 4.1 and under', () => {
    expect(
      lethality(
        [
          { minute: 0, tempC: 71.1 },
          { minute: 1.2, tempC: 71.1 },
        ],
        reference,
      ).minutes.typical,
    ).toBeCloseTo(1.2, 9)
    expect(reference).toMatchObject({ refC: 71.1, zC: 10.8, minutes: 1.2, highestPh: 4.1 })
  })

  it('60 to 80 °C in 10 min, z 10.83: exactly 15.380, by one-minute trapezoid 15.611 (model)', () => {
    const own = { ...reference, zC: 10.83 }
    expect(rampMinutes(60, 80, 10, own)).toBeCloseTo(15.38, 3)
    const found = lethality(rise(60, 80, 10), own)
    // The exact integral of straight lines does not depend on how many readings lie on them.
    expect(found.minutes.typical).toBeCloseTo(15.38, 3)
    expect(found.trapezoid).toBeCloseTo(15.611, 2)
  })

  it('never more than the trapezoid, never less than the coolest end for the whole time; a plateau is the limit of a ramp', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 100, noNaN: true }),
        fc.double({ min: 20, max: 100, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        (a, b, minutes) => {
          const exact = rampMinutes(a, b, minutes, reference)
          const flat = (tempC: number) => rampMinutes(tempC, tempC, minutes, reference)
          expect(exact).toBeLessThanOrEqual(trapezoidMinutes(a, b, minutes, reference) * (1 + 1e-9) + 1e-12)
          expect(exact).toBeGreaterThanOrEqual(flat(Math.min(a, b)) * (1 - 1e-9))
          expect(rampMinutes(a, a + 1.1e-4, minutes, reference)).toBeCloseTo(
            flat(a),
            3 - Math.ceil(Math.log10(flat(a) + 1)),
          )
        },
      ),
    )
  })

  it('gaps count for nothing; what cannot be is refused in words; half a degree is told', () => {
    const broken = lethality(
      [
        { minute: 0, tempC: 85 },
        { minute: 1, tempC: 85 },
        { minute: 9, tempC: 85 },
        { minute: 10, tempC: 85 },
      ],
      reference,
    )
    expect(broken.gaps).toEqual([{ from: 1, to: 9 }])
    expect(broken.minutes.typical).toBeCloseTo(2 * 10 ** ((85 - 71.1) / 10.8), 6)
    expect(broken.minutes.low / broken.minutes.typical).toBeCloseTo(10 ** (-0.5 / 10.8), 9)
    expect(() => lethality([{ minute: 0, tempC: 1000 }], reference)).toThrow(/between -30 and 130/)
    expect(() =>
      lethality(
        [
          { minute: 1, tempC: 80 },
          { minute: 1, tempC: 81 },
        ],
        reference,
      ),
    ).toThrow(/minutes must rise/)
    expect(() => lethality([], reference)).toThrow(/Nothing was measured/)
  })
})

describe('planning a hot fill', () => {
  it.each([
    [88, 22, 76.1],
    [88, 70, 84.7],
    [82, 22, 71.1],
  ])('%d °C into glass of %d °C, 150 g each: %d °C (model)', (fillC, glassC, tempC) => {
    expect(filledBottleC({ fillC, glassC, sauceG: 150, glassG: 150 })).toBeCloseTo(tempC, 1)
  })

  it('the glass that is asked for gives what was wanted; a bottle loses two thirds of its lead in 45 min (150 mL), 60 min (300 mL)', () => {
    const glassC = glassFor(82, { fillC: 88, sauceG: 150, glassG: 150 })!
    expect(filledBottleC({ fillC: 88, glassC, sauceG: 150, glassG: 150 })).toBeCloseTo(82, 9)
    expect(glassFor(90, { fillC: 88, sauceG: 150, glassG: 150 })).toBeNull()
    expect([coolingMinutes(150), coolingMinutes(300)]).toEqual([45, 60])
    // Density of water 0.9982 at 20 °C, 0.9686 at 85 °C (handbook table, from memory).
    expect(shrinkPct(85)).toBeCloseTo(100 * (1 - 0.9686 / 0.9982), 1)
  })
})

describe('the bottle that was measured last', () => {
  const at = (...points: [number, number][]) => lastFilledC(points.map(([minute, tempC]) => ({ minute, tempC })))
  it.each([
    [
      'one that cools',
      [
        [0, 86.2],
        [1, 85.6],
        [2, 84.9],
      ],
      86.2,
    ],
    [
      'a probe that climbs first',
      [
        [0, 40],
        [0.5, 79],
        [1, 86],
        [2, 85.3],
      ],
      86,
    ],
    [
      'a hotter one after a cool one',
      [
        [0, 75],
        [2, 91],
      ],
      91,
    ],
    [
      'a cool one after a hot one in one record',
      [
        [0, 91],
        [2, 75],
        [3, 74.5],
      ],
      75,
    ],
    [
      'half an hour in one bottle',
      [
        [0, 90],
        [10, 76],
        [20, 65],
        [30, 56],
      ],
      90,
    ],
  ] as [string, [number, number][], number][])('%s', (_, points, tempC) => expect(at(...points)).toBe(tempC))
})

describe('boiling water', () => {
  it.each([
    [0, 100],
    [500, 98.3],
    [1000, 96.7],
    [1500, 95],
    [2000, 93.4],
    [3000, 90],
  ])('at %d m it boils at %d °C (handbook table)', (metres, tempC) => {
    expect(boilingPointC(metres)).toBeCloseTo(tempC, 1)
  })

  it('guidance for home canning adds 5 min from 1 000 ft, 10 from 3 000, 15 from 6 000, 20 from 8 000 (from memory)', () => {
    expect([300, 306, 920, 1850, 2500].map(boilingMinutesAdded)).toEqual([0, 5, 10, 15, 20])
  })
})

describe('ways of keeping', () => {
  const sweet: KeepCase = {
    upperPh: 3.7,
    measured: true,
    limitPh: 4,
    sugarGPerL: { low: 0, typical: 8, high: 20 },
    live: true,
    headspace: 0.06,
    altitudeM: 0,
  }
  const stops = (id: Parameters<typeof needsOf>[0], change: Partial<KeepCase> = {}) =>
    needsOf(id, { ...sweet, ...change })
      .filter((need) => need.verdict === 'stop')
      .map((need) => need.what)

  it('live and sweet is kept cold in vented or soft bottles; over the reference’s pH nothing is cooked by it; without a pH nothing goes', () => {
    expect(stops('live-cold')).toEqual([])
    expect(needsOf('live-cold', sweet).find(({ what }) => what.startsWith(`Under ${WARN_BAR} bar`))).toMatchObject({
      verdict: 'ask',
      sentence: expect.stringMatching(/at 8 °C.*only vented or soft ones/),
    })
    const reliefs = ['none', 'test bottle', 'squeeze', 'vented'] as const
    // What may burst is to be acted on, never only a question.
    expect([true, false].map((burst) => checkLevel({ verdict: 'ask', burst }))).toEqual(['act', 'ask'])
    expect([0.4, 0.9, 2, 5].map((bar) => reliefs.map((relief) => pressureVerdict(bar, relief)))).toEqual([
      ['pass', 'pass', 'pass', 'pass'],
      ['ask', 'ask', 'ask', 'ask'],
      ['stop', 'ask', 'ask', 'ask'],
      ['stop', 'stop', 'ask', 'ask'],
    ])
    expect(stops('cooked-hot-fill')).toEqual([])
    expect(stops('cooked-hot-fill', { upperPh: 4.15, limitPh: 4.2 })).toHaveLength(1)
    for (const id of ['live-cold', 'frozen', 'cooked-hot-fill', 'boiled-in-jar'] as const)
      expect(stops(id, { upperPh: null })).not.toEqual([])
    expect(USUAL_REFERENCE.id).toBe('acidified-711')
  })

  it('air: a twentieth live, a tenth frozen, asked of the bottle chosen (common practice)', () => {
    const air = (id: Parameters<typeof needsOf>[0], headspace: number) =>
      needsOf(id, { ...sweet, headspace }).find((need) => need.what.startsWith('Air'))?.verdict
    expect([
      air('live-cold', 0.067),
      air('live-cold', 0.03),
      air('frozen', 0.067),
      air('frozen', 0.12),
      air('boiled-in-jar', 0.03),
    ]).toEqual(['pass', 'ask', 'ask', 'pass', undefined])
  })

  it('a live sauce is refused for the shelf with its reason and what to do; a cooked or dead one is not', () => {
    const refused = storeRefusal('live-cold', 'shelf', sweet)!
    expect(refused.reason).toMatch(/20\.0 g\/L of sugar: up to \d+\.\d bar at 35 °C/)
    expect(refused.offers.map(({ to }) => to)).toEqual(['live-cold', 'cooked-hot-fill'])
    // With so much less sugar it stands at the line, by the pressure model itself.
    const less = storeRefusal('live-cold', 'shelf', {
      ...sweet,
      sugarGPerL: { ...sweet.sugarGPerL, high: 20 * (1 - refused.lessSugarPct! / 100) * 0.999 },
    })
    expect(less?.lessSugarPct).toBeNull()
    expect(storeRefusal('live-cold', 'cold', sweet)).toBeNull()
    expect(storeRefusal('cooked-hot-fill', 'shelf', sweet)).toBeNull()
    expect(storeRefusal('frozen', 'shelf', { ...sweet, live: false })).toBeNull()
  })
})

it('what a release knows of its pH is the upper end of the reading', () => {
  expect(
    keepCaseOf({
      reading: { ph: 3.6, hoursAfterBlending: 30, trust: 'bench', calibrationAgeH: 2 },
      predictedPh: null,
      limitPh: 4,
      sugarGPerL: sweetless,
      hasLiveFerment: false,
      headspace: 0.05,
      altitudeM: 0,
      treatment: 'live-cold',
      store: 'cold',
      heat: { reference, pot: null, lastBottle: null, water: null },
      relief: 'none',
      judged: [],
      unknown: [],
      allergens: [],
      label: null,
      ...{ process: null, bottleMl: 150, filledHours: 0, heldMin: null, turnedMin: null },
      ...{ oilPct: 0, aw: null, chunky: false, solids: [] },
    }),
  ).toMatchObject({ upperPh: expect.closeTo(3.6494, 4), measured: true })
})
const sweetless = { low: 0, typical: 0, high: 0 }
