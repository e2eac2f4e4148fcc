<script setup lang="ts">
import { computed } from 'vue'
import { formatMass, type Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What stays in stock of the lots that the sauces of the bench share. */
const { taken, remains } = defineProps<{
  taken: ReadonlyMap<string, number>
  remains: (lotId: string) => number
}>()
const book = useBook()
const preferences = usePreferences()
const lots = computed(() => [...taken.keys()].flatMap((id) => book.lot(id) ?? []))
/** What stays of a lot once every sauce has its share. */
function remainsWords({ id, leftG }: Lot): string {
  const restG = remains(id)
  if (restG < -0.5) return `${formatMass(-restG, preferences.world)} too much taken`
  return `${formatMass(Math.max(0, restG), preferences.world)} stay of ${formatMass(leftG, preferences.world)}`
}
</script>

<template>
  <p v-if="lots.length" class="stock small" aria-label="What stays in stock">
    <span v-for="lot in lots" :key="lot.id" :class="{ over: remains(lot.id) < -0.5 }"
      ><span class="code">{{ lot.code }}</span> {{ remainsWords(lot) }}</span
    >
  </p>
</template>

<style scoped>
.stock {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1) var(--s5);
  margin-top: calc(-1 * var(--s3));
}
.stock .over {
  color: var(--discard);
  font-weight: 700;
}
</style>
