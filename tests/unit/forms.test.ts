import { describe, expect, it } from 'vitest'
import { compositionOf, exactly, fold, forecastBlend, materialById, ofMaterial, ofSalt, propertiesOf, SHIPPED, type EntryOf } from '@lactofer/core'
import { freshBlend, partOnBench, partsForLog, type PartForm } from '~/components/blend/blendForm'
import { headline, judge, RULERS, spread, valueOf } from '~/components/measure/rulers'
import { colourOf, formOfRecipe, freshPlan, planResults, recipePlanOf, type PlanForm } from '~/components/plan/planForm'

const empty = fold([])
const row = (materialId: string, massG: number | null): PlanForm['rows'][number] => ({ key: materialId, materialId, name: materialById(materialId)!.name, massG, preparation: 'raw', seedsOut: false })
const plan = (change: Partial<PlanForm>): PlanForm => ({ ...freshPlan(), rows: [row('fresno', 1346), row('garlic', 54)], ...change })
const found = (form: PlanForm) => {
  const results = planResults(form, empty)
  if (!results?.figures) throw new Error('no results')
  return results
}

describe('the plan', () => {
  it('comes to figures only when every part of them is there', () => {
    expect(planResults(freshPlan(), empty)).toBeNull()
    expect(planResults(plan({ saltPct: null }), empty)).toBeNull()
    expect(planResults(plan({ style: 'brined', waterG: null }), empty)).toBeNull()
    expect(planResults(plan({ saltBasis: 'brine' }), empty)).toMatchObject({ problem: expect.stringMatching(/no water/) })
    expect(planResults(plan({ rows: [{ ...row('fresno', 100), lotId: '01J00000000000000000000000' }] }), empty)).toMatchObject({ problem: expect.stringMatching(/no longer in the log/) })
    expect(found(plan({})).figures.dose.saltG).toBeCloseTo(56, 6)
  })

  it('water counts for a brine and not for a mash', () => {
    expect(found(plan({ waterG: 1000 })).waterG).toBe(0)
    const brined = found(plan({ style: 'brined', saltBasis: 'brine', saltPct: 5, waterG: 1330 }))
    expect(brined.figures.dose.saltG).toBeCloseTo(70, 6)
    expect(brined.figures.dose.ofEverythingPct).toBeCloseTo(2.5, 2)
  })

  it('a row without a weight is left out of the sum, and the heaviest gives its colour', () => {
    expect(found(plan({ saltPct: 1.5 })).figures.tooWeak).toBe(true)
    expect(found(plan({ rows: [row('fresno', 500), row('garlic', null)] })).figures.ingredientG).toBe(500)
    expect(colourOf(plan({ rows: [row('garlic', 10), row('habanero', 90)] }), empty)).toBe(materialById('habanero')!.color)
  })

  it('a recipe keeps no parts of lots and nobody’s name; started again it is the same plan, with rows of its own', () => {
    const kept = recipePlanOf(plan({ rows: [{ ...row('fresno', 900), grower: 'Croft 7', boughtG: 1000 }, { ...row('garlic', 50), lotId: '01J00000000000000000000000' }] }))!
    expect(kept.rows).toEqual([{ materialId: 'fresno', name: 'Fresno chilli', massG: 900, preparation: 'raw', seedsOut: false }])
    const again = formOfRecipe({ plan: kept, recipeId: '01J00000000000000000000000', name: 'Red' } as EntryOf<'recipe'>)
    expect(recipePlanOf(again)).toEqual(kept)
    expect(recipePlanOf(freshPlan())).toBeNull()
  })
})

describe('the blend bench', () => {
  const part = (change: Partial<PartForm>): PartForm => ({ key: 'k', materialId: 'pear', name: 'Pear', massG: 100, ph: null, ...change })
  const none = () => null

  it('a part is its lot or its material, with its own pH where it was read', () => {
    expect(propertiesOf(partOnBench(part({}), none, SHIPPED)!).pH).toBeCloseTo(4.0, 4)
    expect(propertiesOf(partOnBench(part({ ph: 4.4 }), none, SHIPPED)!).pH).toBeCloseTo(4.4, 4)
    expect(partOnBench(part({ massG: null }), none, SHIPPED)).toBeNull()
    const { materialId: _, ...lotPart } = part({ lotId: 'gone' })
    expect(partOnBench(lotPart, none, SHIPPED)).toBeNull()
    expect(partOnBench(lotPart, () => ofSalt(20), SHIPPED)?.massG).toBe(100)
    expect(compositionOf(empty, 'gone')).toBeNull()
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
