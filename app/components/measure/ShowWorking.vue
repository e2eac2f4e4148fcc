<script setup lang="ts">
import type { Working } from '@lactofer/core'

/** Opens a figure to its formula, the numbers put in, the result and the source. */
defineProps<{ working: Working }>()
</script>

<template>
  <details class="working">
    <summary>Working: {{ working.what }}</summary>
    <WorkingSteps :working="working" />
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--bottle);
  font-size: 14px;
  font-weight: 600;
  min-height: 28px;
  display: inline-flex;
  align-items: center;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  list-style: none;
}
summary::-webkit-details-marker {
  display: none;
}
</style>
