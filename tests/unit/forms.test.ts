import { describe, expect, it } from 'vitest'
import { compositionOf, exactly, forecastBlend, materialById, ofMaterial, ofSalt, propertiesOf } from '@lactofer/core'
import { freshBlend, partOnBench, partsForLog, type PartForm } from '~/components/blend/blendForm'
import { headline, judge, RULERS, spread, valueOf } from '~/components/measure/rulers'
import { colourOf, freshPlan, planResults, type PlanForm } from '~/components/plan/planForm'

const row = (materialId: string, massG: number | null): PlanForm['rows'][number] => ({ materialId, name: materialById(materialId)!.name, massG, preparation: 'raw', seedsOut: false })
const plan = (change: Partial<PlanForm>): PlanForm => ({ ...freshPlan(), rows: [row('fresno', 1346), row('garlic', 54)], ...change })
const found = (form: PlanForm) => {
  const results = planResults(form)
  if (!results || results.problem !== null) throw new Error('no results')
  return results
}

describe('the plan', () => {
  it('comes to figures only when every part of them is there', () => {
    expect(planResults(freshPlan())).toBeNull()
    expect(planResults(plan({ saltPct: null }))).toBeNull()
    expect(planResults(plan({ style: 'brined', waterG: null }))).toBeNull()
    expect(planResults(plan({ saltBasis: 'brine' }))).toMatchObject({ problem: expect.stringMatching(/no water/) })
    expect(found(plan({})).dose.saltG).toBeCloseTo(56, 6)
  })

  it('water counts for a brine and not for a mash', () => {
    expect(found(plan({ waterG: 1000 })).waterG).toBe(0)
    const brined = found(plan({ style: 'brined', saltBasis: 'brine', saltPct: 5, waterG: 1330 }))
    expect(brined.dose.saltG).toBeCloseTo(70, 6)
    expect(brined.dose.ofEverythingPct).toBeCloseTo(2.5, 6)
  })

  it('warns of a dose too weak once evened out, of dead produce, and of a jar too small', () => {
    expect(found(plan({ saltPct: 1.5 })).tooWeak).toBe(true)
    expect(found(plan({ rows: [row('fresno', 400), { ...row('carrot', 600), preparation: 'roasted' }] })).raw).toBeCloseTo(0.4)
    expect(found(plan({ vesselId: 'jar-1000' })).fill?.verdict).toBe('too much')
    expect(found(plan({ vesselId: 'jar-1000', vesselCount: 2 })).fill?.verdict).toBe('fits')
  })

  it('a row without a weight is left out of the sum, and the heaviest gives its colour', () => {
    expect(found(plan({ rows: [row('fresno', 500), row('garlic', null)] })).ingredientG).toBe(500)
    expect(colourOf(plan({ rows: [row('garlic', 10), row('habanero', 90)] }))).toBe(materialById('habanero')!.color)
  })
})

describe('the blend bench', () => {
  const part = (change: Partial<PartForm>): PartForm => ({ key: 'k', materialId: 'pear', name: 'Pear', massG: 100, ph: null, ...change })
  const none = () => null

  it('a part is its lot or its material, with its own pH where it was read', () => {
    expect(propertiesOf(partOnBench(part({}), none)!).pH).toBeCloseTo(4.0, 4)
    expect(propertiesOf(partOnBench(part({ ph: 4.4 }), none)!).pH).toBeCloseTo(4.4, 4)
    expect(partOnBench(part({ massG: null }), none)).toBeNull()
    const { materialId: _, ...lotPart } = part({ lotId: 'gone' })
    expect(partOnBench(lotPart, none)).toBeNull()
    expect(partOnBench(lotPart, () => ofSalt(20))?.massG).toBe(100)
    expect(compositionOf({ lots: new Map(), orphans: [], standing: [] }, 'gone')).toBeNull()
  })

  it('hands the log only what was weighed', () => {
    expect(partsForLog([part({ ph: 4.1 }), part({ massG: 0 }), part({ massG: null })])).toEqual([{ materialId: 'pear', name: 'Pear', massG: 100, ph: 4.1 }])
    expect(freshBlend().targets.acid).toEqual({ low: null, high: 4 })
  })
})

describe('the rulers', () => {
  const forecast = forecastBlend([ofMaterial(materialById('fresno')!, 700), ofMaterial(materialById('white-vinegar')!, 200), ofSalt(30)])

  it('heat is never one bare number, and acid shows its band', () => {
    expect(headline('heat', valueOf('heat', forecast))).toMatch(/SHU$/)
    expect(spread('heat', valueOf('heat', forecast))).toMatch(/–.* SHU, \w+/)
    expect(spread('acid', forecast.ph)).toMatch(/^\d\.\d\d–\d\.\d\d$/)
    expect(headline('acid', null)).toBe('no water, no pH')
    for (const ruler of Object.values(RULERS)) for (const tick of ruler.ticks) expect(ruler.share(tick)).toBeGreaterThan(0)
  })

  it('judges acid on its upper end, everything else on its value, and says by how much it misses', () => {
    expect(judge('acid', { low: 3.8, typical: 3.95, high: 4.05 }, { low: null, high: 4 })).toEqual({ level: 'ask', word: 'may be over' })
    expect(judge('acid', { low: 3.5, typical: 3.6, high: 3.7 }, { low: null, high: 4 }).level).toBe('fine')
    expect(judge('salt', exactly(3.1), { low: 2, high: 2.5 })).toEqual({ level: 'act', word: '0.60 % over' })
    expect(judge('salt', exactly(1.8), { low: 2, high: 2.5 })).toEqual({ level: 'act', word: '0.20 % under' })
    expect(judge('acid', null, { low: null, high: 4 }).level).toBe('ask')
    expect(judge('sweet', exactly(5), { low: null, high: null }).word).toBe('')
  })
})
