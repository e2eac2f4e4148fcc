import { describe, expect, it } from 'vitest'
import {
  compositionOf,
  ingredientsOf,
  isRefill,
  jarLabels,
  mixturePh,
  planFigures,
  propertiesOf,
  refillDrafts,
  topUpPods,
  styleById,
  type Draft,
  type StyleId,
} from '../../src'
import { day, notebook, START, standsAt, titlesAt } from '../log/build'

const DAY_MS = 86_400_000
const row = (materialId: string, massG: number, rest: object = {}) => ({
  materialId,
  name: materialId,
  massG,
  preparation: 'raw',
  seedsOut: false,
  ...rest,
})
const saltPct = (log: ReturnType<typeof notebook>, lotId: string) =>
  propertiesOf(compositionOf(log.book(), lotId)!).saltPct

describe('what was weighed stands over what was planned', () => {
  it('salt, mass and ingredients follow the weigh-in, then what was put in after packing', () => {
    const log = notebook()
    const lotId = log.mash()
    const weighId = log.write({
      kind: 'weigh',
      at: day(0),
      lotId,
      rows: [row('cayenne', 1900), row('garlic', 50)],
      waterG: 0,
      saltG: 60,
    } as Draft)
    expect(log.book().lots.get(lotId)!.madeG).toBe(2010)
    expect(saltPct(log, lotId)).toBeCloseTo((100 * (60 + 50 * 0.00023895)) / 2010, 2)
    expect(ingredientsOf(log.book(), lotId).map((part) => part.name)).toEqual(['cayenne', 'Salt', 'garlic'])
    log.write({ kind: 'add', at: day(1), lotId, rows: [], waterG: 0, saltG: 20, reason: 'Too weak.' } as Draft)
    expect(saltPct(log, lotId)).toBeCloseTo((100 * 80) / 2030, 1)
    expect(log.book().lots.get(lotId)!.madeG).toBe(2030)
    log.write({ kind: 'retract', at: day(2), replaces: weighId, reason: 'Scale was off.' })
    expect(log.book().lots.get(lotId)!.madeG).toBe(2100)
  })

  it('of two measured salts the later counts', () => {
    const log = notebook()
    const lotId = log.mash()
    for (const [onDay, pct] of [
      [5, 3],
      [6, 2.5],
    ] as const)
      log.write({ kind: 'reading', at: day(onDay), lotId, saltPct: pct } as Draft)
    expect(saltPct(log, lotId)).toBeCloseTo(2.5, 9)
  })

  it('a measured salt counts from its moment; what goes in later adds to it, and the pH is asked anew', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 5, 3.8)
    log.write({ kind: 'reading', at: day(5.1), lotId, saltPct: 3 } as Draft)
    expect(saltPct(log, lotId)).toBeCloseTo(3, 9)
    log.write({
      kind: 'add',
      at: day(5.2),
      lotId,
      rows: [row('white-vinegar', 200)],
      waterG: 0,
      saltG: 0,
      reason: 'Insurance.',
    } as Draft)
    expect(saltPct(log, lotId)).toBeCloseTo((3 * 2080) / 2280, 6)
    const composition = compositionOf(log.book(), lotId)!
    expect(mixturePh(composition)!).toBeLessThan(3.8)
    expect(composition.acids.acetic!).toBeCloseTo(((200 * 0.05) / 60.05) * 1000, 3)
  })
})

