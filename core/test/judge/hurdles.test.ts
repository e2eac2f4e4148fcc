import { describe, expect, it } from 'vitest'
import { judgeOf, refusalOf, type Draft, type StyleId } from '../../src'
import { day, notebook, standsAt, START } from '../log/build'

/* Where pH does not decide alone: every verdict rests on a hurdle. Rules and sources: docs/judgement.md. */

const DAY_MS = 86_400_000
type Log = ReturnType<typeof notebook>
const row = (materialId: string, massG: number) => ({
  ...{ materialId, name: materialId, massG, preparation: 'raw', seedsOut: false },
})
const packed = (log: Log, style: StyleId, rows: object[], saltG: number, change: object = {}) =>
  log.mash(0, { style, rows, saltG, ...change }, { closure: 'tight lid' })
const at = (log: Log, lotId: string, onDay: number) => standsAt(log.book(), lotId, START + onDay * DAY_MS)
const strip = { name: 'Strips', kind: 'strip', steady: true }
const readWith = (log: Log, lotId: string, onDay: number, ph: number, instrument?: object) =>
  log.write({ kind: 'reading', at: day(onDay), lotId, ph, tempC: 21, ...(instrument && { instrument }) } as Draft)
const sale = (log: Log, lotId: string, onDay: number) => {
  const draft = { kind: 'use', at: day(onDay), lotId, massG: 10, how: 'sold', to: 'x' } as Draft
  return refusalOf(log.book(), judgeOf(log.book()), draft)
}

describe('days alone prove nothing', () => {
  it.each([
    ['shrimp paste at 2 % salt and 28 °C', 'paste', [row('shrimp', 1000)], 20, null],
    ['anchovy paste at pH 6.4', 'paste', [row('anchovy-salted', 1000)], 20, 6.4],
    ['garlic packed in 1 % salt, pH 5.9', 'salt-packed', [row('garlic', 1000)], 10, 5.9],
    ['peppers under plain water, pH 5.4', 'infusion', [row('fresno', 500)], 0, 5.4],
    ['peppers cooked without vinegar', 'cooked', [row('fresno', 1000)], 10, null],
  ] as const)('%s is never ready', (_, style, rows, saltG, ph) => {
    const log = notebook()
    const lotId = packed(log, style, [...rows], saltG, style === 'infusion' ? { waterG: 1000 } : {})
    log.read(lotId, 0.1, undefined, 28)
    if (ph !== null) log.read(lotId, 6, ph, 28)
    for (const onDay of [1, 8, 31, 60]) {
      expect(at(log, lotId, onDay).make).toBe('stop')
      expect(['act', 'discard']).toContain(at(log, lotId, onDay).state)
    }
    expect(at(log, lotId, 31).state).toBe(ph === null ? 'act' : 'discard')
    expect(sale(log, lotId, 60)).not.toBeNull()
  })

  it('lemons that work out under 4.0 are for the own fridge; read, they may be sold', () => {
    const log = notebook()
    const lotId = packed(log, 'salt-packed', [row('lemon', 1000)], 100)
    expect(at(log, lotId, 31)).toMatchObject({ state: 'ready', make: 'ask' })
    expect(at(log, lotId, 31).codes).toEqual(['sour as worked out'])
    expect(sale(log, lotId, 31)).toMatch(/^It is not for sale/)
    log.write({ kind: 'reading', at: day(31), lotId, ph: 2.6, of: 'blended' } as Draft)
    expect(at(log, lotId, 31.1).codes).toEqual(['kept by acid'])
    expect(sale(log, lotId, 31.1)).toBeNull()
  })

  it('half-salted paste is kept by measured cold only, for thirty days, and never sold', () => {
    const cold = (temps: number[]) => {
      const log = notebook()
      const lotId = packed(log, 'paste', [row('shrimp', 1000)], 130)
      temps.forEach((tempC, index) => log.read(lotId, 0.02 + index * 5, undefined, tempC))
      return { log, lotId }
    }
    const { log, lotId } = cold([3, 3.5, 3])
    expect(at(log, lotId, 11).codes).toEqual(['kept by salt and cold'])
    expect(at(log, lotId, 11).sentence).toMatch(/cook it before/)
    expect(sale(log, lotId, 11)).not.toBeNull()
    expect(at(log, lotId, 31).make).toBe('stop')
    for (const temps of [[], [3], [3, 6, 3]]) {
      const other = cold(temps)
      expect(at(other.log, other.lotId, 11).codes, `${temps}`).not.toContain('kept by salt and cold')
    }
  })

  it('pods that nobody pierced are not what was worked out', () => {
    const log = notebook()
    const lotId = packed(log, 'infusion', [row('fresno', 500), row('white-vinegar', 1000)], 0)
    expect(at(log, lotId, 29).state).toBe('ready')
    log.write({ kind: 'check', at: day(0), lotId, done: ['sound'], open: ['pierced'] })
    expect(at(log, lotId, 29)).toMatchObject({ state: 'act', make: 'stop' })
  })
})

