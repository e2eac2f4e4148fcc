<script setup lang="ts">
import type { Working } from '@lactofer/core'

/** Opens a figure to its formula, the numbers put in, the result and the source. */
defineProps<{ working: Working }>()
</script>

<template>
  <details class="disclose small">
    <summary>Working: {{ working.what }}</summary>
    <WorkingSteps :working="working" />
  </details>
</template>
