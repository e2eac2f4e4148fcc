import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  answersTo,
  figureOf,
  acidFromTitration,
  acidFromTrial,
  byParts,
  learnAcid,
  mix,
  mixturePh,
  mostUncertain,
  ofMass,
  titratableOf,
  titratablePct,
  trialOf,
  withAcidTimes,
  withLearned,
  withShare,
  scaledTo,
  dilutionLadder,
  sourcesOf,
  acidProfile,
  acidMmol,
  EMPTY,
  forecastBlend,
  propertiesOf,
  MILLIEQUIVALENT_G,
  phAnswer,
  type Composition,
} from '../../src'
import { mango, mash, poured, stuff } from './foods'

const METER = 0.02

describe('a trial teaches the unknown acid', () => {
  it('finds the factor back that the trial was made with, whatever it was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 2.5, noNaN: true }),
        fc.double({ min: 3.5, max: 4.2, noNaN: true }),
        fc.double({ min: 15, max: 40, noNaN: true }),
        (factor, pH, vinegarG) => {
          const supposed = mash(100, pH)
          const vinegar = stuff('white-vinegar', vinegarG)
          const read = mixturePh(mix([withAcidTimes(supposed, factor, 0), vinegar]))!
          fc.pre(Math.abs(read - pH) > 0.06)
          expect(acidFromTrial(supposed, [vinegar], read, METER).factor).toBeCloseTo(factor, 3)
        },
      ),
    )
  })

  it('its precision is 1.41 × 0.02 / |ΔpH| (model), and what is not known of the rest comes on top', () => {
    const supposed = mash(100, 3.8)
    const vinegar = stuff('white-vinegar', 25)
    const read = mixturePh(mix([supposed, vinegar]))!
    const { logSd } = acidFromTrial(supposed, [vinegar], read, METER)
    expect(logSd).toBeCloseTo((1.41 * 0.02) / (3.8 - read), 2)
    expect(acidFromTrial(supposed, [vinegar], read, METER, 0.05).logSd).toBeGreaterThan(logSd)
    // Twenty to thirty grams of vinegar in a hundred of mash move it by a fifth of a pH and more, as the trade's rule
    // wants.
    expect(3.8 - read).toBeGreaterThan(0.2)
  })

  it('a water trial tells nothing; a pH that no acid explains is refused', () => {
    expect(() => acidFromTrial(mash(100, 3.8), [stuff('water', 100)], 3.81, METER)).toThrow(/water tells nothing/)
    expect(() => acidFromTrial(mash(100, 3.8), [stuff('white-vinegar', 25)], 4.3, METER)).toThrow(/No amount of acid/)
    expect(() => acidFromTrial(stuff('salt', 10), [stuff('white-vinegar', 25)], 3, METER)).toThrow(/no water/)
  })

  it('is shrunk towards what was supposed, and many trials count for more than one', () => {
    const one = learnAcid(0.3, [{ factor: 1.5, logSd: 0.1 }])
    expect(one.factor).toBeCloseTo(Math.exp(Math.log(1.5) * 0.9), 6)
    expect(one.logSd).toBeCloseTo((0.3 * 0.1) / Math.hypot(0.3, 0.1), 6)
    expect(
      learnAcid(0.3, [
        { factor: 1.5, logSd: 0.1 },
        { factor: 1.5, logSd: 0.1 },
      ]).logSd,
    ).toBeLessThan(one.logSd)
    expect(learnAcid(0, [{ factor: 2, logSd: 0.1 }])).toEqual({ factor: 1, logSd: 0 })
  })

  it('narrows the band of the whole blend, and the component still shows its own pH', () => {
    const supposed = mash(1000, 3.8)
    const taught = withLearned(supposed, [{ factor: 1.4, logSd: 0.12 }])
    expect(mixturePh(taught)!).toBeCloseTo(3.8, 5)
    const width = (one: Composition) => {
      const { ph } = forecastBlend([one, stuff('white-vinegar', 200)])
      return ph!.high - ph!.low
    }
    expect(width(taught)).toBeLessThan(0.6 * width(supposed))
    expect(mostUncertain([stuff('white-vinegar', 200), mash(100, 3.8), mash(700, 3.8)])).toBe(2)
  })

  it('a titration does the same, known less well', () => {
    const truth = withAcidTimes(mash(100, 3.8), 1.3, 0)
    const lye = titratableOf(truth)!.mmol / 10 / 0.1
    const found = acidFromTitration(mash(100, 3.8), { sampleG: 10, lyeMl: lye, lyeMolar: 0.1 })
    expect(found.factor).toBeCloseTo(1.3, 2)
    expect(found.logSd).toBeGreaterThan(0.1)
    expect(() => acidFromTitration(mash(100, 3.8), { sampleG: 10, lyeMl: 0, lyeMolar: 0.1 })).toThrow(/titration/)
  })
})

