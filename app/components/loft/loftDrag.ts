import { ref, type Ref } from 'vue'
import type { ProposedLot, VesselRow } from '@lactofer/core'

/** A bar that is dragged: along for another day, up or down for another vessel that holds as much. */
export function useLoftDrag(
  shown: Ref<readonly VesselRow[]>,
  dayPx: Ref<number>,
  rowPx: number,
  {
    mayMove,
    move,
  }: {
    mayMove: (lot: ProposedLot, from: VesselRow, into: VesselRow) => boolean
    move: (key: string, days: number, chosen?: string[]) => void
  },
) {
  const dragged = ref<{ key: string; rowKey: string; fromX: number; fromY: number; dx: number; dy: number } | null>(
    null,
  )
  function lift(event: PointerEvent, lot: ProposedLot, rowKey: string) {
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
    dragged.value = { key: lot.key, rowKey, fromX: event.clientX, fromY: event.clientY, dx: 0, dy: 0 }
  }
  function drag(event: PointerEvent) {
    if (!dragged.value) return
    dragged.value.dx = event.clientX - dragged.value.fromX
    dragged.value.dy = event.clientY - dragged.value.fromY
  }
  /** @param lot `null` where the drag was broken off. */
  function drop(lot: ProposedLot | null) {
    const now = dragged.value
    dragged.value = null
    if (!now || !lot) return
    const rows = shown.value
    const by = Math.round(now.dy / rowPx)
    const target = rows[rows.findIndex(({ key }) => key === now.rowKey) + by]
    const from = lot.rows.find(({ key }) => key === now.rowKey)
    const into = by !== 0 && target && from && mayMove(lot, from, target)
    const chosen = into ? lot.rows.map(({ key }) => (key === now.rowKey ? target.key : key)) : undefined
    const days = Math.round(now.dx / dayPx.value)
    if (days !== 0 || chosen) move(lot.key, days, chosen)
  }
  return { dragged, lift, drag, drop }
}
