<script setup lang="ts">
import { computed } from 'vue'
import { dayOf, measuredPhs, styleById, toldJudgement, type Lot } from '@lactofer/core'
import { tellMoment } from '~/clock/moments'
import { inPieces } from '~/composables/inPieces'
import { useBook } from '~/stores/book'

const book = useBook()
const packed = computed(() => book.lots.filter((lot) => lot.kind === 'ferment' && lot.packed).reverse())
const open = computed(() => packed.value.filter(({ state }) => state === 'fermenting'))
const closed = computed(() => packed.value.filter(({ state }) => state !== 'fermenting'))
/** What is told of an open lot, where it is seen. */
function rowOf(lot: Lot) {
  const stand = book.stands.get(lot.id)
  return {
    ...{ lot, day: dayOf(lot, book.nowMs), ph: measuredPhs(lot).at(-1)?.ph },
    style: lot.made.kind === 'plan' ? styleById(lot.made.style).name : '',
    stand: stand && toldJudgement(stand, tellMoment),
  }
}
/** So many lots are drawn as one, each about so high, px. */
const PIECE = 40
const ROW_PX = { open: 70, closed: 40 }
const LEVEL = { ready: 'fine', working: 'fine', ask: 'ask', act: 'act', discard: 'discard' } as const
const WORD = { ready: 'Ready', working: 'On its way', ask: 'Ask', act: 'Act', discard: 'Discard' } as const
</script>

<template>
  <div class="page">
    <header>
      <h1>Ferment</h1>
      <p>Every open lot, youngest first.</p>
    </header>
    <p v-if="packed.length === 0" class="sheet">
      Nothing is fermenting. <NuxtLink to="/plan">Plan and pack a batch</NuxtLink> and it stands here.
    </p>
    <InTurn v-else-if="open.length"
      ><div class="lots">
        <SeenPiece
          v-for="(piece, at) in inPieces(open, PIECE)"
          :key="at"
          :first="at === 0"
          :few="open.length <= PIECE"
          :height-px="piece.length * ROW_PX.open"
        >
          <li v-for="{ lot, day, style, ph, stand } in piece.map(rowOf)" :key="lot.id" :style="{ '--chip': lot.color }">
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
        </SeenPiece></div
    ></InTurn>
    <InTurn v-if="closed.length"
      ><section>
        <h2>Done with</h2>
        <SeenPiece
          v-for="(piece, at) in inPieces(closed, PIECE)"
          :key="at"
          class="past"
          :few="closed.length <= PIECE"
          :height-px="piece.length * ROW_PX.closed"
        >
          <li v-for="lot in piece" :key="lot.id">
            <NuxtLink :to="`/ferment/${lot.id}`"><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
            >{{ ' ' }}<span class="muted">{{ lot.state }}</span>
          </li>
        </SeenPiece>
      </section></InTurn
    >
  </div>
</template>

<style scoped>
.lots {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.lots li:not(:last-child),
.lots ul:not(:last-child) li {
  border-bottom: 1px solid var(--line);
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