describe('titratable acidity', () => {
  it('1 % lactic at pH 3.6 titrates as 0.578 % (model); 8.50 mL of 0.1 mol/L on 10 g are 0.766 % (milliequivalents)', () => {
    const lactic = { ...EMPTY, massG: 1000, waterG: 990, acids: { lactic: acidMmol('lactic', 10) } }
    const buffered = { ...lactic, sidMmol: 0 }
    const sid = acidMmol('lactic', 10) - (1000 * 0.578) / 100 / MILLIEQUIVALENT_G.lactic
    const found = titratableOf({ ...buffered, sidMmol: sid })!
    expect(mixturePh({ ...buffered, sidMmol: sid })!).toBeCloseTo(3.6, 1)
    expect((100 * found.mmol * MILLIEQUIVALENT_G.lactic) / 1000).toBeCloseTo(0.578, 2)
    expect(titratablePct({ sampleG: 10, lyeMl: 8.5, lyeMolar: 0.1 })).toBeCloseTo(0.766, 3)
  })

  it('adds up over its acids, and is what lye takes to pH 8.2', () => {
    const blend = poured([mash(1000, 3.7), 700], [mango(), 200], [stuff('white-vinegar'), 100])
    const { mmol, by } = titratableOf(blend)!
    expect(by.reduce((sum, one) => sum + one.mmol, 0)).toBeCloseTo(mmol, 9)
    // Sodium as lye raises the ionic strength a little; the model titrates at that of the blend.
    expect(mixturePh({ ...blend, sidMmol: blend.sidMmol + mmol })!).toBeCloseTo(8.2, 0)
    expect(acidProfile(blend)[0]!.name).toBe('acetic')
    expect(titratableOf(stuff('salt'))).toBeNull()
  })
})

