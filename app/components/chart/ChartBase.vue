<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { use } from 'echarts/core'
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import {
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
} from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { inTurn } from '~/clock/breathe'
import { useTones } from '~/composables/useTones'
import { chartTheme } from './theme'

/** Every chart: what is drawn, its look, its size, what it says to whoever does not see it, its figures as a table. */
use([LineChart, ScatterChart, CustomChart, GridComponent, TooltipComponent, SVGRenderer])
use([MarkAreaComponent, MarkLineComponent, MarkPointComponent])
const {
  option,
  label,
  heightPx,
  figure,
  tableName = 'the figures as a table',
} = defineProps<{
  option: object
  /** A sentence in place of the picture. */
  label: string
  heightPx: number
  /** Its name in the data. */
  figure?: string | undefined
  tableName?: string
}>()
const tones = useTones()
const theme = computed(() => chartTheme(tones.value))
/** Its axes come first and what is drawn on them next, each in a task of its own. */
const step = ref<'none' | 'axes' | 'all'>('none')
const waits = [inTurn(() => (step.value = 'axes')), inTurn(() => (step.value = 'all'))]
onBeforeUnmount(() => waits.forEach((drop) => drop()))
const drawn = computed(() => ({ animation: false, ...option, ...(step.value === 'axes' && { series: [] }) }))
</script>

<template>
  <div class="whole">
    <div v-if="step === 'none'" :style="{ height: `${heightPx}px` }" />
    <VChart
      v-else
      :style="{ height: `${heightPx}px` }"
      :option="drawn"
      :theme="theme"
      :update-options="{ notMerge: true }"
      autoresize
      role="img"
      :aria-label="label"
      :data-figure="figure"
    />
    <details v-if="$slots.table" class="disclose small">
      <summary>{{ tableName }}</summary>
      <slot name="table" />
    </details>
  </div>
</template>

<style scoped>
.whole {
  display: grid;
  gap: var(--s2);
}
summary {
  cursor: pointer;
  min-height: 32px;
  color: var(--bottle);
  font-weight: 600;
}
</style>
