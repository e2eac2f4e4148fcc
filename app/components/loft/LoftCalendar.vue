<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { DAY_MS, mayMove } from '@lactofer/core'
import { shortDay, weekdayAndDay } from '~/clock/moments'
import { useLoftDrag } from './loftDrag'
import { useRowsInSight } from './rowsInSight'
import type { Loft } from '~/composables/useLoft'
import { useBook } from '~/stores/book'

/**
 * The loft as a calendar: a row for each vessel, a bar for each lot in it, firm until it is likely ready, pale until
 * the late end. Proposed lots are outlined: dragged along for another day, up or down for another vessel; arrow keys
 * and the buttons of the list do the same.
 */
const { loft } = defineProps<{ loft: Loft }>()
const { rows, seated, lots, clashes, todayMs, saleMs, move } = loft
const book = useBook()
const frame = useTemplateRef<HTMLElement>('frame')
const width = useWidth('calendar', frame)
const ROW_PX = 48
const NAMES_PX = 132
const HEAD_PX = 22
/** Days before today, and least days shown. */
const BEFORE = 3
const LEAST_DAYS = 28

/** Rows in use or proposed first come into sight; a long row of empty ones is folded. */
const showsAll = ref(false)
const MOST = 12
const inUse = computed(
  () =>
    new Set([...seated.value.map(({ rowKey }) => rowKey), ...lots.value.flatMap((lot) => lot.rows.map((r) => r.key))]),
)
const shown = computed(() => {
  if (showsAll.value || rows.value.length <= MOST) return rows.value
  const used = rows.value.filter(({ key }) => inUse.value.has(key))
  const empty = rows.value.filter(({ key }) => !inUse.value.has(key)).slice(0, Math.max(2, MOST - used.length))
  return rows.value.filter((row) => inUse.value.has(row.key) || empty.includes(row))
})
const startMs = computed(() => todayMs.value - BEFORE * DAY_MS)
const days = computed(() => {
  const ends = [
    ...seated.value.map(({ lateMs }) => lateMs),
    ...lots.value.map(({ pressMs }) => pressMs),
    saleMs.value ?? 0,
  ]
  return Math.min(400, Math.max(LEAST_DAYS, Math.ceil((Math.max(...ends) - startMs.value) / DAY_MS) + 3))
})
const dayPx = computed(() => Math.max(9, Math.min(34, (width.value - NAMES_PX - 2) / days.value)))
const x = (ms: number) => ((ms - startMs.value) / DAY_MS) * dayPx.value
const { y, isInSight, drawn, above } = useRowsInSight(shown, frame, ROW_PX)
/** Every so many days is written. */
const ticks = computed(() => {
  const every = dayPx.value > 26 ? 2 : dayPx.value > 14 ? 4 : 7
  return Array.from({ length: Math.ceil(days.value / every) }, (_, index) => startMs.value + index * every * DAY_MS)
})
const firm = computed(() =>
  seated.value
    .filter(({ rowKey }) => isInSight(rowKey))
    .map((one) => {
      const left = Math.max(0, x(one.fromMs))
      const style = {
        ...{ left: `${left}px`, top: `${y(one.rowKey) + 2}px`, width: `${Math.max(8, x(one.lateMs) - left)}px` },
        ...{ '--lot': one.color, '--sure': `${Math.max(4, x(one.likelyMs) - left)}px` },
      }
      const until = `likely free ${weekdayAndDay(one.likelyMs)}, surely ${weekdayAndDay(one.lateMs)}`
      return { ...one, style, title: `${one.code} ${one.name}: ${one.kind}, ${until}` }
    }),
)

const { dragged, lift, drag, drop } = useLoftDrag(shown, dayPx, ROW_PX, {
  mayMove: (lot, from, into) => mayMove(book.book, lot, from, into),
  move,
})
const proposed = computed(() =>
  lots.value.flatMap((lot) =>
    lot.rows
      .filter(({ key }) => isInSight(key))
      .map(({ key: rowKey }) => {
        const drag = dragged.value?.key === lot.key ? dragged.value : null
        const moved = drag ? Math.round(drag.dx / dayPx.value) * dayPx.value : 0
        const lifted = drag && drag.rowKey === rowKey ? drag.dy : 0
        return {
          ...{ lot, rowKey, clash: clashes.value.get(lot.key)?.rowKeys.includes(rowKey) ?? false },
          style: {
            ...{ left: `${x(lot.startMs) + moved}px`, top: `${y(rowKey) + 2 + lifted}px` },
            width: `${Math.max(10, x(lot.pressMs) - x(lot.startMs))}px`,
          },
          title: `${lot.template.name}: ${weekdayAndDay(lot.startMs)} to ${weekdayAndDay(lot.pressMs)}. Drag it, or use the arrow keys.`,
        }
      }),
  ),
)
</script>

