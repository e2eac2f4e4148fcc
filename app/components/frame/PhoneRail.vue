<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import IconClose from '~icons/lucide/x'
import IconMenu from '~icons/lucide/chevron-down'
import IconScan from '~icons/lucide/scan-line'
import { shortDay } from '~/clock/moments'
import { useOnce } from '~/composables/useOnce'
import { useStages } from '~/composables/useStages'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

/** On a phone the stages fold into one line, the one that is open and the date; a press unfolds them all. */
const book = useBook()
const preferences = usePreferences()
const practice = usePractice()
const { stages, isHere } = useStages()
const route = useRoute()
const open = ref(false)
const scanning = ref(false)
const scanned = useOnce(scanning)
watch(
  () => route.fullPath,
  () => (open.value = false),
)
const BESIDE = [
  { to: '/library', name: 'Library' },
  { to: '/recipes', name: 'Recipes' },
  { to: '/logbook', name: 'Logbook' },
  { to: '/settings', name: 'Settings' },
  { to: '/devices', name: 'Devices' },
  { to: '/rehearse', name: 'Rehearse' },
  { to: '/guide', name: 'Guide' },
]
const here = computed(
  () => BESIDE.find(({ to }) => isHere(to))?.name ?? stages.value.find((stage) => stage.here)?.name ?? 'Lactofer',
)
const waits = computed(() => stages.value[0]?.count ?? 0)
</script>

<template>
  <header class="phone-rail" @keydown.esc="open = false">
    <div class="line">
      <button type="button" class="fold" :aria-expanded="open" aria-controls="stages" @click="open = !open">
        <strong>{{ here }}</strong> <span class="date">{{ shortDay(book.nowMs) }}</span>
        <span v-if="waits && here !== 'Today'" class="count"
          >{{ waits }}<span class="visually-hidden"> lots ask for you</span></span
        >
        <component :is="open ? IconClose : IconMenu" aria-hidden="true" />
        <span class="visually-hidden">{{ open ? 'Fold the stages' : 'All stages' }}</span>
      </button>
      <LazyLinkState v-if="!practice.on" />
      <button type="button" class="tool" aria-label="Open a lot by its label" @click="scanning = true">
        <IconScan aria-hidden="true" />
      </button>
    </div>
    <nav v-if="open" id="stages" aria-label="Stages of the work">
      <ol class="plain-list">
        <li v-for="stage in stages" :key="stage.to">
          <NuxtLink :to="stage.to" :aria-current="stage.here ? 'page' : undefined" @click="open = false"
            >{{ stage.name }}
            <span v-if="stage.count" class="count"
              >{{ stage.count }}<span class="visually-hidden"> {{ stage.waits }}</span></span
            ></NuxtLink
          >
        </li>
      </ol>
      <ul class="plain-list beside">
        <li v-for="page in BESIDE" :key="page.to">
          <NuxtLink :to="page.to" :aria-current="isHere(page.to) ? 'page' : undefined" @click="open = false">{{
            page.name
          }}</NuxtLink>
        </li>
        <li>
          <button type="button" @click="preferences.chooseWorld(preferences.world === 'metric' ? 'us' : 'metric')">
            Units: {{ preferences.world === 'metric' ? 'g, °C' : 'oz, °F' }}
          </button>
        </li>
      </ul>
      <LotFinder class="finder" />
    </nav>
    <LazyScanDialog v-if="scanned" v-model="scanning" />
  </header>
</template>

<style scoped>
.phone-rail {
  position: sticky;
  top: 0;
  z-index: 9;
  background: var(--rail);
  color: var(--on-bottle);
}
.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
  height: var(--rail-height);
  padding: 0 var(--s2);
}
.fold,
.tool {
  display: inline-flex;
  align-items: center;
  gap: var(--s2);
  min-height: var(--touch);
  min-width: var(--touch);
  justify-content: center;
  padding: 0 var(--s2);
  border: 0;
  background: none;
  color: inherit;
  font: 400 16px var(--text);
  cursor: pointer;
}
.fold strong {
  font: 720 20px var(--display);
  font-stretch: 100%;
}
.date {
  color: var(--on-bottle-muted);
}
.count {
  font: 700 13px/20px var(--display);
  min-width: 20px;
  text-align: center;
  padding: 0 5px;
  border-radius: 4px;
  background: rgb(255 255 255 / 18%);
}
nav {
  position: absolute;
  inset: var(--rail-height) 0 auto;
  max-height: calc(100dvh - var(--rail-height));
  overflow-y: auto;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--s2) var(--s4);
  padding: var(--s2) var(--s4) var(--s4);
  background: var(--rail);
  border-top: 1px solid rgb(255 255 255 / 25%);
}
nav a,
nav button {
  display: flex;
  align-items: center;
  gap: var(--s2);
  width: 100%;
  min-height: 50px;
  padding: 0 var(--s2);
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: inherit;
  font: 600 18px var(--text);
  text-decoration: none;
  cursor: pointer;
}
nav a[aria-current] {
  background: var(--enamel);
  color: var(--ink);
}
nav a[aria-current] .count {
  background: var(--rail);
  color: var(--on-bottle);
}
.finder {
  grid-column: 1 / -1;
  width: auto;
}
</style>