describe('much salt', () => {
  const salty = (saltG: number) => {
    const log = notebook()
    return { log, lotId: log.mash(0, { saltG }) }
  }
  it('at 20 % in the water it is preserved; thinned it is judged anew', () => {
    const { log, lotId } = salty(460)
    expect(at(log, lotId, 60)).toMatchObject({ state: 'ready', make: 'pass' })
    log.read(lotId, 60, 5.1)
    expect(at(log, lotId, 60.1).codes).toEqual(['kept by salt'])
    const water = { rows: [], waterG: 2000, saltG: 0, reason: '' }
    log.write({ kind: 'add', at: day(61), lotId, ...water } as Draft)
    expect(at(log, lotId, 61.1).state).not.toBe('ready')
  })

  it('between 10 and 20 %, 4.6 read in three times the time may be sold; later it is a check that stays', () => {
    const inTime = salty(240)
    for (const [onDay, ph] of [
      [8, 4.3],
      [12, 3.7],
      [14, 3.7],
    ] as const)
      inTime.log.read(inTime.lotId, onDay, ph)
    expect(at(inTime.log, inTime.lotId, 14.1).make).toBe('pass')
    expect(sale(inTime.log, inTime.lotId, 14.1)).toBeNull()
    const late = salty(240)
    for (const onDay of [20, 22]) late.log.read(late.lotId, onDay, 3.7)
    expect(at(late.log, late.lotId, 23)).toMatchObject({ make: 'ask' })
    expect(at(late.log, late.lotId, 23).codes).toContain('salty and late')
    const base = late.log.press(late.lotId, 24)
    late.log.read(base, 25, 3.6)
    expect(sale(late.log, base, 26)).not.toBeNull()
  })

  it('a measured water activity of 0.85 keeps it too, until something is put in; histamine ends it', () => {
    const { log, lotId } = salty(80)
    log.write({ kind: 'reading', at: day(1), lotId, aw: 0.85 } as Draft)
    expect(at(log, lotId, 60).codes).toEqual(['kept by salt'])
    expect(at(log, lotId, 60).sentence).toMatch(/^A water activity of 0\.85 keeps it/)
    log.write({ kind: 'add', at: day(61), lotId, rows: [], waterG: 500, saltG: 0, reason: '' } as Draft)
    expect(at(log, lotId, 62).state).not.toBe('ready')
    log.write({ kind: 'reading', at: day(2), lotId, histamineMgKg: 36 } as Draft)
    expect(at(log, lotId, 62).state).toBe('discard')
  })

  it('what stands in the tissue of pieces counts, once it was read there', () => {
    const log = notebook()
    const lotId = log.mash(0, { style: 'brined', saltG: 700, waterG: 2000 })
    log.read(lotId, 20, 5)
    expect(at(log, lotId, 21).state, 'nobody knows the salt in them').toBe('discard')
    log.write({ kind: 'reading', at: day(3), lotId, saltPct: 14, of: 'blended' } as Draft)
    expect(at(log, lotId, 21).codes).toContain('salty and late')
  })
})

describe('instruments', () => {
  const proven = (...readings: [onDay: number, ph: number, instrument?: object][]) => {
    const log = notebook()
    const lotId = log.mash()
    for (const [onDay, ph, instrument] of readings) readWith(log, lotId, onDay, ph, instrument)
    return at(log, lotId, 2).passed
  }
  it('a meter nobody checked proves like a strip, one at 4.0; one that failed its check proves nothing', () => {
    expect(proven([1, 4.0])).toBe(true)
    expect(proven([1, 4.1])).toBe(false)
    expect(proven([1, 4.05], [1.6, 4.05]), 'its offset is in both').toBe(false)
    expect(proven([1, 3.6, { name: 'M', kind: 'meter', steady: true, failed: true }])).toBe(false)
  })
  it('of several strips of one moment the highest counts, whatever their order', () => {
    expect(proven([1, 4.0, strip])).toBe(true)
    expect(proven([1, 4.0, strip], [1.01, 4.4, strip])).toBe(false)
    expect(proven([1, 4.4, strip], [1.01, 4.0, strip])).toBe(false)
    expect(proven([1, 4.1, strip], [1.6, 4.1, strip])).toBe(true)
    const stained = { ...strip, stained: true }
    expect(proven([1, 4.1, stained], [1.6, 4.1, stained]), 'red juice hides the colour').toBe(false)
  })
})