describe('a bowl split into jars', () => {
  it('each jar is a lot of its own, made of its share and its additions; nothing is lost and the bowl is used up', () => {
    const log = notebook()
    const bowl = log.id()
    const plan = {
      style: 'chop',
      waterG: 0,
      saltId: 'fine-sea',
      saltBasis: 'ingredients',
      saltPct: 2.5,
      targetPh: 3.9,
      color: '#86a34b',
    }
    log.write({
      kind: 'plan',
      at: day(0),
      lotId: bowl,
      code: 'B',
      name: 'Salsa',
      rows: [row('green-tomato', 2000)],
      ...plan,
      saltG: 50,
      bowl: true,
    } as Draft)
    expect(log.book().lots.get(bowl)!.state).toBe('planned')
    const hotPlan = {
      style: 'chop' as const,
      rows: [row('lot', 1050, { lotId: bowl, name: 'Salsa' }), row('habanero', 30)] as never,
      waterG: 0,
      saltPct: 2.5,
      saltBasis: 'everything' as const,
    }
    const hotFigures = planFigures(log.book(), hotPlan)!
    expect(hotFigures.raw).toBeCloseTo(1, 9)
    const jars = [
      ['B-A', [row('lot', 1000, { lotId: bowl })], 0, false],
      ['B-B', hotPlan.rows, hotFigures.dose.saltG, true],
    ] as const
    const ids = jars.map(([code, rows, saltG, hot]) => {
      const lotId = log.id()
      log.write({
        kind: 'plan',
        at: day(0.01),
        lotId,
        code,
        name: code,
        rows: [...rows],
        ...plan,
        saltBasis: 'everything',
        saltG,
      } as Draft)
      log.write({
        kind: 'pack',
        at: day(0.01),
        lotId,
        place: 'Bench',
        closure: 'loose lid',
        vessels: [{ vesselId: 'jar-2000', mark: '', massG: 1000, hot, tareG: 930 }],
      } as Draft)
      return lotId
    })
    const book = log.book()
    const [plain, hot] = ids.map((id) => compositionOf(book, id)!)
    expect(book.lots.get(bowl)).toMatchObject({ state: 'used up', leftG: 0 })
    expect(plain!.saltG + hot!.saltG).toBeCloseTo(50 + 2000 * 0.000333 + hotFigures.dose.saltG, 1)
    expect(propertiesOf(hot!).saltPct).toBeCloseTo(2.5, 6)
    expect(propertiesOf(hot!).shu.typical).toBeGreaterThan(500)
    expect(propertiesOf(plain!).shu.typical).toBe(0)
    expect(ids.map((id) => book.lots.get(id)!.hot)).toEqual([false, true])
    expect(ingredientsOf(book, ids[1]!).map((part) => part.name)).toEqual(['green-tomato', 'habanero', 'Salt'])
    expect(jarLabels(book.lots.get(ids[1]!)!, 2.5, { allergens: [], mark: null, cautions: [] })).toEqual([
      { code: 'B-B', name: 'B-B', hot: true, lines: ['2.5 % salt, started 2026-03-02', 'loose lid'] },
    ])
  })
})