describe('laws of mixing', () => {
  const anyPart = fc
    .tuple(
      fc.constantFrom('mash', 'mango', 'white-vinegar', 'water', 'lime-juice', 'salt', 'citric-acid'),
      fc.double({ min: 1, max: 3000, noNaN: true }),
    )
    .map(([id, massG]) => ofMass(id === 'mash' ? mash(1000, 3.8) : id === 'mango' ? mango() : stuff(id), massG))

  it('the order of pouring changes nothing', () => {
    fc.assert(
      fc.property(fc.array(anyPart, { minLength: 2, maxLength: 6 }), (parts) => {
        const one = mixturePh(mix(parts))
        const other = mixturePh(
          mix([...parts].reverse().reduce<Composition[]>((all, part) => [mix([...all, part])], [])),
        )
        if (one === null) expect(other).toBeNull()
        else expect(other!).toBeCloseTo(one, 6)
      }),
    )
  })

  it('adding an acid never raises the pH of anything less acid than itself', () => {
    fc.assert(
      fc.property(
        fc.array(anyPart, { minLength: 1, maxLength: 5 }),
        fc.double({ min: 0.1, max: 300, noNaN: true }),
        fc.constantFrom('citric-acid', 'white-vinegar', 'malic-acid'),
        (parts, grams, acid) => {
          // Nothing sourer than the acid that is put in: a weaker one thins a stronger one.
          const base = mix([
            mash(500, 3.8),
            ...parts.filter((part) => (part.waterG === 0 ? part.saltG > 0 : (mixturePh(part) ?? 7) > 2.6)),
          ])
          const [before, after] = phAnswer(base, stuff(acid, 100), [0, grams])
          expect(after!).toBeLessThanOrEqual(before! + 1e-7)
        },
      ),
    )
  })

  it('a blend of two foods of equal salt lies between them; with salt or a buffer against a strong acid it need not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3.4, max: 4.4, noNaN: true }),
        fc.double({ min: 3.4, max: 4.4, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (a, b, share) => {
          const pH = mixturePh(poured([mash(1000, a), 1000 * share], [mash(1000, b), 1000 * (1 - share)]))!
          expect(pH).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-3)
          expect(pH).toBeLessThanOrEqual(Math.max(a, b) + 1e-3)
        },
      ),
    )
    // Counter-example: dry salt has no pH, and shifts that of the mash out of any "between".
    expect(Math.abs(mixturePh(mix([mash(1000, 3.8), stuff('salt', 100)]))! - 3.8)).toBeGreaterThan(0.02)
    // And two vinegars of 5 %: one plain, one brought to 3.5 with lye. The half-and-half lies nowhere near the middle.
    const plain = stuff('white-vinegar')
    const softened = { ...plain, sidMmol: 60 }
    const half = mixturePh(mix([plain, softened]))!
    expect(half).toBeGreaterThan((mixturePh(plain)! + mixturePh(softened)!) / 2 + 0.15)
  })

  it('an average of pH would have passed what the charge balance stops: mash 3.8 with 10 % vinegar, and a fruit that lifts it over 4.0', () => {
    const sour = poured([mash(1000, 3.8), 900], [stuff('white-vinegar'), 100])
    const averaged = -Math.log10(0.9 * 10 ** -3.8 + 0.1 * 10 ** -2.41)
    expect(averaged).toBeCloseTo(3.27, 1)
    expect(mixturePh(sour)!).toBeGreaterThan(averaged + 0.35)
    const fruity = poured([mash(1000, 3.8), 450], [mango(4.8), 500], [stuff('white-vinegar'), 50])
    const wished = -Math.log10(0.45 * 10 ** -3.8 + 0.5 * 10 ** -4.8 + 0.05 * 10 ** -2.41)
    expect(wished).toBeLessThan(3.6)
    expect(mixturePh(fruity)!).toBeGreaterThan(wished + 0.3)
  })

  it('plain water one to one moves a mash of 3.60 by less than 0.05; the ladder shows what it takes with it', () => {
    const rungs = dilutionLadder(mash(1000, 3.6), stuff('water'), [0, 50, 100])
    expect(Math.abs(rungs[2]!.ph! - 3.6)).toBeLessThan(0.06)
    expect(rungs[2]!.saltPct).toBeCloseTo(rungs[0]!.saltPct / 2, 6)
    expect(rungs[2]!.shu.typical).toBeCloseTo(rungs[0]!.shu.typical / 2, 6)
  })

  it('an addition answers as the balance of mass says: salt thinned by water, heat by what has none', () => {
    const base = mash(1000, 3.6)
    const [salt, heat] = [figureOf('salt', base)!, figureOf('heat', base)!]
    const water = stuff('water')
    expect(answersTo('salt', base, water, [0, 250])).toEqual([salt, expect.closeTo(salt / 1.25, 9)])
    expect(answersTo('heat', base, water, [250])).toEqual([expect.closeTo(heat / 1.25, 9)])
    expect(answersTo('acid', base, water, [0, 250])).toEqual(phAnswer(base, water, [0, 250]))
  })

  it('sources add up to all of it', () => {
    const { salt, acid, heat, mass, body } = sourcesOf([
      { name: 'mash', composition: mash(700, 3.7) },
      { name: 'vinegar', composition: stuff('white-vinegar', 250) },
      { name: 'citric', composition: stuff('citric-acid', 3) },
      { name: 'salt', composition: stuff('salt', 9) },
    ])
    for (const shares of [salt, acid, heat, mass, body])
      expect(shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
    expect(salt[3]).toBeCloseTo(9 / 30, 2)
    // Salt is no body, as on the ruler.
    expect(body[3]).toBe(0)
    expect(sourcesOf([{ name: 'water', composition: stuff('water') }]).heat).toEqual([0])
  })
})

