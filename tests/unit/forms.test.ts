import { describe, expect, it } from 'vitest'
import {
  exactly,
  fold,
  forecastBlend,
  lessonOf,
  massesOfTrial,
  materialById,
  ofKnown,
  ofMaterial,
  ofSalt,
  openTargets,
  SHIPPED,
  valueOf,
  type EntryOf,
  type Lot,
} from '@lactofer/core'
import {
  decideDraft,
  decideProblems,
  freshDecision,
  type DecideCase,
  type DecideForm,
  type Deciding,
} from '~/forms/decideForm'
import {
  freshBlendDraft,
  freshPart,
  freshSauce,
  partForLog,
  partsForLog,
  setShare,
  shareOut,
  type BlendDraft,
  type PartForm,
  type SauceForm,
} from '~/forms/blendForm'
import { freshPutIn, putInDraft } from '~/forms/putIn'
import { freshRun, runProblems, type RunForm, type RunLimits } from '~/forms/runForm'
import { mixSetOf, type KnownParts } from '~/forms/mixSet'
import { adviceWords, missedWords } from '~/words/limitWords'
import { headline, judge, RULERS, rangeWords } from '~/components/measure/rulers'
import { colourOf, formOfRecipe, freshPlan, type PlanForm } from '~/forms/planForm'
import { planResults, recipePlanOf, scaledForm } from '~/forms/planResults'
import { changeStyle } from '~/forms/styleChange'

const empty = fold([])
const row = (materialId: string, massG: number | null): PlanForm['rows'][number] => ({
  key: materialId,
  materialId,
  name: materialById(materialId)!.name,
  massG,
  preparation: 'raw',
  seedsOut: false,
})
const plan = (change: Partial<PlanForm>): PlanForm => ({
  ...freshPlan(),
  rows: [row('fresno', 1346), row('garlic', 54)],
  ...change,
})
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
    expect(planResults(plan({ saltBasis: 'brine' }), empty)).toMatchObject({
      problem: expect.stringMatching(/no water/),
    })
    expect(
      planResults(plan({ rows: [{ ...row('fresno', 100), lotId: '01J00000000000000000000000' }] }), empty),
    ).toMatchObject({ problem: expect.stringMatching(/no longer in the log/) })
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
    expect(colourOf(plan({ rows: [row('garlic', 10), row('habanero', 90)] }), empty)).toBe(
      materialById('habanero')!.color,
    )
  })

  it('a recipe keeps no parts of lots and nobody’s name; started again it is the same plan, with rows of its own', () => {
    const kept = recipePlanOf(
      plan({
        rows: [
          { ...row('fresno', 900), grower: 'Croft 7', boughtG: 1000 },
          { ...row('garlic', 50), lotId: '01J00000000000000000000000' },
        ],
      }),
      empty,
    )!
    expect(kept.rows).toEqual([
      { materialId: 'fresno', name: 'Fresno chilli', massG: 900, preparation: 'raw', seedsOut: false },
    ])
    const again = formOfRecipe({ plan: kept, recipeId: '01J00000000000000000000000', name: 'Red' } as EntryOf<'recipe'>)
    expect(recipePlanOf(again, empty)).toEqual(kept)
    expect(recipePlanOf(freshPlan(), empty)).toBeNull()
  })

  it('salt in spoons is kept by a recipe in its words, and keeps its strength when the plan is made larger', () => {
    const form = plan({ saltSaid: '3 tbsp', saltPct: null })
    expect(recipePlanOf(form, empty)).toMatchObject({ saltSaid: '3 tbsp', saltPct: 3.54 })
    const before = found(form).figures.dose.ofEverythingPct
    const doubled = scaledForm(form, empty, 2)
    expect(found(doubled).figures.dose.ofEverythingPct).toBeCloseTo(before, 3)
    const byWater = plan({ style: 'brined', saltSaid: '2 tbsp in 1 L of water', waterG: 1000, waterSaid: '1 L' })
    const larger = scaledForm(byWater, empty, 3)
    expect(larger.saltSaid).toBe('2 tbsp in 1 L of water')
    expect(larger.waterSaid).toBeUndefined()
    expect(found(larger).figures.dose.saltG).toBeCloseTo(3 * found(byWater).figures.dose.saltG, 6)
  })

  it('trimmings of the whole batch are shared by weight over what has no trim of its own', () => {
    const rows = [row('fresno', 900), row('garlic', 100), { ...row('carrot', 500), boughtG: 560 }, row('water', 300)]
    const bought = found(plan({ rows, trimmedG: 50 })).rows.map(({ boughtG }) => boughtG)
    expect(bought).toEqual([945, 105, 560, undefined])
  })

  it('salt by eye is a range where any strength keeps it, and refused elsewhere', () => {
    const packed = plan({ style: 'salt-packed', saltSaid: 'by eye', saltPct: null })
    expect(found(packed).figures.evenedPct.high).toBeGreaterThan(20)
    expect(found(packed).figures.mayBeWeak).toBe(false)
    expect(planResults(plan({ saltSaid: 'by eye' }), empty)).toMatchObject({
      problem: expect.stringMatching(/By eye is for fruit/),
    })
  })

  it('another style takes what is usual there, and keeps what was said', () => {
    const untouched = changeStyle(plan({}), 'brined')
    expect(untouched.kept).toBeNull()
    expect(untouched.form).toMatchObject({ saltPct: 3.5, saltBasis: 'brine', cut: 'coarse', waterG: 1260 })
    const said = changeStyle(plan({ saltPct: 2.2, closure: 'cloth', place: 'Attic' }), 'bag')
    expect(said.kept).toBe('salt 2.2 % of the ingredients, closed with cloth, at Attic')
    expect(said.form).toMatchObject({ saltPct: 2.2, closure: 'cloth', place: 'Attic' })
    expect(changeStyle(plan({ saltSaid: '3 tbsp' }), 'chop')).toMatchObject({ kept: 'salt 3 tbsp' })
    // A strength of a brine means nothing where there is none.
    const brined = plan({ style: 'brined', saltPct: 5, saltBasis: 'brine', cut: 'coarse' })
    const toMash = changeStyle(brined, 'mash')
    expect(toMash).toMatchObject({ form: { saltPct: 4, saltBasis: 'ingredients' }, lost: 'salt 5 % of the brine' })
  })
})

