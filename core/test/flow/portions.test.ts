import { describe, expect, it } from 'vitest'
import { judgeOf, refusalOf, releaseCaseOf, heatProcessOf, type Draft, type Judgement } from '../../src'
import { caseOf, day, KEPT_COLD, notebook, START, standsAt } from '../log/build'

/* What travels with a portion: food that another page of the same log throws away is never ready. */

type Log = ReturnType<typeof notebook>
const DAY_MS = 86_400_000
const at = (days: number) => START + days * DAY_MS
const stands = (log: Log, lotId: string, onDay: number) => standsAt(log.book(), lotId, at(onDay))
const weightOf = ({ state, make }: Judgement) =>
  10 * ['ready', 'working', 'ask', 'act', 'discard'].indexOf(state) + ['pass', 'ask', 'stop'].indexOf(make)

const row = (materialId: string, massG: number, change: object = {}) => ({
  ...{ materialId, name: materialId, massG, preparation: 'raw' as const, seedsOut: false },
  ...change,
})
const ofLot = (lotId: string, massG: number, change: object = {}) => row('part', massG, { lotId, ...change })
const jars = (...marks: string[]) => ({
  vessels: marks.map((mark) => ({ vesselId: 'jar-3000', mark, massG: 1000, hot: false })),
})
/** A pH by a meter that was calibrated the same day. */
const read = (log: Log, lotId: string, onDay: number, ph: number, change: object = {}) =>
  log.write({
    ...{ kind: 'reading', at: day(onDay), lotId, ph, tempC: 21 },
    instrument: { name: 'pH meter', kind: 'meter', steady: true, slopePct: 97, calibratedAt: day(onDay - 0.2) },
    ...change,
  } as Draft)
const mould = (log: Log, lotId: string, onDay: number, marks?: string[]) =>
  log.write({
    ...{ kind: 'sign', at: day(onDay), lotId, sign: 'fuzzy growth', answers: ['furry', 'coloured'] },
    ...{ level: 'discard', holds: true, ...(marks && { marks }) },
  } as Draft)
const add = (log: Log, lotId: string, onDay: number, change: object) =>
  log.write({ kind: 'add', at: day(onDay), lotId, rows: [], waterG: 0, saltG: 0, reason: '', ...change } as Draft)
const discard = (log: Log, lotId: string, onDay: number, marks?: string[]) =>
  log.write({
    ...{ kind: 'discard', at: day(onDay), lotId, reason: 'Mould.' },
    ...(marks && { marks }),
  } as Draft)
const draw = (log: Log, lotId: string, onDay: number, change: object = {}) =>
  log.press(lotId, onDay, { method: 'draw', inG: 200, baseG: 200, pulpG: 0, ...change })
/** A ferment that passed in its time and settled, ready from day 9 on. */
function settled(log: Log, change: object = {}, packed: object = {}) {
  const lotId = log.mash(0, change, packed)
  const marks = (packed as ReturnType<typeof jars>).vessels?.map(({ mark }) => mark) ?? ['']
  for (const mark of marks)
    for (const [onDay, ph] of [
      [1, 4.2],
      [7, 3.6],
      [8.2, 3.6],
    ] as const)
      read(log, lotId, onDay, ph, marks.length > 1 ? { marks: [mark] } : {})
  return lotId
}
function pour(log: Log, onDay: number, parts: object[], change: object = {}) {
  const lotId = log.id()
  log.write({
    ...{ kind: 'blend', at: day(onDay), lotId, code: `S-${onDay}`, name: 'Sauce', color: '#c22a1b', cooked: false },
    ...{ parts, predictedPh: { low: 3.4, typical: 3.5, high: 3.6 }, ...change },
  } as Draft)
  return lotId
}
const part = (lotId: string, massG = 500) => ({ lotId, name: 'Part', massG })
const vinegar = { materialId: 'white-vinegar', name: 'Vinegar', massG: 100 }
function bottle(log: Log, potId: string, onDay: number, change: object = {}) {
  const lotId = log.id()
  log.write({
    ...{ kind: 'bottle', at: day(onDay), lotId, code: `X-${onDay}`, name: 'Sauce', color: '#c22a1b' },
    ...{ fromLotId: potId, bottleMl: 150, count: 2, usedG: 300, treatment: 'live-cold', bestBefore: '2027-01-01' },
    ...change,
  } as Draft)
  return lotId
}

