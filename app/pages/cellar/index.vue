<script setup lang="ts">
import { computed, ref } from 'vue'
import { refDebounced } from '@vueuse/core'
import {
  CELLAR_ORDERS,
  cellarRows,
  checkHolds,
  counted,
  findRows,
  formatShu,
  KIND_WORDS,
  placesOf,
  propertiesOf,
  type CellarOrder,
  type LotKind,
} from '@lactofer/core'
import { useBook } from '~/stores/book'

/** What is in stock, where it stands, what goes first; and everything of one lot. */
const book = useBook()
const route = useRoute()
/** No place is called so. */
const ALL = '*'
const typed = ref('')
const text = refDebounced(typed, 80)
const kind = ref<LotKind | 'all'>('all')
const place = ref(ALL)
const order = ref<CellarOrder>('first out')
const gone = ref(false)
const rows = computed(() => cellarRows(book.book, gone.value))
const places = computed(() => placesOf(rows.value))
const found = computed(() =>
  findRows(rows.value, {
    text: text.value,
    kind: kind.value === 'all' ? '' : kind.value,
    place: place.value === ALL ? '' : place.value,
    order: order.value,
  }),
)
const lots = computed(() => new Set(found.value.map(({ lot }) => lot.id)).size)
const bottles = computed(() => found.value.reduce((sum, { count }) => sum + (count ?? 0), 0))
/** A code typed whole whose check character does not fit was misread. */
const misread = computed(
  () => found.value.length === 0 && /^\S{4,}-\S$/.test(text.value.trim()) && !checkHolds(text.value),
)
const KINDS = [
  { value: 'all', label: 'all kinds' },
  ...Object.entries(KIND_WORDS).map(([value, label]) => ({ value, label })),
] as { value: LotKind | 'all'; label: string }[]

const selected = computed(() => book.lot(String(route.query.lot ?? '')))
const stand = computed(() => selected.value && book.judgementOf(selected.value))
const figures = computed(() => {
  const composition = selected.value && book.composition(selected.value.id)
  return composition ? { ...propertiesOf(composition), allergens: composition.allergens } : null
})
const placeOptions = computed(() => [
  { value: ALL, label: 'all places' },
  ...places.value.flatMap(({ place }) => (place ? [{ value: place, label: place }] : [])),
])
/** Stock that is read here; ferments, pots and bottles have pages of their own. */
const readable = computed(
  () => selected.value?.state === 'in stock' && ['base', 'brine', 'pulp', 'stock'].includes(selected.value.kind),
)
</script>