describe('the blend bench', () => {
  const part = (change: Partial<PartForm>): PartForm => ({
    ...freshPart({ key: 'k', materialId: 'pear', name: 'Pear', massG: 100 }),
    ...change,
  })
  const base = (change: Partial<PartForm> = {}): PartForm => {
    const { materialId: _, ...lotPart } = part({ key: 'base', lotId: 'base', name: 'Base', massG: 600, ...change })
    return lotPart
  }
  const knownParts: KnownParts = {
    lot: (id) => (id === 'base' ? ({ kind: 'base', leftG: 800 } as Lot) : undefined),
    library: SHIPPED,
    pricePerKg: (one) => (one.materialId === 'pear' ? 3 : null),
    composition: (one) =>
      one.lotId
        ? one.lotId === 'base'
          ? ofMaterial(materialById('fresno')!, one.massG ?? 0)
          : null
        : ofKnown(SHIPPED.materialOrUnknown(one.materialId ?? ''), one.massG ?? 0, {}),
  }
  const draftOf = (
    parts: PartForm[],
    change: Partial<BlendDraft> = {},
    sauce: Partial<SauceForm> = {},
  ): BlendDraft => ({
    ...freshBlendDraft('one'),
    sauces: [{ ...freshSauce('one'), parts, ...sauce }],
    ...change,
  })
  const asked = (form: BlendDraft, indexes = [0], margins = [0]) => mixSetOf(form, indexes, margins, knownParts)

  it('hands the log only what was weighed, with what is known of it', () => {
    expect(
      partsForLog([part({ ph: 4.1, preparation: 'boiled' }), part({ massG: 0 }), part({ massG: null }), base()]),
    ).toEqual([
      { materialId: 'pear', name: 'Pear', massG: 100, ph: 4.1, preparation: 'boiled' },
      { lotId: 'base', name: 'Base', massG: 600 },
    ])
    expect(partForLog(part({ materialId: 'white-vinegar', strengthPct: 8 }))).toMatchObject({ strengthPct: 8 })
    expect(freshBlendDraft('one').sauces[0]!.targets.acid).toEqual({ low: null, high: 4, rank: 1 })
  })

  it('asks the solver for what stands there: stock less what the other sauces take, margins, caps on pure acids', () => {
    const form = draftOf(
      [base(), part({ lowPct: 10 }), part({ key: 'c', materialId: 'citric-acid', name: 'Citric acid', massG: 2 })],
      { wholeBand: true },
    )
    form.sauces.push({ ...freshSauce('two'), parts: [base({ massG: 150 })] })
    const { set } = asked(form, [0], [0.08])
    expect(set).toMatchObject({ stockG: { base: 650 }, mixes: [{ phMargin: 0.08, massG: { low: 702, high: 702 } }] })
    expect(set!.mixes[0]!.parts.map(({ role, lowShare, highShare }) => [role, lowShare, highShare])).toEqual([
      ['base', 0, 1],
      ['other', 0.1, 1],
      ['acid', 0, 0.005],
    ])
  })

  it('refuses in words what cannot be solved', () => {
    expect(asked(draftOf([])).problem).toMatch(/empty/)
    expect(asked(draftOf([base({ massG: 0 })])).problem).toMatch(/Give something a weight/)
    expect(asked(draftOf([base({ lotId: 'gone', name: 'Lost base' })])).problem).toMatch(
      /Lost base: what it is made of is not known/,
    )
    expect(asked(draftOf([part({})], {}, { makeLow: 500, makeHigh: 300 })).problem).toMatch(/more than “at most”/)
    expect(
      asked(draftOf([part({})], {}, { targets: { ...openTargets(), salt: { low: 3, high: 2, rank: 1 } } })).problem,
    ).toMatch(/Salt: “at least” is over “at most”/)
    expect(asked(draftOf([part({}), base()], { objective: 'cost' })).problem).toMatch(/Base has no price/)
  })

  it('gives amounts by share and by parts, and says what one limit would have to become', () => {
    const parts = [part({ massG: 300, ratio: 2 }), part({ key: 'v', massG: 100, ratio: 1 })]
    setShare(parts, 0, 50)
    expect(parts.map(({ massG }) => massG)).toEqual([200, 200])
    shareOut(parts, 600)
    expect(parts.map(({ massG }) => massG)).toEqual([400, 200])
    const { set } = asked(draftOf([base(), part({})]))
    expect(
      adviceWords(
        { limit: { kind: 'stock', mix: 0, stock: 'base', end: 'high', value: 800 }, to: 950 },
        set!,
        'metric',
      ),
    ).toBe('150 g more of Base: 950 g in place of the 800 g there are')
    expect(
      adviceWords(
        { limit: { kind: 'target', aim: 'acid', mix: 0, end: 'high', value: 3.6 }, to: 3.66 },
        set!,
        'metric',
      ),
    ).toBe('pH at most 3.66 in place of 3.60')
    expect(
      adviceWords(
        { limit: { kind: 'share', part: 1, mix: 0, end: 'low', value: 0.3, locked: false }, to: 0.24 },
        set!,
        'metric',
      ),
    ).toBe('Pear at least 24.0 % of it in place of 30.0 %')
    expect(missedWords({ mix: 0, aim: 'salt', end: 'high', wanted: 2.5, got: 2.81 }, set!)).toBe(
      'salt 2.81 %, wanted at most 2.50 %',
    )
  })
})

