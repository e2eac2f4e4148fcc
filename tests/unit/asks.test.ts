import { afterEach, beforeAll, describe, expect, test, vi } from 'vitest'
import { computed, effectScope, nextTick, ref, shallowRef } from 'vue'
import {
  asksOf,
  blendAsks,
  bottleAsks,
  fold,
  judgeOf,
  openLedger,
  USUAL_KIT,
  worstFirst,
  type Book,
  type Entry,
  type Lot,
} from '@lactofer/core'
import { demoEntries } from '#demo/scenario'
import { useAsks, type AskCase } from '~/composables/useAsks'
import { tellMoment } from '~/clock/moments'
import { fetchRules } from '~/rules/rules'
import { openLots } from '../../benchmarks/openLots.mjs'
import { lateId, NOW } from '../lateId'

const ENTRIES = demoEntries(NOW)
beforeAll(() => fetchRules())

function caseOf(book: Book): { given: AskCase; lots: Lot[] } {
  const lots = [...book.lots.values()].sort((a, b) => a.startedMs - b.startedMs)
  return { given: { book, judge: judgeOf(book), nowMs: NOW, ahead: new Map(), kit: USUAL_KIT }, lots }
}
/** All asks at once, lot by lot. */
const atOnce = ({ given, lots }: ReturnType<typeof caseOf>) =>
  worstFirst(
    lots.flatMap((lot) =>
      lot.state === 'fermenting'
        ? asksOf(given.book, given.judge, lot, NOW, undefined, tellMoment, USUAL_KIT)
        : lot.state === 'in stock'
          ? [
              ...blendAsks(given.judge, lot, NOW, tellMoment),
              ...bottleAsks(given.book, given.judge, lot, NOW, tellMoment),
            ]
          : [],
    ),
  )

/** What is asked, with as many lots a slice as are given: a clock that jumps after each of them. */
function looking(lotsASlice: number, entries: readonly Entry[] = ENTRIES, state = { there: true, whole: true }) {
  let calls = 0
  vi.spyOn(performance, 'now').mockImplementation(() => Math.floor(calls++ / lotsASlice) * 1000)
  // Followed, so that a lot that was not touched is the very same.
  const ledger = openLedger()
  const follow = (all: readonly Entry[]) => caseOf(ledger.follow(all, { untilMs: NOW, newer: [] }))
  const first = follow(entries)
  const [lots, given] = [shallowRef(first.lots), shallowRef(first.given)]
  const shelf = computed(() => lots.value.filter(({ state }) => state === 'fermenting'))
  const onHand = computed(() => lots.value.filter(({ state }) => state === 'fermenting' || state === 'in stock'))
  const [there, whole] = [ref(state.there), ref(state.whole)]
  const found = effectScope().run(() => useAsks({ shelf, onHand }, given, { there, whole }))!
  const now = (next: readonly Entry[]) => {
    const { given: anew, lots: others } = follow(next)
    lots.value = others
    given.value = anew
    return nextTick()
  }
  return { ...found, first, there, whole, now }
}
const slice = () => new Promise((resolve) => setTimeout(resolve))
afterEach(() => vi.restoreAllMocks())

describe('what many lots ask for', () => {
  test('is told at once where one look does, and is the same in slices', async () => {
    const quick = looking(1_000_000)
    await nextTick()
    expect(quick.asks.value).toEqual(atOnce(quick.first))
    expect(quick.looked.value).toBe('all')
    const slow = looking(1)
    expect([slow.asks.value, slow.looked.value]).toEqual([[], 'none'])
    for (let turn = 0; turn < 200 && slow.looked.value !== 'all'; turn++) await slice()
    expect(slow.asks.value).toEqual(atOnce(slow.first))
  })

  test('tells of what was touched first, and comes to its end however often something is said meanwhile', async () => {
    const long = looking(2)
    for (let turn = 0; turn < 200 && long.looked.value !== 'all'; turn++) await slice()
    const ask = long.asks.value.find(({ chore }) => chore === 'burp')!
    let entries = [...ENTRIES]
    for (let turn = 0; turn < 30; turn++) {
      const id = lateId(turn)
      const at = new Date(NOW).toISOString()
      const done: Entry = { id, at, by: 'Bench', origin: 'maker', kind: 'chore', lotId: ask.lotId, chore: 'burp' }
      entries = [...entries, done]
      await long.now(entries)
      if (turn === 0) {
        // What is written is drawn first; whoever tapped waits for it.
        const asked = () => long.asks.value.some(({ key }) => key === ask.key)
        expect(asked()).toBe(true)
        await long.toldAnew()
        expect(asked()).toBe(false)
      }
    }
    for (let turn = 0; turn < 200; turn++) await slice()
    expect(long.asks.value).toEqual(atOnce(caseOf(fold(entries))))
  })

  test('of a long shelf the first lots are told of before the rest, place by place; of the others nothing yet', async () => {
    const long = looking(10, openLots(200, NOW) as Entry[])
    for (let turn = 0; turn < 200 && !long.begun.value; turn++) await slice()
    const places = new Set([...long.begun.value!.keys()].map((id) => long.first.given.book.lots.get(id)!.place))
    expect([long.begun.value!.size, [...places]]).toEqual([60, ['Bench', 'Shelf']])
    expect([long.asks.value, long.stands.value.size, long.looked.value]).toEqual([[], 0, 'none'])
    const begun = [...long.begun.value!].filter(([, asks]) => asks.length > 0)
    for (let turn = 0; turn < 400 && long.looked.value !== 'all'; turn++) await slice()
    expect(long.begun.value).toBeNull()
    expect(long.asks.value).toEqual(atOnce(long.first))
    for (const [id, asks] of begun) expect(long.asks.value.filter(({ lotId }) => lotId === id)).toEqual(asks)
  })

  test('says that the cellar was not looked through while only the shelf is there', async () => {
    const part = looking(1_000_000, ENTRIES, { there: false, whole: false })
    expect([part.asks.value, part.looked.value]).toEqual([[], 'none'])
    part.there.value = true
    await nextTick()
    expect(part.looked.value).toBe('shelf')
    const open = new Set(part.first.lots.filter(({ state }) => state === 'fermenting').map(({ id }) => id))
    expect(part.asks.value.length).toBeGreaterThan(0)
    expect(part.asks.value.every(({ lotId }) => open.has(lotId))).toBe(true)
  })
})
