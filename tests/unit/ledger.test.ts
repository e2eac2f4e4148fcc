import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  allLots,
  codeTaken,
  disagreementsOf,
  fold,
  lotsFermenting,
  lotsInStock,
  lotsOnHand,
  lotsPlanned,
  openLedger,
  temperatureHistory,
  type Book,
  type Draft,
  type Entry,
} from '@lactofer/core'
import { demoEntries } from '#demo/scenario'
import { day, notebook } from '../../core/test/log/build'
import { lateId, NOW } from '../lateId'

/** A loft at work: every kind of lot, from plan to sale. */
const ENTRIES = demoEntries(NOW)

/** What made lots that others took from. */
const MAKERS = [...fold(ENTRIES).lots.values()]
  .filter(({ to }) => to.length > 0)
  .map(({ made }) => made)
  .slice(0, 6)

const CODES = [...fold(ENTRIES).lots.values()].map(({ code }) => code)

/** A book as plain values, order and all. */
const told = (book: Book) => ({
  ...book,
  lots: [...book.lots],
  library: null,
})

/** How warm every lot was, which rests on what was read at its places in other lots. */
const warmths = (book: Book) =>
  [...book.lots.values()].map((lot) => temperatureHistory(book, lot, lot.startedMs, 'clock'))

/** Which of the codes that the loft ever had are taken, and which of its own by another lot. */
const codes = (book: Book) => [
  CODES.map((code) => codeTaken(book, code)),
  [...book.lots.values()].map(({ id, code }) => codeTaken(book, code, id)),
]

/** The lots by where they stand, in order. */
const standing = (book: Book) =>
  [allLots, lotsFermenting, lotsPlanned, lotsInStock, lotsOnHand].map((list) => list(book).map((lot) => lot.id))
/** What is carried on from book to book. */
const carriedOn = (book: Book) => [warmths(book), disagreementsOf(book), codes(book), standing(book)]

/** Corrections and retractions of some entries, made from numbers: chains of them, and two of one fact. */
function withCorrections(picks: readonly number[]): Entry[] {
  const all: Entry[] = [...ENTRIES]
  for (const [turn, pick] of picks.entries()) {
    // Every other one is of an entry that makes lots, few of them, so that some are corrected over and over.
    const of = turn % 2 ? all[pick % all.length]! : MAKERS[pick % MAKERS.length]!
    // A retraction is taken back as well, but not corrected.
    if (of.kind === 'retract' && pick % 3 > 0) continue
    const id = lateId(turn)
    const at = new Date(Date.parse(of.at) + (pick % 7) * 60_000).toISOString()
    all.push(
      pick % 3 === 0
        ? { id, at, by: 'Bench', origin: 'demo', kind: 'retract', replaces: of.id, reason: 'Wrong jar.' }
        : // Now and then of another lot: it says nothing; or with the code of another.
          ({
            ...{ ...of, id, at, replaces: pick % 11 === 0 ? all[0]!.id : of.id },
            ...('code' in of && pick % 2 && { code: CODES[pick % 3] }),
          } as Entry),
    )
  }
  return all
}

