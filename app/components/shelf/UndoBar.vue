<script setup lang="ts">
import { useRound } from '~/stores/round'

/** What was recorded last, and the way back. It stays until something else is recorded. */
const round = useRound()
</script>

<template>
  <p v-if="round.last" class="undo" role="status">
    <span>{{ round.last.text }}</span>
    <PressButton :disabled="round.busy" title="Ctrl and Z" @click="round.undo">Undo</PressButton>
  </p>
</template>

<style scoped>
.undo {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--s2);
  padding: var(--s1) var(--s4);
  background: var(--wash);
}
</style>