describe('a trial at the scale', () => {
  const parts = (citricG: number) => [
    { name: 'base', composition: mash(700, 3.8), dissolves: false },
    { name: 'vinegar', composition: stuff('white-vinegar', 200), dissolves: false },
    { name: 'citric', composition: stuff('citric-acid', citricG), dissolves: true },
  ]

  it('keeps the shares and everything in them as far as the scale can', () => {
    fc.assert(
      fc.property(fc.double({ min: 50, max: 200, noNaN: true }), fc.constantFrom(0.01, 0.1), (totalG, stepG) => {
        const { massesG, exactG, was, will } = trialOf(parts(12), totalG, stepG)
        expect(exactG.reduce((sum, grams) => sum + grams, 0)).toBeCloseTo(totalG, 6)
        massesG.forEach((grams, index) =>
          expect(Math.abs(grams - exactG[index]!)).toBeLessThanOrEqual(stepG / 2 + 1e-6),
        )
        expect(was.saltPct).toBeCloseTo(propertiesOf(mix(parts(12).map(({ composition }) => composition))).saltPct, 6)
        expect(Math.abs(will.saltPct - was.saltPct)).toBeLessThan(0.02)
      }),
    )
  })

  it('says where rounding spoils it and how to weigh a small dose from a solution', () => {
    const { warnings, solutions, massesG } = trialOf(parts(4), 100, 0.5)
    expect(massesG[2]).toBe(0.5)
    expect(warnings.join(' ')).toMatch(/citric: 0\.44 g on a scale of 0\.5 g can be 57 % off/)
    expect(solutions).toMatchObject([{ name: 'citric', pct: 2, dissolveG: 2, inWaterG: 98, takeG: 22 }])
    expect(trialOf(parts(2), 100, 0.5).warnings.join(' ')).toMatch(/less than the scale can weigh|off/)
    expect(trialOf(parts(40), 100, 0.1).solutions).toEqual([])
    expect(() => trialOf(parts(4), 500, 0.1)).toThrow(/between 50 and 200/)
    expect(() => trialOf([], 100, 0.1)).toThrow(/nothing in the pot/)
  })
})

describe('amounts', () => {
  it('by parts: 2 : 1 of what the locks leave; parts that come to nothing are refused', () => {
    expect(
      byParts(
        [
          { massG: 100, locked: false },
          { massG: 50, locked: false },
          { massG: 30, locked: true },
        ],
        [2, 1, 9],
        330,
      ),
    ).toEqual([200, 100, 30])
    expect(() => byParts([{ massG: 5, locked: false }], [0], 100)).toThrow(/come to nothing/)
    expect(() =>
      byParts(
        [
          { massG: 200, locked: true },
          { massG: 0, locked: false },
        ],
        [0, 1],
        100,
      ),
    ).toThrow(/leaves nothing/)
    expect(() => byParts([{ massG: 1, locked: false }], [-1], 100)).toThrow(/less than zero/)
  })

  it('a share keeps the whole, the rest makes room; more than the locks leave is refused', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 1000, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (masses, pct) => {
          const total = masses.reduce((sum, one) => sum + one, 0)
          const next = withShare(
            masses.map((massG) => ({ massG, locked: false })),
            0,
            pct,
          )
          expect(next.reduce((sum, one) => sum + one, 0)).toBeCloseTo(total, 6)
          expect((next[0]! / total) * 100).toBeCloseTo(pct, 6)
        },
      ),
    )
    expect(() =>
      withShare(
        [
          { massG: 50, locked: false },
          { massG: 50, locked: true },
        ],
        0,
        80,
      ),
    ).toThrow(/leave 50\.0 % at most/)
    expect(() => scaledTo([0, 0], 100)).toThrow(/nothing in the pot/)
  })
})
