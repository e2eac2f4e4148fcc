<script setup lang="ts">
import { computed } from 'vue'
import {
  counted,
  bottlesOfLot,
  formatNumber,
  formatVolume,
  freeRows,
  mayMove,
  stepsFrom,
  takenBy,
  type ProposedLot,
} from '@lactofer/core'
import { weekdayAndDay } from '~/clock/moments'
import { clashWords, STEP_WORDS, vesselWords } from '~/words/loftWords'
import type { LoftForm } from '~/forms/loftForm'
import type { Loft } from '~/composables/useLoft'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The lots of a proposal: vessels, salt, days; moved by buttons, as they are by drag in the calendar. */
const { loft, form } = defineProps<{ loft: Loft; form: LoftForm }>()
const book = useBook()
const preferences = usePreferences()
const { lots, clashes, rows, seated, move } = loft
const vesselName = (id: string) => book.library.vessel(id)?.name ?? id
const rowName = (key: string) => rows.value.find((row) => row.key === key)?.name ?? key
const bottles = (lot: ProposedLot) => {
  const { low, high } = bottlesOfLot(lot, form.bottleMl, (form.basePct ?? 100) / 100)
  return `${low === high ? counted(high, 'bottle') : `${low} to ${high} bottles`} of ${formatVolume(form.bottleMl, preferences.world)} that are ${form.basePct ?? 100} % base`
}
/** Other vessels that hold as much and are free for all its time; `null` where there are none. */
function elsewhere(lot: ProposedLot): string[] | null {
  const others = takenBy(lots.value.filter(({ key }) => key !== lot.key))
  const span = { fromMs: lot.startMs, lateMs: lot.pressMs }
  const now = new Set(lot.rows.map(({ key }) => key))
  const free = freeRows(rows.value, [...seated.value, ...others], span)
    .filter(({ key }) => !now.has(key))
    .sort((a, b) => a.capacityMl - b.capacityMl)
  const found: string[] = []
  for (const from of lot.rows) {
    const next = free.find((row) => !found.includes(row.key) && mayMove(book.book, lot, from, row))
    if (!next) return null
    found.push(next.key)
  }
  return found
}
function other(lot: ProposedLot) {
  const found = elsewhere(lot)
  if (found) move(lot.key, 0, found)
}
const list = computed(() =>
  lots.value.map((lot) => {
    const clash = clashes.value.get(lot.key)
    return { lot, problem: clash ? clashWords(clash, rowName) : null, movable: elsewhere(lot) !== null }
  }),
)
</script>

<template>
  <ol class="plain-list lots">
    <li v-for="{ lot, problem, movable } in list" :key="lot.key" :data-proposed="lot.key">
      <h3>{{ lot.template.name }}</h3>
      <p>
        <strong><MassText :mass-g="lot.figures.ingredientG" /></strong>,
        <strong class="salt"><MassText :mass-g="lot.figures.dose.saltG" /> salt</strong> into
        {{ vesselWords(lot, vesselName) }}, {{ formatNumber(100 * lot.fraction) }} % full; {{ bottles(lot) }}.
      </p>
      <p data-figure="days">
        Begin <strong>{{ weekdayAndDay(lot.startMs) }}</strong>, press {{ weekdayAndDay(lot.likelyMs) }} to
        <strong>{{ weekdayAndDay(lot.pressMs) }}</strong
        ><template v-for="{ step, atMs } in stepsFrom(lot.pressMs).slice(1)" :key="step"
          >, {{ STEP_WORDS[step] }} {{ weekdayAndDay(atMs) }}</template
        >.
      </p>
      <p v-if="problem" class="line"><StateMark level="act" word="Does not fit" /> {{ problem }}</p>
      <div class="row">
        <el-button :aria-label="`${lot.template.name}: a day earlier`" @click="move(lot.key, -1)"
          >A day earlier</el-button
        >
        <el-button :aria-label="`${lot.template.name}: a day later`" @click="move(lot.key, 1)">A day later</el-button>
        <el-button :disabled="!movable" :aria-label="`${lot.template.name}: another vessel`" @click="other(lot)"
          >Another vessel</el-button
        >
      </div>
    </li>
  </ol>
</template>

<style scoped>
.lots li {
  display: grid;
  gap: var(--s2);
  padding: var(--s3) 0;
  border-bottom: 1px solid var(--line);
}
.salt {
  color: var(--salt);
}
.line {
  display: block;
}
</style>
