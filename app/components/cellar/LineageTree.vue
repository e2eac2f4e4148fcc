<script setup lang="ts">
import { computed } from 'vue'
import { ancestors, descendants, recallOf, type BottlesOut, type Kin, type Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** Where a lot came from and where it went, read left to right: the picture a recall needs. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const from = computed(() => ancestors(book.book, lot.id))
const to = computed(() => descendants(book.book, lot.id))
const holding = computed(() => recallOf(book.book, lot.id))
const columns = computed(() => {
  const rank = (kin: Kin[], sign: number) => {
    const depths = [...new Set(kin.map(({ depth }) => depth))].sort((a, b) => a - b)
    const found = depths.map((depth) => kin.filter((one) => one.depth === depth))
    return sign < 0 ? found.reverse() : found
  }
  return [...rank(from.value, -1), [{ lot, depth: 0, massG: lot.madeG }], ...rank(to.value, 1)]
})
const outWords = ({ how, to }: Pick<BottlesOut, 'how' | 'to'>) =>
  how === 'sold' || how === 'given' ? `went to ${to}` : `${how} (${to})`
</script>

<template>
  <section class="stack" aria-label="Where from, where to">
    <h3>Where from, where to</h3>
    <ol class="plain-list line">
      <li v-for="(column, index) in columns" :key="index">
        <ul class="plain-list">
          <li
            v-for="kin in column"
            :key="kin.lot.id"
            :class="['node', { self: kin.lot.id === lot.id }]"
            :style="{ '--chip': kin.lot.color }"
          >
            <NuxtLink :to="{ path: '/cellar', query: { lot: kin.lot.id } }"
              ><span class="code">{{ kin.lot.code }}</span> <span>{{ kin.lot.name }}</span></NuxtLink
            >
            <span class="muted small"
              ><MassText v-if="!kin.lot.bottles" :mass-g="kin.massG" /><template v-else
                >{{ kin.lot.bottles.made }} bottles</template
              >, {{ kin.lot.state }}</span
            >
          </li>
        </ul>
      </li>
    </ol>
    <p v-if="holding?.made" data-figure="recall">
      <strong>{{ holding.made }} bottles</strong> hold some of this: {{ holding.here }} are here<template
        v-if="holding.retained"
        >, {{ holding.retained }} kept as a sample</template
      ><template v-for="one in holding.to" :key="`${one.how} ${one.to}`">, {{ one.count }} {{ outWords(one) }}</template
      >.
    </p>
    <p v-else class="muted">No bottle holds any of this yet.</p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  gap: 22px;
  overflow-x: auto;
  padding: var(--s1) 2px;
}
.line > li {
  position: relative;
  display: grid;
  align-content: center;
  flex: 1 1 0;
  min-width: 112px;
  max-width: 210px;
}
.line > li + li::before {
  content: '→';
  position: absolute;
  left: -19px;
  top: 50%;
  transform: translateY(-50%);
  color: var(--muted);
}
.line ul {
  display: grid;
  gap: var(--s2);
}
.node {
  display: grid;
  padding: var(--s2);
  overflow-wrap: anywhere;
  border: 1px solid var(--line);
  border-left: 6px solid var(--chip);
  border-radius: var(--radius);
  background: var(--surface);
}
.self {
  border-color: var(--ink);
  border-left-color: var(--chip);
}
.node a {
  color: inherit;
  min-height: 24px;
}
</style>
