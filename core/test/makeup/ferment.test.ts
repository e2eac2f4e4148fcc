import { describe, expect, it } from 'vitest'
import {
  compositionOf,
  fermentCaseOf,
  forecastFerment,
  summaryOf,
  propertiesOf,
  scenarioOf,
  temperatureAt,
  topUpBrine,
  type Draft,
  type Lot,
} from '../../src'
import { day, notebook, START, standsAt } from '../log/build'

const DAY_MS = 86_400_000
const lotOf = (log: ReturnType<typeof notebook>, id: string): Lot => log.book().lots.get(id)!

describe('a lot as the forecast sees it', () => {
  it('takes its food from the library, its start from the first reading, the rest as readings', () => {
    const log = notebook()
    const lotId = log.mash()
    for (const [at, ph] of [
      [0.2, 5.05],
      [2, 4.5],
      [3, 4.1],
    ] as const)
      log.read(lotId, at, ph, 22)
    const found = fermentCaseOf(log.book(), lotOf(log, lotId))!
    expect(found.batch.medium.startPh).toBe(5.05)
    expect(found.readings.map(({ hour, ph }) => [hour, ph])).toEqual([
      [48, 4.5],
      [72, 4.1],
    ])
    // Pepper of the case table: hexose 250, citric 12, malic 4, buffer 14 (model); the library must come near it.
    const { hexose, citric, buffer, saltPct } = found.batch.medium
    for (const [value, low, high] of [
      [hexose, 180, 300],
      [citric, 7, 16],
      [buffer, 9, 18],
      [saltPct, 4.2, 4.6],
    ] as const)
      expect(value > low && value < high, `${value}`).toBe(true)
    expect(found.batch.living.rawH!).toBeCloseTo(3.5, 1)
  })

  it('a warm living starter and frozen produce show in the counts; time-judged styles have no forecast', () => {
    const log = notebook()
    const row = { materialId: 'cayenne', name: 'Cayenne', massG: 2000, preparation: 'boiled', seedsOut: false }
    const boiled = log.mash(0, { rows: [row] })
    expect(fermentCaseOf(log.book(), lotOf(log, boiled))!.batch.living.rawH!).toBeLessThan(0)
    const brine = log.id()
    log.write({
      kind: 'stock',
      at: day(0),
      lotId: brine,
      code: 'K',
      name: 'Kept brine',
      color: '#cdbd84',
      massG: 500,
      saltPct: 3,
      ph: 3.5,
      lacticPct: 0.8,
      live: true,
    } as Draft)
    const started = log.mash(0, {
      rows: [
        row,
        { materialId: 'lot', name: 'Kept brine', massG: 100, preparation: 'raw', seedsOut: false, lotId: brine },
      ],
    })
    expect(fermentCaseOf(log.book(), lotOf(log, started))!.batch.living.starterLog10!).toBeCloseTo(
      7 + Math.log10(100 / 2180),
      2,
    )
    expect(fermentCaseOf(log.book(), lotOf(log, log.mash(0, { style: 'salt-packed' })))).toBeNull()
  })

  it('follows a move to the cold with its lag, a logger, and a corrected weight', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 1, 4.9, 22)
    log.write({ kind: 'decide', at: day(2), lotId, decision: 'cold', place: 'Cold store', tempC: 4, reason: '' })
    expect(lotOf(log, lotId).place).toBe('Cold store')
    const cold = fermentCaseOf(log.book(), lotOf(log, lotId))!.temperature
    expect(temperatureAt(cold, 48)).toBeCloseTo(22, 6)
    expect(temperatureAt(cold, 51)).toBeGreaterThan(4.5)
    expect(temperatureAt(cold, 90)).toBe(4)
    log.write({
      kind: 'logged',
      at: day(3),
      lotId,
      name: 'Logger',
      rows: 9,
      points: [
        [0, 6, null],
        [60, 8, null],
      ],
    })
    expect(temperatureAt(fermentCaseOf(log.book(), lotOf(log, lotId))!.temperature, 73)).toBe(8)
    log.write({
      kind: 'weigh',
      at: day(0.1),
      lotId,
      rows: [{ materialId: 'cayenne', name: 'Cayenne', massG: 1000, preparation: 'raw', seedsOut: false }],
      waterG: 0,
      saltG: 80,
    } as Draft)
    expect(fermentCaseOf(log.book(), lotOf(log, lotId))!.batch.medium.saltPct).toBeGreaterThan(8)
    // Salt that was measured counts, until something is put in.
    log.write({ kind: 'reading', at: day(3.2), lotId, saltPct: 4 })
    expect(fermentCaseOf(log.book(), lotOf(log, lotId))!.batch.medium.saltPct).toBeCloseTo(4.5, 0)
    log.write({ kind: 'add', at: day(3.3), lotId, rows: [], waterG: 0, saltG: 40, reason: 'Saltier.' })
    expect(fermentCaseOf(log.book(), lotOf(log, lotId))!.batch.medium.saltPct).toBeGreaterThan(11)
  })

  it('what-if changes what it says and nothing else', () => {
    const log = notebook()
    const base = fermentCaseOf(log.book(), lotOf(log, log.mash()))!
    const at = { lie: 'in its juice' as const, waterShare: 0, saltPct: 3.85, kg: 2, fromHour: 0 }
    expect(scenarioOf(base, {}, at)).toEqual({ batch: base.batch, temperature: base.temperature })
    expect(scenarioOf(base, { saltPct: 7.7 }, at).batch.medium.saltPct).toBeCloseTo(2 * base.batch.medium.saltPct, 6)
    expect(scenarioOf(base, { starterShare: 0.02 }, at).batch.living.starterLog10).toBeCloseTo(7 + Math.log10(0.02), 6)
    expect(temperatureAt(scenarioOf(base, { tempC: 25 }, at).temperature, 10)).toBe(25)
    const cold = scenarioOf(base, { tempC: 22, coldDay: 2 }, at).temperature
    expect([temperatureAt(cold, 47), temperatureAt(cold, 200)]).toEqual([22, 4])
  })

  it('the summary tells how often a tight lid wants burping, what a bag may hold, and nothing of an airlock', () => {
    const log = notebook()
    const jar = (closure: string) => {
      const lotId = log.mash(0, {}, { closure, vessels: [{ vesselId: 'jar-3000', mark: '', massG: 2080, hot: false }] })
      log.read(lotId, 1, 5.0, 23)
      const book = log.book()
      return summaryOf(
        book,
        book.lots.get(lotId)!,
        forecastFerment(fermentCaseOf(book, book.lots.get(lotId)!)!, { days: 8, members: 80 }),
        START + 2.5 * DAY_MS,
      )
    }
    const tight = jar('tight lid')
    expect(tight.burpEveryH!).toBeGreaterThan(1)
    expect(tight.burpEveryH!).toBeLessThan(48)
    expect(tight.gasSentence).toMatch(/every \d+ h/)
    expect([jar('airlock').burpEveryH, jar('airlock').gasSentence]).toEqual([null, ''])
    expect(jar('sealed bag').gasSentence).toMatch(/^(The liquid still takes up the gas|Up to \d\.\d L of gas)/)
  })
})

