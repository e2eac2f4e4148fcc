<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useWindowSize } from '@vueuse/core'
import IconKeyboard from '~icons/lucide/keyboard'
import IconBook from '~icons/lucide/notebook-text'
import IconLibrary from '~icons/lucide/library'
import IconSettings from '~icons/lucide/settings'
import IconScan from '~icons/lucide/scan-line'
import type { UnitWorld } from '@lactofer/core'
import { inTurn } from '~/clock/breathe'
import { useOnce } from '~/composables/useOnce'
import { useStages } from '~/composables/useStages'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

defineEmits<{ help: [] }>()
const preferences = usePreferences()
const practice = usePractice()
const scanning = ref(false)
const scanned = useOnce(scanning)

const { stages, isHere } = useStages()
const nav = useTemplateRef<HTMLElement>('nav')
const { width } = useWindowSize()
// Where they do not fit the stages are pushed sideways: the one that is open comes into view, and the page itself stays
// where it is. Measuring for it lays the page out: it is done for no change of a count, and in a task of its own.
const here = computed(() => stages.value.find((stage) => stage.here)?.to)
function center() {
  const [row, here] = [nav.value, nav.value?.querySelector<HTMLElement>('[aria-current]')]
  if (row && here) row.scrollLeft = here.offsetLeft - (row.clientWidth - here.offsetWidth) / 2
}
watch([here, nav, width], () => inTurn(center), { immediate: true })
const flip = (): UnitWorld => (preferences.world === 'metric' ? 'us' : 'metric')
</script>

<template>
  <header class="rail">
    <NuxtLink to="/" class="name">Lactofer</NuxtLink>
    <nav ref="nav" aria-label="Stages of the work">
      <ol class="plain-list">
        <li v-for="stage in stages" :key="stage.to">
          <NuxtLink
            :to="stage.to"
            :aria-current="stage.here ? 'page' : undefined"
            :class="{ here: stage.here }"
            :title="`Key ${stage.key}`"
          >
            {{ stage.name }}
            <span v-if="stage.count" class="count"
              >{{ stage.count }}<span class="visually-hidden"> {{ stage.waits }}</span></span
            >
          </NuxtLink>
        </li>
      </ol>
    </nav>
    <div class="tools">
      <LazyLinkState v-if="!practice.on" />
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
      <NuxtLink to="/library" class="tool" title="Library" :aria-current="isHere('/library') ? 'page' : undefined"
        ><IconLibrary aria-hidden="true" /><span class="wide">Library</span></NuxtLink
      >
      <NuxtLink to="/logbook" class="tool" title="Logbook" :aria-current="isHere('/logbook') ? 'page' : undefined"
        ><IconBook aria-hidden="true" /><span class="wide">Logbook</span></NuxtLink
      >
      <NuxtLink to="/settings" class="tool" title="Settings" :aria-current="isHere('/settings') ? 'page' : undefined"
        ><IconSettings aria-hidden="true" /><span class="wide">Settings</span></NuxtLink
      >
      <button type="button" class="tool keys" aria-label="Keys and help" @click="$emit('help')">
        <IconKeyboard aria-hidden="true" />
      </button>
    </div>
    <LazyScanDialog v-if="scanned" v-model="scanning" />
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
  align-self: stretch;
  display: inline-flex;
  align-items: center;
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
  justify-content: center;
  min-height: var(--touch);
  min-width: var(--touch);
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
</style>
