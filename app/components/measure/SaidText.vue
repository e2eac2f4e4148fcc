<script setup lang="ts">
import { inWorld } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/** A sentence or a figure of core, in the maker's units. */
defineProps<{ text: string }>()
const preferences = usePreferences()
</script>

<template>
  <span>{{ inWorld(text, preferences.world) }}</span>
</template>
