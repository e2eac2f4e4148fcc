<script setup lang="ts">
import { computed } from 'vue'
import { dayOf, propertiesOf, type Ask, type Lot, type VesselKind } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** Every open vessel to one scale, on planks by place. A click opens its lot. */
const book = useBook()

interface Standing { lot: Lot, ask: Ask | undefined, ph: string, vessels: { vessel: VesselKind, mark: string, hot: boolean, fraction: number }[] }
const standings = computed<Standing[]>(() => book.fermenting.map((lot) => {
  const composition = book.composition(lot.id)
  const density = composition ? propertiesOf(composition).densityGPerMl : 1
  const last = lot.readings.findLast(reading => reading.ph !== undefined)?.ph
  return {
    lot, ask: book.asks.find(ask => ask.lotId === lot.id), ph: last === undefined ? 'no pH yet' : `pH ${last.toFixed(2)}`,
    vessels: (lot.packed?.vessels ?? []).flatMap(({ vesselId, mark, massG, hot }) => {
      const vessel = book.library.vessel(vesselId)
      return vessel ? [{ vessel, mark, hot, fraction: massG / density / vessel.capacityMl }] : []
    }),
  }
}))
const places = computed(() => [...new Set(standings.value.map(({ lot }) => lot.packed?.place ?? ''))].map((place) => {
  const here = standings.value.filter(({ lot }) => lot.packed?.place === place)
  const temps = here.flatMap(({ lot }) => lot.readings.filter(reading => reading.tempC !== undefined).slice(-1).map(reading => reading.tempC ?? 0))
  return { place, here, tempC: temps.length ? temps.reduce((sum, value) => sum + value, 0) / temps.length : null, tallest: Math.max(...here.flatMap(({ vessels }) => vessels.map(({ vessel }) => vessel.heightMm))) }
}))
const scale = computed(() => Math.min(0.5, 230 / Math.max(1, ...places.value.map(({ tallest }) => tallest))))
</script>

<template>
  <div class="shelf">
    <section v-for="{ place, here, tempC, tallest } in places" :key="place" :aria-label="`Shelf: ${place}`">
      <h2>{{ place }} <span v-if="tempC !== null" class="muted small"><TemperatureText :temp-c="tempC" /> last read</span></h2>
      <ul class="plain-list plank">
        <li v-for="{ lot, ask, ph, vessels } in here" :key="lot.id" :style="{ '--top': `${tallest * scale + 26}px` }">
          <NuxtLink :to="`/ferment/${lot.id}`" :data-lot="lot.code">
            <span class="vessels">
              <VesselDrawing v-for="(one, index) in vessels" :key="index" v-bind="one" :color="lot.color" :closure="lot.packed?.closure ?? 'loose lid'" :code="`${lot.code}${one.mark}`" :day="`day ${dayOf(lot, book.nowMs)}`" :scale="scale" />
            </span>
            <span class="caption"><strong>{{ lot.name }}</strong><span class="muted small">{{ ph }}<template v-if="lot.hot"> · <b class="hot-word">hot</b></template></span>
              <StateMark v-if="ask" class="small" :level="ask.level" :word="ask.title" /><span v-else class="small muted">nothing today</span></span>
          </NuxtLink>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.shelf { display: grid; gap: var(--s5); }
h2 { font-size: 16px; display: flex; gap: var(--s2); align-items: baseline; }
.plank { display: flex; flex-wrap: wrap; row-gap: var(--s4); overflow: hidden; padding: 0 0 3px; }
li { position: relative; padding-top: 0; }
li::after { content: ''; position: absolute; left: 0; right: -200vw; top: var(--top); height: 9px; background: var(--plank); border-bottom: 2px solid var(--outline); }
a { display: grid; color: inherit; text-decoration: none; padding: 0 9px; }
a:hover strong { text-decoration: underline; }
.vessels { display: flex; align-items: flex-end; justify-content: center; gap: 2px; height: var(--top); }
.caption { display: grid; justify-items: center; text-align: center; padding-top: 15px; max-width: 170px; min-width: 96px; justify-self: center; line-height: 1.25; gap: 2px; }
.hot-word { color: var(--heat); }
</style>