describe('a log that is followed', () => {
  test('is the whole fold at every step, whatever the order of arrival, corrections, merges and late dates', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(), { minLength: 6, maxLength: 30 }),
        fc.infiniteStream(fc.nat({ max: 40 })),
        fc.integer(),
        (picks, sizes, seed) => {
          const all = withCorrections(picks)
          // In an order of its own: by a hash of the id.
          const key = ({ id }: Entry) => [...id].reduce((sum, sign) => (sum * 31 + sign.charCodeAt(0)) | 0, seed)
          const arriving = [...all].sort((a, b) => key(a) - key(b))
          const ledger = openLedger()
          const newer: never[] = []
          let untilMs = NOW - 20 * 86_400_000
          for (let from = 0; from < arriving.length;) {
            from += 1 + sizes.next().value!
            untilMs += 86_400_000 * 2
            const there = arriving.slice(0, from)
            // Read once more from a database they are other objects; much at once is taken in step by step.
            const read = there.map((entry) => ({ ...entry }))
            if (from % 5 === 0) for (const _ of ledger.takeIn(read, { untilMs, newer }));
            const followed = ledger.follow(read, { untilMs, newer })
            // What is carried on from book to book is asked at every step, and compared at some.
            const carried = carriedOn(followed)
            if (from % 3 && from < arriving.length) continue
            const anew = fold(there, { untilMs, newer })
            expect(told(followed)).toEqual(told(anew))
            expect(carried).toEqual(carriedOn(anew))
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  test('begins anew where something is gone, says something else, or the clock is set back', () => {
    const ledger = openLedger()
    const options = { untilMs: NOW, newer: [] }
    const lots = (entries: readonly Entry[], untilMs = NOW) => [...fold(entries, { untilMs }).lots.values()]
    const follow = (entries: readonly Entry[], untilMs = NOW) => [
      ...ledger.follow(entries, { ...options, untilMs }).lots.values(),
    ]
    expect(follow(ENTRIES)).toEqual(lots(ENTRIES))
    const less = ENTRIES.slice(0, -40)
    expect(follow(less)).toEqual(lots(less))
    const other = less.map((entry) => (entry.kind === 'plan' ? { ...entry, name: `${entry.name}, twice` } : entry))
    expect(follow(other)).toEqual(lots(other))
    const early = NOW - 30 * 86_400_000
    expect(follow(other, early)).toEqual(lots(other, early))
  })

  test('a code given twice and bottles that were not there are told as long as it is so', () => {
    const ledger = openLedger()
    const options = { untilMs: NOW, newer: [] }
    const [first, second] = MAKERS.filter((entry) => 'code' in entry)
    const bottles = [...fold(ENTRIES).lots.values()].find((lot) => lot.bottles)!
    const said = { at: new Date(NOW).toISOString(), by: 'Bench', origin: 'demo' } as const
    const retract = (turn: number, replaces: string): Entry => ({
      ...{ ...said, id: lateId(turn), kind: 'retract', replaces, reason: 'Wrong.' },
    })
    const log: Entry[] = [
      { ...second!, id: lateId(1), replaces: second!.id, code: (first as { code: string }).code } as Entry,
      { ...said, id: lateId(2), kind: 'send', lotId: bottles.id, count: 500, to: 'Quay market', how: 'sold' },
      retract(3, lateId(1)),
      retract(4, lateId(2)),
    ]
    const found = [0, 1, 2, 3, 4].map((count) => {
      const entries = [...ENTRIES, ...log.slice(0, count)]
      const [carried, anew] = [ledger.follow(entries, options), fold(entries, options)]
      expect([disagreementsOf(carried), codes(carried)]).toEqual([disagreementsOf(anew), codes(anew)])
      return disagreementsOf(carried).map(({ what }) => what)
    })
    expect(found).toEqual([[], ['code'], ['code', 'overdrawn'], ['overdrawn'], []])
  })

  test('a lot that was taken back and is said again finds those that took from it', () => {
    const ledger = openLedger()
    const of = MAKERS[0]!
    const later = { at: of.at, by: 'Bench', origin: 'demo', replaces: of.id } as const
    const back: Entry = { ...later, id: lateId(1), kind: 'retract', reason: 'Wrong jar.' }
    const again = { ...of, ...later, id: lateId(2) }
    for (const entries of [ENTRIES, [...ENTRIES, back], [...ENTRIES, back, again]]) {
      const options = { untilMs: NOW, newer: [] }
      expect(told(ledger.follow(entries, options))).toEqual(told(fold(entries, options)))
    }
  })

  test('of two jars read in one moment the order of the jars decides, not that of arrival', () => {
    const log = notebook()
    const [first, second] = [log.mash(0), log.mash(0)]
    const warmth = (lotId: string, tempC: number) => log.write({ kind: 'reading', at: day(1), lotId, tempC } as Draft)
    log.mash(1.5)
    const options = { untilMs: NOW * 2, newer: [] }
    const ledger = openLedger()
    warmths(ledger.follow([...log.entries], options))
    warmth(second, 30)
    warmths(ledger.follow([...log.entries], options))
    warmth(first, 10)
    expect(warmths(ledger.follow([...log.entries], options))).toEqual(warmths(log.book()))
  })

  test('leaves every lot alone that an entry does not touch', () => {
    const ledger = openLedger()
    const options = { untilMs: NOW, newer: [] }
    const before = ledger.follow(ENTRIES, options)
    const lot = [...before.lots.values()].find(({ state }) => state === 'fermenting')!
    const chore: Entry = {
      ...{ id: lateId(1), at: new Date(NOW).toISOString(), by: 'Bench', origin: 'maker' },
      ...{ kind: 'chore', lotId: lot.id, chore: 'burp' },
    }
    const after = ledger.follow([...ENTRIES, chore], options)
    const other = [...after.lots.values()].filter(({ id }) => after.lots.get(id) !== before.lots.get(id))
    expect(other.map(({ id }) => id)).toEqual([lot.id])
    expect(after.lots.get(lot.id)!.chores.at(-1)).toBe(chore)
    expect(before.lots.get(lot.id)!.chores.at(-1)).not.toBe(chore)
    // Nothing new: the same book.
    expect(ledger.follow([...ENTRIES, chore], options)).toBe(after)
  })
})