it('brine drawn from a bad ferment and poured back is bad, whoever is asked first', () => {
  const log = notebook()
  const ferment = log.mash()
  read(log, ferment, 5, 5.2)
  const brine = draw(log, ferment, 6)
  add(log, ferment, 6.5, { rows: [ofLot(brine, 100)] })
  const pot = pour(log, 7, [part(brine, 100), vinegar])
  const book = log.book()
  const orders = [
    [brine, pot, ferment],
    [ferment, brine, pot],
    [pot, ferment, brine],
  ]
  for (const order of orders) {
    const judge = judgeOf(book)
    for (const lotId of order) expect(judge(lotId, at(8))?.state).toBe('discard')
  }
})

describe('ending a jar removes no fact', () => {
  it('brine of two jars stays bad when the mouldy one is thrown away', () => {
    const log = notebook()
    const ferment = settled(log, {}, jars('a', 'b'))
    const brine = draw(log, ferment, 9, { marks: ['a', 'b'] })
    expect(stands(log, brine, 9.5).state).toBe('ready')
    mould(log, ferment, 10, ['a'])
    expect(stands(log, brine, 10.5).state).toBe('discard')
    discard(log, ferment, 11, ['a'])
    expect(stands(log, brine, 12).state).toBe('discard')
    expect(stands(log, ferment, 12).state, 'jar b is as it was').toBe('ready')
  })
  it('a base stays bad when the skins of its bad jar are thrown away', () => {
    const log = notebook()
    const ferment = settled(log, {}, jars('a', 'b'))
    const base = log.press(ferment, 9, { marks: ['a'], inG: 900 })
    mould(log, ferment, 10, ['a'])
    discard(log, ferment, 11, ['a'])
    expect(stands(log, base, 12).state).toBe('discard')
  })
  it('a mouldy jar poured into another batch ends, and its mould goes on', () => {
    const log = notebook()
    const ferment = settled(log, {}, jars('a', 'b'))
    const other = settled(log)
    mould(log, ferment, 9, ['a'])
    add(log, other, 10, { rows: [ofLot(ferment, 1000, { ended: ['a'] })] })
    expect(stands(log, other, 11).state).toBe('discard')
  })
})

it('a source used twice is two portions, each as it was', () => {
  const log = notebook()
  const base = log.press(settled(log), 9)
  const pot = pour(log, 10, [part(base), vinegar])
  read(log, base, 18, 5.2)
  expect(stands(log, pot, 19).state, 'read more than 7 days after it was taken').toBe('ready')
  add(log, pot, 20, { rows: [ofLot(base, 100)] })
  read(log, pot, 20.5, 3.6)
  expect(stands(log, pot, 21).make).toBe('stop')
})

it('heat and readings of a pot reach a run only from before it was filled', () => {
  const log = notebook()
  const pot = pour(log, 10, [part(log.press(settled(log), 9)), vinegar])
  const run = bottle(log, pot, 11)
  log.write({
    ...{ kind: 'heat', at: day(12), lotId: pot, where: 'pot', name: 'Probe' },
    points: [
      [0, 95],
      [10, 95],
    ],
  } as Draft)
  const book = log.book()
  expect(heatProcessOf(book, book.lots.get(pot)!, at(11)).pot, 'cooked after the run was filled').toBeNull()
  expect(caseOf(book, pot, KEPT_COLD, { bottledId: run, days: 13 }).heat.pot).toBeNull()

  add(log, pot, 12, { rows: [row('white-vinegar', 300)] })
  read(log, pot, 13, 3.4)
  expect(caseOf(log.book(), pot, KEPT_COLD, { bottledId: run, days: 13 }).reading).toBeNull()
  read(log, run, 13, 3.6)
  expect(caseOf(log.book(), pot, KEPT_COLD, { bottledId: run, days: 13 }).reading?.ph).toBe(3.6)
})

it('what goes into one jar of ten is not averaged over the batch', () => {
  const log = notebook()
  const marks = [...'abcdefghij']
  const ferment = settled(log, { rows: [row('cayenne', 9600)], saltG: 400 }, jars(...marks))
  expect(stands(log, ferment, 9).state).toBe('ready')
  add(log, ferment, 9, { rows: [row('cucumber', 600)], waterG: 400, marks: ['c'] })
  expect(stands(log, ferment, 9.1).make).toBe('stop')
  expect(stands(log, log.press(ferment, 9.1, { marks: ['c'], inG: 1900 }), 9.2).make).toBe('stop')
  expect(stands(log, log.press(ferment, 9.1, { marks: ['a'], inG: 900 }), 9.2).state).toBe('ready')
})

