<script setup lang="ts">
import { computed } from 'vue'
import type { Disagreement } from '@lactofer/core'
import { useBook } from '~/stores/book'

/**
 * What does not go together once the facts of several devices are in one log: shown until somebody decides.
 * @param lotId only what is about this lot.
 */
const { lotId = null } = defineProps<{ lotId?: string | null }>()
const book = useBook()
const SHOWN = 5
const isAbout = (one: Disagreement, id: string) =>
  'lotId' in one ? one.lotId === id : 'lot' in one ? one.lot.id === id : one.lots.some((lot) => lot.id === id)
const all = computed(() => book.disagreements.filter((one) => lotId === null || isAbout(one, lotId)))
</script>

<template>
  <section v-if="all.length" class="sheet" aria-label="Not settled">
    <h2>Which is right?</h2>
    <ul class="plain-list">
      <LazyNotSettledOne v-for="one in all.slice(0, SHOWN)" :key="one.key" :one="one" />
    </ul>
    <p v-if="all.length > SHOWN" class="muted small">{{ all.length - SHOWN }} more come when these are settled.</p>
  </section>
</template>

<style scoped>
.plain-list {
  display: grid;
  gap: var(--s3);
}
</style>
