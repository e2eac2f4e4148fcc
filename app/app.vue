<script setup lang="ts">
import { computed } from 'vue'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'
import { useKeeping } from '~/stores/keeping'
import { useBackups } from '~/composables/useBackups'
import { useDemoOnStart } from '~/composables/useDemo'
import { useInstallOffer } from '~/composables/useInstall'
import { useProbeLog } from '~/composables/useProbeLog'
import { useStageKeys } from '~/composables/useStageKeys'

const book = useBook()
const instruments = useInstruments()
void useKeeping().start()
useBackups()
useInstallOffer()
useDemoOnStart()
useProbeLog()
const { helpOpen } = useStageKeys()
const route = useRoute()
/** At the scale nothing but the scale is shown. */
const fullScreen = computed(() => route.path.startsWith('/weigh/'))
</script>

<template>
  <div class="frame">
    <a class="skip" href="#main">Skip to the page</a>
    <StageRail v-if="!fullScreen" class="frame-rail" @help="helpOpen = true" />
    <main id="main" tabindex="-1">
      <KeepingNotes />
      <TimerBar />
      <NuxtPage v-if="book.ready" />
    </main>
    <InstrumentStrip v-if="!fullScreen && (instruments.has.scale || instruments.has.meter)" class="frame-strip" />
    <KeyHelp v-model="helpOpen" />
  </div>
</template>

<style scoped>
.frame {
  min-height: 100dvh;
  display: grid;
  grid-template: auto 1fr auto / minmax(0, 1fr);
}
main {
  min-width: 0;
  grid-row: 2;
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
