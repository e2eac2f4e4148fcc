<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatShu, phOf, propertiesOf, type Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'

const book = useBook()
const route = useRoute()
const search = ref('')
const gone = ref(false)

const matches = (lot: Lot) => search.value.trim().toLowerCase().split(/\s+/).every(word => `${lot.code} ${lot.name} ${lot.kind}`.toLowerCase().includes(word))
const stock = computed(() => book.lots.filter(lot => lot.kind !== 'ferment' && (gone.value || lot.state === 'in stock') && matches(lot)).reverse())
const groups = computed(() => [
  { title: 'Bottled', lots: stock.value.filter(lot => lot.kind === 'bottled') },
  { title: 'Blends', lots: stock.value.filter(lot => lot.kind === 'blend') },
  { title: 'Bases, brines and what was bought', lots: stock.value.filter(lot => ['base', 'brine', 'pulp', 'stock'].includes(lot.kind)) },
].filter(group => group.lots.length))
const selected = computed(() => book.lot(String(route.query.lot ?? '')))
const figures = computed(() => {
  const composition = selected.value && book.composition(selected.value.id)
  return composition ? { ...propertiesOf(composition), allergens: composition.allergens } : null
})
const phWord = (lot: Lot) => {
  const found = phOf(book.book, lot.id)
  return found ? `pH ${found.ph.toFixed(2)}${found.measured ? '' : ', worked out'}` : ''
}
</script>

<template>
  <div class="page">
    <header><h1>Cellar</h1><p>What is in stock, where it came from, where it went.</p></header>
    <p v-if="!book.lots.some(lot => lot.kind !== 'ferment')" class="sheet">Nothing in stock yet. What you <NuxtLink to="/press">press</NuxtLink>, blend and bottle is kept here.</p>
    <div v-else class="cellar">
      <section class="stack" aria-label="Stock">
        <div class="row tools"><WordField v-model="search" label="Find by code or name" placeholder="QR-31, plum …" /><el-checkbox v-model="gone">show what is used up</el-checkbox></div>
        <p v-if="groups.length === 0" class="muted">Nothing matches “{{ search }}”.</p>
        <div v-for="group in groups" :key="group.title">
          <h2>{{ group.title }}</h2>
          <ul class="plain-list list">
            <li v-for="lot in group.lots" :key="lot.id" :style="{ '--chip': lot.color }">
              <NuxtLink :to="{ query: { lot: lot.id } }" :aria-current="selected?.id === lot.id ? 'true' : undefined">
                <span class="chip" aria-hidden="true" /><span class="code">{{ lot.code }}</span><span class="grow">{{ lot.name }}</span>
                <span class="muted small">{{ phWord(lot) }}</span>
                <strong v-if="lot.bottles">{{ lot.bottles.left }} bottles</strong><strong v-else :class="{ problem: lot.leftG < -1 }"><MassText :mass-g="lot.leftG" /></strong>
              </NuxtLink>
            </li>
          </ul>
        </div>
      </section>
      <section v-if="selected" class="sheet" aria-label="Chosen lot" data-chosen>
        <LotHeading :lot="selected" class="heading" />
        <p><template v-if="selected.bottles">{{ selected.bottles.left }} of {{ selected.bottles.made }} bottles here.</template><template v-else><MassText :mass-g="selected.leftG" /> left of <MassText :mass-g="selected.madeG" />.</template>
          <template v-if="figures"> pH {{ figures.pH?.toFixed(2) ?? '–' }}, salt {{ figures.saltPct.toFixed(2) }} %, {{ formatShu(figures.shu) }}.<template v-if="figures.allergens.length"> Contains {{ figures.allergens.join(', ') }}.</template></template>
          <span v-else class="muted"> A lot it was made from is not in this log, so its figures are not known.</span>
        </p>
        <p v-if="!selected.bottles && selected.leftG < -1" class="problem">More was used than there was: check the weights of what was made from it.</p>
        <LineageTree :lot="selected" />
        <SendForm v-if="selected.bottles && selected.bottles.left > 0" :key="selected.id" :lot="selected" />
        <details v-if="['base', 'brine', 'pulp', 'stock'].includes(selected.kind) && selected.state === 'in stock'" class="disclose"><summary>Read it: pH, salt, titration</summary><ReadingForm :key="selected.id" :lot="selected" /></details>
        <NuxtLink v-if="selected.kind === 'blend'" :to="`/blend/${selected.id}`">Its readings, drift and correction</NuxtLink>
        <LotLog :lot="selected" />
      </section>
      <section v-else class="sheet"><p class="muted">Choose a lot: its make-up, where it came from and where it went stand here.</p></section>
    </div>
  </div>
</template>

<style scoped>
.cellar { display: grid; grid-template-columns: minmax(320px, 440px) minmax(0, 1fr); gap: var(--s5); align-items: start; }
.tools { align-items: end; }
.tools > :first-child { flex: 1; }
.list { background: var(--surface); border: 1px solid var(--line); border-radius: var(--radius); margin-top: var(--s2); }
.list li + li { border-top: 1px solid var(--line); }
.list a { display: flex; align-items: center; gap: var(--s3); padding: var(--s2) var(--s3); min-height: 48px; color: inherit; text-decoration: none; }
.list a[aria-current] { background: var(--wash); box-shadow: inset 4px 0 0 var(--bottle); }
.chip { width: 12px; height: 28px; border-radius: 3px; background: var(--chip); border: 1px solid #0003; flex: none; }
.grow { flex: 1; min-width: 0; }
strong { white-space: nowrap; }
.heading { display: flex; flex-wrap: wrap; gap: var(--s3); }
@media (max-width: 1000px) { .cellar { grid-template-columns: minmax(0, 1fr); } .cellar > :nth-child(2) { order: -1; } }
</style>
