<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useWindowSize } from '@vueuse/core'
import IconKeyboard from '~icons/lucide/keyboard'
import IconBook from '~icons/lucide/notebook-text'
import IconLibrary from '~icons/lucide/library'
import IconScan from '~icons/lucide/scan-line'
import type { UnitWorld } from '@lactofer/core'
import { STAGES } from '~/words/stages'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

defineEmits<{ help: [] }>()
const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const scanning = ref(false)

const counts = computed<Record<string, { count: number; waits: string }>>(() => ({
  '/': {
    count: new Set(book.asks.filter((ask) => ask.level !== 'fine').map((ask) => ask.lotId)).size,
    waits: 'lots ask for you',
  },
  '/plan': { count: book.planned.length, waits: 'planned' },
  '/ferment': { count: book.fermenting.length, waits: 'fermenting' },
  '/press': {
    count: book.fermenting.filter((lot) => book.judgementOf(lot)?.state === 'ready').length,
    waits: 'ready to press',
  },
  '/blend': {
    count: book.lots.filter((lot) => lot.kind === 'base' && lot.state === 'in stock').length,
    waits: 'bases in stock',
  },
  '/bottle': {
    count: book.lots.filter((lot) => lot.kind === 'blend' && lot.state === 'in stock').length,
    waits: 'blends to bottle',
  },
}))
const isHere = (to: string, pages: readonly string[] = []) =>
  to === '/' ? route.path === '/' : [to, ...pages].some((start) => route.path.startsWith(start))
const stages = useTemplateRef<HTMLElement>('stages')
const { width } = useWindowSize()
// On a phone the stages are pushed sideways: the one that is open comes into view. The page itself stays where it is.
function center() {
  const [nav, here] = [stages.value, stages.value?.querySelector<HTMLElement>('[aria-current]')]
  if (nav && here) nav.scrollLeft = here.offsetLeft - (nav.clientWidth - here.offsetWidth) / 2
}
watch(
  [
    () => route.path,
    stages,
    width,
    () =>
      Object.values(counts.value)
        .map(({ count }) => count)
        .join(),
  ],
  () => void nextTick(center),
  { immediate: true },
)
const flip = (): UnitWorld => (preferences.world === 'metric' ? 'us' : 'metric')
</script>

<template>
  <header class="rail">
    <NuxtLink to="/" class="name">Lactofer</NuxtLink>
    <nav ref="stages" aria-label="Stages of the work">
      <ol class="plain-list">
        <li v-for="(stage, index) in STAGES" :key="stage.to">
          <NuxtLink
            :to="stage.to"
            :aria-current="isHere(stage.to, stage.pages) ? 'page' : undefined"
            :class="{ here: isHere(stage.to, stage.pages) }"
            :title="`Key ${index + 1}`"
          >
            {{ stage.name }}
            <span v-if="counts[stage.to]?.count" class="count"
              >{{ counts[stage.to]?.count }}<span class="visually-hidden"> {{ counts[stage.to]?.waits }}</span></span
            >
          </NuxtLink>
        </li>
      </ol>
    </nav>
    <div class="tools">
      <LotFinder />
      <button type="button" class="tool" aria-label="Open a lot by its label" @click="scanning = true">
        <IconScan aria-hidden="true" />
      </button>
      <button
        type="button"
        class="tool"
        :aria-label="`Units: ${preferences.world === 'metric' ? 'grams and °C' : 'ounces and °F'}. Switch`"
        @click="preferences.chooseWorld(flip())"
      >
        {{ preferences.world === 'metric' ? 'g °C' : 'oz °F' }}
      </button>
      <NuxtLink to="/library" class="tool" :aria-current="isHere('/library') ? 'page' : undefined"
        ><IconLibrary aria-hidden="true" /><span>Library</span></NuxtLink
      >
      <NuxtLink to="/logbook" class="tool" title="Logbook" :aria-current="isHere('/logbook') ? 'page' : undefined"
        ><IconBook aria-hidden="true" /><span class="wide">Logbook</span></NuxtLink
      >
      <button type="button" class="tool keys" aria-label="Keys and help" @click="$emit('help')">
        <IconKeyboard aria-hidden="true" />
      </button>
    </div>
    <ScanDialog v-model="scanning" />
  </header>
</template>

<style scoped>
.rail {
  display: flex;
  align-items: stretch;
  gap: var(--s3);
  background: var(--rail);
  color: var(--on-bottle);
  padding: 0 var(--s4);
  min-height: 60px;
}
.name {
  font: 780 22px/1 var(--display);
  font-stretch: 125%;
  color: var(--on-bottle);
  text-decoration: none;
  align-self: center;
  margin-right: var(--s2);
}
nav {
  position: relative;
  min-width: 0;
  overflow-x: auto;
  scrollbar-width: none;
}
nav ol {
  display: flex;
  height: 100%;
}
nav li {
  display: flex;
  align-items: stretch;
}
nav li + li::before {
  content: '›';
  color: var(--on-bottle-muted);
  align-self: center;
  font-size: 18px;
}
nav a {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 0 8px;
  color: var(--on-bottle);
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
  min-height: var(--touch);
}
nav a:hover {
  text-decoration: underline;
}
nav a.here {
  background: var(--enamel);
  color: var(--ink);
}
.count {
  font: 700 13px/20px var(--display);
  font-stretch: 85%;
  min-width: 20px;
  text-align: center;
  padding: 0 5px;
  border-radius: 4px;
  background: rgb(255 255 255 / 16%);
}
.here .count {
  background: var(--rail);
  color: var(--on-bottle);
}
.tools {
  margin-left: auto;
  display: flex;
  gap: 6px;
  align-items: center;
  flex-shrink: 0;
}
.tool {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: var(--touch);
  padding: 0 11px;
  background: none;
  border: 1px solid rgb(255 255 255 / 38%);
  border-radius: var(--radius);
  color: var(--on-bottle);
  font: 600 15px var(--text);
  text-decoration: none;
  cursor: pointer;
  white-space: nowrap;
}
.tool:hover {
  background: rgb(255 255 255 / 10%);
}
@media (max-width: 1480px) {
  .wide {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}
.tool[aria-current] {
  background: var(--enamel);
  color: var(--ink);
}
@media (max-width: 1180px) {
  .rail {
    flex-wrap: wrap;
    padding: 0 var(--s3);
    gap: 0 var(--s2);
  }
  .name {
    min-height: 52px;
    display: inline-flex;
    align-items: center;
    font-size: 19px;
  }
  nav {
    order: 3;
    flex-basis: 100%;
    margin: 0 calc(-1 * var(--s3));
    padding: 0 var(--s1);
  }
  nav a {
    min-height: 48px;
  }
}
@media (max-width: 700px) {
  .tool span {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .keys {
    display: none;
  }
  .tool {
    padding: 0 9px;
  }
}
</style>
