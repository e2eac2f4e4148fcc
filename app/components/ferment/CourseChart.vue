<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { CustomChart, LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import { refDebounced } from '@vueuse/core'
import VChart from 'vue-echarts'
import { courseOption, type CourseShown } from './courseOption'
import { useTones } from '~/composables/useTones'
import { usePreferences } from '~/stores/preferences'

/**
 * Is it sour yet? The forecast as a band, readings with what their meter may be off, the two lines, the clock, what
 * happened, and temperature below.
 */
use([LineChart, CustomChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer])
const { label, ...shown } = defineProps<
  Partial<Omit<CourseShown, 'startMs' | 'targetPh'>> & Pick<CourseShown, 'startMs' | 'targetPh'> & { label: string }
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
  <VChart
    class="chart"
    :option="drawn"
    :update-options="{ notMerge: true }"
    autoresize
    role="img"
    :aria-label="label"
  />
</template>

<style scoped>
.chart {
  height: 380px;
  width: 100%;
}
</style>
