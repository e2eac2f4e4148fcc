import { describe, expect, it } from 'vitest'
import {
  compositionOf,
  ingredientsOf,
  mixturePh,
  phOf,
  propertiesOf,
  releaseChecks,
  unreadPhOf,
  type Draft,
} from '../../src'
import { caseOf, day, KEPT_COLD, notebook } from '../log/build'

const part = (lotId: string, massG: number) => ({ lotId, name: 'base', massG })
const vinegar = (massG: number) => ({ materialId: 'white-vinegar', name: 'White vinegar 5 %', massG })
const blend = (lotId: string, at: number, parts: object[], change: object = {}): Draft =>
  ({
    kind: 'blend',
    at: day(at),
    lotId,
    code: 'S-1',
    name: 'Sauce',
    color: '#c22a1b',
    parts,
    cooked: false,
    ...change,
  }) as Draft

describe('what a lot is made of, through its whole history', () => {
  it('before any reading a ferment is what was packed; after it, lactic acid explains the pH and took sugar', () => {
    const log = notebook()
    const lotId = log.mash()
    const fresh = compositionOf(log.book(), lotId)!
    expect(propertiesOf(fresh).saltPct).toBeCloseTo((100 * 80) / 2080, 6)
    expect(fresh.acids.lactic).toBeUndefined()
    log.read(lotId, 6, 3.7)
    const soured = compositionOf(log.book(), lotId)!
    expect(mixturePh(soured)).toBeCloseTo(3.7, 6)
    expect(soured.acids.lactic!).toBeGreaterThan(50)
    expect(soured.sugarG.high).toBeLessThan(fresh.sugarG.high)
    expect(soured.sugarG.low).toBe(0)
    expect(soured.waterG).toBe(fresh.waterG)
  })

  it('a corrected reading of the ferment flows through press and blend', () => {
    const log = notebook()
    const ferment = log.mash()
    const readingId = log.read(ferment, 6, 3.7)
    const base = log.press(ferment, 8)
    const sauce = log.id()
    log.write(blend(sauce, 9, [part(base, 1000), vinegar(200)]))
    const before = phOf(log.book(), sauce)!
    expect(before.measured).toBe(false)
    log.write({ kind: 'reading', at: day(6), lotId: ferment, ph: 3.9, tempC: 21, replaces: readingId })
    expect(phOf(log.book(), base)!.ph).toBeCloseTo(3.9, 4)
    expect(phOf(log.book(), sauce)!.ph).toBeGreaterThan(before.ph + 0.05)
    log.read(sauce, 10, 3.61)
    expect(phOf(log.book(), sauce)).toEqual({ ph: 3.61, measured: true })
  })

  it('a later reading of the ferment does not change what was pressed out of it before', () => {
    const log = notebook()
    const ferment = log.mash()
    log.read(ferment, 6, 3.7)
    const base = log.press(ferment, 8, { inG: 1000, baseG: 900, pulpG: 80 })
    log.read(ferment, 20, 3.5)
    expect(phOf(log.book(), base)!.ph).toBeCloseTo(3.7, 4)
    expect(phOf(log.book(), ferment)!.ph).toBe(3.5)
  })

  it('pulp kept as a lot holds what the base does not; the ferment is then used up', () => {
    const log = notebook()
    const ferment = log.mash()
    log.read(ferment, 6, 3.7)
    const pulpLotId = log.id()
    const base = log.press(ferment, 8, { baseG: 1730, pulpG: 350, pulpLotId, pulpCode: 'P-1' })
    const book = log.book()
    const whole = compositionOf(book, ferment)!
    const [pressed, pulp] = [compositionOf(book, base)!, compositionOf(book, pulpLotId)!]
    expect(pressed.waterG + pulp.waterG).toBeCloseTo(whole.waterG, 4)
    expect(pressed.pungency.typical + pulp.pungency.typical).toBeCloseTo(whole.pungency.typical, 2)
    expect(pulp.pungency.typical / pulp.massG).toBeGreaterThan(pressed.pungency.typical / pressed.massG)
    expect([book.lots.get(ferment)!.state, book.lots.get(pulpLotId)!.kind]).toEqual(['used up', 'pulp'])
  })

  it('a missing source, or lots in a circle, leave the make-up unknown instead of wrong', () => {
    const log = notebook()
    const [a, b, lost] = [log.id(), log.id(), log.id()]
    log.write(blend(a, 1, [part(b, 100)]))
    log.write(blend(b, 1, [part(a, 100)]))
    const orphaned = log.id()
    log.write(blend(orphaned, 1, [part(lost, 100), vinegar(10)]))
    const book = log.book()
    expect([a, b, orphaned].map((lotId) => compositionOf(book, lotId))).toEqual([null, null, null])
    expect(ingredientsOf(book, orphaned).map(({ name }) => name)).toEqual(['Unknown lot', 'White vinegar 5 %'])
  })

  it('stock from outside: what was told of it is what it is', () => {
    const log = notebook()
    const brine = log.id()
    log.write({
      kind: 'stock',
      at: day(0),
      lotId: brine,
      code: 'K-1',
      name: 'Kept brine',
      color: '#cdbd84',
      massG: 800,
      saltPct: 3.1,
      ph: 3.5,
      lacticPct: 0.8,
      allergens: ['milk'],
      live: true,
    })
    const composition = compositionOf(log.book(), brine)!
    expect(propertiesOf(composition).saltPct).toBeCloseTo(3.1, 8)
    expect(mixturePh(composition)).toBeCloseTo(3.5, 6)
    expect(phOf(log.book(), brine)).toEqual({ ph: 3.5, measured: true })
    expect(composition).toMatchObject({ allergens: ['milk'], live: true, acidLogSd: 0.3 })
    log.read(brine, 5, 3.8)
    expect(mixturePh(compositionOf(log.book(), brine)!), 'read again, that counts').toBeCloseTo(3.8, 6)
  })
})