describe('the rulers', () => {
  const forecast = forecastBlend([
    ofMaterial(materialById('fresno')!, 700),
    ofMaterial(materialById('white-vinegar')!, 200),
    ofSalt(30),
  ])

  it('heat is never one bare number, and acid shows its band', () => {
    expect(headline('heat', valueOf('heat', forecast))).toMatch(/SHU$/)
    expect(rangeWords('heat', valueOf('heat', forecast))).toMatch(/–.* SHU, \w+/)
    expect(rangeWords('acid', forecast.ph)).toMatch(/^\d\.\d\d–\d\.\d\d$/)
    expect(headline('acid', null)).toBe('no water, no pH')
    for (const ruler of Object.values(RULERS))
      for (const tick of ruler.ticks) expect(ruler.share(tick)).toBeGreaterThan(0)
  })

  it('judges acid on its upper end, everything else on its value, and says by how much it misses', () => {
    expect(judge('acid', { low: 3.8, typical: 3.95, high: 4.05 }, { low: null, high: 4 })).toEqual({
      level: 'ask',
      word: 'may be over',
    })
    expect(judge('acid', { low: 3.5, typical: 3.6, high: 3.7 }, { low: null, high: 4 }).level).toBe('fine')
    expect(judge('salt', exactly(3.1), { low: 2, high: 2.5 })).toEqual({ level: 'act', word: '0.60 % over' })
    expect(judge('salt', exactly(1.8), { low: 2, high: 2.5 })).toEqual({ level: 'act', word: '0.20 % under' })
    expect(judge('acid', null, { low: null, high: 4 }).level).toBe('ask')
    expect(judge('sweet', exactly(5), { low: null, high: null }).word).toBe('')
  })
})

