import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  addStep,
  isWeighed,
  judgeWeight,
  returnTo,
  saltForWeighed,
  saltRemedies,
  skipStep,
  spoonedG,
  startWeighIn,
  substitute,
  swappedG,
  SALTS,
  takeWeight,
  weighedContent,
  type EntryOf,
  type WeighIn,
} from '../../src'

const row = (name: string, massG: number) => ({
  materialId: name,
  name,
  massG,
  preparation: 'raw' as const,
  seedsOut: false,
})
const plan = {
  lotId: '01J00000000000000000000000',
  rows: [row('fresno', 1000), row('carrot', 400)],
  waterG: 0,
  saltG: 56,
  saltPct: 4,
  saltBasis: 'ingredients',
  style: 'mash',
} as unknown as EntryOf<'plan'>
const takeAll = (state: WeighIn, weights: readonly number[]) => weights.reduce(takeWeight, state)

describe('weighing in', () => {
  it('the salt follows what was actually weighed, whatever that was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 9000, noNaN: true }),
        fc.double({ min: 1, max: 9000, noNaN: true }),
        (first, second) => {
          const state = takeAll(startWeighIn(plan), [first, second])
          const rowsG = state.steps[0]!.takenG! + state.steps[1]!.takenG!
          expect(saltForWeighed(plan, state)).toBeCloseTo(0.04 * rowsG, 6)
        },
      ),
    )
  })

  it('skips, substitutes, adds and goes back; what was not weighed is not in the log', () => {
    let state = takeWeight(startWeighIn(plan), 1010)
    state = substitute(state, { materialId: 'pear', name: 'Pear', preparation: 'raw', seedsOut: false })
    state = takeWeight(state, 380)
    state = addStep(state, { materialId: 'garlic', name: 'Garlic', preparation: 'raw', seedsOut: false })
    expect(state.steps.map((step) => step.name)).toEqual(['fresno', 'Pear', 'Garlic', 'Salt'])
    expect(saltForWeighed(plan, takeWeight(state, 40))).toBeCloseTo(0.04 * 1430, 6)
    state = skipStep(state)
    state = returnTo(state, 0)
    expect(isWeighed(state)).toBe(false)
    state = takeWeight(takeWeight(state, 990), 54.8)
    expect(isWeighed(state)).toBe(true)
    expect(weighedContent(state)).toEqual({
      rows: [row('fresno', 990), { ...row('pear', 380), name: 'Pear' }],
      waterG: 0,
      saltG: 54.8,
    })
  })

  it('takes nothing from an empty scale, and nothing weighed is no batch', () => {
    expect(() => takeWeight(startWeighIn(plan), 0)).toThrow(/nothing on the scale/)
    expect(() => weighedContent(skipStep(skipStep(startWeighIn(plan))))).toThrow(/Nothing was weighed in/)
  })

  it('a bowl’s jar keeps its own salt, by its share; an infusion has none', () => {
    const jar = { ...plan, rows: [{ ...row('bowl', 1000), lotId: plan.lotId }], saltG: 2 }
    expect(saltForWeighed(jar, takeWeight(startWeighIn(jar), 500))).toBeCloseTo(1, 9)
    expect(saltForWeighed({ ...plan, style: 'infusion', saltPct: 0, saltG: 0 }, startWeighIn(plan))).toBe(0)
  })

  it('is in, under or over, with the grams that are missing; salt is held tighter', () => {
    expect(judgeWeight(1009, 1000, 'row').word).toBe('in')
    expect(judgeWeight(1009, 1000, 'salt').word).toBe('over')
    expect(judgeWeight(700, 1000, 'row')).toMatchObject({ word: 'under', sentence: '300.0 g to go', share: 0.7 })
    expect(judgeWeight(0.05, 0.1, 'salt').word).toBe('in') // no finer than a step of the scale
  })
})

describe('salted wrong', () => {
  const fault = {
    massG: 2000,
    saltPct: 4,
    targetPct: 3,
    densityGPerMl: 1.05,
    capacityMl: 3150,
    fillLimit: 0.85,
    brinePct: 10,
  }

  it('2 000 g from 4 to 3 % takes 666.7 g of water; from 2 to 2.5 % 10.26 g of salt (mass balance); whatever is put in meets the target', () => {
    const strong = saltRemedies(fault)
    expect(strong.map((remedy) => [remedy.id, Math.round(remedy.massG)])).toEqual([
      ['produce', 667],
      ['water', 667],
    ])
    const weak = saltRemedies({ ...fault, saltPct: 2, targetPct: 2.5 })
    expect(weak[0]!.massG).toBeCloseTo(10.26, 2)
    const brine = weak.find((remedy) => remedy.id === 'brine')!
    expect((2000 * 0.02 + brine.massG * 0.1) / brine.totalG).toBeCloseTo(0.025, 9)
  })

  it('says whether it still fits, and leaves alone what is near enough', () => {
    expect(saltRemedies(fault)[1]).toMatchObject({
      fits: true,
      sentence: expect.stringMatching(/still fits: 81 % full/),
    })
    expect(saltRemedies({ ...fault, capacityMl: 2400 })[1]).toMatchObject({
      fits: false,
      sentence: expect.stringMatching(/does not fit: 106 %/),
    })
    expect(saltRemedies({ ...fault, saltPct: 3.02 })).toEqual([])
    expect(() => saltRemedies({ ...fault, saltPct: NaN })).toThrow(/not a number/)
  })

  it('spoons: a tablespoon in two cups of water is 3.5-4 % of it, and a swapped spoon is off by two (common practice)', () => {
    const twoCups = 2 * 236.588
    for (const id of ['fine-sea', 'table', 'pickling']) {
      const pct = (100 * spoonedG(3, id).typical) / twoCups
      expect(pct).toBeGreaterThan(3.4)
      expect(pct).toBeLessThan(4)
    }
    const [fine, flaky] = [
      SALTS.find((salt) => salt.id === 'fine-sea')!,
      SALTS.find((salt) => salt.id === 'flaky-kosher')!,
    ]
    expect(swappedG(56, fine, flaky)).toBeCloseTo(28.5, 1)
    expect(() => spoonedG(3, 'some rock')).toThrow(/not known/)
  })
})
