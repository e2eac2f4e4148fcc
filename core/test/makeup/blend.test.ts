import { describe, expect, it } from 'vitest'
import {
  amountCost,
  compositionOf,
  driftOf,
  earlierYields,
  forecastBlend,
  ingredientsOf,
  pressureOutlook,
  lotCost,
  mixturePh,
  ofMass,
  partComposition,
  phOf,
  propertiesOf,
  recallOf,
  titratableOf,
  type Draft,
} from '../../src'
import { day, caseOf, notebook } from '../log/build'
import { mash } from '../blend/foods'

const CALIBRATED = day(1.5)
/** A base in stock, and a blend of it that is not poured yet. */
function bench() {
  const log = notebook()
  const ferment = log.mash(0)
  for (const [at, ph] of [
    [2, 4.4],
    [5, 3.8],
    [9, 3.7],
  ] as const)
    log.read(ferment, at, ph)
  const base = log.press(ferment, 10)
  const blend = log.id()
  const part = { lotId: base, name: 'Cayenne base', massG: 75 }
  const vinegar = { materialId: 'white-vinegar', name: 'White vinegar 5 %', massG: 25 }
  const trial = (ph: number | undefined, change: object = {}) =>
    log.write({
      kind: 'trial',
      at: day(10.5),
      lotId: blend,
      name: 'Trial 1',
      parts: [part, vinegar],
      unknown: base,
      ...(ph !== undefined && {
        ph,
        instrument: { name: 'pH meter', kind: 'meter', steady: true, calibratedAt: day(10), slopePct: 97 },
      }),
      ...change,
    } as Draft)
  const pour = (change: object = {}) =>
    log.write({
      kind: 'blend',
      at: day(11),
      lotId: blend,
      code: 'S-1',
      name: 'Sauce',
      color: '#c22a1b',
      cooked: false,
      parts: [
        { ...part, massG: 750 },
        { ...vinegar, massG: 250 },
      ],
      ...change,
    } as Draft)
  return { ...log, ferment, base, blend, part, vinegar, trial, pour }
}

describe('trials in the log', () => {
  it('teach the lot they name, for every blend after; taking one back forgets it', () => {
    const { trial, book, base, blend, part, vinegar, write } = bench()
    const bandOf = () => forecastBlend([partComposition(book(), part, blend)!, partComposition(book(), vinegar)!]).ph!
    const before = bandOf()
    const read = before.typical + 0.06
    const id = trial(read)
    const after = bandOf()
    expect(after.high - after.low).toBeLessThan(before.high - before.low)
    expect(after.typical).toBeGreaterThan(before.typical + 0.02)
    expect(after.typical).toBeLessThan(read + 1e-3)
    expect(mixturePh(compositionOf(book(), base)!)!).toBeCloseTo(3.7, 4)
    write({ kind: 'retract', at: day(10.6), replaces: id, reason: 'Wrong jar.' })
    expect(bandOf().typical).toBeCloseTo(before.typical, 9)
  })

  it('what was tried is gone from the jar, and stands in its log; no trial is an orphan', () => {
    const { trial, book, base, blend } = bench()
    trial(3.4)
    expect(book().lots.get(base)!.leftG).toBe(1700 - 75)
    expect(
      book()
        .lots.get(base)!
        .entries.some(({ kind }) => kind === 'trial'),
    ).toBe(true)
    expect(book().orphans).toEqual([])
    expect(book().lots.has(blend)).toBe(false)
  })

  it('a trial without a pH, or one that tells nothing, teaches nothing', () => {
    const { trial, book, base } = bench()
    const untaught = compositionOf(book(), base)!.acidLogSd
    trial(undefined, { note: 'Too sharp.' })
    trial(3.7)
    expect(compositionOf(book(), base)!.acidLogSd).toBe(untaught)
  })

  it('teaches a material for its own blend only', () => {
    const { write, book, blend, part } = bench()
    const mango = { materialId: 'mango', name: 'Mango', massG: 60, ph: 4.4 }
    write({
      kind: 'trial',
      at: day(10.5),
      lotId: blend,
      name: 'Trial 1',
      parts: [mango, { ...part, massG: 10 }, { materialId: 'white-vinegar', name: 'Vinegar', massG: 30 }],
      unknown: 'mango',
      ph: 3.2,
    } as Draft)
    const spread = (id?: string) => partComposition(book(), mango, id)!.acidLogSd
    expect(spread(blend)).toBeLessThan(spread())
  })

  it('a titration of the base narrows it too, and a dilution tasting its heat', () => {
    const { write, book, base } = bench()
    const now = compositionOf(book(), base)!
    const lye = (titratableOf(ofMass(now, 10))!.mmol * 1.2) / 0.1
    write({ kind: 'reading', at: day(10.2), lotId: base, titration: { sampleG: 10, lyeMl: lye, lyeMolar: 0.1 } })
    const shu = propertiesOf(now).shu
    write({
      kind: 'reading',
      at: day(10.3),
      lotId: base,
      tasting: [
        { dilution: Math.round(shu.typical), felt: true },
        { dilution: Math.round(shu.typical * 2), felt: false },
      ],
    })
    const known = compositionOf(book(), base)!
    expect(known.acidLogSd).toBeLessThan(now.acidLogSd)
    expect(known.acids.lactic!).toBeGreaterThan(now.acids.lactic! * 1.05)
    const narrowed = propertiesOf(known).shu
    expect(narrowed.high / narrowed.low).toBeLessThan(shu.high / shu.low)
  })
})