describe('time above 4.6 goes on in what a batch is put into', () => {
  const never = (log: Log) => log.mash()
  it('a new plan', () => {
    const log = notebook()
    const old = never(log)
    const next = log.mash(10, { rows: [ofLot(old, 1000), row('cayenne', 1000)] })
    read(log, next, 11, 3.6)
    read(log, next, 12.5, 3.6)
    expect(stands(log, next, 13).make).toBe('stop')
  })
  it('vinegar', () => {
    const log = notebook()
    const pot = pour(log, 10, [part(never(log)), vinegar])
    expect(stands(log, pot, 11).make).toBe('stop')
    expect(stands(log, pot, 11).sentence, 'reading it now helps no more').not.toContain('Read it now')
    read(log, pot, 11, 3.6)
    expect(stands(log, pot, 12).make).toBe('stop')
  })
  it('a good ferment', () => {
    const log = notebook()
    const good = settled(log)
    add(log, good, 10, { rows: [ofLot(never(log), 100)] })
    read(log, good, 11, 3.6)
    read(log, good, 12.5, 3.6)
    expect(stands(log, good, 13).make).toBe('stop')
  })
})

it('a second packing does not begin its time anew, and is something to settle', () => {
  const log = notebook()
  const ferment = log.mash()
  const before = stands(log, ferment, 6)
  log.write({ ...log.entries[1]!, kind: 'pack', at: day(5.5) } as Draft)
  const after = stands(log, ferment, 6)
  expect(after.clock!.spent).toBeCloseTo(before.clock!.spent, 9)
  expect(after.codes).toContain('not settled')
})

it('a colder reading takes no discard back', () => {
  const log = notebook()
  const ferment = log.mash()
  log.read(ferment, 0, undefined, 28)
  read(log, ferment, 2.5, 5, { tempC: undefined })
  expect(stands(log, ferment, 2.6).state).toBe('discard')
  log.read(ferment, 3, undefined, 5)
  expect(stands(log, ferment, 3.1).state).toBe('discard')
})

it('at 10 % salt and above no clock runs, and water makes nothing milder', () => {
  const log = notebook()
  const ferment = log.mash(0, { saltG: 300 })
  read(log, ferment, 20, 5)
  expect(stands(log, ferment, 20.5).state).not.toBe('discard')
  const before = weightOf(stands(log, ferment, 21))
  add(log, ferment, 20.8, { waterG: 1500 })
  expect(weightOf(stands(log, ferment, 21))).toBeGreaterThanOrEqual(before)
})

it('two halves put in at one moment are the whole', () => {
  const put = (amounts: readonly number[]) => {
    const log = notebook()
    const ferment = settled(log)
    for (const massG of amounts) add(log, ferment, 9, { rows: [row('carrot', massG)] })
    return stands(log, ferment, 9.2).reasons
  }
  expect(put([500, 500])).toEqual(put([1000]))
})

it('what is on hold is not sold by weight; it may be thrown away, eaten or given', () => {
  const log = notebook()
  const ferment = settled(log)
  mould(log, ferment, 9)
  const use = (how: string) =>
    refusalOf(log.book(), judgeOf(log.book()), {
      ...{ kind: 'use', at: day(10), lotId: ferment, massG: 100, how, to: 'Somebody' },
    } as Draft)
  expect(use('sold')).toMatch(/./)
  expect(use('eaten')).toBeNull()
})

