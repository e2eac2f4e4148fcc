import { describe, expect, it } from 'vitest'
import {
  bottlePressure,
  co2Volumes,
  exactly,
  mayRelease,
  releaseChecks,
  USUAL_REFERENCE,
  type FinalReading,
  type ReleaseCase,
} from '../../src'

describe('pressure of a live bottle (model)', () => {
  it('4 g/L of hexose is 0.99 volumes; 0.73, 1.20, 1.74 bar at 4, 20, 35 °C', () => {
    expect(co2Volumes(4)).toBeCloseTo(0.99, 2)
    for (const [tempC, bar] of [
      [4, 0.73],
      [20, 1.2],
      [35, 1.74],
    ] as const)
      expect(bottlePressure(4, tempC)).toBeCloseTo(bar, 2)
  })
})

describe('release', () => {
  const heat = { reference: USUAL_REFERENCE, pot: null, lastBottle: null, water: null }
  const good: ReleaseCase = {
    treatment: 'live-cold',
    store: 'cold',
    limitPh: 4.0,
    headspace: 0.06,
    altitudeM: 0,
    reading: { ph: 3.6, hoursAfterBlending: 26, trust: 'bench', calibrationAgeH: 5 },
    predictedPh: { low: 3.5, typical: 3.6, high: 3.7 },
    sugarGPerL: exactly(0.5),
    hasLiveFerment: true,
    heat,
    relief: 'none',
    ...{ process: null, bottleMl: 150, filledHours: 0, heldMin: null, turnedMin: 2 },
    ...{ oilPct: 0, aw: null, chunky: false, solids: [] },
    judged: [],
    unknown: [],
    allergens: [],
    label: { current: true, evidence: { atMs: 0, by: 'Bench', what: '60 printed' } },
  }
  const simmer = (tempC: number, minutes: number) => ({
    points: Array.from({ length: minutes + 1 }, (_, minute) => ({ minute, tempC })),
  })
  const cooked = { treatment: 'cooked-hot-fill', store: 'shelf' } as const
  const stops = (change: Partial<ReleaseCase>) =>
    releaseChecks({ ...good, ...change })
      .filter((check) => check.verdict === 'stop')
      .map((check) => check.id)

  it('passes a sound lot and shows the working of its pH', () => {
    const checks = releaseChecks(good)
    expect(mayRelease(checks)).toBe(true)
    expect(checks.find((check) => check.id === 'ph')?.working?.result).toBe('3.65')
  })

  it.each([
    ['no reading', { reading: null }, ['ph', 'even']],
    [
      'the upper end is over the limit',
      { reading: { ph: 3.97, hoursAfterBlending: 26, trust: 'bench', calibrationAgeH: 5 } },
      ['ph'],
    ],
    ['read too early', { reading: { ph: 3.6, hoursAfterBlending: 3, trust: 'bench', calibrationAgeH: 5 } }, ['even']],
    ['live and sweet', { sugarGPerL: exactly(12) }, ['pressure']],
    ['live and sweet, but its bottles are vented', { sugarGPerL: exactly(12), relief: 'vented' }, []],
    [
      'read with strips that could be over',
      { reading: { ph: 3.8, hoursAfterBlending: 26, trust: 'strip', calibrationAgeH: null } },
      ['ph'],
    ],
    ['live goes on the shelf', { store: 'shelf' }, ['pressure']],
    ['no heat was measured', cooked, ['heat', 'fill']],
    [
      'it was too cool',
      { ...cooked, heat: { ...heat, pot: simmer(66, 2), lastBottle: simmer(79, 1) } },
      ['heat', 'fill'],
    ],
    [
      'the reference is not for its pH',
      {
        ...cooked,
        limitPh: 4.2,
        reading: { ph: 4.1, hoursAfterBlending: 26, trust: 'bench', calibrationAgeH: 5 },
        heat: { ...heat, pot: simmer(90, 10), lastBottle: simmer(85, 1) },
      },
      ['ph', 'heat'],
    ],
    [
      'jars boiled too short for the height',
      { treatment: 'boiled-in-jar', store: 'cold', altitudeM: 1000, heat: { ...heat, water: simmer(96.5, 12) } },
      ['boil'],
    ],
    ['a source was discarded', { judged: [{ verdict: 'stop', sentence: 'Made of BPL-10.' }] }, ['judge']],
    ['no label was printed', { label: null }, ['label']],
    [
      'the label is no longer true',
      { label: { current: false, evidence: { atMs: 0, by: 'Bench', what: '60 printed' } } },
      ['label'],
    ],
  ] as const)('stops when %s', (_, change, expected) => {
    expect(stops(change)).toEqual(expected)
  })

  it('says of measured heat what was measured and never that it is safe', () => {
    const checks = releaseChecks({
      ...good,
      ...cooked,
      heat: { ...heat, pot: simmer(90, 10), lastBottle: simmer(85, 1) },
    })
    expect(mayRelease(checks)).toBe(true)
    expect(checks.find(({ id }) => id === 'heat')?.sentence).toMatch(
      /^5\d\d min at 71\.1 °C measured at least; asked are 1\.20\. That is what was measured, not an approval\.$/,
    )
    expect(checks.map(({ sentence }) => sentence).join(' ')).not.toMatch(/\bsafe\b/i)
    expect(
      releaseChecks({
        ...good,
        ...cooked,
        heat: {
          ...heat,
          reference: { ...USUAL_REFERENCE, minutes: null },
          pot: simmer(90, 10),
          lastBottle: simmer(85, 1),
        },
      }).find(({ id }) => id === 'heat'),
    ).toMatchObject({
      verdict: 'stop',
      sentence: expect.stringMatching(/names no minutes, so it passes nothing/),
    })
    expect(
      mayRelease(
        releaseChecks({
          ...good,
          treatment: 'boiled-in-jar',
          store: 'cold',
          altitudeM: 1000,
          heat: { ...heat, water: simmer(96.5, 20) },
        }),
      ),
    ).toBe(true)
    expect(releaseChecks({ ...good, unknown: ['Mystery paste'] }).find(({ id }) => id === 'allergens')?.verdict).toBe(
      'ask',
    )
  })

  it('a meter releases that was set that day and did not fail its check afterwards; strips to 4.0; no limit over 4.2', () => {
    const verdictOf = (reading: object) =>
      releaseChecks({ ...good, limitPh: 4.2, reading: { ph: 3.5, hoursAfterBlending: 26, ...reading } as FinalReading })
        .filter(({ id }) => id === 'meter')
        .map(({ verdict }) => verdict)[0]
    expect(verdictOf({ trust: 'bench', calibrationAgeH: 2, checkedAfter: 'passed' })).toBe('pass')
    expect(verdictOf({ trust: 'bench', calibrationAgeH: 2 })).toBe('ask')
    for (const stopped of [
      { trust: 'bench', calibrationAgeH: 2, checkedAfter: 'failed' },
      { trust: 'pocket', calibrationAgeH: 30 },
      { trust: 'unchecked', calibrationAgeH: null },
      { trust: 'failed', calibrationAgeH: null },
      { trust: 'stained', calibrationAgeH: null },
      { trust: 'strip', ph: 4.1, calibrationAgeH: null },
    ])
      expect(verdictOf(stopped), JSON.stringify(stopped)).toBe('stop')
    expect(verdictOf({ trust: 'strip', ph: 3.6, calibrationAgeH: null })).toBe('ask')
    expect(() => releaseChecks({ ...good, limitPh: 4.4 })).toThrow(/between 2.5 and 4.2/)
  })
})
