<script setup lang="ts">
import { computed } from 'vue'
import { recallOf, traceOf, type TraceNode } from '@lactofer/core'
import { fullDay } from '~/clock/moments'
import { useBook } from '~/stores/book'

/** A lot back to what each grower brought and forward to where every bottle is; and what a recall would find. */
const book = useBook()
const route = useRoute()
const router = useRouter()
const lot = computed(() => book.lot(String(route.params.id)))
const trace = computed(() => (lot.value ? traceOf(book.book, lot.value.id) : { nodes: [], edges: [] }))
const recall = computed(() => (lot.value ? recallOf(book.book, lot.value.id) : null))
const nodes = computed(() => new Map(trace.value.nodes.map((node) => [node.id, node])))
const said = (node?: TraceNode) =>
  node
    ? [
        node.code,
        node.name,
        node.lot && book.homeMark(node.lot.id) ? `(${book.homeMark(node.lot.id)})` : '',
        node.kind === 'delivery' ? `(${node.detail})` : node.kind === 'place' ? `(${node.detail})` : '',
      ]
        .filter(Boolean)
        .join(' ')
    : ''
const back = computed(() =>
  trace.value.nodes.filter((node) => node.kind === 'delivery').sort((a, b) => a.atMs - b.atMs),
)
/** Ends of the search: codes that a caller reads from a bottle. */
const exercises = computed(() => lot.value?.recalls ?? [])
</script>

<template>
  <div v-if="!lot" class="page">
    <p class="sheet">
      {{ book.ready ? 'This lot is not in the log.' : 'Opening the log …' }} <NuxtLink to="/cellar">Cellar</NuxtLink>
    </p>
  </div>
  <div v-else class="page">
    <header>
      <h1>Trace: <span class="code">{{ lot.code }}</span> {{ lot.name }}</h1>
      <strong v-if="book.homeMark(lot.id)" :data-mark="book.homeMark(lot.id)">{{ book.homeMark(lot.id) }}</strong>
      <p><NuxtLink :to="{ path: '/cellar', query: { lot: lot.id } }">In the cellar</NuxtLink></p>
    </header>
    <section class="sheet" aria-label="Where from, where to">
      <h2>From whom, through which jars, to where?</h2>
      <TraceGraph
        v-if="trace.edges.length"
        :trace="trace"
        :self-id="lot.id"
        @open="(id) => router.push(`/trace/${id}`)"
      />
      <p v-else class="muted">Nothing went in or out of it yet.</p>
      <details class="disclose">
        <summary>As a list: {{ trace.edges.length }} steps</summary>
        <div class="sideways">
          <table class="plain">
            <thead>
              <tr>
                <th>From</th>
                <th>To</th>
                <th class="number">How much</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="edge in trace.edges" :key="`${edge.from}>${edge.to}`">
                <td>{{ said(nodes.get(edge.from)) }}</td>
                <td>{{ said(nodes.get(edge.to)) }}</td>
                <td class="number">
                  <template v-if="edge.bottles !== null">{{ edge.bottles }} bottles</template
                  ><MassText v-else :mass-g="edge.massG" />
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </details>
    </section>
    <div class="halves">
      <InTurn><RecallPanel v-if="recall" :key="lot.id" :recall="recall" /></InTurn>
      <section class="sheet" aria-label="Deliveries">
        <h2>What was brought</h2>
        <table v-if="back.length" class="plain">
          <thead>
            <tr>
              <th>Day</th>
              <th>What</th>
              <th>From</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="node in back" :key="node.id">
              <td class="small">{{ fullDay(node.atMs) }}</td>
              <td>{{ node.name }}</td>
              <td :class="{ 'muted small': !node.from }">{{ node.detail }}</td>
            </tr>
          </tbody>
        </table>
        <p v-else class="muted">Nothing from outside is written down for it.</p>
        <template v-if="exercises.length"
          ><h2>Recalls and exercises</h2>
          <ul class="plain-list">
            <li v-for="one in exercises" :key="one.id" class="small">
              {{ fullDay(one.at) }}, {{ one.by }}: {{ one.made }} made, {{ one.here }} here, {{ one.out }} out{{
                one.found === undefined ? '' : `, ${one.found} found`
              }}{{ one.minutes === undefined ? '' : ` in ${one.minutes} min` }}{{ one.note ? `. ${one.note}` : '' }}
            </li>
          </ul></template
        >
      </section>
    </div>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: var(--s5);
  align-items: start;
}
@media (max-width: 1000px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
