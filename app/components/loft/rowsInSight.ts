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
    const from = Math.max(0, PIECE * (Math.floor(-top.value / rowPx / PIECE) - 1))
    return { from, to: from + PIECE * (3 + Math.ceil(height.value / rowPx / PIECE)) }
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
