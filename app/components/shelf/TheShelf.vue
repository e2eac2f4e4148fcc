<script setup lang="ts">
import { ref } from 'vue'
import { dayOf } from '@lactofer/core'
import { useShelf, WORDS, type Shown } from '~/composables/useShelf'
import { useBook } from '~/stores/book'

/**
 * Every open vessel to one scale, on planks by place; filtered by what it asks for; the same as a list. A click opens
 * its lot.
 */
const book = useBook()
const shown = ref<Shown>('all')
const asList = ref(false)

const { placed, counts, chosen, small, places, scale } = useShelf(shown)
</script>

<template>
  <div class="shelf">
    <div v-if="placed.length > 1" class="row tools">
      <div class="filter" role="group" aria-label="Show vessels that ask for">
        <button
          v-for="{ level, count } in counts"
          :key="level"
          type="button"
          :aria-pressed="shown === level"
          @click="shown = level"
        >
          {{ WORDS[level] }} <span class="muted">{{ count }}</span>
        </button>
      </div>
      <button type="button" class="turn" :aria-pressed="asList" @click="asList = !asList">As a list</button>
    </div>
    <p v-if="chosen.length === 0" class="sheet">None asks for that now.</p>
    <div v-if="asList" class="sheet sideways">
      <table class="plain">
        <thead>
          <tr>
            <th>Place</th>
            <th>Lot</th>
            <th>Day</th>
            <th>pH</th>
            <th>Vessels</th>
            <th>Asks for</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ lot, asks, ph } in places.flatMap(({ here }) => here)" :key="lot.id">
            <td>{{ lot.place }}</td>
            <td>
              <NuxtLink :to="`/ferment/${lot.id}`"
                ><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
              ><b v-if="lot.hot" class="hot-word"> hot</b>
            </td>
            <td class="number">{{ dayOf(lot, book.nowMs) }}</td>
            <td>{{ ph.replace('pH ', '') }}</td>
            <td class="number">{{ lot.vessels.length }}</td>
            <td>{{ asks.map((ask) => ask.title).join('; ') || 'nothing today' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-else>
      <section v-for="{ place, here, tempC, tallest } in places" :key="place" :aria-label="`Shelf: ${place}`">
        <h2>
          {{ place }}
          <span v-if="tempC !== null" class="muted small"><TemperatureText :temp-c="tempC" /> last read</span>
        </h2>
        <ul :class="['plain-list', 'plank', { small }]">
          <li
            v-for="{ lot, asks, ph, vessels } in here"
            :key="lot.id"
            :style="{ '--top': `${tallest * scale + 26}px` }"
          >
            <NuxtLink :to="`/ferment/${lot.id}`" :data-lot="lot.code" :title="small ? `${lot.name}, ${ph}` : undefined">
              <span class="vessels">
                <VesselDrawing
                  v-for="(one, index) in vessels"
                  :key="index"
                  v-bind="one"
                  :color="lot.color"
                  :closure="lot.packed?.closure ?? 'loose lid'"
                  :code="`${lot.code}${one.mark}`"
                  :day="`day ${dayOf(lot, book.nowMs)}`"
                  :scale="scale"
                  :bare="small"
                />
              </span>
              <span class="caption"
                ><strong>{{ small ? lot.code : lot.name }}</strong
                ><span v-if="!small" class="muted small-text"
                  >{{ ph }}<template v-if="lot.hot"> · <b class="hot-word">hot</b></template></span
                ><span v-else class="muted small-text"
                  >{{ ph.replace('pH ', '') }}<b v-if="lot.hot" class="hot-word"> hot</b></span
                >
                <StateMark v-if="asks[0]" class="small-text" :level="asks[0].level" :word="asks[0].title" /><span
                  v-else
                  class="small-text muted"
                  >nothing today</span
                ></span
              >
            </NuxtLink>
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: var(--s5);
  align-content: start;
  min-width: 0;
}
.tools {
  justify-content: space-between;
  align-items: center;
}
.filter {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1);
}
.filter button,
.turn {
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: 600 15px var(--text);
  cursor: pointer;
}
.filter [aria-pressed='true'],
.turn[aria-pressed='true'] {
  background: var(--bottle);
  border-color: var(--bottle);
  color: var(--on-action);
}
.filter [aria-pressed='true'] .muted {
  color: inherit;
}
h2 {
  font-size: 16px;
  display: flex;
  gap: var(--s2);
  align-items: baseline;
}
.plank {
  display: flex;
  flex-wrap: wrap;
  row-gap: var(--s4);
  overflow: hidden;
  padding: 0 0 3px;
}
li {
  position: relative;
  padding-top: 0;
}
li::after {
  content: '';
  position: absolute;
  left: 0;
  right: -200vw;
  top: var(--top);
  height: 9px;
  background: var(--plank);
  border-bottom: 2px solid var(--outline);
}
.plank a {
  display: grid;
  color: inherit;
  text-decoration: none;
  padding: 0 9px;
}
.plank a:hover strong {
  text-decoration: underline;
}
.vessels {
  display: flex;
  align-items: flex-end;
  justify-content: center;
  gap: 2px;
  height: var(--top);
}
.caption {
  display: grid;
  justify-items: center;
  text-align: center;
  padding-top: 15px;
  max-width: 170px;
  min-width: 96px;
  justify-self: center;
  line-height: 1.25;
  gap: 2px;
}
.small-text {
  font-size: 14px;
}
.small a {
  padding: 0 4px;
}
.small .caption {
  min-width: 74px;
  max-width: 92px;
}
.small .small-text {
  font-size: 13px;
  line-height: 1.15;
}
.hot-word {
  color: var(--heat);
}
</style>
