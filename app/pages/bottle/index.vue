<script setup lang="ts">
import { computed } from 'vue'
import { finishedReadings, heldBack, HOUR_MS, lastPouredMs, type Level, type Lot } from '@lactofer/core'
import { fullDay, shortDay } from '~/clock/moments'
import { useBook } from '~/stores/book'

/** What waits on the way from pot to table: blends to bottle, bottles to label and release, packaging. */
const book = useBook()
const blends = computed(() => book.inStock.filter((lot) => lot.kind === 'blend').reverse())
const waiting = computed(() => book.inStock.filter(heldBack).reverse())
const LATEST = 6
const released = computed(() =>
  book.lots
    .filter((lot) => lot.release?.decision === 'released' && lot.bottles && lot.bottles.left > 0)
    .slice(-LATEST)
    .reverse(),
)
const hours = (lot: Lot) => Math.floor((book.nowMs - lastPouredMs(lot)) / HOUR_MS)
function releaseState(lot: Lot): { level: Extract<Level, 'fine' | 'ask'>; word: string } {
  const last = finishedReadings(lot).at(-1)
  if (last && last.hours >= 24) return { level: 'fine', word: `pH ${last.ph.toFixed(2)}, evened out` }
  return { level: 'ask', word: hours(lot) < 24 ? `evens out ${24 - hours(lot)} h more` : 'finished pH not read' }
}
const why = (lot: Lot) => book.asks.find((ask) => ask.lotId === lot.id && ask.go === 'bottle')
</script>

<template>
  <div class="page">
    <header>
      <h1>Bottle</h1>
      <p>Choose how it is kept, fill and count, label, release.</p>
    </header>
    <div class="halves">
      <section class="sheet" aria-label="Blends to bottle">
        <h2>In the pot</h2>
        <p v-if="blends.length === 0" class="muted">
          No blend waits to be bottled. <NuxtLink to="/blend">Blend one</NuxtLink>; it stands here once it is recorded.
        </p>
        <ul v-else class="plain-list lots">
          <li v-for="lot in blends" :key="lot.id" :style="{ '--chip': lot.color }">
            <span class="chip" aria-hidden="true" />
            <div>
              <p><span class="code">{{ lot.code }}</span> {{ lot.name }}</p>
              <p class="small">
                <MassText :mass-g="lot.leftG" />, blended {{ shortDay(lot.made.at) }}.
                <StateMark v-bind="releaseState(lot)" />
              </p>
            </div>
            <NuxtLink v-if="releaseState(lot).level !== 'fine'" class="go" :to="`/blend/${lot.id}`"
              >Read the pH first<span class="visually-hidden"> {{ lot.code }}</span></NuxtLink
            >
            <NuxtLink v-else class="go" :to="`/bottle/${lot.id}`"
              >Bottle it<span class="visually-hidden"> {{ lot.code }}</span></NuxtLink
            >
          </li>
        </ul>
      </section>
      <section class="sheet" aria-label="Bottles to release">
        <h2>Filled, not released</h2>
        <p v-if="waiting.length === 0" class="muted">Nothing waits. What is filled stands here until it is released.</p>
        <ul v-else class="plain-list lots">
          <li v-for="lot in waiting" :key="lot.id" :data-bottled="lot.code" :style="{ '--chip': lot.color }">
            <span class="chip" aria-hidden="true" />
            <div>
              <p><span class="code">{{ lot.code }}</span> {{ lot.name }}, {{ lot.bottles?.left }} bottles</p>
              <p class="small">
                <StateMark :level="why(lot)?.level ?? 'ask'" :word="why(lot)?.title ?? 'Not released'" />
                {{ why(lot)?.why }}
              </p>
            </div>
            <NuxtLink class="go" :to="`/release/${lot.id}`"
              >Release<span class="visually-hidden"> {{ lot.code }}</span></NuxtLink
            >
          </li>
        </ul>
      </section>
    </div>
    <section v-if="released.length" class="sheet" aria-label="Released">
      <h2>Released last</h2>
      <ul class="plain-list lots wide">
        <li v-for="lot in released" :key="lot.id" :data-bottled="lot.code" :style="{ '--chip': lot.color }">
          <span class="chip" aria-hidden="true" />
          <div>
            <p><span class="code">{{ lot.code }}</span> {{ lot.name }}</p>
            <p class="small muted">
              {{ lot.bottles?.left }} of {{ lot.bottles?.made }} here, best before
              {{ lot.made.kind === 'bottle' ? fullDay(lot.made.bestBefore) : '' }}
            </p>
          </div>
          <span class="row"
            ><NuxtLink :to="`/label/${lot.id}`">Label</NuxtLink
            ><NuxtLink :to="{ path: '/cellar', query: { lot: lot.id } }">In the cellar</NuxtLink></span
          >
        </li>
      </ul>
    </section>
    <OwnFormats />
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: var(--s5);
  align-items: start;
}
.lots li {
  display: grid;
  grid-template-columns: 12px 1fr auto;
  gap: var(--s3);
  align-items: center;
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
}
.lots li:last-child {
  border-bottom: 0;
}
.wide {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 0 var(--s5);
}
.chip {
  width: 12px;
  height: 36px;
  border-radius: 3px;
  background: var(--chip);
  border: 1px solid #0003;
}
.go {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--bottle);
  border-radius: var(--radius);
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}
.row a {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
}
</style>
