import {
  acidMmol,
  EMPTY,
  exactly,
  materialById,
  mix,
  ofMass,
  ofMaterial,
  openTargets,
  withPh,
  type Composition,
  type Mix,
  type MixPart,
  type MixSet,
  type Target,
  type Targets,
  type Aim,
} from '../../src'

/**
 * A fermented mash after the defaults: lactic 0.9 %, citric 0.15, malic 0.03, acetic 0.08, ascorbic 0.05, sites 8 and
 * 12 mmol/kg.
 */
export const mash = (massG: number, pH: number, { shu = 4000, salt = 0.03 } = {}): Composition =>
  withPh(
    {
      ...EMPTY,
      massG,
      waterG: (0.88 - salt) * massG,
      saltG: salt * massG,
      sugarG: exactly(0.01 * massG),
      pungency: exactly(shu * massG),
      live: true,
      acidLogSd: 0.3,
      acids: {
        lactic: acidMmol('lactic', 0.009 * massG),
        citric: acidMmol('citric', 0.0015 * massG),
        malic: acidMmol('malic', 0.0003 * massG),
        acetic: acidMmol('acetic', 0.0008 * massG),
        ascorbic: acidMmol('ascorbic', 0.0005 * massG),
        pectin: 0.008 * massG,
        protein: 0.012 * massG,
      },
    },
    pH,
    0.02,
  )

export const stuff = (id: string, massG = 1000): Composition => ofMaterial(materialById(id)!, massG)
export const mango = (pH = 4.3): Composition => withPh(stuff('mango'), pH, 0.05)
export const poured = (...parts: [Composition, number][]): Composition =>
  mix(parts.map(([one, massG]) => ofMass(one, massG)))

export const part = (key: string, composition: Composition, change: Partial<MixPart> = {}): MixPart => ({
  key,
  name: key,
  composition,
  nowG: 0,
  lowG: 0,
  highG: Infinity,
  lowShare: 0,
  highShare: 1,
  locked: false,
  role: 'other',
  pricePerKg: null,
  stock: null,
  ...change,
})
export const wanting = (targets: Partial<Record<Aim, Partial<Target>>>): Targets =>
  ({
    ...openTargets(),
    ...Object.fromEntries(
      Object.entries(targets).map(([aim, target]) => [aim, { low: null, high: null, rank: 1, ...target }]),
    ),
  }) as Targets
export const sauce = (parts: MixPart[], targets: Targets, totalG: number, change: Partial<Mix> = {}): Mix => ({
  name: 'sauce',
  parts,
  targets,
  massG: { low: totalG, high: totalG },
  phMargin: 0,
  ...change,
})
export const setOf = (mixes: Mix[], change: Partial<MixSet> = {}): MixSet => ({
  mixes,
  stockG: {},
  objective: 'vinegar',
  stepG: 0.1,
  ...change,
})

/**
 * Three mashes up to 4, 3 and 2 kg, at least a quarter of mango, vinegar, water and salt, to 10 kg: the shape of the
 * reference blend.
 */
export const reference = (targets: Targets): MixSet =>
  setOf([
    sauce(
      [
        part('A', mash(1000, 3.7, { shu: 9000 }), { highG: 4000, role: 'base' }),
        part('B', mash(1000, 3.8, { shu: 30000, salt: 0.035 }), { highG: 3000, role: 'base' }),
        part('C', mash(1000, 3.6, { shu: 15000, salt: 0.04 }), { highG: 2000, role: 'base' }),
        part('mango', mango(4.0), { lowShare: 0.25 }),
        part('vinegar', stuff('white-vinegar'), { role: 'vinegar' }),
        part('water', stuff('water')),
        part('salt', stuff('salt')),
      ],
      targets,
      10_000,
    ),
  ])
