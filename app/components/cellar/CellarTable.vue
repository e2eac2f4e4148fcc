<script setup lang="ts">
import { fullDay } from '~/clock/moments'
import { computed, ref, watch } from 'vue'
import { useVirtualList } from '@vueuse/core'
import {
  DAY_MS,
  heldBack,
  KIND_WORDS,
  SOON_DAYS,
  type CellarRow,
  type Judge,
  type Level,
  type Lot,
} from '@lactofer/core'

/** All rows of the cellar; only those in view are drawn, so thousands scroll without lag. */
const { rows, chosen, nowMs, judge } = defineProps<{
  rows: readonly CellarRow[]
  chosen: string
  nowMs: number
  judge: Judge
}>()
const ROW = 56
const HEAD = 37
const all = computed(() => [...rows])
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(all, { itemHeight: ROW, overscan: 8 })
const days = (row: CellarRow) => (row.bestBefore ? Math.floor((Date.parse(row.bestBefore) - nowMs) / DAY_MS) : null)
const late = (row: CellarRow) => {
  const left = days(row)
  return left === null || left > SOON_DAYS ? '' : left < 0 ? 'past' : `${left} d`
}
const scrolled = ref(false)
watch(
  () => rows.length,
  () => {
    if (scrolled.value) scrollTo(0)
  },
)
/** What stops where it stands is told in its row. */
const stops = ({ id }: Lot) => judge(id, nowMs)?.make === 'stop'
/** What keeps a row from going out, as a mark: it stands beside the name at every width. */
function markOf(lot: Lot): { level: Level; word: string } | null {
  if (lot.state !== 'fermenting' && lot.state !== 'planned' && stops(lot)) return { level: 'discard', word: 'stops' }
  const held = heldBack(lot)
  return held && { level: 'act', word: held }
}
</script>

<template>
  <div class="table" role="table" aria-label="Stock" :aria-rowcount="rows.length + 1">
    <div
      v-bind="containerProps"
      class="view"
      role="rowgroup"
      tabindex="0"
      aria-label="Rows of the stock"
      :style="{ height: `min(62vh, ${rows.length * ROW + HEAD}px)` }"
      @scroll="scrolled = true"
    >
      <div class="line head" role="row">
        <span role="columnheader">Lot</span><span role="columnheader" class="what">What</span
        ><span role="columnheader">Place</span><span role="columnheader" class="before">Best before</span
        ><span role="columnheader" class="amount">There</span>
      </div>
      <div v-bind="wrapperProps" role="presentation">
        <div
          v-for="{ data: row, index } in list"
          :key="row.key"
          class="line"
          role="row"
          :aria-rowindex="index + 2"
          :data-row="row.lot.code"
          :class="{ chosen: row.lot.id === chosen }"
          :style="{ '--chip': row.lot.color, height: `${ROW}px` }"
        >
          <span role="cell" class="lot"
            ><span class="chip" aria-hidden="true" /><NuxtLink
              :to="{ query: { lot: row.lot.id } }"
              :aria-current="row.lot.id === chosen ? 'true' : undefined"
              ><span class="code">{{ row.lot.code }}</span> {{ row.lot.name }}</NuxtLink
            ><StateMark v-if="markOf(row.lot)" v-bind="markOf(row.lot)!" class="small mark"
          /></span>
          <span role="cell" class="what small muted">{{ KIND_WORDS[row.lot.kind] }}</span>
          <span role="cell" class="small">{{ row.place || row.lot.state }}</span>
          <span role="cell" class="before small"
            >{{ row.bestBefore ? fullDay(row.bestBefore) : '' }}
            <StateMark v-if="late(row)" :level="late(row) === 'past' ? 'discard' : 'act'" :word="late(row)"
          /></span>
          <strong role="cell" class="amount"
            ><template v-if="row.count !== null">{{ row.count }}</template><MassText v-else :mass-g="row.massG"
          /></strong>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.table {
  container-type: inline-size;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  min-width: 0;
}
.view {
  overflow-y: auto;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 130px 120px 140px 84px;
  gap: var(--s3);
  align-items: center;
  padding: 0 var(--s3);
  border-bottom: 1px solid var(--line);
}
.head {
  min-height: 36px;
  font-size: 14px;
  font-weight: 600;
  color: var(--muted);
  position: sticky;
  top: 0;
  background: var(--surface);
  z-index: 1;
}
.lot {
  display: flex;
  align-items: center;
  gap: var(--s3);
  min-width: 0;
}
.lot a {
  color: inherit;
  text-decoration: none;
  min-height: var(--touch);
  flex: 1;
  min-width: 0;
  line-height: 1.2;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  overflow: hidden;
  align-content: center;
}
.lot a:hover {
  text-decoration: underline;
}
.mark {
  flex: none;
}
.chip {
  width: 12px;
  height: 30px;
  border-radius: 3px;
  background: var(--chip);
  border: 1px solid #0003;
  flex: none;
}
.amount {
  text-align: right;
  white-space: nowrap;
}
.chosen {
  background: var(--wash);
  box-shadow: inset 4px 0 0 var(--bottle);
}
@container (max-width: 760px) {
  .line {
    grid-template-columns: minmax(0, 1fr) 110px 130px 76px;
  }
  .what {
    display: none;
  }
}
@container (max-width: 480px) {
  .line {
    grid-template-columns: minmax(0, 1fr) 96px 70px;
    gap: var(--s2);
  }
  .before {
    display: none;
  }
  .lot {
    gap: var(--s2);
  }
}
/* Under the name where there is no room beside it: the mark is never lost. */
@container (max-width: 760px) {
  .lot {
    display: grid;
    grid-template-columns: 12px minmax(0, 1fr);
    align-content: center;
    row-gap: 0;
  }
  .lot:has(.mark) a {
    min-height: 0;
    -webkit-line-clamp: 1;
    line-clamp: 1;
  }
  .mark {
    grid-column: 2;
  }
  .lot:has(.mark) .chip {
    grid-row: span 2;
  }
}
</style>