describe('a chosen trial', () => {
  const part = (key: string, massG: number | null, preparation: 'raw' | 'roasted', lotId?: string): PartForm => ({
    ...freshPart({ key, name: key, massG, ...(lotId ? { lotId } : { materialId: 'tomato' }) }),
    preparation,
  })
  it('keeps raw and roasted of one thing apart, and shares what stands twice', () => {
    const held = [
      { materialId: 'tomato', name: 'Tomato', massG: 30 },
      { materialId: 'tomato', name: 'Tomato', massG: 60, preparation: 'roasted' as const },
      { lotId: '01ARZ3NDEKTSV4RRFFQ69G5FAV', name: 'Base', massG: 10 },
    ]
    const base = '01ARZ3NDEKTSV4RRFFQ69G5FAV'
    expect(
      massesOfTrial(
        [part('a', 5, 'raw'), part('b', 5, 'roasted'), part('c', 1, 'raw', base), part('d', 3, 'raw', base)],
        held,
      ),
    ).toEqual([30, 60, 2.5, 7.5])
    expect(massesOfTrial([part('a', null, 'raw')], held)).toEqual([30])
  })

  it('teaches of raw and roasted of one thing as of one', () => {
    const tomato = (massG: number) => ofMaterial(materialById('tomato')!, massG)
    const vinegar = {
      name: 'Vinegar',
      of: 'white-vinegar',
      composition: ofMaterial(materialById('white-vinegar')!, 20),
    }
    const whole = { name: 'Tomato', of: 'tomato', composition: tomato(80) }
    const [raw, roasted] = [30, 50].map((massG) => ({ ...whole, composition: tomato(massG) }))
    const told = lessonOf(whole, [whole, vinegar], 3.6, 0.05)
    expect(told.sentence).toMatch(/times the acid/)
    expect(lessonOf(raw!, [raw!, roasted!, vinegar], 3.6, 0.05)).toEqual(told)
  })
})

