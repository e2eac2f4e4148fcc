<script setup lang="ts">
import { computed } from 'vue'
import type { Lot } from '@lactofer/core'
import { REST_MIN, useTimers } from '~/stores/timers'

/** Mixed with its salt, it rests until juice runs; the timer stands on every page and outlives the browser. */
const { lot } = defineProps<{ lot: Lot }>()
const timers = useTimers()
const running = computed(() => timers.of(lot.id) !== null)
</script>

<template>
  <section class="sheet rest" aria-label="Let it rest">
    <p>
      Mix the salt through, then let it rest until its juice runs. Mix once more before it is packed: salt that lies on
      top makes a salty first bite.
    </p>
    <div>
      <el-button v-if="!running" @click="timers.start(lot.id, lot.code)">Rest {{ REST_MIN }} minutes</el-button>
      <p v-else class="small muted">It rests; the timer stands on top of every page.</p>
    </div>
  </section>
</template>

<style scoped>
.rest {
  grid-template-columns: 1fr auto;
  align-items: center;
}
@media (max-width: 620px) {
  .rest {
    grid-template-columns: 1fr;
  }
}
</style>
