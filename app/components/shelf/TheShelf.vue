<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useWindowSize } from '@vueuse/core'
import type { Ask } from '@lactofer/core'
import { useShelf, WORDS, type Shown } from '~/composables/useShelf'
import { useWidth } from '~/composables/useWidth'

/**
 * Every open vessel to one scale, on planks by place; filtered by what it asks for; the same as a list. What must be
 * acted on stands forward with its one task on a tape. Past forty vessels those that ask for nothing are outlines in
 * the drawer of their place.
 */
const shown = ref<Shown>('all')
const asList = ref(false)
const opened = ref<string[]>([])
/** So many lots are all drawn, seen or not. */
const FEW = 40

const width = useWidth('shelf', useTemplateRef<HTMLElement>('shelf'))
const { height, width: windowWidth } = useWindowSize()
/** Frame, heading and filters take so much of the window, px; a little is scrolled, on a phone two windows. */
const AROUND_PX = 250
const room = computed(() => ({
  widthPx: width.value || 800,
  heightPx: windowWidth.value <= 900 ? 2 * height.value : Math.max(620, 1.15 * (height.value - AROUND_PX)),
}))
const { placed, counts, chosen, places, drawers, scale, unseen } = useShelf(shown, room, opened)
/** How high the highest of a plank is drawn, lid and airlock included. */
const tallestPx = (drawn: (typeof placed.value)[number][]) =>
  26 + scale.value * Math.max(0, ...drawn.flatMap(({ vessels }) => vessels.map(({ vessel }) => vessel.heightMm)))
/** What stands forward: it must be acted on. */
const forward = (asks: readonly Ask[]) => asks.find(({ level }) => level === 'act' || level === 'discard')
const open = (place: string) =>
  (opened.value = opened.value.includes(place) ? opened.value.filter((one) => one !== place) : [...opened.value, place])
</script>

<template>
  <div ref="shelf" class="shelf">
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
    <ShelfList v-if="asList" :lots="places.flatMap(({ here }) => here)" />
    <template v-else>
      <InTurn v-for="({ place, here, drawn, pieces, quiet, tempC }, at) in places" :key="place" :now="at === 0"
        ><section :aria-label="`Shelf: ${place}`">
          <h2>
            {{ place }}
            <span v-if="tempC !== null" class="muted small"><TemperatureText :temp-c="tempC" /> last read</span>
            <button
              v-if="drawers && here.some(({ level }) => level === 'nothing')"
              type="button"
              class="drawer"
              :aria-expanded="opened.includes(place)"
              @click="open(place)"
            >
              {{ opened.includes(place) ? 'Close the drawer' : `${quiet.length} quiet: open the drawer` }}
            </button>
          </h2>
          <SeenPiece
            v-for="({ lots, heightPx }, piece) in pieces"
            :key="piece"
            :height-px="heightPx"
            :first="piece === 0 && at === 0"
            :few="placed.length <= FEW"
            class="plank"
            :style="{ '--top': `${tallestPx(drawn)}px` }"
          >
            <li v-for="{ lot, asks, ph } in lots" :key="lot.id" :class="{ forward: forward(asks) }">
              <NuxtLink :to="`/ferment/${lot.id}`" :data-lot="lot.code">
                <span class="vessels"><LotVessels :lot="lot" :scale="scale" /></span>
                <span class="caption"
                  ><strong>{{ lot.name }}</strong
                  ><span class="muted small-text"
                    >{{ ph }}<template v-if="lot.hot"> · <b class="hot-word">hot</b></template></span
                  >
                  <StateMark
                    v-if="asks[0] && !forward(asks)"
                    class="small-text"
                    :level="asks[0].level"
                    :word="asks[0].title"
                  /><span v-else-if="!asks[0]" class="small-text muted">nothing today</span></span
                >
              </NuxtLink>
              <ShelfTape v-if="forward(asks)" :ask="forward(asks)!" :code="lot.code" />
            </li>
          </SeenPiece>
          <QuietDrawer v-if="quiet.length" :lots="quiet" /></section
      ></InTurn>
    </template>
    <p v-if="unseen > 0" class="sheet" role="status">{{ unseen }} more are being looked along …</p>
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
.plank + .plank {
  margin-top: var(--s4);
}
.plank {
  display: flex;
  flex-wrap: wrap;
  row-gap: var(--s4);
  overflow: hidden;
  padding: 0 0 3px;
}
.plank li {
  flex: 1 1 auto;
  max-width: 380px;
  position: relative;
  display: flex;
  flex-direction: column;
  justify-content: flex-start;
}
/* The plank runs under the vessels of a whole row, as high as the highest of them. */
.vessels::after {
  content: '';
  position: absolute;
  left: -200vw;
  right: -200vw;
  top: 100%;
  height: 9px;
  background: var(--plank);
  border-bottom: 2px solid var(--outline);
  z-index: 0;
}
.forward .vessels > * {
  transform: translateY(10px);
  z-index: 2;
  position: relative;
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
  position: relative;
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
.drawer {
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--bottle);
  font: 600 15px var(--text);
  cursor: pointer;
}
.hot-word {
  color: var(--heat);
}
</style>
