<script setup lang="ts">
import { computed } from 'vue'
import { DAY_MS, momentOf, type Draft, type Lot } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { weekdayAndDay } from '~/clock/moments'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** Plans in the log that were given a day: moved by a day, or gone on with. Each move is a correction of the plan. */
const book = useBook()
const { busy, record } = useRecorder('The plan stands as it was.')
const dated = computed(() =>
  book.planned.flatMap((lot) => {
    const { startAt, pressAt } = (lot.made.kind === 'plan' && lot.made.intended) || {}
    return startAt && pressAt ? [{ lot, startMs: Date.parse(startAt), pressMs: Date.parse(pressAt) }] : []
  }),
)
async function move({ made }: Lot, days: number) {
  if (made.kind !== 'plan' || !made.intended?.startAt || !made.intended.pressAt) return
  const { id, by: _by, origin: _origin, ...plan } = made
  const moved = (moment: string) => momentOf(Date.parse(moment) + days * DAY_MS)
  const intended = { ...made.intended, startAt: moved(made.intended.startAt), pressAt: moved(made.intended.pressAt) }
  const draft: Draft = { ...plan, at: nowMoment(), intended, replaces: id }
  await record(draft)
}
</script>

<template>
  <section v-if="dated.length" class="sheet" aria-label="Plans with a day">
    <h2>Plans with a day</h2>
    <ul class="plain-list">
      <li v-for="{ lot, startMs, pressMs } in dated" :key="lot.id">
        <span class="code">{{ lot.code }}</span>
        <strong>{{ lot.name }}</strong>
        <span
          >begin {{ weekdayAndDay(startMs) }}, pressed by {{ weekdayAndDay(pressMs)
          }}<b v-if="startMs < book.nowMs - DAY_MS" class="late">: that day has gone by</b></span
        >
        <span class="row">
          <el-button :disabled="busy" :aria-label="`${lot.code}: a day earlier`" @click="move(lot, -1)"
            >A day earlier</el-button
          >
          <el-button :disabled="busy" :aria-label="`${lot.code}: a day later`" @click="move(lot, 1)"
            >A day later</el-button
          >
          <NuxtLink :to="`/weigh/${lot.id}`" class="go">Weigh it in</NuxtLink>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2) var(--s3);
  align-items: center;
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
}
li > .row {
  margin-left: auto;
}
.late {
  color: var(--act);
}
.go {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  font-weight: 600;
}
</style>
