import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  acidityOf,
  bowlLeft,
  evenShares,
  factorForAtHand,
  factorToFill,
  factorToYield,
  fold,
  insurance,
  materialById,
  mix,
  mixturePh,
  ofMaterial,
  planFigures,
  rawRemedies,
  rawShare,
  scaled,
  startCountLog10,
  startWords,
  STYLES,
  type PlanCase,
  type Row,
} from '../../src'

const empty = fold([])
const row = (materialId: string, massG: number, rest: Partial<Row> = {}): Row => ({
  materialId,
  name: materialById(materialId)?.name ?? materialId,
  massG,
  preparation: 'raw',
  seedsOut: false,
  ...rest,
})
const plan = (change: Partial<PlanCase> = {}): PlanCase => ({
  style: 'mash',
  rows: [row('fresno', 1346), row('garlic', 54)],
  waterG: 0,
  saltPct: 4,
  saltBasis: 'ingredients',
  ...change,
})
const figures = (change: Partial<PlanCase> = {}) => planFigures(empty, plan(change))!

describe('what a plan comes to', () => {
  it('1 400 g at 4 % is 56 g (common practice), with the own salt of the garlic counted once evened out', () => {
    const { dose, ownSaltG, composition } = figures()
    expect(dose.saltG).toBeCloseTo(56, 6)
    expect(ownSaltG).toBeGreaterThan(0)
    expect((100 * composition.saltG) / composition.massG).toBeCloseTo(dose.ofEverythingPct, 9)
  })

  it('less than half raw and no starter warns with two ways out; either of them ends the warning', () => {
    const rows = [row('fresno', 400), row('carrot', 600, { preparation: 'roasted' })]
    const { remedy, raw } = figures({ rows })
    expect(raw).toBeCloseTo(0.4)
    expect(remedy!.rawG).toBeCloseTo(200, 6)
    expect(figures({ rows: [...rows, row('fresno', remedy!.rawG)] }).remedy).toBeNull()
    expect(figures({ rows: [...rows, row('whey', 20)] })).toMatchObject({ remedy: null, starter: true })
    expect(figures({ rows: [...rows, row('whey', 20)] }).composition.allergens).toEqual(['milk'])
    expect(figures({ rows, style: 'cooked', saltBasis: 'everything', saltPct: 1 }).remedy).toBeNull()
  })

  it('a start count follows what is alive, in words (judgement)', () => {
    const living = (massG: number, preparation: Row['preparation'], starterLog10: number | null = null) => ({
      massG,
      preparation,
      livens: starterLog10 === null,
      starterLog10,
    })
    expect(startWords(startCountLog10([living(900, 'raw')], 1000))).toMatch(/normal wild/)
    expect(startWords(startCountLog10([living(900, 'roasted')], 1000))).toMatch(/hardly anything/)
    expect(startWords(startCountLog10([living(900, 'roasted'), living(20, 'raw', 7)], 1000))).toMatch(/strong/)
    expect(startWords(startCountLog10([], 1000))).toMatch(/nothing alive/)
    expect(rawShare([living(100, 'raw'), living(20, 'raw', 7)])).toBe(1)
    expect(rawRemedies([living(500, 'boiled')], 520).rawG).toBeCloseTo(500, 6)
  })

  it('corn and squash start low in acid, tomatoes and lime do not; what is offered does bring it to 4.6', () => {
    const low = figures({ rows: [row('sweet-corn', 900), row('squash', 300)] })
    const judged = acidityOf(low.ph!, low.parts)
    expect(judged).toMatchObject({ level: 'act', raises: ['Sweet corn', 'Winter squash'] })
    const remedies = insurance(
      low.composition,
      ['white-vinegar', 'lime-juice', 'citric-acid'].map((id) => materialById(id)!),
    )
    expect(remedies).toHaveLength(3)
    for (const { material, massG } of remedies)
      expect(mixturePh(mix([low.composition, ofMaterial(material, massG)]))!).toBeCloseTo(4.6, 3)
    const sour = figures({ rows: [row('tomato', 900), row('lime-juice', 60)] })
    expect(acidityOf(sour.ph!, sour.parts).level).toBe('fine')
    expect(insurance(sour.composition, [materialById('white-vinegar')!])).toEqual([])
  })

  it('costs what was bought and names what has no price; a dried pepper is hotter by the gram than a fresh one', () => {
    const { cost } = figures({ rows: [row('fresno', 900, { boughtG: 1000, pricePerKg: 6 }), row('garlic', 50)] })
    expect(cost).toEqual({ known: 6, unpriced: ['Garlic'] })
    const heat = (preparation: Row['preparation']) =>
      figures({ rows: [row('cayenne', 100, { preparation })] }).composition.pungency.typical
    expect(heat('dried') / heat('raw')).toBeCloseTo(0.9 / 0.15, 6)
  })

  it.each(STYLES.map((style) => [style.id, style] as const))('%s can be planned as it usually is', (id, style) => {
    const rows =
      style.liquid === 'vinegar'
        ? [row('fresno', 500), row('white-vinegar', 800)]
        : id === 'paste'
          ? [row('shrimp', 500)]
          : [row('fresno', 1000)]
    const found = figures({
      style: id,
      rows,
      waterG: style.liquid === 'brine' ? 900 : 0,
      saltPct: style.saltPct?.usual ?? 0,
      saltBasis: style.basis,
    })
    expect(found.dose.saltG > 0).toBe(style.saltPct !== null)
    expect(found.remedy).toBeNull()
    if (id === 'paste') expect(found.dose.ofEverythingPct).toBeCloseTo(28.9, 0) // about 40 g to 100 g is some 29 % of the whole (common practice)
    if (!style.ferments) expect(found.composition.live).toBe(false)
  })
})

