import { shallowRef, watch, type Ref } from 'vue'
import {
  asksOf,
  blendAsks,
  bottleAsks,
  worstFirst,
  type Ask,
  type Book,
  type ForecastSummary,
  type Judge,
  type Judgement,
  type Kit,
  type Lot,
} from '@lactofer/core'
import { breathe, slice } from '~/clock/breathe'
import { tellMoment } from '~/clock/moments'

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
const asksOfLot = ({ book, judge, nowMs, ahead, kit }: AskCase, lot: Lot): Ask[] =>
  fermenting(lot)
    ? asksOf(book, judge, lot, nowMs, ahead.get(lot.id), tellMoment, kit)
    : [...blendAsks(judge, lot, nowMs, tellMoment), ...bottleAsks(book, judge, lot, nowMs, tellMoment)]

/** How far all lots were looked at since the start: those of the shelf, and then those in stock. */
export type Looked = 'none' | 'shelf' | 'all'

/**
 * What every lot asks for, worst first, and how every ferment stands. A shelf is looked through at once; of hundreds
 * of lots what was just touched comes first, and the rest in slices between which the page answers: until it is said
 * anew, what was said before stands.
 * @param lots in the order of the shelf. @param given what it is worked out from; looked at anew when it changes.
 * @param there they were read, those of the shelf with what they rest on; `whole`: all of them.
 */
export function useAsks(
  lots: Ref<readonly Lot[]>,
  given: Ref<AskCase>,
  { there, whole }: { there: Ref<boolean>; whole: Ref<boolean> },
) {
  const known = new Map<string, { lot: Lot; turn: number; asks: Ask[]; stand: Judgement | null }>()
  const asks = shallowRef<Ask[]>([])
  const stands = shallowRef<ReadonlyMap<string, Judgement | null>>(new Map())
  const looked = shallowRef<Looked>('none')
  let turn = 0

  /** Those that are new or were touched, the shelf before the cellar; then those that were looked at longest ago. */
  function inTurn(): Lot[] {
    const rank = (lot: Lot) => {
      const before = known.get(lot.id)
      return before?.lot === lot ? before.turn : inStock(lot) ? 0 : -1
    }
    const there = lots.value.filter((lot) => fermenting(lot) || (whole.value && inStock(lot)))
    return there
      .map((lot) => ({ lot, rank: rank(lot) }))
      .sort((a, b) => a.rank - b.rank)
      .map(({ lot }) => lot)
  }
  const knows = (lot: Lot) => known.has(lot.id)
  function show(order: readonly Lot[]) {
    const there = new Set(order.map(({ id }) => id))
    for (const id of known.keys()) if (!there.has(id)) known.delete(id)
    asks.value = worstFirst(lots.value.flatMap(({ id }) => known.get(id)?.asks ?? []))
    stands.value = new Map([...known].map(([id, { stand }]) => [id, stand]))
    looked.value = whole.value && order.every(knows) ? 'all' : 'shelf'
  }

  watch(
    [lots, given, there],
    async () => {
      if (!there.value) return
      const mine = ++turn
      const order = inTurn()
      const shelf = order.filter(fermenting)
      const share = slice()
      let shown = false
      for (const lot of order) {
        const stand = lot.kind === 'ferment' ? given.value.judge(lot.id, given.value.nowMs) : null
        known.set(lot.id, { lot, turn: mine, asks: asksOfLot(given.value, lot), stand })
        if (!share.over()) continue
        // What was touched is told at once, all the rest together at the end; before the shelf is known nothing is.
        if (!shown && shelf.every(knows)) {
          show(order)
          shown = true
        }
        await breathe()
        if (mine !== turn) return
        share.begin()
      }
      show(order)
    },
    { immediate: true },
  )
  return { asks, stands, looked }
}
