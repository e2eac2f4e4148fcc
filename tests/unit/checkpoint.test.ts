import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  ancestors,
  asksOf,
  checkpointOf,
  fold,
  holds,
  judgeOf,
  lotCaseOf,
  packedComposition,
  tongueOf,
  type Book,
  type Entry,
} from '@lactofer/core'
import { demoEntries } from '#demo/scenario'
import { pastLoft } from '../pastLofts'
import { lateId, NOW } from '../lateId'

const DAY = 86_400_000
const OPTIONS = { untilMs: NOW + DAY, newer: [] }

const NOW_LOG = demoEntries(NOW)
const PAST = [...pastLoft(NOW, 400, 'A'), ...pastLoft(NOW, 90, 'B')]

/** One lot after another, each with its own time: what the loft of the demo does not show. */
function besides(): Entry[] {
  const open = [...fold(NOW_LOG).lots.values()].filter(({ state }) => state === 'fermenting')
  const oldest = open.sort((a, b) => a.startedMs - b.startedMs)[0]!
  const base = [...fold(PAST).lots.values()].find(({ kind, state }) => kind === 'base' && state === 'in stock')!
  let turn = 0
  const write = (days: number, facts: object): Entry =>
    ({
      ...{ id: `01H0000000000000000000${String(++turn).padStart(4, '0')}`, by: 'Bench', origin: 'maker' },
      ...{ at: new Date(NOW - days * DAY).toISOString(), ...facts },
    }) as Entry
  const plan = NOW_LOG.find((entry) => entry.kind === 'plan')!
  const pack = NOW_LOG.find((entry) => entry.kind === 'pack')!
  const lot = (lotId: string, days: number, rows: object[]) => [
    write(days, { ...plan, id: undefined, lotId, code: lotId, rows }),
    write(days - 0.1, { ...pack, lotId, place: oldest.packed!.place }),
  ]
  const pepper = { materialId: 'cayenne', name: 'Cayenne', massG: 2000, preparation: 'raw', seedsOut: false }
  const sinceOldest = (NOW - oldest.startedMs) / DAY
  return [
    // Gone since, and the last to tell how warm it was there before the oldest came.
    ...lot('GONE', sinceOldest + 9, [pepper]),
    write(sinceOldest + 2, { kind: 'reading', lotId: 'GONE', ph: 3.9, tempC: 13.5, taste: { sour: 4 } }),
    write(sinceOldest + 1, { kind: 'discard', lotId: 'GONE', reason: 'Old.' }),
    // Open, and made of something old.
    ...lot('OPEN', 5, [pepper, { lotId: base.id, name: 'Base', massG: 40, preparation: 'raw', seedsOut: false }]),
    write(3, { kind: 'sense', lotId: 'OPEN', seen: { sour: 2 } }),
  ]
    .map((entry) => JSON.parse(JSON.stringify(entry)) as Entry)
    .map((entry, at) => ({ ...entry, id: entry.id ?? `01H${at}` }))
}
const LOG = [...PAST, ...besides(), ...NOW_LOG].sort((a, b) => (a.id < b.id ? -1 : 1))

/** All that the first page tells of open lots. */
const told = (book: Book) => {
  const judge = judgeOf(book)
  return [...book.lots.values()]
    .filter(({ state }) => state === 'fermenting' || state === 'planned')
    .map((lot) => ({
      lot,
      stand: judge(lot.id, NOW),
      asks: asksOf(book, judge, lot, NOW),
      case: lotCaseOf(book, lot, NOW),
      made: packedComposition(book, lot),
      tongue: tongueOf(book, 'Bench', lot.id),
    }))
}
const lacksSource = (book: Book) =>
  [...book.lots.values()]
    .filter(({ state }) => state === 'fermenting' || state === 'planned')
    .flatMap(({ id, from }) => [...from, ...ancestors(book, id).flatMap(({ lot }) => lot.from)])
    .some(({ lotId }) => !book.lots.has(lotId))
