import { describe, expect, it } from 'vitest'
import {
  costWorking,
  fold,
  InvalidInput,
  materialById,
  planFigures,
  startWorking,
  vesselMark,
  yieldWorking,
  type Row,
} from '@lactofer/core'
import { csvOf, linesOf } from '~/composables/csv'
import { freshJar, jarResults } from '~/forms/splitForm'
import { fillingProblem, massesOf, netG, type Filling } from '~/forms/weighDraft'
import { notebook } from '../../core/test/log/build'

const filling = (tareG: number | null, grossG: number | null, vesselId = 'one'): Filling => ({
  vesselId,
  mark: '',
  tareG,
  grossG,
  hot: false,
})
const capacity = (id: string) => (id === 'two' ? 2000 : 1000)

describe('into the vessels', () => {
  it('a vessel that was weighed holds what the scale says; the others share what is left by their size', () => {
    expect(massesOf([filling(480, 1480), filling(null, null), filling(930, null, 'two')], 2500, capacity)).toEqual([
      1000, 500, 1000,
    ])
    expect(massesOf([filling(480, 1480)], 1010, capacity)).toEqual([1000])
    expect(massesOf([filling(0, 3000), filling(null, null)], 2500, capacity)).toEqual([3000, 0])
    expect(netG(filling(null, 900))).toBeNull()
    expect(fillingProblem(filling(900, 480))).toMatch(/no more than empty/)
    expect(fillingProblem(filling(480, 900))).toBeNull()
    expect([vesselMark(0, 1), vesselMark(0, 3), vesselMark(2, 3)]).toEqual(['', 'a', 'c'])
  })
})

describe('a jar of a split', () => {
  const log = notebook()
  const bowlId = log.mash(0, { bowl: true })
  const bowl = log.book().lots.get(bowlId)!

  it('keeps the bowl’s salt when nothing is added, and says why when it cannot be salted so', () => {
    const jar = freshJar('Plain', 'B-A', 1000, 'jar-1000')
    expect(jarResults(jar, bowl, log.book(), 3.85)!.figures!.dose).toMatchObject({
      saltG: 0,
      ofEverythingPct: expect.closeTo((100 * 80) / 2080, 6) as number,
    })
    expect(jarResults({ ...jar, saltPct: 1 }, bowl, log.book(), 3.85)).toMatchObject({
      figures: null,
      problem: expect.stringMatching(/already hold more salt/),
    })
    expect(jarResults({ ...jar, bowlG: null }, bowl, log.book(), 3.85)).toBeNull()
    expect(jarResults(jar, bowl, fold([]), 3.85)).toMatchObject({
      problem: expect.stringMatching(/no longer in the log/),
    })
  })
})

describe('the workings of a plan', () => {
  const row = (materialId: string, massG: number, rest: Partial<Row> = {}): Row => ({
    materialId,
    name: materialById(materialId)!.name,
    massG,
    preparation: 'raw',
    seedsOut: false,
    ...rest,
  })
  const rows = [row('fresno', 900, { boughtG: 1000, pricePerKg: 6.4 }), row('carrot', 100, { preparation: 'boiled' })]
  const figures = planFigures(fold([]), { style: 'mash', rows, waterG: 0, saltPct: 4, saltBasis: 'ingredients' })!

  it('say the numbers put in, the result, and what they rest on', () => {
    expect(startWorking(figures)).toMatchObject({
      result: expect.stringMatching(/^10\^3\.4 a gram, .*normal wild start/),
      source: expect.stringMatching(/common practice.*judgement/),
    })
    expect(startWorking(figures).numbers[0]!.value).toBe('90 %, at least 50 % starts on its own')
    expect(yieldWorking(figures, 150).result).toMatch(/^780 g to 988 g/) // 75 and 95 % of 1 040 g
    expect(costWorking(rows, figures, (one) => one.pricePerKg ?? null)).toMatchObject({
      result: '6.40',
      numbers: [
        { name: 'Fresno chilli', value: '1.000 kg × 6.40' },
        { name: 'salt', value: '0.040 kg' },
      ],
    })
  })
})

describe('CSV', () => {
  it('a cell that a spreadsheet would run is disarmed, and what is written is read again', () => {
    const text = csvOf([
      ['name', 'mass_g'],
      ['=HYPERLINK("x")', 5],
      ['Jalapeño; red, ripe', 12.5],
    ])
    expect(text).toContain("'=HYPERLINK")
    expect(linesOf(text)[1]).toEqual({ name: 'Jalapeño; red, ripe', mass_g: '12.5' })
    expect(linesOf('Name;Mass_g\nFresno;"1,5 kg"\n\n')).toEqual([{ name: 'Fresno', mass_g: '1,5 kg' }])
    expect(() => linesOf('name,mass_g\n"Fresno,5')).toThrow(InvalidInput)
  })
})
