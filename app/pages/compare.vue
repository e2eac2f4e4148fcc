<script setup lang="ts">
import { computed } from 'vue'
import {
  DAY_MS,
  differencesOf,
  fittingPair,
  entryWords,
  photosOf,
  phsOf,
  readTemperatures,
  structureOfLot,
  styleById,
  tasteWords,
  type Lot,
  type StyleId,
} from '@lactofer/core'
import { readingsLine } from '~/components/ferment/courseLines'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Two lots side by side, day by day: what was read, seen, tasted and pictured. */
const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const router = useRouter()
const known = computed(() => book.lots.filter((lot) => lot.kind === 'ferment' && lot.packed))
const options = computed(() => known.value.map((lot) => ({ value: lot.id, label: `${lot.code} ${lot.name}` })))
const side = (key: 'a' | 'b') =>
  computed({
    get: () => String(route.query[key] ?? fitting.value?.[key === 'a' ? 0 : 1].id ?? ''),
    set: (id: string) => void router.replace({ query: { a: first.value, b: second.value, ...route.query, [key]: id } }),
  })
/** Two that fit, until others are chosen: nobody meets an empty page. */
const fitting = computed(() => fittingPair(book.lots, String(route.query.a ?? '')))
const first = side('a')
const second = side('b')
const lots = computed(() => [first.value, second.value].flatMap((id) => book.lot(id) ?? []))
interface Cell {
  ph: string
  temp: number | null
  lines: string[]
  tastes: string[]
  photos: string[]
}
function cellOf(lot: Lot, day: number): Cell {
  const from = lot.startedMs + day * DAY_MS
  const entries = lot.entries.filter(({ at }) => Date.parse(at) >= from && Date.parse(at) < from + DAY_MS)
  const temps = readTemperatures(lot).filter(({ atMs }) => atMs >= from && atMs < from + DAY_MS)
  return {
    ph: phsOf(book.book, lot)
      .filter(({ atMs }) => atMs >= from && atMs < from + DAY_MS)
      .map(({ ph, of }) => `${ph.toFixed(2)}${of === 'liquid' ? ' liquid' : ''}`)
      .join(', '),
    temp: temps.length ? temps.reduce((sum, { tempC }) => sum + tempC, 0) / temps.length : null,
    lines: entries
      .filter(({ kind }) => ['sign', 'sense', 'chore', 'add', 'decide', 'discard'].includes(kind))
      .map((entry) => entryWords(entry, preferences.world)),
    tastes: entries.flatMap((entry) => (entry.kind === 'reading' && entry.taste ? [tasteWords(entry.taste)] : [])),
    photos: entries.flatMap(photosOf),
  }
}
const filled = (cell: Cell) =>
  cell.ph !== '' || cell.temp !== null || cell.lines.length > 0 || cell.tastes.length > 0 || cell.photos.length > 0
const days = computed(() => {
  const last = Math.min(
    400,
    Math.max(
      0,
      ...lots.value.flatMap((lot) =>
        lot.entries.map(({ at }) => Math.floor((Date.parse(at) - lot.startedMs) / DAY_MS)),
      ),
    ),
  )
  return Array.from({ length: last + 1 }, (_, day) => ({
    day,
    cells: lots.value.map((lot) => cellOf(lot, day)),
  })).filter(({ cells }) => cells.some(filled))
})
const howMade = (lot: Lot) =>
  lot.made.kind !== 'plan'
    ? ''
    : `${styleById(lot.made.style).name}, ${lot.made.saltPct} % of the ${lot.made.saltBasis}, ${structureOfLot(book.book, lot).liquid < 1 ? `${lot.made.cut ?? 'in pieces'}, ` : 'ground, '}${lot.packed?.closure}, target ${lot.made.targetPh.toFixed(1)}`
const differs = computed(() => (lots.value.length === 2 ? differencesOf(lots.value[0]!, lots.value[1]!) : []))
const words = (what: string, value: string) => (what === 'style' ? styleById(value as StyleId).name : value)
/** The newest pH of each, blended or as it was read. */
const newest = computed(() => lots.value.map((lot) => phsOf(book.book, lot).at(-1)?.ph))
const lines = computed(() => lots.value.map((lot) => readingsLine(lot, phsOf(book.book, lot))))
</script>

<template>
  <div class="page">
    <header>
      <h1>Two lots, day by day</h1>
      <p>Ground first or after, two closures, two salts: what became of it.</p>
    </header>
    <section class="sheet fields choose">
      <PickField v-model="first" label="One lot" :options="options" />
      <PickField v-model="second" label="The other" :options="options" />
    </section>
    <p v-if="lots.length < 2" class="sheet muted">
      There are no two packed lots yet. Pack two that differ in one thing only: their days will stand here side by side.
    </p>
    <template v-else>
      <section class="sheet" aria-label="What differs">
        <h2>What differs</h2>
        <ul v-if="differs.length" class="plain-list">
          <li v-for="one in differs" :key="one.what">
            <span class="muted">{{ one.what }}:</span> {{ words(one.what, one.of[0]) }}
            <span class="muted">against</span> {{ words(one.what, one.of[1]) }}
          </li>
        </ul>
        <p v-else class="muted">Nothing in how they were made: what differs is the jar.</p>
        <SourDifference
          v-if="newest[0] !== undefined && newest[1] !== undefined"
          :from="newest[0]"
          :to="newest[1]"
          :between="`The other, against the first (pH ${newest[0].toFixed(2)} and ${newest[1].toFixed(2)})`"
        />
      </section>
      <section v-if="newest.some((ph) => ph !== undefined)" class="sheet">
        <h2>Which one went down faster?</h2>
        <LazyCourseChart
          :start-ms="0"
          :target-ph="lots[0]!.made.kind === 'plan' ? lots[0]!.made.targetPh : 3.8"
          :extras="lines"
          label="pH of both lots from the day each was packed; the same figures stand in the table below"
        />
      </section>
      <section class="sheet sideways">
        <table class="plain days">
          <thead>
            <tr>
              <th>Day</th>
              <th v-for="lot in lots" :key="lot.id">
                <NuxtLink :to="`/ferment/${lot.id}`"
                  ><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
                >
                <div class="small muted">{{ howMade(lot) }}</div>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ day, cells } in days" :key="day">
              <th scope="row">{{ day }}</th>
              <td v-for="(cell, index) in cells" :key="index">
                <p v-if="cell.ph || cell.temp !== null">
                  <strong v-if="cell.ph" class="acid">pH {{ cell.ph }}</strong
                  >{{ ' '
                  }}<span v-if="cell.temp !== null" class="muted small"><TemperatureText :temp-c="cell.temp" /></span>
                </p>
                <p v-for="line in cell.lines" :key="line" class="small">{{ line }}</p>
                <p v-for="taste in cell.tastes" :key="taste" class="small">Tastes: {{ taste }}</p>
                <PhotoStrip v-if="cell.photos.length" :ids="cell.photos" />
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped>
.choose {
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
}
.days {
  table-layout: fixed;
  min-width: 520px;
}
.days th:first-child {
  width: 54px;
}
.days td {
  vertical-align: top;
}
.acid {
  color: var(--acid);
}
</style>