describe('less strict where the record decides', () => {
  const taste = (log: Log, lotId: string, onDay: number, sour: number) =>
    log.write({ kind: 'reading', at: day(onDay), lotId, taste: { sour } } as Draft)

  it('found sour late is a check; eaten at home where it tasted sour in time, and what is made of it too', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 21, 3.5)
    expect(at(log, lotId, 21.1)).toMatchObject({ state: 'ask', make: 'stop' })
    const home = { kind: 'decide', at: day(21.2), lotId, decision: 'home', reason: '' } as Draft
    log.write(home)
    expect(at(log, lotId, 21.3).make, 'nothing in the record speaks for it').toBe('stop')
    taste(log, lotId, 2, 2)
    expect(at(log, lotId, 21.3)).toMatchObject({ state: 'ask', make: 'ask' })
    expect(at(log, lotId, 21.3).sentence).toMatch(/boil it 10 minutes/)
    const base = log.press(lotId, 22)
    log.read(base, 22.5, 3.5)
    expect(at(log, base, 23).codes.some((code) => code.includes('made of'))).toBe(true)
    expect(sale(log, base, 23)).toMatch(/Home use only/)
  })

  it('not where it stood too warm, held too little salt, or was mostly cooked', () => {
    for (const spoilt of [
      (log: Log) => ({ lotId: log.mash(0, { saltG: 30 }), tempC: 21 }),
      (log: Log) => ({ lotId: log.mash(), tempC: 34 }),
      (log: Log) => ({ lotId: log.mash(0, { rows: [{ ...row('cayenne', 2000), preparation: 'boiled' }] }), tempC: 21 }),
    ]) {
      const log = notebook()
      const { lotId, tempC } = spoilt(log)
      taste(log, lotId, 0.5, 2)
      log.read(lotId, 0.6, undefined, tempC)
      log.read(lotId, 21, 3.5)
      log.write({ kind: 'decide', at: day(21.2), lotId, decision: 'home', reason: '' } as Draft)
      expect(at(log, lotId, 21.3).make).toBe('stop')
    }
  })

  it('a batch that stands at 3.9 with a target of 3.8 is ready, to be acidified in the blend', () => {
    const log = notebook()
    const lotId = log.mash()
    for (const [onDay, ph] of [
      [1, 4.6],
      [3, 4.0],
      [8, 3.92],
      [12.5, 3.9],
    ] as const)
      log.read(lotId, onDay, ph)
    expect(at(log, lotId, 12.6)).toMatchObject({ state: 'ready', make: 'ask' })
    expect(at(log, lotId, 12.6).sentence).toMatch(/acidify it when you blend/)
    expect(sale(log, lotId, 12.6)).toBeNull()
  })
})

describe('oil', () => {
  const pot = (ph: number | null, oilG: number) => {
    const log = notebook()
    const ferment = log.mash()
    for (const onDay of [2, 7, 8.2]) log.read(ferment, onDay, 3.6)
    const base = log.press(ferment, 9)
    if (ph !== null) log.read(base, 9.5, ph)
    const lotId = log.id()
    log.write({
      ...{ kind: 'blend', at: day(10), lotId, code: 'S-1', name: 'Sauce', color: '#c22a1b', cooked: false },
      parts: [
        { lotId: base, name: 'Base', massG: 1000 },
        { materialId: 'olive-oil', name: 'Oil', massG: oilG },
      ],
      predictedPh: { low: 3.4, typical: 3.5, high: 3.6 },
    } as Draft)
    return { log, lotId }
  }
  it('stands four days in the cold, thirty where the food was read sour before', () => {
    const unread = pot(null, 500)
    expect(at(unread.log, unread.lotId, 13).codes).toContain('under oil')
    expect(at(unread.log, unread.lotId, 14.1)).toMatchObject({ state: 'act', make: 'stop' })
    const read = pot(3.6, 500)
    expect(at(read.log, read.lotId, 39).codes).toContain('under oil')
    expect(at(read.log, read.lotId, 40.1).make).toBe('stop')
    const little = pot(null, 4)
    expect(at(little.log, little.lotId, 20).make).toBe('pass')
  })
})
