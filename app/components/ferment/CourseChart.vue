<script setup lang="ts">
import { computed } from 'vue'
import { dayWords, formatTemperature } from '@lactofer/core'
import type { CourseShown } from './courseMarks'
import { shortMoment } from '~/clock/moments'
import type { TellingPoint } from '~/composables/useDrawnChart'
import { usePreferences } from '~/stores/preferences'

/**
 * Is it sour yet? The forecast as a band, readings with what their meter may be off, the two lines, the clock, what
 * happened, and temperature below.
 */
const {
  label,
  heightPx = 380,
  ...shown
} = defineProps<
  Partial<Omit<CourseShown, 'startMs' | 'targetPh'>> &
    Pick<CourseShown, 'startMs' | 'targetPh'> & { label: string; heightPx?: number }
>()
const preferences = usePreferences()
const picture = computed(() => ({
  name: 'course' as const,
  of: {
    startMs: shown.startMs,
    targetPh: shown.targetPh,
    course: shown.course ?? null,
    readings: shown.readings ?? [],
    temperatures: shown.temperatures ?? [],
    clockDueMs: shown.clockDueMs ?? null,
    nowMs: shown.nowMs ?? null,
    events: shown.events ?? [],
    extras: shown.extras ?? [],
  },
}))
function tip({ name, value: [ms, value] = [0, 0] }: TellingPoint): string {
  const when = shown.startMs > 0 ? shortMoment(ms) : dayWords(ms)
  const what = name === 'temperature' ? formatTemperature(value, preferences.world) : `${name} ${value.toFixed(2)}`
  return `${when}: ${what}`
}
</script>

<template>
  <ChartBase :picture="picture" :tip="tip" :height-px="heightPx" :label="label" />
</template>
