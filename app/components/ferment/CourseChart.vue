<script setup lang="ts">
import { computed } from 'vue'
import { refDebounced } from '@vueuse/core'
import type { CourseShown } from './courseMarks'
import { courseOption } from './courseOption'
import { useTones } from '~/composables/useTones'
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
const tones = useTones()
const preferences = usePreferences()

const option = computed(() =>
  courseOption(
    {
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
    tones.value,
    preferences.world,
  ),
)
/** Drawn in a task of its own, after what was typed is on the page. */
const drawn = refDebounced(option, 120)
</script>

<template>
  <ChartBase :option="drawn" :height-px="heightPx" :label="label" />
</template>
