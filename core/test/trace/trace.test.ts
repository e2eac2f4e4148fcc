import { readFileSync } from 'node:fs'
import Ajv from 'ajv'
import addFormats from 'ajv-formats'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  batchRecordOf,
  cellarRows,
  epcisOf,
  findRows,
  fold,
  ingredientsOf,
  placesOf,
  recallOf,
  judgeOf,
  refusalOf,
  RETAINED,
  tableOfRecord,
  traceOf,
  type Draft,
  type Entry,
  type Lot,
} from '../../src'
import { day, notebook } from '../log/build'

/** A mash of two growers, pressed, blended, bottled: forty bottles, two kept back. */
function bottled(count = 40) {
  const log = notebook()
  const mash = log.mash(0, {
    rows: [
      {
        materialId: 'cayenne',
        name: 'Cayenne',
        massG: 1500,
        preparation: 'raw',
        seedsOut: false,
        grower: 'Upper Terrace',
      },
      {
        materialId: 'carrot',
        name: 'Carrot',
        massG: 500,
        preparation: 'raw',
        seedsOut: false,
        grower: 'Strand allotments',
      },
    ],
  })
  const reading = log.read(mash, 2, 3.6, 21, day(1.8))
  const base = log.press(mash, 8)
  const pot = log.id()
  log.write({
    kind: 'blend',
    at: day(9),
    lotId: pot,
    code: 'S-1',
    name: 'Red',
    color: '#c22a1b',
    cooked: true,
    parts: [
      { lotId: base, name: 'Base', massG: 1500 },
      { materialId: 'white-vinegar', name: 'White vinegar 5 %', massG: 4500 },
    ],
  })
  const bottles = log.id()
  log.write({
    kind: 'bottle',
    at: day(10),
    lotId: bottles,
    code: 'S-1-X',
    name: 'Red',
    color: '#c22a1b',
    fromLotId: pot,
    bottleMl: 150,
    count,
    usedG: 6000,
    treatment: 'cooked-hot-fill',
    bestBefore: '2027-03-01',
    retained: 2,
    place: 'Shelf',
  })
  const release = log.write({
    kind: 'release',
    at: day(11),
    lotId: bottles,
    decision: 'released',
    limitPh: 4,
    reason: 'Every check passed.',
    initials: 'B',
  })
  return { ...log, mash, base, pot, bottles, reading, release }
}
const lotOf = (log: { book: () => ReturnType<typeof fold> }, id: string): Lot => log.book().lots.get(id)!

