import { computed, type Ref } from 'vue'
import { useElementBounding, useWindowSize } from '@vueuse/core'
import type { VesselRow } from '@lactofer/core'

/** Of more rows than these only those near the window are drawn, so many at a time. */
const [MANY, PIECE] = [40, 16]

/** Where the rows of a calendar stand, and which of them are drawn. @param rowPx how high each is. */
export function useRowsInSight(
  rows: Ref<readonly VesselRow[]>,
  frame: Readonly<Ref<HTMLElement | null>>,
  rowPx: number,
) {
  const places = computed(() => new Map(rows.value.map(({ key }, index) => [key, index])))
  const { top } = useElementBounding(frame, { updateTiming: 'next-frame' })
  const { height } = useWindowSize()
  const sight = computed(() => {
    if (rows.value.length <= MANY) return { from: 0, to: rows.value.length }
    const pieceAt = (px: number) => Math.floor(px / rowPx / PIECE)
    return {
      from: PIECE * Math.max(0, pieceAt(-top.value) - 1),
      to: PIECE * Math.max(1, pieceAt(height.value - top.value) + 2),
    }
  })
  const placeOf = (key: string) => places.value.get(key) ?? -1
  return {
    /** How far down a row stands, px; below zero where it is not shown. */
    y: (key: string) => placeOf(key) * rowPx,
    isInSight: (key: string) => placeOf(key) >= sight.value.from && placeOf(key) < sight.value.to,
    /** How high what is not drawn above them is, px. */
    above: computed(() => sight.value.from * rowPx),
    drawn: computed(() => rows.value.slice(sight.value.from, sight.value.to)),
  }
}
