<script setup lang="ts">
import { sourerWords, sourerWorking } from '@lactofer/core'

/** What the difference of two pH means, in words that are right; it opens to its working. */
defineProps<{ from: number; to: number; between?: string }>()
</script>

<template>
  <div class="small sour" data-figure="sour-difference">
    <p>{{ between ?? `${from.toFixed(2)} to ${to.toFixed(2)}` }}: {{ sourerWords(from, to) }}.</p>
    <ShowWorking :working="sourerWorking(from, to)" />
  </div>
</template>

<style scoped>
.sour {
  display: grid;
  gap: 2px;
}
</style>
