import { nextTick, shallowRef, watch, type Ref } from 'vue'
import type { Ask, Book, ForecastSummary, Judge, Judgement, Kit, Lot } from '@lactofer/core'
import { awaited, breathe, drawn, slice, stepAside } from '~/clock/breathe'
import { tellMoment } from '~/clock/moments'
import { rules } from '~/rules/rules'
import { grouped } from './grouped'

/** What the asks of a book are worked out from. */
export interface AskCase {
  book: Book
  judge: Judge
  nowMs: number
  ahead: ReadonlyMap<string, ForecastSummary>
  kit: Kit
}

const inStock = ({ state }: Lot) => state === 'in stock'
const fermenting = ({ state }: Lot) => state === 'fermenting'

/** What one lot asks for. */
function asksOfLot({ book, judge, nowMs, ahead, kit }: AskCase, lot: Lot): Ask[] {
  const { asksOf, blendAsks, bottleAsks } = rules()
  return fermenting(lot)
    ? asksOf(book, judge, lot, nowMs, ahead.get(lot.id), tellMoment, kit)
    : [...blendAsks(judge, lot, nowMs, tellMoment), ...bottleAsks(book, judge, lot, nowMs, tellMoment)]
}

/** A shelf of more lots than these is told of by the first that are drawn, while the rest is looked along. */
const LONG_SHELF = 150
/** So many: more than a window shows. */
const FIRST = 60

/** How far all lots were looked at since the start: those of the shelf, and then those in stock. */
export type Looked = 'none' | 'shelf' | 'all'

/** What was said of a lot when it was last looked at. */
interface Said {
  lot: Lot
  asks: Ask[]
  stand: Judgement | null
}

/** The first lots of a long shelf as it is drawn, place by place; of a short one none. */
const firstOf = (shelf: readonly Lot[]): Lot[] =>
  shelf.length > LONG_SHELF ? [...grouped(shelf, ({ place }) => place).values()].flat().slice(0, FIRST) : []

/** Lots that are new or were touched, the shelf before the cellar; then those that were looked at longest ago. */
function inTurn(there: readonly Lot[], known: ReadonlyMap<string, Said>): Lot[] {
  const touched = there.filter((lot) => known.get(lot.id)?.lot !== lot)
  const rest = new Map(there.map((lot) => [lot.id, lot]))
  for (const { id } of touched) rest.delete(id)
  const longAgo = [...known.keys()].flatMap((id) => rest.get(id) ?? [])
  return [...touched.filter(fermenting), ...touched.filter(inStock), ...longAgo]
}

/**
 * What some lots ask for, worst first, how they stand, and whether it is said of all. Of thousands in stock few ask,
 * and none stands.
 */
function saidOf(there: readonly Lot[], known: ReadonlyMap<string, Said>) {
  const asks: Ask[] = []
  const stands = new Map<string, Judgement>()
  let isAll = true
  for (const { id } of there) {
    const said = known.get(id)
    isAll &&= said !== undefined
    if (said?.asks.length) asks.push(...said.asks)
    if (said?.stand) stands.set(id, said.stand)
  }
  return { asks: asks.length ? rules().worstFirst(asks) : asks, stands, isAll }
}

/** What was said of lots, and what is told of it. @param whole of all lots, not only of the shelf. */
function useSaid(whole: Ref<boolean>) {
  /** Those looked at longest ago come first. */
  const known = new Map<string, Said>()
  const asks = shallowRef<Ask[]>([])
  const stands = shallowRef<ReadonlyMap<string, Judgement>>(new Map())
  const looked = shallowRef<Looked>('none')
  const begun = shallowRef<ReadonlyMap<string, readonly Ask[]> | null>(null)
  /** Tells of the first lots of a shelf that is looked along for the first time. */
  function begin(first: readonly Lot[]) {
    begun.value = new Map(first.map(({ id }) => [id, known.get(id)?.asks ?? []]))
  }
  /** Tells what is known of these, and forgets all others. */
  function show(there: readonly Lot[]) {
    if (known.size > there.length) {
      const ids = new Set(there.map(({ id }) => id))
      for (const id of known.keys()) if (!ids.has(id)) known.delete(id)
    }
    const said = saidOf(there, known)
    asks.value = said.asks
    stands.value = said.stands
    begun.value = null
    looked.value = whole.value && said.isAll ? 'all' : 'shelf'
  }
  return { known, begin, show, told: { asks, stands, looked, begun } }
}

