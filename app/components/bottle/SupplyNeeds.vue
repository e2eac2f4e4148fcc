<script setup lang="ts">
import { counted, type SupplyKey } from '@lactofer/core'

/** What the run takes of the packaging against what is at hand. */
defineProps<{ needs: readonly (SupplyKey & { count: number; atHand: number | null })[] }>()
const WORDS = { bottle: 'bottle', insert: 'insert', cap: 'cap', band: 'shrink band', label: 'label' } as const
</script>

<template>
  <ul class="plain-list needs" aria-label="Packaging needed">
    <li v-for="need in needs" :key="need.item" :data-supply="need.item">
      <span>{{ counted(need.count, WORDS[need.item]) }}</span>
      <StateMark
        v-if="need.atHand !== null && need.atHand < need.count"
        class="small"
        level="act"
        :word="`${need.count - need.atHand} missing`"
      /><span v-else-if="need.atHand !== null" class="small muted">{{ need.atHand }} there</span
      ><span v-else class="small muted">never counted</span>
    </li>
  </ul>
</template>

<style scoped>
.needs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(134px, 1fr));
  gap: var(--s2);
}
.needs li {
  display: grid;
  border-left: 3px solid var(--line);
  padding-left: var(--s2);
  line-height: 1.3;
}
</style>
