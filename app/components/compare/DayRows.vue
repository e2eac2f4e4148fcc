<script setup lang="ts">
import { computed } from 'vue'
import {
  entryWords,
  SENSE_QUESTIONS,
  SENSE_SCALES,
  tasteWords,
  type Entry,
  type LotDay,
  type SenseQuestion,
} from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/** One day of two lots, a row a thing: pictures beside pictures, bubbles beside bubbles, taste beside taste. */
const { day, of } = defineProps<{ day: number; of: readonly LotDay[] }>()
const preferences = usePreferences()
const NAMES: Record<SenseQuestion, string> = {
  bubbles: 'bubbles',
  cloud: 'cloud',
  'one mass': 'stirred',
  sour: 'taste',
}
const questions = computed(() =>
  SENSE_QUESTIONS.filter((question) => of.some(({ seen }) => seen[question] !== undefined)),
)
const pictured = computed(() => of.some(({ photos }) => photos.length > 0))
const read = computed(() => of.some(({ acidity, tempC }) => acidity.length > 0 || tempC !== null))
const told = computed(() => of.some(({ done, tasted }) => done.length + tasted.length > 0))
const rows = computed(() => [
  ...(pictured.value ? ['pictures'] : []),
  ...questions.value,
  ...(read.value ? ['pH'] : []),
  ...(told.value ? ['done'] : []),
])
const tasteOf = (entry: Entry) => (entry.kind === 'reading' && entry.taste ? tasteWords(entry.taste) : '')
const phWords = ({ acidity }: LotDay) =>
  acidity.map(({ ph, of: sample }) => `${ph.toFixed(2)}${sample === 'liquid' ? ' liquid' : ''}`).join(', ')
</script>

<template>
  <tbody>
    <tr v-for="(row, index) in rows" :key="row" :data-row="`${day} ${row}`" :class="{ first: index === 0 }">
      <th v-if="index === 0" scope="rowgroup" :rowspan="rows.length" class="day">{{ day }}</th>
      <th scope="row" class="small muted">{{ NAMES[row as SenseQuestion] ?? row }}</th>
      <td v-for="(lotDay, side) in of" :key="side">
        <PhotoStrip v-if="row === 'pictures'" :ids="lotDay.photos" />
        <p v-else-if="row === 'pH'">
          <strong v-if="lotDay.acidity.length" class="acid">{{ phWords(lotDay) }}</strong>{{ ' '
          }}<span v-if="lotDay.tempC !== null" class="muted small"><TemperatureText :temp-c="lotDay.tempC" /></span>
        </p>
        <template v-else-if="row === 'done'">
          <p v-for="entry in lotDay.done" :key="entry.id" class="small">{{ entryWords(entry, preferences.world) }}</p>
          <p v-for="entry in lotDay.tasted" :key="entry.id" class="small">Tastes: {{ tasteOf(entry) }}</p>
        </template>
        <template v-for="question in questions" v-else :key="question">
          <p v-if="question === row && lotDay.seen[question] !== undefined" class="seen">
            <SensePicture :question="question" :step="lotDay.seen[question]" />
            {{ SENSE_SCALES[question].steps[lotDay.seen[question]] }}
          </p>
        </template>
      </td>
    </tr>
  </tbody>
</template>

<style scoped>
.first > * {
  border-top: 2px solid var(--line);
}
.day {
  font: 720 20px var(--display);
  vertical-align: top;
}
td {
  vertical-align: top;
}
.seen {
  display: grid;
  grid-template-columns: 38px 1fr;
  align-items: center;
  gap: var(--s3);
}
.acid {
  color: var(--acid);
}
</style>