describe('trace and recall', () => {
  it('runs from each grower to each place, in grams and bottles, and nothing is lost on the way', () => {
    const log = bottled()
    log.write({ kind: 'send', at: day(12), lotId: log.bottles, count: 10, to: 'Quay market', how: 'sold' })
    const { nodes, edges } = traceOf(log.book(), log.bottles)
    expect(
      nodes
        .filter(({ kind, from }) => kind === 'delivery' && from)
        .map(({ name, from }) => `${name}, ${from}`)
        .sort(),
    ).toEqual(['Carrot, Strand allotments', 'Cayenne, Upper Terrace'])
    expect(edges.filter((edge) => edge.from === log.bottles).reduce((sum, edge) => sum + (edge.bottles ?? 0), 0)).toBe(
      40,
    )
    expect(edges.filter((edge) => edge.from === log.bottles).reduce((sum, edge) => sum + edge.massG, 0)).toBeCloseTo(
      6000,
      6,
    )
    // A quarter of the pot is the base, and the base is all mash.
    expect(recallOf(log.book(), log.mash)!.runs[0]!.sharePct).toBeCloseTo(25, 9)
  })

  it('a recall counts what stands: a sale corrected twice counts as it was corrected last', () => {
    const log = bottled()
    const sold = { kind: 'send', at: day(12), lotId: log.bottles, to: 'Quay market', how: 'sold' } as const
    const first = log.write({ ...sold, count: 10 })
    const second = log.write({ ...sold, count: 12, replaces: first } as Draft)
    log.write({ ...sold, count: 11, replaces: second } as Draft)
    expect(recallOf(log.book(), log.mash)).toMatchObject({
      made: 40,
      here: 27,
      retained: 2,
      out: 11,
      short: 0,
      adds: true,
      to: [{ to: 'Quay market', how: 'sold', count: 11 }],
    })
    const record = batchRecordOf(log.entries, log.book(), log.bottles)!
    const sales = record.lines.filter(({ entry }) => entry.kind === 'send')
    expect(sales.map(({ status }) => status)).toEqual(['corrected', 'corrected', 'stands'])
    expect(sales.map(({ replacedBy, replaces }) => [replacedBy, replaces])).toEqual([
      [sales[1]!.number, null],
      [sales[2]!.number, sales[0]!.number],
      [null, sales[1]!.number],
    ])
  })

  it('lots in a circle draw no circle and hang nothing', () => {
    const log = notebook()
    const [a, b] = [log.id(), log.id()]
    const blend = (lotId: string, code: string, from: string) =>
      log.write({
        kind: 'blend',
        at: day(1),
        lotId,
        code,
        name: code,
        color: '#aaaaaa',
        cooked: false,
        parts: [{ lotId: from, name: 'x', massG: 100 }],
      })
    blend(a, 'A', b)
    blend(b, 'B', a)
    expect(traceOf(log.book(), a).edges).toHaveLength(1)
    expect(recallOf(log.book(), a)!.runs).toEqual([])
    expect(ingredientsOf(log.book(), a)).not.toEqual(undefined)
  })

  it('the batch record holds everything of the lot and its sources, with instruments, calibration and what was taken back', () => {
    const log = bottled()
    log.write({
      kind: 'calibrate',
      at: day(5.8),
      meter: 'pH meter',
      points: [
        { ph: 7, millivolt: 2, tempC: 21 },
        { ph: 4.01, millivolt: 174, tempC: 21 },
      ],
      slopePct: 97.6,
      offsetMv: 2,
      accepted: true,
    })
    const wrong = log.write({ kind: 'sign', at: day(7), lotId: log.mash, sign: 'foam' })
    log.write({ kind: 'retract', at: day(7.1), replaces: wrong, reason: 'Another jar.' })
    const record = batchRecordOf(log.entries, log.book(), log.bottles)!
    const kinds = record.lines.map(({ entry, status }) => `${entry.kind} ${status}`)
    expect(kinds).toEqual([
      'plan stands',
      'pack stands',
      'reading stands',
      'sign taken back',
      'retract stands',
      'press stands',
      'blend stands',
      'bottle stands',
      'release stands',
    ])
    expect(record.lines[2]!.instrument).toMatch(/^pH meter, calibrated 2026-03-/)
    expect(record.calibrations).toHaveLength(1)
    const table = tableOfRecord(record)
    expect(table).toHaveLength(10)
    expect(table[9]!.slice(3, 7)).toEqual(['Bench', 'S-1-X', 'release', 'Released by B: Every check passed.'])
  })

  it('EPCIS: every event has what, when, where and why; mass goes in and comes out; ids are unique', () => {
    const log = bottled()
    log.write({ kind: 'send', at: day(12), lotId: log.bottles, count: 10, to: 'Quay market', how: 'sold' })
    log.write({ kind: 'send', at: day(13), lotId: log.bottles, count: 1, to: 'Dropped', how: 'broken' })
    const file = epcisOf(log.book(), log.bottles, day(14))!
    expect(file).toMatchObject({ type: 'EPCISDocument', schemaVersion: '2.0', creationDate: day(14) })
    const events = file.epcisBody.eventList
    expect(events.map(({ type, bizStep }) => `${type} ${bizStep}`)).toEqual([
      'TransformationEvent commissioning',
      'TransformationEvent commissioning',
      'TransformationEvent commissioning',
      'TransformationEvent commissioning',
      'ObjectEvent inspecting',
      'ObjectEvent shipping',
      'ObjectEvent destroying',
    ])
    expect(new Set(events.map(({ eventID }) => eventID)).size).toBe(events.length)
    for (const event of events) {
      expect(event).toMatchObject({
        eventTimeZoneOffset: '+00:00',
        readPoint: { id: expect.stringMatching(/^urn:lactofer:place:\S+$/) },
      })
      for (const { epcClass, quantity } of [
        ...(event.quantityList ?? []),
        ...(event.inputQuantityList ?? []),
        ...(event.outputQuantityList ?? []),
      ]) {
        expect(epcClass).toMatch(/^urn:lactofer:(lot|material):[\w%.-]+$/)
        expect(quantity).toBeGreaterThan(0)
      }
    }
    // The schema that GS1 publishes for documents; it says no where something is missing.
    const valid = addFormats(new Ajv({ strict: false })).compile(
      JSON.parse(readFileSync(new URL('epcis-2.0.schema.json', import.meta.url), 'utf8')) as object,
    )
    expect(valid(file), JSON.stringify(valid.errors)).toBe(true)
    expect(valid({ ...file, epcisBody: { eventList: [{ ...events[0], bizStep: 'cooking' }] } })).toBe(false)
    expect(valid({ ...file, epcisBody: { eventList: [{ ...events[4], action: undefined }] } })).toBe(false)
    expect(events[0]!.inputQuantityList!.reduce((sum, { quantity }) => sum + quantity, 0)).toBeCloseTo(
      events[0]!.outputQuantityList![0]!.quantity,
      6,
    )
  })
})