it('what is found out is of the moment: a titration of a young ferment does not shrink the acid it makes later; water put in later thins the heat that was tasted', () => {
  const grown = (titrated: boolean) => {
    const { mash: pack, read, write, book } = notebook()
    const lot = pack(0)
    read(lot, 2, 4.4, 21, CALIBRATED)
    const lyeMl = titratableOf(ofMass(compositionOf(book(), lot)!, 10))!.mmol / 0.1
    if (titrated) write({ kind: 'reading', at: day(2.1), lotId: lot, titration: { sampleG: 10, lyeMl, lyeMolar: 0.1 } })
    read(lot, 9, 3.7, 21, CALIBRATED)
    return compositionOf(book(), lot)!
  }
  expect(grown(true).acids.lactic! / grown(false).acids.lactic!).toBeCloseTo(1, 2)
  expect(grown(true).acidLogSd).toBeLessThan(grown(false).acidLogSd)

  const { pour, write, book, blend } = bench()
  pour()
  const shu = () => propertiesOf(compositionOf(book(), blend)!).shu.typical
  const supposed = shu()
  write({
    kind: 'reading',
    at: day(11.5),
    lotId: blend,
    tasting: [
      { dilution: Math.round(supposed), felt: true },
      { dilution: Math.round(supposed * 2), felt: false },
    ],
  })
  const tasted = shu()
  expect(tasted).toBeGreaterThan(supposed)
  write({ kind: 'add', at: day(12), lotId: blend, rows: [], waterG: 1000, saltG: 0, reason: 'Thinned.' })
  expect(shu() / tasted).toBeCloseTo(0.5, 6)
})

describe('a blend after it was poured', () => {
  it('a correction is part of it: mass, salt and acid follow, and its pH until it is read again', () => {
    const { pour, write, read, book, blend } = bench()
    pour()
    read(blend, 12, 3.5, 20, CALIBRATED)
    const before = compositionOf(book(), blend)!
    write({
      kind: 'add',
      at: day(12.1),
      lotId: blend,
      rows: [
        {
          materialId: 'white-vinegar',
          name: 'White vinegar 5 %',
          massG: 100,
          preparation: 'raw',
          seedsOut: false,
          strengthPct: 10,
        },
      ],
      waterG: 0,
      saltG: 5,
      reason: 'Correction.',
    })
    const after = compositionOf(book(), blend)!
    expect(after.massG).toBeCloseTo(before.massG + 105, 6)
    expect(after.saltG).toBeCloseTo(before.saltG + 5, 6)
    // 100 g of 10 % vinegar: the strength on the bottle counts, not the library's.
    expect(((after.acids.acetic! - before.acids.acetic!) * 60.05) / 1000).toBeCloseTo(10, 2)
    expect(mixturePh(after)!).toBeLessThan(3.5)
    expect(book().lots.get(blend)!.madeG).toBe(1105)
    // The day begins anew: the reading before the correction releases nothing.
    const release = () => caseOf(book(), blend).reading
    expect(release()).toBeNull()
    expect(phOf(book(), blend)).toMatchObject({ measured: false })
    read(blend, 13.2, 3.47, 20, CALIBRATED)
    expect(mixturePh(compositionOf(book(), blend)!)!).toBeCloseTo(3.47, 4)
    expect(release()!.hoursAfterBlending).toBeCloseTo(26.4, 1)
  })

  it('explains a drift between at once and a day later', () => {
    const drift = (first: number, last: number, hours = 25, live = false, sugarPct = 4) => {
      const { pour, read, book, blend } = bench()
      pour()
      read(blend, 11.02, first)
      read(blend, 11.02 + hours / 24, last)
      return driftOf(book().lots.get(blend)!, { live, sugarPct })
    }
    expect(drift(3.5, 3.52)).toMatchObject({ level: 'fine' })
    expect(drift(3.5, 3.62)).toMatchObject({
      level: 'act',
      sentence: expect.stringMatching(/rose by 0\.12\. Pieces and fruit/),
    })
    expect(drift(3.6, 3.48, 25, true)!.sentence).toMatch(/ferments on/)
    expect(drift(3.6, 3.48)!.sentence).toMatch(/pieces|stirred/)
    expect(drift(3.5, 3.62, 2)).toBeNull()
    expect(drift(3.5, 3.62, 14)!.sentence).toMatch(/once more at 24 h/)
  })

  it('costs what went into it, through the press, and names what has no price', () => {
    const { pour, write, book, blend, base } = bench()
    pour()
    write({ kind: 'material', at: day(0), materialId: 'cayenne', name: 'Cayenne', group: 'pepper', pricePerKg: 8.5 })
    expect(lotCost(book(), base)).toMatchObject({ unpriced: ['Salt'] })
    // 2 kg at 8.5 made 1 700 g of base (pulp is thrown out): 750 g of it.
    expect(lotCost(book(), blend).money).toBeCloseTo((17 * 750) / 1700, 6)
    expect(amountCost(book(), { materialId: 'water', name: 'Water', massG: 500 })).toEqual({ money: 0, unpriced: [] })
  })
})

