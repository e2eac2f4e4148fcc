<script setup lang="ts">
import { computed } from 'vue'
import { refDebounced } from '@vueuse/core'

/** Tells whoever listens, once it has stood still: figures that run along with a slider are not read out. */
const { text } = defineProps<{ text: string }>()
const PAUSE_MS = 1200
const steady = refDebounced(
  computed(() => text),
  PAUSE_MS,
)
</script>

<template>
  <p class="visually-hidden" role="status">{{ steady }}</p>
</template>
