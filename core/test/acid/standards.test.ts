import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  ACIDS,
  acidMmol,
  chargeLeft,
  componentSid,
  lacticToReach,
  mixtureBalance,
  mixturePh,
  potOf,
  solveBalance,
  type AcidBase,
  type AcidId,
  type AcidSpecies,
} from '../../src'

const acid = (species: AcidSpecies, mol: number) => ({ species, mmol: mol * 1000 })
const phthalic: AcidSpecies = { name: 'phthalic', pKa: [2.95, 5.408] }
const boric: AcidSpecies = { name: 'boric', pKa: [9.24] }
const water = (sidMol: number, ...acids: ReturnType<typeof acid>[]) => ({ saltMmol: 0, sidMmol: sidMol * 1000, acids })

describe('pH standards', () => {
  it.each([
    // NIST / IUPAC primary standards, 25 °C
    ['potassium hydrogen phthalate 0.05', water(0.05, acid(phthalic, 0.05)), 4.005, 0.02],
    ['equimolal phosphate 0.025 each', water(0.075, acid(ACIDS.phosphoric, 0.05)), 6.865, 0.02],
    ['potassium hydrogen tartrate 0.034', water(0.034, acid(ACIDS.tartaric, 0.034)), 3.557, 0.02],
    ['borax 0.01', water(0.02, acid(boric, 0.04)), 9.18, 0.02],
    ['potassium tetroxalate 0.05', water(0.05, acid(ACIDS.oxalic, 0.1)), 1.679, 0.02],
    ['potassium dihydrogen citrate 0.05', water(0.05, acid(ACIDS.citric, 0.05)), 3.776, 0.02],
    [
      'phosphate 0.008695 + 0.03043',
      water(0.008695 + 2 * 0.03043, acid(ACIDS.phosphoric, 0.008695 + 0.03043)),
      7.413,
      0.02,
    ],
    // textbook values, from memory
    ['acetic 0.1', water(0, acid(ACIDS.acetic, 0.1)), 2.88, 0.01],
    ['acetic 1.0', water(0, acid(ACIDS.acetic, 1)), 2.38, 0.01],
    ['lactic 0.1', water(0, acid(ACIDS.lactic, 0.1)), 2.43, 0.015],
    ['citric 0.1', water(0, acid(ACIDS.citric, 0.1)), 2.08, 0.015],
    ['malic 0.1', water(0, acid(ACIDS.malic, 0.1)), 2.2, 0.03],
    ['acetate buffer 0.1 + 0.1', water(0.1, acid(ACIDS.acetic, 0.2)), 4.65, 0.01],
  ])('%s', (_, solution, expected, tolerance) => {
    expect(Math.abs(solveBalance(solution).pH - expected)).toBeLessThanOrEqual(tolerance)
  })

  // McIlvaine 1921 (from memory): mL of 0.2 M Na2HPO4 in 20 mL, the rest 0.1 M citric acid. His scale is the hydrogen
  // electrode's of Sørensen, which reads 0.04 less than activity does.
  it.each([
    [2.6, 2.18],
    [3, 4.11],
    [3.6, 6.44],
    [4, 7.71],
    [4.6, 9.35],
    [5, 10.3],
    [6, 12.63],
    [7, 16.47],
  ])('McIlvaine’s buffer of %d', (tablePh, phosphateMl) => {
    const phosphate = (0.2 * phosphateMl) / 20
    const citrate = (0.1 * (20 - phosphateMl)) / 20
    const found = solveBalance(water(2 * phosphate, acid(ACIDS.phosphoric, phosphate), acid(ACIDS.citric, citrate)))
    // Above 4.6, where nothing is judged, threefold charged citrate is more than Davies’s formula is made for.
    expect(Math.abs(found.pH - (tablePh + 0.04))).toBeLessThanOrEqual(tablePh <= 4.6 ? 0.08 : 0.16)
  })

  it('an acetate buffer without activity is the pKa (Henderson-Hasselbalch)', () => {
    expect(Math.abs(solveBalance(water(0.1, acid(ACIDS.acetic, 0.2)), { activity: false }).pH - 4.756)).toBeLessThan(
      0.005,
    )
  })

  it('vinegar of 5 g acetic acid in 100 mL reads about 2.4 (common practice)', () => {
    const vinegar: AcidBase = { waterG: 950, saltG: 0, acids: { acetic: acidMmol('acetic', 50) }, sidMmol: 0 }
    expect(Math.abs(mixturePh(vinegar)! - 2.41)).toBeLessThanOrEqual(0.02)
  })
})