describe('decisions', () => {
  it('one jar of several thrown away leaves the rest on the shelf, and takes along what was seen only in it', () => {
    const log = notebook()
    const vessels = ['a', 'b'].map((mark) => ({ vesselId: 'jar-1000', mark, massG: 1040, hot: mark === 'b' }))
    const lotId = log.mash(0, {}, { vessels })
    log.write({ kind: 'sign', at: day(2.9), lotId, sign: 'fuzzy growth', level: 'discard', holds: true, marks: ['b'] })
    expect(standsAt(log.book(), lotId, START + 3 * DAY_MS).state).toBe('discard')
    log.write({ kind: 'discard', at: day(3), lotId, reason: 'Fuzz.', marks: ['b'] })
    const left = lotOf(log, lotId)
    expect([
      left.state,
      left.vessels.length,
      left.hot,
      left.leftG,
      standsAt(log.book(), lotId, START + 3 * DAY_MS).state,
    ]).toEqual(['fermenting', 1, false, 1040, 'act'])
    log.write({ kind: 'discard', at: day(4), lotId, reason: 'The other one too.', marks: ['a'] })
    expect(lotOf(log, lotId).state).toBe('discarded')
  })

  it('brine drawn off is a lot of its own, with its salt and acid; the rest ferments on', () => {
    const log = notebook()
    const lotId = log.mash(0, { style: 'brined', waterG: 1500, saltG: 90 })
    log.read(lotId, 3, 3.7)
    const brine = log.press(lotId, 4, { method: 'draw', inG: 300, baseG: 300, pulpG: 0 })
    const book = log.book()
    expect([book.lots.get(lotId)!.state, book.lots.get(lotId)!.leftG, book.lots.get(brine)!.state]).toEqual([
      'fermenting',
      3590 - 300,
      'in stock',
    ])
    expect(propertiesOf(compositionOf(book, brine)!).pH).toBeCloseTo(3.7, 2)
    expect(compositionOf(book, brine)!.live).toBe(true)
    // 90 g of salt in 1 500 g and the water of 2 000 g of cayenne.
    expect(topUpBrine(book, book.lots.get(lotId)!)!.strengthPct).toBeCloseTo((100 * 90) / (90 + 1500 + 1700), 1)
  })

  it('mostly cooked with nothing that starts it is asked about while it stands above the line', () => {
    const log = notebook()
    const rows = [
      { materialId: 'cayenne', name: 'Cayenne', massG: 1500, preparation: 'roasted', seedsOut: false },
      { materialId: 'cayenne', name: 'Cayenne', massG: 500, preparation: 'raw', seedsOut: false },
    ]
    const [cooked, usual] = [log.mash(0, { rows }), log.mash()]
    for (const lotId of [cooked, usual]) log.read(lotId, 1, 5, 20)
    const said = (lotId: string) => standsAt(log.book(), lotId, START + 1.1 * DAY_MS)
    expect([said(cooked).state, said(usual).state]).toEqual(['ask', 'working'])
    expect(said(cooked).codes).toEqual(['mostly cooked', 'above the line'])
  })

  it('pieces are ready by what is ground; their liquid stands for them once it agreed, and never by waiting', () => {
    const log = notebook()
    const lotId = log.mash(0, { style: 'brined', waterG: 1500, saltG: 90 })
    const read = (at: number, ph: number, of: 'liquid' | 'blended') =>
      log.write({ kind: 'reading', at: day(at), lotId, ph, of, tempC: 21 })
    read(2, 3.7, 'liquid')
    read(3.2, 3.6, 'liquid')
    const stand = (onDay: number) => standsAt(log.book(), lotId, START + onDay * DAY_MS)
    expect([stand(3.3).state, stand(3.3).sentence]).toEqual(['working', expect.stringMatching(/pieces lag/)])
    read(6, 3.62, 'liquid')
    read(30, 3.61, 'liquid')
    expect(stand(31).codes).toContain('pieces not read')
    read(31, 3.7, 'blended')
    read(31.2, 3.61, 'liquid')
    read(32.5, 3.61, 'liquid')
    expect(stand(32.6).make, 'read too late: nobody knows when they passed').toBe('stop')
  })
})