describe('scaling', () => {
  it('keeps every percentage, for any factor', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        fc.constantFrom('ingredients' as const, 'brine' as const, 'everything' as const),
        (factor, saltBasis) => {
          const now = plan({ style: 'brined', waterG: 1200, saltBasis })
          const before = planFigures(empty, now)!
          const after = planFigures(empty, scaled(now, factor))!
          expect(after.dose.saltG / before.dose.saltG).toBeCloseTo(factor, 6)
          for (const key of ['ofIngredientsPct', 'ofWaterPct', 'ofBrinePct', 'ofEverythingPct'] as const)
            expect(after.dose[key]).toBeCloseTo(before.dose[key]!, 9)
          expect(after.ph!.typical).toBeCloseTo(before.ph!.typical, 6)
          expect(after.properties.shu.typical).toBeCloseTo(before.properties.shu.typical, 4)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('by vessel, by bottles and by what is at hand: the plan then does what was asked', () => {
    const now = figures()
    const filled = planFigures(empty, scaled(plan(), factorToFill(now.properties.volumeMl, 5200, 0.75)))!
    expect(filled.properties.volumeMl).toBeCloseTo(3900, 3)
    const yielded = planFigures(empty, scaled(plan(), factorToYield(now.sauceMl.typical, 60, 150)))!
    expect(yielded.sauceMl.typical).toBeCloseTo(9000, 3)
    expect(scaled(plan(), factorForAtHand(plan().rows[0]!, 7300)).rows[0]!.massG).toBeCloseTo(7300, 6)
    expect(factorForAtHand({ name: 'Fresno', massG: 900, boughtG: 1000 }, 500)).toBeCloseTo(0.5, 9)
  })

  it('refuses in words', () => {
    expect(() => scaled(plan(), -1)).toThrow(/above zero/)
    expect(() => factorToFill(0, 5000, 0.75)).toThrow(/nothing to scale/)
    expect(() => factorForAtHand({ name: 'Fresno', massG: null }, 500)).toThrow(/Fresno has no weight/)
  })
})

describe('splitting a bowl', () => {
  it('even shares add up to the bowl, and jars cannot take more than it holds', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 50_000 }), fc.integer({ min: 1, max: 12 }), (bowlG, jars) => {
        const shares = evenShares(bowlG, jars)
        expect(shares.reduce((sum, share) => sum + share, 0)).toBe(bowlG)
        expect(
          bowlLeft(
            bowlG,
            shares.map((share) => ({ name: 'jar', bowlG: share })),
          ),
        ).toBe(0)
      }),
    )
    expect(() => bowlLeft(1000, [{ name: 'hot', bowlG: 1200 }])).toThrow(/200 g too much/)
  })
})
