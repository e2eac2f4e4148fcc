import { describe, expect, it } from 'vitest'
import {
  fold,
  materialById,
  materialsOfTable,
  readRecipe,
  rowsOfTable,
  SHIPPED,
  tableOfMaterials,
  tableOfRows,
  writeRecipe,
  type Draft,
  type Line,
  type Row,
} from '../../src'
import { day, notebook } from '../log/build'

const row = (materialId: string, massG: number): Row => ({
  materialId,
  name: materialById(materialId)!.name,
  massG,
  preparation: 'raw',
  seedsOut: false,
})
const recipe = (saltPct: number) => ({
  style: 'mash',
  rows: [row('fresno', 2600), row('carrot', 900)],
  waterG: 0,
  saltPct,
  saltBasis: 'ingredients',
  saltId: 'fine-sea',
  targetPh: 3.8,
})
const lines = ([head = [], ...body]: (string | number)[][]): Line[] =>
  body.map((cells) => Object.fromEntries(head.map((name, index) => [name, String(cells[index])])))

describe('recipes', () => {
  const log = notebook()
  const recipeId = log.id()
  log.write({ kind: 'recipe', at: day(0), recipeId, name: 'Quay red', plan: recipe(4) } as Draft)
  log.write({ kind: 'recipe', at: day(9), recipeId, name: 'Quay red', note: 'Less salt', plan: recipe(3.5) } as Draft)

  it('keep every version, the newest last; one off the list is gone from it and still in the log', () => {
    expect(
      log.book().recipes.map(({ name, versions }) => [name, versions.map((version) => version.plan.saltPct)]),
    ).toEqual([['Quay red', [4, 3.5]]])
    const retired = fold([...log.entries, { ...log.entries[1]!, id: log.id(), at: day(10), retired: true } as never])
    expect(retired.recipes).toEqual([])
    expect(retired.effective).toHaveLength(3)
  })

  it('come back from their file as they were written', () => {
    const read = readRecipe(writeRecipe(log.book().recipes[0]!, day(10)))
    expect(read).toEqual({
      name: 'Quay red',
      versions: [{ plan: recipe(4) }, { note: 'Less salt', plan: recipe(3.5) }],
    })
  })

  const file = (change: (json: Record<string, never>) => void) => {
    const json = JSON.parse(writeRecipe(log.book().recipes[0]!, day(10)))
    change(json)
    return JSON.stringify(json)
  }
  it.each<[string, () => string, RegExp]>([
    [
      'an unknown field',
      () => file((json) => Object.assign(json, { secret: 1 })),
      /holds a field Lactofer does not know: "secret". Nothing was changed/,
    ],
    [
      'an unknown field in a row',
      () =>
        file((json) =>
          Object.assign((json as never as { versions: { plan: { rows: object[] } }[] }).versions[0]!.plan.rows[1]!, {
            colour: 'red',
          }),
        ),
      /at version 1, ingredient 2: it holds a field .*"colour"/,
    ],
    [
      'a script in a name',
      () => file((json) => Object.assign(json, { name: '<script>alert(1)</script>' })),
      /at "name": A name is plain text: take out < and >\. Nothing/,
    ],
    ['a newer version', () => file((json) => Object.assign(json, { version: 9 })), /newer Lactofer/],
    ['something else', () => '{"format":"cake"}', /not a Lactofer recipe/],
    ['half a file', () => '{"format"', /not JSON/],
  ])('a file with %s is refused in words', (_, text, sentence) => {
    expect(() => readRecipe(text())).toThrow(sentence)
  })
})

describe('tables', () => {
  it('rows come back as they went out, and a material may be given by any common name', () => {
    const rows = [row('fresno', 1346), { ...row('carrot', 54.5), preparation: 'roasted' as const, grower: 'Croft 7' }]
    expect(rowsOfTable(lines(tableOfRows(rows)), SHIPPED)).toEqual(rows)
    expect(rowsOfTable([{ name: 'cilantro', mass_g: '2 oz' }], SHIPPED)[0]).toMatchObject({
      materialId: 'coriander',
      massG: expect.closeTo(56.7, 1) as number,
    })
    expect(rowsOfTable([{ name: 'moon fruit', mass_g: '10' }], SHIPPED)[0]).toMatchObject({
      materialId: 'unknown',
      name: 'moon fruit',
    })
  })

  it.each<[Line, RegExp]>([
    [{ name: 'Fresno', mass_g: '-4' }, /Line 2: /],
    [{ name: 'Fresno', mass_g: 'much' }, /Line 2: No amount can be read in "much"/],
    [{ mass_g: '4' }, /has no name/],
    [{ name: 'Fresno', mass_g: '4', preparation: 'burnt' }, /"burnt" is not a preparation/],
    [{ name: '<b>x</b>', mass_g: '4' }, /take out < and >/],
  ])('%j is refused with its line', (line, sentence) => {
    expect(() => rowsOfTable([line], SHIPPED)).toThrow(sentence)
  })

  it('a library that comes back unchanged changes nothing; what differs becomes the maker’s own, with the rest left to the library', () => {
    const table = lines(tableOfMaterials(SHIPPED.materials))
    expect(materialsOfTable(table, SHIPPED, day(0))).toEqual([])
    const changed = materialsOfTable(
      [
        { ...table[0]!, shu_dry: '3000/4000/6000', price_per_kg: '5.5' },
        { name: 'Harbour chilli', kind: 'pepper', shu_dry: '9000/12000/15000' },
      ],
      SHIPPED,
      day(0),
    )
    expect(changed).toMatchObject([
      { materialId: 'fresno', dryShu: { low: 3000, typical: 4000, high: 6000 }, pricePerKg: 5.5 },
      { materialId: 'own-harbour-chilli', group: 'pepper' },
    ])
    const log = notebook()
    for (const draft of changed) log.write(draft)
    const { library } = log.book()
    expect(library.material('fresno')).toMatchObject({
      own: true,
      pricePerKg: 5.5,
      dryShu: { typical: 4000, source: 'your own value' },
      waterPct: materialById('fresno')!.waterPct,
    })
    expect(library.material('own-harbour-chilli')!.name).toBe('Harbour chilli')
    log.write({
      kind: 'material',
      at: day(1),
      materialId: 'fresno',
      name: 'Fresno chilli',
      group: 'pepper',
      forget: true,
    } as Draft)
    expect(log.book().library.material('fresno')).toBe(materialById('fresno'))
    expect(() => materialsOfTable([{ name: 'X', kind: 'rock' }], SHIPPED, day(0))).toThrow(/"rock" is not a kind/)
    expect(() => materialsOfTable([{ name: 'X', water_pct: '90/80/70' }], SHIPPED, day(0))).toThrow(/order/)
  })

  it('the maker’s own vessels are the ones that are chosen from; none left is none', () => {
    const log = notebook()
    const vessel = (count: number, at: number) =>
      log.write({
        kind: 'vessel',
        at: day(at),
        vesselId: 'tub',
        name: 'Tub',
        shape: 'bucket',
        capacityMl: 8000,
        closure: 'cloth',
        count,
        tareG: 400,
      } as Draft)
    vessel(2, 0)
    expect(log.book().library).toMatchObject({ ownVessels: true, vessels: [{ id: 'tub', count: 2, tareG: 400 }] })
    vessel(0, 1)
    expect(log.book().library.ownVessels).toBe(false)
  })
})
