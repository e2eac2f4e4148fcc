<script setup lang="ts">
import { computed } from 'vue'
import {
  daysOf,
  differencesOf,
  fasterOf,
  firstSeen,
  fittingPair,
  phsOf,
  structureOfLot,
  styleById,
  type FirstSeen,
  type Lot,
  type StyleId,
} from '@lactofer/core'
import { readingsLine } from '~/composables/courseLines'
import { fasterWords } from '~/words/compareWords'
import { useBook } from '~/stores/book'

/** Two lots side by side, day by day: what was read, seen, tasted and pictured. */
const book = useBook()
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
const days = computed(() => daysOf(book.book, lots.value))
const howMade = (lot: Lot) =>
  lot.made.kind !== 'plan'
    ? ''
    : `${styleById(lot.made.style).name}, ${lot.made.saltPct} % of the ${lot.made.saltBasis}, ${structureOfLot(book.book, lot).liquid < 1 ? `${lot.made.cut ?? 'in pieces'}, ` : 'ground, '}${lot.packed?.closure}, target ${lot.made.targetPh.toFixed(1)}`
const differs = computed(() => (lots.value.length === 2 ? differencesOf(lots.value[0]!, lots.value[1]!) : []))
/** What eye and tongue told first, and when. */
const byEye = computed(() => (lots.value.length === 2 ? firstSeen(lots.value[0]!, lots.value[1]!) : []))
const FIRST: Record<FirstSeen['what'], string> = {
  bubbles: 'first bubbles',
  milky: 'milky',
  sour: 'tastes sour',
  'very sour': 'very sour',
  calm: 'calm again',
  film: 'film',
}
const dayWords = (day: number | null) => (day === null ? 'not seen' : `day ${day}`)
const words = (what: string, value: string) => (what === 'style' ? styleById(value as StyleId).name : value)
/** Which was faster, in a sentence. */
const faster = computed(() => {
  const [one, other] = lots.value
  const found = one && other && fasterOf(book.book, [one, other])
  return found ? fasterWords(found, [one, other]) : ''
})
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
      <InTurn v-if="newest.some((ph) => ph !== undefined)"
        ><section class="sheet">
          <h2>Which one went down faster?</h2>
          <p v-if="faster" data-figure="faster">{{ faster }}</p>
          <LazyCourseChart
            :start-ms="0"
            :target-ph="lots[0]!.made.kind === 'plan' ? lots[0]!.made.targetPh : 3.8"
            :extras="lines"
            label="pH of both lots from the day each was packed; the same figures stand in the table below"
          /></section
      ></InTurn>
      <InTurn
        ><section class="sheet" aria-label="What differs">
          <h2>What differs</h2>
          <ul v-if="differs.length" class="plain-list">
            <li v-for="one in differs" :key="one.what">
              <span class="muted">{{ one.what }}:</span> {{ words(one.what, one.of[0]) }}
              <span class="muted">against</span> {{ words(one.what, one.of[1]) }}
            </li>
          </ul>
          <p v-else class="muted">Nothing in how they were made: what differs is the jar.</p>
          <ul v-if="byEye.length" class="plain-list" data-figure="by eye">
            <li v-for="one in byEye" :key="one.what">
              <span class="muted">{{ FIRST[one.what] }}:</span> {{ dayWords(one.days[0]) }}
              <span class="muted">against</span> {{ dayWords(one.days[1]) }}
            </li>
          </ul>
          <SourDifference
            v-if="newest[0] !== undefined && newest[1] !== undefined"
            :from="newest[0]"
            :to="newest[1]"
            :between="`The other, against the first (pH ${newest[0].toFixed(2)} and ${newest[1].toFixed(2)})`"
          /></section
      ></InTurn>
      <InTurn
        ><section class="sheet sideways">
          <table class="plain days">
            <thead>
              <tr>
                <th>Day</th>
                <th><span class="visually-hidden">What</span></th>
                <th v-for="lot in lots" :key="lot.id">
                  <NuxtLink :to="`/ferment/${lot.id}`"
                    ><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
                  >
                  <div class="small muted">{{ howMade(lot) }}</div>
                </th>
              </tr>
            </thead>
            <DayRows v-for="one in days" :key="one.day" :day="one.day" :of="one.of" />
          </table></section
      ></InTurn>
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
.days th:nth-child(2) {
  width: 76px;
}
</style>