it('brine kept at the press is a lot of its own, pulp another; earlier yields of the style stand beside', () => {
  const { mash: pack, read, press, book, id } = notebook()
  const first = pack(0)
  read(first, 8, 3.7)
  press(first, 10)
  const second = pack(1)
  read(second, 8, 3.7)
  const brineLotId = id()
  const base = press(second, 12, {
    method: 'drain',
    baseG: 1500,
    pulpG: 100,
    brineG: 440,
    brineLotId,
    brineCode: 'K-1',
  })
  const brine = compositionOf(book(), brineLotId)!
  expect(book().lots.get(brineLotId)).toMatchObject({ kind: 'brine', madeG: 440, leftG: 440, code: 'K-1' })
  expect(mixturePh(brine)!).toBeCloseTo(3.7, 3)
  expect(brine.pungency.typical / brine.massG).toBeLessThan(
    (0.2 * compositionOf(book(), base)!.pungency.typical) / 1500,
  )
  expect(book().lots.get(second)!.usedG).toBe(2080)
  expect(earlierYields(book(), 'mash', second)).toMatchObject([{ method: 'sieve', yieldPct: expect.closeTo(81.7, 1) }])
})

it('a base thinned at the press weighs, holds, costs and is traced as what it became', () => {
  const { mash: pack, read, press, book, id, write } = notebook()
  const ferment = pack(0)
  read(ferment, 8, 3.7)
  const brineLotId = id()
  const base = press(ferment, 10, { method: 'drain', baseG: 1500, pulpG: 0, brineG: 500, brineLotId, brineCode: 'K-1' })
  const before = propertiesOf(compositionOf(book(), base)!)
  const row = { preparation: 'raw', seedsOut: false } as const
  const whey = { ...row, materialId: 'whey', name: 'Whey', massG: 45 }
  const brine = { ...row, materialId: 'lot', lotId: brineLotId, name: 'Brine', massG: 30, said: '2 tbsp' }
  write({ kind: 'add', at: day(10), lotId: base, rows: [brine, whey], waterG: 0, saltG: 0, reason: 'thinned' } as Draft)
  const after = propertiesOf(compositionOf(book(), base)!)
  expect(book().lots.get(base)!.madeG).toBe(1575)
  expect(book().lots.get(brineLotId)!.leftG).toBe(470)
  expect(after.bodyPct).toBeLessThan(before.bodyPct)
  expect(compositionOf(book(), base)!.allergens).toEqual(['milk'])
  const parts = ingredientsOf(book(), base)
  expect(parts.find(({ name }) => name === 'Whey')).toMatchObject({ massG: 45, allergens: ['milk'] })
  expect(parts.reduce((sum, { massG }) => sum + massG, 0)).toBeCloseTo(1575, 6)
  // Of the ferment is all but the whey.
  const share = recallOf(book(), ferment)!.stock.find(({ lot }) => lot.id === base)
  expect(share!.sharePct).toBeCloseTo((100 * 1530) / 1575, 6)
})

it('sugar put in after fermenting comes back as gas: pressure where bottles stand, and how soon', () => {
  const sauce = { ...mash(1000, 3.7), sugarG: { low: 2, typical: 4, high: 4 } }
  const { closed, sugarGPerL } = pressureOutlook(sauce)
  expect(
    closed.map(({ tempC }) => tempC),
    'where a release judges them, and a room',
  ).toEqual([8, 20, 35])
  // 4 g/L of hexose: 0.83, 1.20, 1.74 bar (model; its 0.73 at 4 °C is held in keep.test).
  const per = sugarGPerL.typical / 4
  closed.forEach(({ bar }, index) => expect(bar.typical / per).toBeCloseTo([0.83, 1.2, 1.74][index]!, 1))
  expect(closed[0]!.days!.typical).toBeGreaterThan(3 * closed[1]!.days!.typical)
  expect(
    pressureOutlook({ ...sauce, sugarG: { low: 0, typical: 0, high: 0.2 } }).closed.every(({ days }) => days === null),
  ).toBe(true)
})
