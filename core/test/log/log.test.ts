import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoEntries } from '#demo/scenario'
import {
  ancestors,
  asksOf,
  judgeOf,
  canonical,
  compositionOf,
  dayOf,
  EntrySchema,
  fold,
  idClock,
  idMaker,
  ingredientsOf,
  makeLabel,
  mergeEntries,
  propertiesOf,
  recallOf,
  type Book,
  type Entry,
  writtenAt,
} from '../../src'
import { standsAt } from './build'

const TODAY = Date.parse('2026-05-04T09:00:00.000Z')
const demo = demoEntries(TODAY)
const book = fold(demo)
const lot = (code: string, from: Book = book) => [...from.lots.values()].find((found) => found.code === code)!
const asked = (code: string) => asksOf(book, judgeOf(book), lot(code), TODAY)
const state = (from: Book) =>
  canonical({
    lots: [...from.lots.values()].sort((a, b) => (a.id < b.id ? -1 : 1)),
    orphans: from.orphans.map((entry) => entry.id).sort(),
  })
const makeId = idMaker(() => 0.5)
const entry = (fields: object): Entry =>
  EntrySchema.parse({ id: makeId(TODAY), at: '2026-05-04T08:00:00.000Z', by: 'Bench', origin: 'maker', ...fields })
const shuffled = fc.shuffledSubarray(demo, { minLength: demo.length })

describe('fold', () => {
  it('gives the same state for any order of arrival, and for a log merged twice', () => {
    fc.assert(
      fc.property(shuffled, fc.nat(demo.length), (order, cut) => {
        expect(state(fold(order))).toBe(state(book))
        const here = order.slice(0, cut)
        const once = [...here, ...mergeEntries(here, order).added]
        const twice = [...once, ...mergeEntries(once, order).added]
        expect(state(fold(twice))).toBe(state(book))
        expect(mergeEntries(once, order)).toMatchObject({ added: [], known: order.length })
      }),
      { numRuns: 25 },
    )
  })

  it('a correction stands for what it replaces, the last written one of several, and a retraction takes it back', () => {
    const reading = lot('BPL-06').readings.at(-1)!
    const first = entry({ ...reading, id: makeId(TODAY + 1), ph: 4.8, replaces: reading.id })
    const second = entry({ ...reading, id: makeId(TODAY + 2), ph: 4.7, replaces: reading.id })
    const corrected = lot('BPL-06', fold([second, ...demo, first]))
    expect(corrected.readings.map((found) => found.ph)).toEqual([5.2, 5.18, 5.1, 4.7])
    const taken = lot('BPL-06', fold([...demo, entry({ kind: 'retract', replaces: reading.id, reason: 'Wrong jar.' })]))
    expect(taken.readings).toHaveLength(3)
  })

  it('keeps an entry of an unknown lot aside and takes it in once the lot arrives', () => {
    const [known, ...rest] = [lot('BPL-04').made, ...demo.filter((found) => found.id !== lot('BPL-04').made.id)]
    const without = fold(rest)
    expect(without.orphans.length).toBeGreaterThan(4)
    expect(state(fold([...rest, known]))).toBe(state(book))
  })

  it('knows stock, bottles, and the recall: two ferments behind a bottle, 61 bottles ahead of a ferment', () => {
    const bottles = lot('QR-31-C')
    const ferments = ancestors(book, bottles.id)
      .filter((kin) => kin.lot.kind === 'ferment')
      .map((kin) => kin.lot.code)
    expect(ferments.sort()).toEqual(['BPL-91', 'BPL-92'])
    expect(recallOf(book, lot('BPL-92').id)).toMatchObject({
      made: 61,
      here: 17,
      retained: 2,
      out: 42,
      short: 0,
      adds: true,
    })
    expect([lot('BPL-91').state, lot('BPL-10').state, lot('BPL-01').state, lot('BPL-08').leftG]).toEqual([
      'used up',
      'discarded',
      'fermenting',
      620,
    ])
  })
})

describe('demo lots show what the scenario says', () => {
  it.each([
    ['BPL-01', 12, ['Ready to press']],
    ['BPL-02', 4, ['Burp']],
    ['BPL-03', 2, ['Press down', 'Top up: cover it with juice or brine']],
    ['BPL-04', 75, []],
    ['BPL-05', 20, ['Vent the bag and reseal']],
    ['BPL-06', 6, ['Read pH: behind']],
    ['BPL-07', 5, ['Top up: cover it with juice or brine']],
    ['BPL-09', 9, ['Read pH after the film']],
    ['BPL-10', 14, []],
  ])('%s on day %d asks %j', (code, day, titles) => {
    expect(dayOf(lot(code), TODAY)).toBe(day)
    expect(asked(code).map(({ title }) => title)).toEqual(expect.arrayContaining(titles as string[]))
    if (titles.length === 0) expect(asked(code).filter((ask) => ask.level !== 'fine')).toEqual([])
  })

  it('a ferment shows its measured pH and its salt evened out; the behind lot says when 4.6 is due', () => {
    const properties = propertiesOf(compositionOf(book, lot('BPL-01').id)!)
    expect(properties.pH).toBeCloseTo(3.62, 4)
    // 126 g weighed in, and what carrots bring along
    expect(properties.saltPct).toBeCloseTo((100 * (126 + 1000 * 0.0013295)) / 3276, 3)
    expect(standsAt(book, lot('BPL-06').id, TODAY).sentence).toMatch(
      /^Behind: pH 4\.90 on day 6 at 13 °C; 4\.6 is due 2026-05-09 [\d:]+\. Move it to about 20 °C, check the salt/,
    )
  })

  it('a label lists everything weighed in, in order of weight, with its allergen', () => {
    const pot = lot('PS-07')
    const label = makeLabel({
      name: pot.name,
      ingredients: ingredientsOf(book, pot.id),
      bottleMl: 150,
      lotCode: 'PS-07',
      packed: '2026-05-04',
      bestBefore: '2027-01-01',
      treatment: 'live-cold',
      saltPct: 3.1,
      shu: null,
      heatWord: '',
      address: [],
      picks: ['contains'],
    })
    expect(label.ingredients.map(({ text }) => text).join('')).toBe(
      'Ingredients: cherry pepper, plum, cider vinegar 5 %, water, salt, shellfish paste (ground prawns, salt) (crustacean).',
    )
    expect(label.ingredients.filter(({ strong }) => strong)).toEqual([{ text: 'crustacean', strong: true }])
    expect(label.contains).toBe('Contains: crustacean.')
    expect(label.net).toBe('150 mL (5.1 fl oz)')
  })
})

describe('ids', () => {
  it('are later than all that were seen, and do not follow a clock that is far off', () => {
    const ids = idClock(() => 0.5)
    const now = Date.parse('2026-03-02T08:00:00.000Z')
    const there = idMaker(() => 0.9)
    const ahead = there(now + 5 * 60_000)
    ids.seen(ahead, now)
    const first = ids.next(now)
    expect(first > ahead).toBe(true)
    expect(ids.next(now - 1000) > first).toBe(true)
    // Another device stands in the year 2099: its ids are no measure.
    ids.seen(there(Date.parse('2099-01-01T00:00:00.000Z')), now)
    expect(writtenAt(ids.next(now)) - now).toBeLessThan(10 * 60_000)
    ids.seen('', now)
    expect(writtenAt(ids.next(now + 60 * 60_000))).toBe(now + 60 * 60_000)
  })
})