<template>
  <div class="page">
    <header>
      <h1>Cellar</h1>
      <p>What is in stock, where it stands, where it came from and went.</p>
    </header>
    <p v-if="rows.length === 0 && !gone && !book.lots.length" class="sheet">
      Nothing in stock yet. What you <NuxtLink to="/press">press</NuxtLink>, blend and bottle is kept here.
    </p>
    <div v-else :class="['cellar', { single: !selected }]">
      <section class="stack" aria-label="Stock">
        <div class="tools">
          <WordField v-model="typed" label="Find by code, name or place" placeholder="QR-31, plum …" />
          <PickField v-model="kind" label="What" :options="KINDS" />
          <PickField v-model="place" label="Where" :options="placeOptions" />
          <PickField v-model="order" label="Order" :options="CELLAR_ORDERS.map((value) => ({ value, label: value }))" />
        </div>
        <InTurn
          ><div class="row sum">
            <p role="status" data-figure="found">
              {{ counted(lots, 'lot') }}<template v-if="bottles">, {{ counted(bottles, 'bottle') }}</template>
            </p>
            <el-checkbox v-model="gone">show what is used up</el-checkbox>
          </div>
          <p v-if="misread" class="problem" role="alert">
            The last letter does not fit the rest of this code: read it again from the bottle.
          </p>
          <p v-else-if="found.length === 0" class="muted">Nothing matches. Take a word out, or look in all places.</p>
          <CellarTable v-else :rows="found" :chosen="selected?.id ?? ''" :now-ms="book.nowMs" :judge="book.judge" />
        </InTurn>
        <InTurn v-if="places.length > 1"
          ><ul class="plain-list places" aria-label="Places">
            <li v-for="one in places" :key="one.place">
              <button
                type="button"
                :aria-pressed="place === one.place"
                @click="place = place === one.place ? ALL : one.place"
              >
                <strong>{{ one.place || 'gone' }}</strong>{{ ' '
                }}<span class="small"
                  ><template v-if="one.bottles">{{ counted(one.bottles, 'bottle') }}</template
                  ><template v-if="one.bottles && one.massG">, </template
                  ><MassText v-if="one.massG" :mass-g="one.massG"
                /></span>
              </button>
            </li></ul
        ></InTurn>
      </section>
      <NotSettled v-if="selected" :lot-id="selected.id" />
      <section v-if="selected" class="sheet" aria-label="Chosen lot" data-chosen>
        <LotHeading :lot="selected" as="h2" class="heading" />
        <StandLine v-if="stand && stand.make === 'stop'" :judgement="stand" />
        <p>
          <template v-if="selected.bottles"
            >{{ selected.bottles.left }} of {{ selected.bottles.made }} bottles here<template
              v-if="selected.bottles.retained"
              >, {{ selected.bottles.retained }} kept as a sample</template
            >.</template
          ><template v-else
            ><MassText :mass-g="selected.leftG" /> left of <MassText :mass-g="selected.madeG" />.</template
          >
          <template v-if="figures">
            pH {{ figures.pH?.toFixed(2) ?? '–' }}, salt {{ figures.saltPct.toFixed(2) }} %,
            {{ formatShu(figures.shu) }}.<template v-if="figures.allergens.length">
              Contains {{ figures.allergens.join(', ') }}.</template
            ></template
          >
          <span v-else class="muted"> A lot it was made from is not in this log, so its figures are not known.</span>
        </p>
        <p class="row links">
          <template v-if="selected.bottles"
            ><NuxtLink :to="`/release/${selected.id}`">Release</NuxtLink
            ><NuxtLink :to="`/label/${selected.id}`">Label</NuxtLink></template
          >
          <NuxtLink v-if="selected.kind === 'blend'" :to="`/blend/${selected.id}`"
            >Readings, drift and correction</NuxtLink
          >
          <NuxtLink v-if="selected.kind === 'ferment'" :to="`/ferment/${selected.id}`">Its course</NuxtLink>
          <NuxtLink :to="`/trace/${selected.id}`">Trace and recall</NuxtLink>
          <RecordFiles :lot="selected" />
        </p>
        <TakeOut
          v-if="selected.bottles ? selected.bottles.left > 0 : selected.state === 'in stock'"
          :key="selected.id"
          :lot="selected"
        />
        <LineageTree :lot="selected" />
        <details v-if="readable" class="disclose">
          <summary>Read it: pH, salt, titration</summary>
          <ReadingForm :key="selected.id" :lot="selected" />
        </details>
        <LotLog :lot="selected" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.cellar {
  display: grid;
  grid-template-columns: minmax(380px, 1fr) minmax(380px, 1fr);
  gap: var(--s5);
  align-items: start;
}
.single {
  grid-template-columns: minmax(0, 1fr);
}
.tools {
  display: grid;
  grid-template-columns: minmax(160px, 2fr) repeat(3, minmax(110px, 1fr));
  gap: var(--s3);
  align-items: start;
}
.sum {
  justify-content: space-between;
  align-items: center;
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
}
.places button {
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.places [aria-pressed='true'] {
  border-color: var(--bottle);
  background: var(--wash);
}
.links {
  align-items: center;
  gap: var(--s2) var(--s4);
}
.links a {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
}
.heading {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3);
}
@media (max-width: 1000px) {
  .cellar {
    grid-template-columns: minmax(0, 1fr);
  }
  .cellar:not(.single) > :nth-child(2) {
    order: -1;
  }
  .tools {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