describe('smaller holes', () => {
  it('a release that is dated after the sale does not permit it', () => {
    const log = notebook()
    const run = bottle(log, pour(log, 10, [part(log.press(settled(log), 9)), vinegar]), 11)
    log.write({
      kind: 'release',
      at: day(14),
      lotId: run,
      decision: 'released',
      limitPh: 4,
      reason: 'Fine.',
      initials: 'A',
    } as Draft)
    const sell = (onDay: number) =>
      refusalOf(log.book(), judgeOf(log.book()), {
        ...{ kind: 'send', at: day(onDay), lotId: run, count: 1, how: 'sold', to: 'Shop', place: 'Shop' },
      } as Draft)
    expect(sell(12)).toMatch(/./)
  })
  it('a reading of jar "A" is one of jar "a"; of a jar that is not there, one of nobody knows which', () => {
    const log = notebook()
    const ferment = log.mash(0, {}, jars('a', 'b'))
    read(log, ferment, 5, 5.2, { marks: ['A'] })
    expect(stands(log, ferment, 5.5).state).toBe('discard')
    const other = log.mash(0, {}, jars('a', 'b'))
    read(log, other, 5, 5.2, { marks: ['x'] })
    expect(stands(log, other, 5.5).state).toBe('discard')
  })
  it('a mixed sample of two jars proves neither', () => {
    const log = notebook()
    const ferment = log.mash(0, {}, jars('a', 'b'))
    for (const onDay of [1, 7, 8.2]) read(log, ferment, onDay, onDay === 1 ? 4.2 : 3.6, { marks: ['a', 'b'] })
    expect(stands(log, ferment, 9).state).not.toBe('ready')
    expect(stands(log, log.press(ferment, 9, { marks: ['a'], inG: 900 }), 9.2).make).toBe('stop')
  })
  it('pieces that nobody ground do not get milder as time passes', () => {
    const log = notebook()
    const ferment = log.mash(0, { style: 'brined', waterG: 1500 })
    read(log, ferment, 1, 4.2, { of: 'liquid' })
    read(log, ferment, 1.5, 5, { of: 'blended' })
    let least = 0
    for (let onDay = 2; onDay < 30; onDay += 0.5) {
      const weight = weightOf(stands(log, ferment, onDay))
      expect(weight, `day ${onDay}`).toBeGreaterThanOrEqual(least)
      least = weight
    }
  })
  it('a base never read, with much put in that is hardly sour, does not pass', () => {
    const log = notebook()
    const base = log.press(settled(log), 9)
    add(log, base, 10, { rows: [row('carrot', 3000)] })
    expect(stands(log, base, 10.5).make).toBe('stop')
  })
  it('of a stock with nothing but its water given, the rest may be anything', () => {
    const log = notebook()
    const lotId = log.id()
    log.write({
      ...{ kind: 'stock', at: day(0), lotId, code: 'K-1', name: 'Something', color: '#c22a1b' },
      ...{ massG: 500, waterPct: 90, live: false },
    } as Draft)
    const pot = pour(log, 10, [part(lotId), { ...vinegar, massG: 20 }], { predictedPh: undefined })
    expect(stands(log, pot, 10.5).make).toBe('stop')
  })
})

describe('what was too strict', () => {
  it('throwing away what stuck in the pot leaves the bottles as they are', () => {
    const log = notebook()
    const pot = pour(log, 10, [part(log.press(settled(log), 9)), vinegar])
    const run = bottle(log, pot, 11)
    discard(log, pot, 11.5)
    const book = log.book()
    expect(standsAt(book, run, at(12)).state).toBe('ready')
    const { judged } = releaseCaseOf(book, judgeOf(book), book.lots.get(pot)!, KEPT_COLD, at(12), book.lots.get(run))
    expect(judged).toEqual([])
  })
  it('a base of jar a has nothing of what was read in jar f', () => {
    const log = notebook()
    const ferment = settled(log, {}, jars('a', 'f'))
    read(log, ferment, 8.5, 5.2, { marks: ['f'] })
    expect(stands(log, log.press(ferment, 9, { marks: ['a'], inG: 900 }), 9.2).state).toBe('ready')
    expect(stands(log, log.press(ferment, 9, { marks: ['f'], inG: 900 }), 9.2).state).not.toBe('ready')
  })
})

it('where nobody knows what was packed its time runs as without salt', () => {
  const log = notebook()
  const ferment = log.mash(0, { rows: [row('cayenne', 1000), ofLot(log.id(), 1000)] })
  read(log, ferment, 5, 5)
  expect(stands(log, ferment, 6).state).toBe('discard')
})

it('mould in a jar that nobody read ends the batch, until that jar is thrown away', () => {
  const log = notebook()
  const ferment = log.mash(0, {}, jars('a', 'b'))
  for (const onDay of [1, 7, 8.2]) read(log, ferment, onDay, onDay === 1 ? 4.2 : 3.6, { marks: ['a'] })
  mould(log, ferment, 9, ['b'])
  expect(stands(log, ferment, 9.5).state).toBe('discard')
  expect(stands(log, log.press(ferment, 9.2, { marks: ['a'], inG: 900 }), 9.5).state).toBe('ready')
  discard(log, ferment, 10, ['b'])
  expect(stands(log, ferment, 10.5).state).toBe('ready')
})

it('a jar that is poured out to the last into another later keeps what it was made of', () => {
  const log = notebook()
  const ferment = settled(log, { saltG: 30, targetPh: 3.5 }, jars('a', 'b'))
  add(log, ferment, 8.5, { saltG: 30, marks: ['a'] })
  const base = log.press(ferment, 9, { marks: ['b'], inG: 500 })
  const before = stands(log, base, 12).reasons
  expect(before).toMatchObject([{ facts: { of: { code: 'weak salt' } } }, { code: 'as it is' }])
  log.write({ kind: 'share', at: day(11), lotId: ferment, from: 'b', vesselId: 'jar-1000', mark: 'c', massG: 1000 })
  expect(stands(log, base, 12).reasons).toEqual(before)
})