describe('mixtures (regression values of the model)', () => {
  const kg = (acids: AcidBase['acids'], waterG: number, saltG: number, pH: number | null): AcidBase => ({
    waterG,
    saltG,
    acids,
    sidMmol: pH === null ? 0 : componentSid(pH, { waterG, saltG, acids }),
  })
  const mash = kg({ lactic: acidMmol('lactic', 9) }, 850, 30, 3.7)
  const mango = kg({ citric: acidMmol('citric', 4), malic: acidMmol('malic', 1) }, 860, 0, 4.3)
  const vinegar = kg({ acetic: acidMmol('acetic', 50) }, 950, 0, null)
  const pour = (...parts: [AcidBase, number][]): AcidBase => ({
    waterG: parts.reduce((sum, [part, share]) => sum + part.waterG * share, 0),
    saltG: parts.reduce((sum, [part, share]) => sum + part.saltG * share, 0),
    sidMmol: parts.reduce((sum, [part, share]) => sum + part.sidMmol * share, 0),
    acids: Object.fromEntries(
      (['lactic', 'acetic', 'citric', 'malic'] as const).map((id) => [
        id,
        parts.reduce((sum, [part, share]) => sum + (part.acids[id] ?? 0) * share, 0),
      ]),
    ),
  })

  /** 970 g of it with 30 g of salt. */
  const pour970 = (pepper: AcidBase): AcidBase => ({
    waterG: pepper.waterG * 0.97,
    saltG: 30,
    sidMmol: pepper.sidMmol * 0.97,
    acids: Object.fromEntries(Object.entries(pepper.acids).map(([id, mmol]) => [id, mmol * 0.97])),
  })

  it('finds the strong-ion difference behind a measured pH', () => {
    expect(mash.sidMmol).toBeCloseTo(47.854, 2)
    expect(mango.sidMmol).toBeCloseTo(36.623, 2)
  })

  it.each([
    ['mash 80, vinegar 20', pour([mash, 0.8], [vinegar, 0.2]), 3.458],
    ['mash 50, mango 50', pour([mash, 0.5], [mango, 0.5]), 3.816],
    ['mash 40, mango 40, vinegar 20', pour([mash, 0.4], [mango, 0.4], [vinegar, 0.2]), 3.4676],
    [
      'mash to 3.5 with 2.49 g citric a kg',
      pour([mash, 1], [kg({ citric: acidMmol('citric', 2.49) }, 0, 0, null), 1]),
      3.5,
    ],
    ['mash to 3.5 with 190 g vinegar a kg', pour([mash, 1], [vinegar, 0.19]), 3.5],
    [
      'mash to 3.5 with 3.14 g of 88 % lactic a kg',
      pour([mash, 1], [kg({ lactic: acidMmol('lactic', 3.14 * 0.88) }, 3.14 * 0.12, 0, null), 1]),
      3.5,
    ],
  ])('%s', (_, mixture, expected) => {
    expect(Math.abs(mixturePh(mixture)! - expected)).toBeLessThanOrEqual(0.002)
  })

  it('a fermented red pepper with 3 % salt falls with its lactic acid, and the acid is found back from the pH', () => {
    const pepper = {
      waterG: 880,
      saltG: 0,
      acids: {
        citric: acidMmol('citric', 2.6),
        malic: acidMmol('malic', 1.2),
        succinic: acidMmol('succinic', 0.35),
        ascorbic: acidMmol('ascorbic', 1.5),
        pectin: 10,
        protein: 14,
      },
    }
    const fresh = pour970({ ...pepper, sidMmol: componentSid(5.05, pepper) })
    for (const [lacticG, pH] of [
      [4, 4.01],
      [6, 3.8],
      [8, 3.66],
      [10, 3.55],
      [12, 3.46],
    ] as const) {
      const lactic = acidMmol('lactic', lacticG)
      const soured = mixturePh({ ...fresh, acids: { ...fresh.acids, lactic } })!
      expect(Math.abs(soured - pH)).toBeLessThanOrEqual(0.006)
      expect(lacticToReach(soured, fresh)).toBeCloseTo(lactic, 3)
    }
  })

  it('plain water one to one hardly moves a mash of 3.60, and no water means no pH', () => {
    const sour = kg({ lactic: acidMmol('lactic', 9) }, 850, 30, 3.6)
    const thinned = mixturePh({ ...sour, waterG: sour.waterG + 1000 })!
    expect(Math.abs(thinned - 3.6)).toBeLessThan(0.06)
    expect(mixturePh({ waterG: 0, saltG: 10, acids: {}, sidMmol: 0 })).toBeNull()
  })

  it('no charge is left over at a pH that is found, in fresh water as in a brine beyond the range of activities', () => {
    const mmol = fc.double({ min: -3, max: 3, noNaN: true }).map((log) => 10 ** log)
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...Object.values(ACIDS)), { maxLength: 8 }),
        fc.array(mmol, { minLength: 8, maxLength: 8 }),
        fc.oneof(fc.constant(0), fc.double({ min: 1, max: 25_000, noNaN: true })),
        fc.oneof(
          mmol,
          mmol.map((one) => -one),
        ),
        (species, amounts, saltMmol, sidMmol) => {
          const acids = species.map((one, index) => ({ species: one, mmol: amounts[index]! }))
          const solution = { saltMmol, sidMmol, acids }
          const { pH, ionicStrength } = solveBalance(solution)
          const { left, slope } = chargeLeft(solution, pH, ionicStrength)
          expect(Math.abs(left / slope)).toBeLessThan(1e-8)
        },
      ),
      { numRuns: 1000 },
    )
  })

  it('parts laid out once come to the pH of their mixture, asked in turn and however many they are', () => {
    const part = (at: number): AcidBase =>
      kg({ lactic: 10 + at, citric: at % 3, pectin: at % 2, acetic: 4 * at }, 700 + at, 2 * at, 3.4 + 0.02 * at)
    const asked = [5, 40, 17].map((count) => {
      const parts = Array.from({ length: count }, (_, at) => part(at))
      return { parts, pot: potOf(parts) }
    })
    for (const factor of [1, 0.2, 7])
      for (const { parts, pot } of asked) {
        const factors = parts.map((_, at) => factor * (at % 4))
        const sum = (of: (one: AcidBase) => number) => parts.reduce((all, one, at) => all + factors[at]! * of(one), 0)
        const acids = Object.fromEntries(
          (Object.keys(ACIDS) as AcidId[]).map((id) => [id, sum((one) => one.acids[id] ?? 0)]),
        )
        const mixture = { waterG: sum((one) => one.waterG), saltG: sum((one) => one.saltG), acids }
        const whole = mixtureBalance({ ...mixture, sidMmol: sum((one) => one.sidMmol) })!
        expect(pot(factors)!.pH).toBeCloseTo(whole.pH, 9)
        expect(pot(factors)!.ionicStrength).toBeCloseTo(whole.ionicStrength, 9)
      }
    expect(asked[0]!.pot([0, 0, 0, 0, 0])).toBeNull()
  })

  it('more acid never raises pH, and any food pH is found back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2.8, max: 6.5, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.constantFrom('lactic' as const, 'acetic' as const, 'citric' as const, 'malic' as const),
        fc.double({ min: 0.1, max: 400, noNaN: true }),
        (pH, mmol, saltG, acid, more) => {
          const base = kg({ [acid]: mmol }, 900, saltG, pH)
          expect(mixturePh(base)!).toBeCloseTo(pH, 5)
          expect(mixturePh({ ...base, acids: { [acid]: mmol + more } })!).toBeLessThanOrEqual(mixturePh(base)! + 1e-9)
        },
      ),
    )
  })
})