describe('a decision', () => {
  const lot = fold([
    {
      ...{
        id: '01JZZZZZZZZZZZZZZZZZZZZZ01',
        kind: 'plan',
        at: '2026-05-01T09:00:00.000Z',
        by: 'Wren',
        origin: 'maker',
      },
      ...{ lotId: 'L', code: 'LF-01', name: 'Red mash', color: '#c00', style: 'mash', cut: 'ground', targetPh: 3.8 },
      ...{ rows: [], waterG: 1000, saltG: 30, saltPct: 3, saltBasis: 'total', saltId: 'fine-sea' },
    } as unknown as EntryOf<'plan'>,
    {
      ...{
        id: '01JZZZZZZZZZZZZZZZZZZZZZ02',
        kind: 'pack',
        at: '2026-05-01T10:00:00.000Z',
        by: 'Wren',
        origin: 'maker',
      },
      ...{ lotId: 'L', place: 'Bench', closure: 'airlock' },
      vessels: ['a', 'b'].map((mark) => ({ mark, vesselId: 'jar-1000', capacityMl: 1000, massG: 515 })),
    } as unknown as EntryOf<'pack'>,
  ]).lots.get('L')!
  const known = {
    lot,
    stand: null,
    stopped: null,
    codeTaken: (code: string) => code === 'LF-02',
    world: 'metric',
  } as const
  const fresh = (what: Deciding) => freshDecision(what, lot, [])
  const wrong = (what: Deciding, change: Partial<DecideForm> = {}, over: Partial<DecideCase> = {}) =>
    decideProblems(what, { ...fresh(what), ...change }, { ...known, ...over })
  const made = { at: '2026-05-08T09:00:00.000Z', until: '2026-05-11T09:00:00.000Z', brineId: 'K' }

  it('wants its place, its reason, its weight; the cold is cold, and pieces stay covered', () => {
    expect(wrong('cold')).toEqual({ code: null, form: null })
    expect(wrong('cold', { tempC: 12 }).form).not.toBeNull()
    expect(wrong('warm', { tempC: 12 }).form).toBeNull()
    expect(wrong('cold', { place: ' ' }).form).not.toBeNull()
    expect(wrong('discard').form).toMatch(/^Say why/)
    expect(wrong('discard', { reason: 'Fuzz', marks: [] }).form).not.toBeNull()
    expect(wrong('discard', { reason: 'Fuzz' }).form).toBeNull()
    expect(wrong('ready').form, 'against its readings').not.toBeNull()
    expect(wrong('brine', { massG: 100 }).form).toBeNull()
    expect(wrong('brine', { massG: 0.61 * lot.leftG }).form).not.toBeNull()
    expect(wrong('brine', { massG: 100 }, { stopped: 'Mould.' }).form).toContain('Mould.')
    expect(wrong('brine', { massG: 100, code: 'LF-02' }).code).not.toBeNull()
  })

  it('says in the log what was decided, and of which jars', () => {
    const draft = (what: Deciding, change: Partial<DecideForm> = {}) =>
      decideDraft(what, { ...fresh(what), ...change }, known, made)
    expect(draft('cold')).toMatchObject({ kind: 'decide', decision: 'cold', place: 'Cold store', tempC: 4 })
    expect(draft('wait')).toMatchObject({ decision: 'wait', until: made.until })
    expect(draft('brine', { massG: 100 })).toMatchObject({ kind: 'press', lotId: 'K', method: 'draw', baseG: 100 })
    const one = draft('discard', { reason: 'Fuzz', marks: ['a'] })
    expect(one).toMatchObject({ kind: 'discard', marks: ['a'], massG: 515 })
    expect(draft('discard', { reason: 'Fuzz' })).not.toHaveProperty('marks')
  })
})

describe('a run of bottles', () => {
  const limits: RunLimits = {
    ...{ most: 8, filledMl: 150, leftMl: 1250, nowMs: Date.parse('2026-05-01'), codeTaken: () => false },
    ...{ refusal: null, stops: null },
  }
  const run = (change: Partial<RunForm>) => {
    const form = { ...freshRun(undefined, 'woozy-150', null), code: 'S-01', bestBefore: '2027-05-01', ...change }
    return Object.values(runProblems(form, limits)).filter(Boolean)
  }

  it('has no more bottles than the pot fills, no more kept back than filled, and what is left over is no full bottle', () => {
    expect(run({ count: 8, partMl: 50 })).toEqual([])
    expect(run({ count: 9 })).toEqual(['There is enough for 8.'])
    expect(run({ count: 8, partMl: 60 })).toEqual(['Only 50 mL are left for it.'])
    expect(run({ count: 7, partMl: 160 })).toEqual(['That is a full bottle: count it.'])
    expect(run({ count: 3, retained: 4 })).toEqual(['More are kept back than were filled.'])
  })
})

it('what is put in goes into the jar that is named, else into all', () => {
  const content = { rows: [], waterG: 50, saltG: 2 }
  const draft = (mark: string) => putInDraft({ ...freshPutIn('fine-sea', 3), mark }, content, { at: '', lotId: 'L' })
  expect(draft('b')).toMatchObject({ marks: ['b'], waterG: 50 })
  expect(draft('')).not.toHaveProperty('marks')
})