/**
 * Looks at lots in slices, and keeps what is said of them.
 * @param goesOn nobody else looks at them since. @param between is done between two slices.
 * @returns it came to its end.
 */
async function lookAlong(
  lots: readonly Lot[],
  looking: {
    known: Map<string, Said>
    given: Ref<AskCase | null>
    goesOn: () => boolean
    between: () => Promise<void>
  },
): Promise<boolean> {
  const { known, given, goesOn, between } = looking
  const share = slice()
  for (const lot of lots) {
    const now = given.value
    if (!now) return false
    const stand = lot.kind === 'ferment' ? now.judge(lot.id, now.nowMs) : null
    known.delete(lot.id)
    known.set(lot.id, { lot, asks: asksOfLot(now, lot), stand })
    if (!share.over()) continue
    await between()
    if (!goesOn()) return false
    share.begin()
  }
  return true
}

/** What is still to be told of lots that were touched, and who waits for it. */
function useDebt() {
  /** Null while nothing is to be told. */
  let waiting: (() => void)[] | null = null
  function paid() {
    for (const go of waiting ?? []) go()
    waiting = null
  }
  /** Resolves once it is told what the lots ask for that were touched by now: what was asked of them is gone. */
  async function toldAnew(): Promise<void> {
    await nextTick()
    if (waiting) await new Promise<void>((resolve) => waiting!.push(resolve))
  }
  return { owe: () => void (waiting ??= []), paid, toldAnew }
}

/**
 * What every lot asks for, worst first, and how every ferment stands. A shelf is looked through at once; of hundreds
 * of lots what was just touched comes first, and the rest in slices between which the page answers: until it is said
 * anew, what was said before stands. `begun`: what the first lots of a long shelf ask for, while the rest of it is
 * looked along for the first time; null before and after.
 * @param lots those that ferment, and them with those in stock, in order of their start.
 * @param given what it is worked out from, once there is something to read; looked at anew when it changes.
 * @param there they were read, those of the shelf with what they rest on; `whole`: all of them.
 */
export function useAsks(
  { shelf, onHand }: { shelf: Ref<readonly Lot[]>; onHand: Ref<readonly Lot[]> },
  given: Ref<AskCase | null>,
  { there: read, whole }: { there: Ref<boolean>; whole: Ref<boolean> },
) {
  const { known, begin, show, told } = useSaid(whole)
  const { owe, paid, toldAnew } = useDebt()
  const knows = (lot: Lot) => known.has(lot.id)
  let turn = 0

  const along = (lots: readonly Lot[], mine: number, between: () => Promise<void>) =>
    lookAlong(lots, { known, given, goesOn: () => mine === turn, between })
  /** @param rest lets others go on between two slices. */
  async function look(mine: number, rest: () => Promise<void>): Promise<void> {
    const there = whole.value ? onHand.value : shelf.value
    let shown = false
    const ended = await along(inTurn(there, known), mine, async () => {
      // What was touched is told at once, all the rest together at the end; before the shelf is known nothing is.
      if (!shown && shelf.value.every(knows)) {
        await breathe()
        if (mine !== turn) return
        show(there)
        paid()
        shown = true
      }
      await rest()
    })
    if (ended) show(there)
  }
  /** The first look: of a long shelf the first lots are told of, and drawn, before the rest is looked along. */
  async function lookFirst(mine: number): Promise<void> {
    const first = told.begun.value ? [] : firstOf(shelf.value)
    if (first.length && (await along(first, mine, breathe))) {
      begin(first)
      await drawn()
    }
    if (mine === turn) await look(mine, breathe)
  }
  async function lookAnew(mine: number): Promise<void> {
    // Until the shelf is told of somebody waits; later a page that was told draws what changed in it first.
    if (told.looked.value === 'none') return awaited(() => lookFirst(mine))
    await drawn()
    if (mine === turn) await look(mine, stepAside)
  }
  watch(
    [shelf, onHand, given, read],
    async () => {
      if (!read.value) return
      const mine = ++turn
      owe()
      try {
        await lookAnew(mine)
      } finally {
        if (mine === turn) paid()
      }
    },
    { immediate: true },
  )
  return { ...told, toldAnew }
}