<template>
  <figure ref="frame" class="loft" aria-label="Calendar of the loft">
    <!-- It is drawn once it is known how wide a day is. -->
    <div class="scroll" :style="{ minHeight: `${HEAD_PX + shown.length * ROW_PX}px` }">
      <div v-if="width > 0" class="grid" :style="{ width: `${NAMES_PX + days * dayPx}px` }">
        <div class="head" :style="{ marginLeft: `${NAMES_PX}px`, height: `${HEAD_PX}px` }">
          <span v-for="tick in ticks" :key="tick" class="tick" :style="{ left: `${x(tick)}px` }">{{
            shortDay(tick)
          }}</span>
        </div>
        <div class="body">
          <ul class="plain-list names" :style="{ width: `${NAMES_PX}px`, paddingTop: `${above}px` }">
            <li v-for="row in drawn" :key="row.key">{{ row.name }}</li>
          </ul>
          <div class="lanes" :style="{ height: `${shown.length * ROW_PX}px`, '--day': `${dayPx}px` }">
            <span class="mark" :style="{ left: `${x(todayMs)}px` }"><b>today</b></span>
            <span v-if="saleMs" class="mark sale" :style="{ left: `${x(saleMs)}px` }"><b>sale</b></span>
            <NuxtLink
              v-for="one in firm"
              :key="`${one.lotId}${one.rowKey}`"
              :to="one.kind === 'planned' ? `/weigh/${one.lotId}` : `/ferment/${one.lotId}`"
              :class="['bar', one.kind]"
              :style="one.style"
              :title="one.title"
              ><span class="code">{{ one.code }}</span><span class="visually-hidden">{{ one.title }}</span></NuxtLink
            >
            <button
              v-for="one in proposed"
              :key="`${one.lot.key}${one.rowKey}`"
              type="button"
              :class="['bar', 'proposed', { clash: one.clash }]"
              :style="one.style"
              :title="one.title"
              @pointerdown="lift($event, one.lot, one.rowKey)"
              @pointermove="drag"
              @pointerup="drop(one.lot)"
              @pointercancel="drop(null)"
              @keydown.left.prevent="move(one.lot.key, -1)"
              @keydown.right.prevent="move(one.lot.key, 1)"
            >
              {{ one.lot.template.name }}
            </button>
          </div>
        </div>
      </div>
    </div>
    <figcaption class="small muted">
      Firm until it is likely ready, pale until the late end.
      <el-button v-if="rows.length > shown.length || showsAll" text @click="showsAll = !showsAll">{{
        showsAll ? 'Fewer empty ones' : `All ${rows.length} vessels`
      }}</el-button>
    </figcaption>
  </figure>
</template>

<style scoped>
.loft {
  margin: 0;
  min-width: 0;
}
.scroll {
  overflow-x: auto;
}
.head {
  position: relative;
}
.tick {
  position: absolute;
  font-size: 13px;
  color: var(--muted);
  white-space: nowrap;
}
.body {
  display: flex;
}
.names {
  flex: none;
  position: sticky;
  left: 0;
  z-index: 2;
  background: var(--surface);
}
.names li {
  height: 48px;
  line-height: 48px;
  font-size: 14px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.lanes {
  position: relative;
  flex: 1;
  background-image:
    repeating-linear-gradient(transparent 0 47px, var(--line) 47px 48px),
    repeating-linear-gradient(
      90deg,
      color-mix(in srgb, var(--line) 45%, transparent) 0 1px,
      transparent 1px calc(var(--day) * 7)
    );
}
.mark {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--ink);
}
.mark b {
  position: absolute;
  bottom: 1px;
  left: 3px;
  font-size: 12px;
}
.mark.sale {
  border-color: var(--fine);
  color: var(--fine);
}
.bar {
  position: absolute;
  height: 44px;
  padding: 0 5px;
  border-radius: 4px;
  font: 600 13px/42px var(--text);
  text-align: left;
  text-decoration: none;
  overflow: hidden;
  white-space: nowrap;
  color: var(--ink);
  border: 1px solid color-mix(in srgb, var(--lot, var(--bottle)) 75%, var(--ink));
}
.bar .code {
  background: var(--tape);
  color: var(--tape-ink);
  padding: 0 4px;
  border-radius: 2px;
}
.fermenting {
  background: linear-gradient(90deg, var(--lot) 0 var(--sure), color-mix(in srgb, var(--lot) 28%, var(--surface)) 0);
}
.planned {
  background: color-mix(in srgb, var(--lot) 22%, var(--surface));
  border-style: dashed;
}
.proposed {
  z-index: 1;
  background: var(--surface);
  border: 2px dashed var(--bottle);
  cursor: grab;
  touch-action: none;
}
.proposed:active {
  cursor: grabbing;
}
.clash {
  border-color: var(--discard);
  background: color-mix(in srgb, var(--discard) 14%, var(--surface));
}
</style>