describe('the cellar', () => {
  it('lists by place, finds by every word, and what must go first stands first', () => {
    const log = bottled()
    log.write({ kind: 'move', at: day(12), lotId: log.bottles, place: 'Market box', from: 'Shelf', count: 12 })
    const rows = cellarRows(log.book())
    expect(rows.filter((row) => row.count !== null).map(({ place, count }) => `${count} ${place}`)).toEqual([
      '26 Shelf',
      '12 Market box',
      `2 ${RETAINED}`,
    ])
    expect(placesOf(rows).find(({ place }) => place === 'Market box')).toMatchObject({ bottles: 12 })
    const all = { kind: '', place: '', order: 'first out' } as const
    expect(findRows(rows, { ...all, text: 'red market' }).map(({ place }) => place)).toEqual(['Market box'])
    expect(findRows(rows, { ...all, text: '', kind: 'base' }).map(({ massG }) => massG)).toEqual([200])
    const kinds = () => findRows(cellarRows(log.book()), { ...all, text: '' }).map(({ lot }) => lot.kind)
    expect(kinds()[0]).toBe('bottled')
    // What is held never heads what may go out.
    log.write({ kind: 'release', at: day(13), lotId: log.bottles, decision: 'held', limitPh: 4, reason: 'Look again.' })
    expect(kinds()[0]).not.toBe('bottled')
    expect(kinds().at(-1)).toBe('bottled')
  })

  it('refuses in words what is not there, and what is not released', () => {
    const log = bottled()
    const send = (change: object): Draft =>
      ({ kind: 'send', at: day(12), lotId: log.bottles, count: 1, to: 'x', ...change }) as Draft
    expect(refusalOf(log.book(), judgeOf(log.book()), send({ count: 39 }))).toBe('Only 38 are left.')
    expect(refusalOf(log.book(), judgeOf(log.book()), send({ count: 2, place: 'Attic' }))).toBe(
      'None are left at Attic.',
    )
    expect(
      refusalOf(log.book(), judgeOf(log.book()), {
        kind: 'use',
        at: day(12),
        lotId: log.base,
        massG: 300,
        how: 'used',
        to: 'soup',
      }),
    ).toBe('Only 200 g are left.')
    log.write({ kind: 'release', at: day(12), lotId: log.bottles, decision: 'held', limitPh: 4, reason: 'Look again.' })
    expect(refusalOf(log.book(), judgeOf(log.book()), send({}))).toMatch(/Not released/)
    expect(refusalOf(log.book(), judgeOf(log.book()), send({ how: 'broken' }))).toBeNull()
  })
})

/** Random work on forty bottles against the simplest model of it: a count at each place. */
type Act =
  | { do: 'send' | 'move'; count: number; from: string | undefined; place: string; how: 'sold' | 'used' | 'broken' }
  | { do: 'take back'; at: number }
  | { do: 'throw away' }
