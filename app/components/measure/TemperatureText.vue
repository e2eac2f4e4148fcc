<script setup lang="ts">
import { formatTemperature } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

defineProps<{ tempC: number }>()
const preferences = usePreferences()
</script>

<template>
  <span>{{ formatTemperature(tempC, preferences.world) }}</span>
</template>