describe('sugar', () => {
  it('is eaten for the acid that was made: a mole of hexose for two of lactic acid, about (stoichiometry)', () => {
    const log = notebook()
    const lotId = log.mash()
    const before = compositionOf(log.book(), lotId)!
    log.read(lotId, 7, 3.6)
    const after = compositionOf(log.book(), lotId)!
    const eatenG = before.sugarG.typical - after.sugarG.typical
    const madeMmol = (after.acids.lactic ?? 0) - (before.acids.lactic ?? 0)
    expect(madeMmol).toBeGreaterThan(20)
    expect(eatenG / madeMmol, 'g of sugar a mmol of lactic acid').toBeGreaterThan(0.085)
    expect(eatenG / madeMmol).toBeLessThan(0.2)
  })
})

describe('stock and bottles', () => {
  it('more used than there was is told, and never counted below zero', () => {
    const log = notebook()
    const base = log.press(log.mash(), 8)
    log.write(blend(log.id(), 9, [part(base, 1500)]))
    log.write(blend(log.id(), 9, [part(base, 500)], { code: 'S-2' }))
    expect(log.book().lots.get(base)).toMatchObject({ leftG: 0, shortG: 300, usedG: 2000, madeG: 1700 })
  })

  it('ingredients come out by weight, down to what was weighed in, and add up to the pot', () => {
    const log = notebook()
    const base = log.press(log.mash(), 8)
    const sauce = log.id()
    log.write(blend(sauce, 9, [part(base, 1000), vinegar(1100)]))
    const found = ingredientsOf(log.book(), sauce)
    expect(found.map(({ name }) => name)).toEqual(['White vinegar 5 %', 'Cayenne', 'Salt'])
    expect(found.reduce((sum, { massG }) => sum + massG, 0)).toBeCloseTo(2100, 6)
  })
})

