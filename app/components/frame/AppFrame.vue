<script setup lang="ts">
import { until } from '@vueuse/core'
import { computed, watch } from 'vue'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'
import { useKeeping } from '~/stores/keeping'
import { usePractice } from '~/stores/practice'
import { useBackups } from '~/composables/useBackups'
import { useDemoOnStart } from '~/composables/useDemo'
import { useInstallOffer } from '~/composables/useInstall'
import { useOnce } from '~/composables/useOnce'
import { useProbeLog } from '~/composables/useProbeLog'
import { fetchSayer } from '~/composables/say'
import { useStageKeys } from '~/composables/useStageKeys'
import { useStages } from '~/composables/useStages'

/** The rails, the page and what stands on every page; begins to read and keep the log. */
const book = useBook()
const instruments = useInstruments()
const practice = usePractice()
// What is kept twice is compared once the log is there: the shelf comes first.
void useKeeping().start(until(() => book.whole || !!book.error).toBe(true))
// Nothing of the practice loft is kept twice, and nothing that is invented stands beside it.
if (!practice.on) {
  useBackups()
  useDemoOnStart()
}
useInstallOffer()
onNuxtReady(fetchSayer)
useProbeLog()
const { helpOpen } = useStageKeys()
const helped = useOnce(helpOpen)
const calibrated = useOnce(() => instruments.calibrating)
const route = useRoute()
const { stages } = useStages()
/** Where the router is, before the page there is drawn: the page's own route follows only then. */
const { currentRoute } = useRouter()
const atToday = computed(() => currentRoute.value.path === '/')
/** The shelf stands before all of a long log is there; any other page is about all of it. */
const there = computed(() => book.ready && (atToday.value || (book.whole && !!book.folded)))
watch(atToday, (is) => is || void book.openAll(), { immediate: true })
/** The page, and the lot it is about: what a tab and a reader of the screen say first. */
const title = computed(() => {
  const lot = book.lot(String(route.params.id ?? route.query.lot ?? ''))
  const beside = /^\/(library|recipes|logbook|settings|devices|join|loft|compare|rehearse|guide)/.exec(route.path)?.[1]
  const page = beside
    ? `${beside.charAt(0).toUpperCase()}${beside.slice(1)}`
    : (stages.value.find(({ here }) => here)?.name ?? '')
  return [practice.on && 'Practice', lot && `${lot.code} ${lot.name}`, page, 'Lactofer'].filter(Boolean).join(' · ')
})
useHead({ title })
/** As the page says it before its code is there (`spa-loading-template.html`). */
const OPENING = 'Opening your loft: what ferments, what is behind, and what to do about it today.'
/** At the scale nothing but the scale is shown. */
const fullScreen = computed(() => route.path.startsWith('/weigh/'))
const atPhone = useMediaQuery('(max-width: 900px)')
const withStrip = computed(() => !fullScreen.value && (instruments.has.scale || instruments.has.meter))
</script>

<template>
  <LazyPracticeBand v-if="practice.on" />
  <div :class="['frame', { 'with-strip': withStrip, taking: instruments.taker }]">
    <a class="skip" href="#main">Skip to the page</a>
    <template v-if="!fullScreen">
      <PhoneRail v-if="atPhone" class="frame-rail" />
      <StageRail v-else class="frame-rail" @help="helpOpen = true" />
    </template>
    <main id="main" tabindex="-1">
      <KeepingNotes />
      <LazyLinkNotes v-if="book.whole && !practice.on" />
      <TimerBar />
      <NuxtPage v-if="there" />
      <p v-else class="opening-words" role="status">{{ OPENING }}</p>
    </main>
    <InstrumentStrip v-if="withStrip && instruments.simulates" class="frame-strip" />
    <LazyCalibrateDialog v-if="calibrated" v-model="instruments.calibrating" />
    <LazyKeyHelp v-if="helped" v-model="helpOpen" />
    <RoundDialogs />
  </div>
</template>

<style scoped>
.frame {
  --rail-height: 60px;
  --strip: 0px;
  min-height: 100dvh;
  display: grid;
  grid-template: auto 1fr auto / minmax(0, 1fr);
}
main {
  min-width: 0;
  grid-row: 2;
}
.frame.with-strip {
  --strip: 60px;
}
@media (max-width: 900px) {
  .frame {
    --rail-height: 54px;
  }
  .frame.with-strip {
    --strip: 44px;
  }
  .frame.with-strip.taking {
    --strip: 100px;
  }
}
@media (max-width: 900px) and (max-height: 480px) {
  .frame {
    --rail-height: 48px;
  }
}
main:focus {
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
  top: 0;
  padding: var(--s3);
  background: var(--surface);
  z-index: 20;
}
.skip:focus {
  left: 0;
}
</style>