const PLACES = ['Shelf', 'Market box', 'Cold']
const act = fc.oneof(
  {
    weight: 8,
    arbitrary: fc.record({
      do: fc.constantFrom('send' as const, 'move' as const),
      count: fc.integer({ min: 1, max: 30 }),
      from: fc.option(fc.constantFrom(...PLACES), { nil: undefined }),
      place: fc.constantFrom(...PLACES),
      how: fc.constantFrom('sold' as const, 'used' as const, 'broken' as const),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('take back' as const), at: fc.nat(30) }) },
  { weight: 1, arbitrary: fc.constant({ do: 'throw away' as const }) },
)

describe('counts after any work (model-based)', () => {
  const written = (log: ReturnType<typeof bottled>, one: Act, index: number, done: string[]): Draft | null => {
    const at = day(12 + index / 100)
    if (one.do === 'throw away') return { kind: 'discard', at, lotId: log.bottles, reason: 'Dropped the crate.' }
    if (one.do === 'take back')
      return done.length ? { kind: 'retract', at, replaces: done[one.at % done.length]!, reason: 'Wrong.' } : null
    return one.do === 'send'
      ? {
          kind: 'send',
          at,
          lotId: log.bottles,
          count: one.count,
          to: 'someone',
          how: one.how,
          ...(one.from && { place: one.from }),
        }
      : {
          kind: 'move',
          at,
          lotId: log.bottles,
          count: one.count,
          place: one.place,
          ...(one.from && { from: one.from }),
        }
  }

  it('what the forms let through is what a plain count of places says', () => {
    fc.assert(
      fc.property(
        fc.array(
          act.filter((one) => one.do !== 'take back' && one.do !== 'throw away'),
          { maxLength: 25 },
        ),
        (acts) => {
          const log = bottled()
          const model = new Map([['Shelf', 38]])
          let out = 0
          acts.forEach((one, index) => {
            const draft = written(log, one, index, [])
            if (!draft) return
            const total = [...model.values()].reduce((sum, count) => sum + count, 0)
            const refused = refusalOf(log.book(), judgeOf(log.book()), draft) !== null
            expect(refused).toBe(one.count > (one.from === undefined ? total : (model.get(one.from) ?? 0)))
            // Without a place named the model cannot tell which bottles go: those are checked by the sum alone.
            if (refused || one.from === undefined) return
            log.write(draft)
            model.set(one.from, (model.get(one.from) ?? 0) - one.count)
            if (one.do === 'send') out += one.count
            else model.set(one.place, (model.get(one.place) ?? 0) + one.count)
          })
          const { bottles } = lotOf(log, log.bottles)
          expect(Object.fromEntries(bottles!.places.map(({ place, count }) => [place, count]))).toEqual(
            Object.fromEntries([...model].filter(([, count]) => count > 0)),
          )
          expect(bottles!.out.reduce((sum, { count }) => sum + count, 0)).toBe(out)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('stock is never negative and every bottle is accounted for, whatever two devices wrote, in any order', () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 25 }), fc.infiniteStream(fc.nat()), (acts, order) => {
        const log = bottled()
        const done: string[] = []
        acts.forEach((one, index) => {
          const draft = written(log, one as Act, index, done)
          if (draft) done.push(log.write(draft))
        })
        const keys = new Map<Entry, number>(log.entries.map((entry) => [entry, order.next().value ?? 0]))
        const shuffled = fold([...log.entries].sort((a, b) => keys.get(a)! - keys.get(b)!))
        const lot = shuffled.lots.get(log.bottles)!
        expect(lot.bottles).toEqual(lotOf(log, log.bottles).bottles)
        const { made, left, retained, discarded, short, places, out } = lot.bottles!
        expect(made + short).toBe(left + retained + discarded + out.reduce((sum, { count }) => sum + count, 0))
        for (const count of [left, retained, discarded, short, ...places.map((place) => place.count)])
          expect(count).toBeGreaterThanOrEqual(0)
        expect(places.reduce((sum, { count }) => sum + count, 0)).toBe(left)
        expect(recallOf(shuffled, log.mash)!.adds).toBe(true)
        for (const one of shuffled.lots.values()) {
          expect(one.leftG).toBeGreaterThanOrEqual(0)
          expect(one.madeG + one.shortG - one.usedG).toBeCloseTo(one.leftG, 6)
        }
      }),
      { numRuns: 100 },
    )
  })
})