describe('the case for a release', () => {
  const options = KEPT_COLD
  function sauce(calibratedAt: string | null = null) {
    const log = notebook()
    const ferment = log.mash()
    log.read(ferment, 2, 4.2)
    log.read(ferment, 6, 3.6)
    const base = log.press(ferment, 8)
    const lotId = log.id()
    log.write(
      blend(lotId, 9, [part(base, 1000), vinegar(300)], {
        cooked: true,
        predictedPh: { low: 3.4, typical: 3.5, high: 3.6 },
      }),
    )
    log.read(lotId, 10.5, 3.52, 21, calibratedAt)
    return { log, lotId, ferment }
  }

  it('takes hours and calibration from the entries themselves', () => {
    const { log, lotId } = sauce(day(10.25))
    const found = caseOf(log.book(), lotId, options)
    expect(found.reading).toEqual({
      ph: 3.52,
      hoursAfterBlending: 36,
      trust: 'bench',
      calibrationAgeH: 6,
      checkedAfter: 'none',
      evidence: { atMs: Date.parse(day(10.5)), by: 'Bench', what: 'pH meter' },
    })
    expect(found.hasLiveFerment, 'that it was to be cooked is a plan').toBe(true)
    const points = [0, 2, 4].map((minute) => [minute, 85] as [number, number])
    log.write({ kind: 'heat', at: day(9.1), lotId, where: 'pot', name: 'Pot', points })
    expect(caseOf(log.book(), lotId, options).hasLiveFerment).toBe(false)
    expect(
      releaseChecks(found)
        .filter((check) => check.verdict === 'stop')
        .map(({ id }) => id),
    ).toEqual(['pressure', 'label'])
  })

  it('an unknown calibration stops; mould seen in a source later stops it, throwing its rest away does not', () => {
    const { log, lotId, ferment } = sauce()
    const verdict = (id: string) =>
      releaseChecks(caseOf(log.book(), lotId, options)).find((check) => check.id === id)?.verdict
    expect(verdict('meter')).toBe('stop')
    const sign = log.write({
      kind: 'sign',
      at: day(11),
      lotId: ferment,
      sign: 'fuzzy growth',
      answers: ['furry'],
      level: 'discard',
      holds: true,
    })
    expect(verdict('judge')).toBe('stop')
    log.write({ kind: 'retract', at: day(11), replaces: sign, reason: 'It was a seed.' })
    expect(verdict('judge')).toBe('pass')
    log.write({ kind: 'discard', at: day(11), lotId: ferment, reason: 'The skins were dry.' })
    expect(verdict('judge')).toBe('pass')
  })

  it('an unknown make-up counts as live and sweet', () => {
    const log = notebook()
    const lotId = log.id()
    log.write(blend(lotId, 0, [part(log.id(), 100)]))
    const found = caseOf(log.book(), lotId, options)
    expect(found).toMatchObject({ hasLiveFerment: true, reading: null })
    expect(releaseChecks(found).find((check) => check.id === 'pressure')?.verdict).toBe('stop')
  })
})

it('a pH that a logger read is the lot’s; what nobody read works out as it was packed, and says so', () => {
  const log = notebook()
  const lotId = log.mash()
  const fresh = unreadPhOf(log.book(), lotId)!
  expect(fresh).toBeCloseTo(phOf(log.book(), lotId)!.ph, 9)
  const base = log.press(lotId, 5)
  expect(unreadPhOf(log.book(), base)).toBeCloseTo(fresh, 1)
  log.write({
    ...{ kind: 'logged', at: day(1), lotId, name: 'Probe', rows: 2 },
    points: [
      [0, 21, 4.4],
      [1440, 21, 3.9],
    ],
  })
  expect(phOf(log.book(), lotId)).toEqual({ ph: 3.9, measured: true })
  expect(mixturePh(compositionOf(log.book(), lotId)!)).toBeCloseTo(3.9, 6)
  expect([unreadPhOf(log.book(), lotId), unreadPhOf(log.book(), base)]).toEqual([null, null])
})
