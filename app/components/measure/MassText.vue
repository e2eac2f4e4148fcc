<script setup lang="ts">
import { formatMass } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

defineProps<{ massG: number }>()
const preferences = usePreferences()
</script>

<template>
  <span>{{ formatMass(massG, preferences.world) }}</span>
</template>
