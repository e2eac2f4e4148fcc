<script setup lang="ts">
import { computed } from 'vue'
import { dayOf, measuredPhs, styleById } from '@lactofer/core'
import { useBook } from '~/stores/book'

const book = useBook()
const rows = computed(() =>
  book.lots
    .filter((lot) => lot.kind === 'ferment' && lot.packed)
    .reverse()
    .map((lot) => ({
      lot,
      day: dayOf(lot, book.nowMs),
      style: lot.made.kind === 'plan' ? styleById(lot.made.style).name : '',
      ph: measuredPhs(lot).at(-1)?.ph,
      stand: lot.state === 'fermenting' ? book.judgementOf(lot) : null,
    })),
)
const open = computed(() => rows.value.filter((row) => row.lot.state === 'fermenting'))
const closed = computed(() => rows.value.filter((row) => row.lot.state !== 'fermenting'))
const LEVEL = { ready: 'fine', working: 'fine', ask: 'ask', act: 'act', discard: 'discard' } as const
const WORD = { ready: 'Ready', working: 'On its way', ask: 'Ask', act: 'Act', discard: 'Discard' } as const
</script>

<template>
  <div class="page">
    <header>
      <h1>Ferment</h1>
      <p>Every open lot, youngest first.</p>
    </header>
    <p v-if="rows.length === 0" class="sheet">
      Nothing is fermenting. <NuxtLink to="/plan">Plan and pack a batch</NuxtLink> and it stands here.
    </p>
    <ul v-else class="plain-list lots">
      <li v-for="{ lot, day, style, ph, stand } in open" :key="lot.id" :style="{ '--chip': lot.color }">
        <NuxtLink :to="`/ferment/${lot.id}`">
          <span class="chip" aria-hidden="true" />
          <span class="code">{{ lot.code }}</span>
          <span class="name"
            ><strong>{{ lot.name }}</strong
            ><span class="muted small">{{ style }}, day {{ day }}, {{ lot.place }}</span></span
          >
          <span class="figure"
            >{{ ph === undefined ? '–' : ph.toFixed(2)
            }}<span class="unit">{{ ph === undefined ? 'no pH' : 'pH' }}</span></span
          >
          <span v-if="stand" class="stand"
            ><StateMark :level="LEVEL[stand.state]" :word="WORD[stand.state]" />{{ ' '
            }}<span class="small"><SaidText :text="stand.sentence" /></span
          ></span>
        </NuxtLink>
      </li>
    </ul>
    <section v-if="closed.length">
      <h2>Done with</h2>
      <ul class="plain-list past">
        <li v-for="{ lot } in closed" :key="lot.id">
          <NuxtLink :to="`/ferment/${lot.id}`"
            ><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
          >{{ ' ' }}<span class="muted">{{ lot.state }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.lots {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.lots li + li {
  border-top: 1px solid var(--line);
}
.lots a {
  display: grid;
  grid-template-columns: 14px 76px minmax(190px, 280px) 110px 1fr;
  gap: var(--s3);
  align-items: center;
  padding: var(--s3) var(--s4);
  color: inherit;
  text-decoration: none;
  min-height: 64px;
}
.lots a:hover strong {
  text-decoration: underline;
}
.chip {
  width: 14px;
  height: 34px;
  border-radius: 3px;
  background: var(--chip);
  border: 1px solid #0003;
}
.name {
  display: grid;
}
.figure {
  color: var(--acid);
}
.unit {
  font: 600 14px var(--text);
  margin-left: 5px;
}
.past {
  display: grid;
  gap: var(--s1);
  margin-top: var(--s2);
}
.past li {
  min-height: 32px;
}
@media (max-width: 900px) {
  .lots a {
    grid-template-columns: 14px 70px 1fr auto;
  }
  .stand {
    grid-column: 2 / -1;
  }
}
</style>
