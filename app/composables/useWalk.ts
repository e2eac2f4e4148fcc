import { computed, ref, watch } from 'vue'
import { alongTheShelf, type Ask, type Lot } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { useBook } from '~/stores/book'
import { useRound } from '~/stores/round'

/**
 * The round as one walk, vessel by vessel as the shelf stands. A lot that was finished stays where it was in the walk,
 * with what was done there; one that begins to ask meanwhile comes at the end.
 */
export function useWalk() {
  const book = useBook()
  const round = useRound()
  const asks = computed(() => alongTheShelf(book.asks, book.fermenting))
  const stops = ref<string[]>([])
  const at = ref(0)
  const beganMs = nowMs()
  watch(
    () => [...new Set(asks.value.map(({ lotId }) => lotId))],
    (ids) => (stops.value = [...stops.value, ...ids.filter((id) => !stops.value.includes(id))]),
    { immediate: true },
  )
  const asksOf = (lotId: string): Ask[] => asks.value.filter((ask) => ask.lotId === lotId)
  const lot = computed((): Lot | undefined => book.lot(stops.value[at.value] ?? ''))
  const open = computed(() => (lot.value ? asksOf(lot.value.id) : []))
  /** What was recorded here in this walk; taken back it is asked again. */
  const done = computed(() =>
    round.recorded.filter(({ lotIds, atMs }) => atMs >= beganMs && lotIds.includes(lot.value?.id ?? '')),
  )
  /** The stop after this one that asks for something, the first of them all after the last; -1 where none does. */
  const next = computed(() => {
    const asking = stops.value.flatMap((id, index) => (index !== at.value && asksOf(id).length ? [index] : []))
    return asking.find((index) => index > at.value) ?? asking[0] ?? -1
  })
  const go = (index: number) => (at.value = Math.min(Math.max(0, index), Math.max(0, stops.value.length - 1)))
  return {
    ...{ stops, at, lot, open, done, next, go },
    nextLot: computed(() => book.lot(stops.value[next.value] ?? '')),
    left: computed(() => asks.value.length),
  }
}