describe('each style, followed', () => {
  const pack = (style: StyleId, rows: object[], change: object = {}, packed: object = {}) => {
    const log = notebook()
    const vessel = { closure: styleById(style).closures[0], ...packed }
    const lotId = log.mash(0, { style, rows, saltG: 40, ...change }, vessel)
    return { log, lotId, lot: () => log.book().lots.get(lotId)! }
  }

  it.each([
    ['salt-packed', 30, [row('lemon', 1000)], 100],
    ['paste', 7, [row('shrimp', 1000)], 400],
    ['infusion', 28, [row('fresno', 500), row('white-vinegar', 1000)], 0],
    ['cooked', 0, [row('fresno', 500), row('white-vinegar', 800)], 20],
  ] as const)(
    '%s is ready by time, after %d days, and no pH is asked of it where its usual hurdle holds',
    (style, days, rows, saltG) => {
      const { log, lotId } = pack(style, [...rows], { saltG })
      if (days > 0) expect(standsAt(log.book(), lotId, START + (days - 0.5) * DAY_MS).state).toBe('working')
      expect(standsAt(log.book(), lotId, START + (days + 0.1) * DAY_MS).state).toBe('ready')
      expect(titlesAt(log.book(), lotId, START + (days + 0.1) * DAY_MS).some((title) => title.includes('pH'))).toBe(
        false,
      )
    },
  )

  it('a cooked sauce and an infusion make no lactic acid: a reading sets the pH only', () => {
    const { log, lotId } = pack('cooked', [row('fresno', 500), row('white-vinegar', 800)])
    const before = compositionOf(log.book(), lotId)!
    log.read(lotId, 0.2, 3.1)
    const after = compositionOf(log.book(), lotId)!
    expect(after).toMatchObject({ live: false, acids: before.acids })
    expect(mixturePh(after)).toBeCloseTo(3.1, 6)
  })

  it('the paste carries its allergen to the lot, stays cold-stirred, and is about 29 % salt', () => {
    const { log, lotId } = pack('paste', [row('shrimp', 1000)], { saltG: 400 })
    expect(compositionOf(log.book(), lotId)!.allergens).toEqual(['crustacean'])
    expect(saltPct(log, lotId)).toBeCloseTo(28.9, 1)
    expect(titlesAt(log.book(), lotId, START + 4 * DAY_MS)).toEqual(['Stir the paste'])
  })

  it('an infusion is refilled once: the drawn vinegar and the pods are lots, nothing is lost, and no second refill is offered', () => {
    const { log, lotId, lot } = pack('infusion', [row('fresno', 600), row('white-vinegar', 900)], { saltG: 0 })
    const ids = { vinegarLot: log.id(), podsLot: log.id(), refillLot: log.id() }
    expect(titlesAt(log.book(), lotId, START + 30 * DAY_MS)).toContain('Draw off and refill')
    for (const draft of refillDrafts(log.book(), lot(), {
      at: day(30),
      drawnG: 700,
      vinegarId: 'white-vinegar',
      vinegarName: 'White vinegar 5 %',
      vinegarG: 650,
      ids,
      codes: { vinegar: 'V', pods: 'P', refill: 'R' },
    }))
      log.write(draft)
    const book = log.book()
    const [drawn, refill] = [book.lots.get(ids.vinegarLot)!, book.lots.get(ids.refillLot)!]
    expect([drawn.leftG, refill.madeG, lot().state]).toEqual([700, 1450, 'used up'])
    const acetic = (id: string) => compositionOf(book, id)!.acids.acetic!
    expect(acetic(ids.vinegarLot) + acetic(ids.refillLot)).toBeCloseTo(acetic(lotId) + ((650 * 0.05) / 60.05) * 1000, 3)
    expect(isRefill(book, refill)).toBe(true)
    expect(titlesAt(log.book(), refill.id, START + 62 * DAY_MS)).not.toContain('Draw off and refill')
    expect(() =>
      refillDrafts(book, refill, {
        at: day(62),
        drawnG: 9000,
        vinegarId: 'white-vinegar',
        vinegarName: 'V',
        vinegarG: 100,
        ids,
        codes: { vinegar: 'V', pods: 'P', refill: 'R' },
      }),
    ).toThrow(/only 1450 g/)
  })

  it('pepper vinegar left on its pods is filled up once, with no more than was taken; fresh never more than there was', () => {
    const { log, lotId, lot } = pack('infusion', [row('fresno', 600), row('white-vinegar', 900)], { saltG: 0 })
    const fresh = (vinegarG: number) => ({
      ...{ at: day(40), vinegarId: 'white-vinegar', vinegarName: 'White vinegar 5 %', vinegarG },
    })
    expect(() => topUpPods(log.book(), lot(), fresh(100))).toThrow(/Nothing was taken/)
    log.write({ kind: 'use', at: day(35), lotId, massG: 500, how: 'eaten', to: 'table' } as Draft)
    expect(() => topUpPods(log.book(), lot(), fresh(600))).toThrow(/500 g were taken/)
    for (const draft of topUpPods(log.book(), lot(), fresh(450))) log.write(draft)
    expect(isRefill(log.book(), lot())).toBe(true)
    expect(lot().leftG).toBe(1450)
    expect(() => topUpPods(log.book(), lot(), fresh(10))).toThrow(/once/)
    const other = pack('infusion', [row('fresno', 600), row('white-vinegar', 900)], { saltG: 0 })
    const ids = { vinegarLot: log.id(), podsLot: log.id(), refillLot: log.id() }
    const codes = { vinegar: 'V', pods: 'P', refill: 'R' }
    const refill = { ...fresh(950), drawnG: 800, ids, codes }
    expect(() => refillDrafts(other.log.book(), other.lot(), refill)).toThrow(/900 g/)
  })

  it('an open crock is stirred, an airlock’s water looked at weekly, salted chop looked at for its cover on day 2', () => {
    const titles = (style: StyleId, closure: string, onDay: number) => {
      const { log, lotId } = pack(style, [row('fresno', 1000)], {}, { closure })
      for (const at of [1, 4, 7]) log.read(lotId, at, 4.3 - 0.05 * at)
      return titlesAt(log.book(), lotId, START + onDay * DAY_MS)
    }
    expect(titles('mash', 'cloth', 2)).toEqual(['Stir', 'Look for film'])
    expect(titles('mash', 'airlock', 8)).toEqual(['Check the airlock’s water', 'Taste it'])
    expect(titles('chop', 'loose lid', 2)).toEqual(['Is everything covered?', 'Press down', 'Look for film'])
    expect(titles('bag', 'sealed bag', 2)).toEqual(['Look at the bag'])
  })
})