const idOf = ({ id }: Entry) => id
/** A log begun at its checkpoint; some of it is read beside. */
function begun(entries: readonly Entry[], beside: readonly Entry[], came: readonly Entry[] = []) {
  const point = checkpointOf(entries, new Set(beside.map(idOf)), OPTIONS)
  const book = fold([...point.entries, ...beside, ...came], { ...OPTIONS, remembered: point.remembered })
  return { point, book, holds: holds(point, book, [...beside, ...came]) }
}
const closed = [...fold(LOG).lots.values()].filter(({ state }) => state === 'used up' || state === 'discarded')
const at = new Date(NOW).toISOString()
const own = (turn: number) => ({ id: lateId(turn), at, by: 'Bench' }) as const

describe('a log that begins at its checkpoint', () => {
  test('tells of open lots what the whole log tells, wherever it is cut and whatever was corrected', () => {
    let left = 0
    fc.assert(
      fc.property(fc.array(fc.nat(), { maxLength: 12 }), fc.nat({ max: 120 }), (picks, last) => {
        const all = [...LOG]
        for (const [turn, pick] of picks.entries()) {
          const of = all[pick % all.length]!
          if (of.kind === 'retract') continue
          const later = { ...own(turn), origin: 'maker', replaces: of.id } as const
          all.push(
            pick % 4 ? ({ ...of, ...later, at: of.at } as Entry) : { ...later, kind: 'retract', reason: 'Wrong jar.' },
          )
        }
        // What came last may stand beside, or in what it stands for.
        const from = all.length - last
        const start = begun(all, all.slice(from))
        left += all.length - start.point.entries.length - last
        const whole = fold(all, OPTIONS)
        // Where something went into an open lot that is in no log, no checkpoint can speak for it.
        expect(start.holds).toBe(!lacksSource(whole))
        if (start.holds) expect(told(start.book)).toEqual(told(whole))
      }),
      { numRuns: 25 },
    )
    expect(left).toBeGreaterThan(2000)
  })

  test('goes on with what open lots are told, and gives way to what it cannot speak of', () => {
    const [open] = [...fold(LOG).lots.values()].filter(({ state }) => state === 'fermenting')
    const reading = (lotId: string, turn = 1): Entry => ({
      ...{ ...own(turn), origin: 'maker', kind: 'reading', lotId, ph: 4.2, tempC: 22 },
    })
    const goesOn = begun(LOG, [], [reading(open!.id)])
    expect(goesOn.holds).toBe(true)
    expect(told(goesOn.book)).toEqual(told(fold([...LOG, reading(open!.id)], OPTIONS)))

    const first = closed.find(({ made, id }) => made.kind === 'plan' && !goesOn.book.lots.has(id))!
    const base = [...fold(LOG).lots.values()].find(({ kind, id }) => kind === 'base' && !goesOn.book.lots.has(id))!
    const plan = LOG.find((entry) => entry.kind === 'plan')!
    const cannot: Record<string, Entry> = {
      'a reading of a lot that is left out': reading(first.id),
      'a correction of one': { ...first.made, ...own(2), at: first.made.at, replaces: first.made.id },
      'one taken back': { ...own(3), origin: 'maker', kind: 'retract', replaces: first.made.id, reason: 'Wrong jar.' },
      'a lot made of one': {
        ...{ ...plan, ...own(4), lotId: lateId(99) },
        rows: [{ name: 'Base', massG: 500, preparation: 'raw', seedsOut: false, lotId: base.id }],
      } as Entry,
      'another value in the library': {
        ...{ ...own(5), origin: 'maker', kind: 'material', materialId: 'own-pepper', name: 'Own pepper' },
        ...{ like: 'cayenne' },
      } as unknown as Entry,
    }
    for (const [what, entry] of Object.entries(cannot)) expect(begun(LOG, [], [entry]).holds, what).toBe(false)
  })
})
