<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { use } from 'echarts/core'
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { formatTemperature, PH_LINE, type Lot } from '@lactofer/core'
import { useTones } from '~/composables/useTones'
import { usePreferences } from '~/stores/preferences'

/** Is it sour yet? pH against its two lines, temperature below, signs marked. */
use([LineChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer])
const { lot, targetPh, clockDueMs = null } = defineProps<{ lot: Lot, targetPh: number, clockDueMs?: number | null }>()
const tones = useTones()
const preferences = usePreferences()

const points = (pick: 'ph' | 'tempC') => lot.readings.flatMap((reading) => {
  const value = reading[pick]
  return value === undefined ? [] : [[Date.parse(reading.at), value] as [number, number]]
})
const option = computed(() => {
  const { ink, muted, line, acid, temperature, act, surface } = tones.value
  const ph = points('ph')
  const text = { color: muted, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 }
  const start = lot.startedMs
  const last = Math.max(...lot.readings.map(reading => Date.parse(reading.at)), clockDueMs ?? 0, start + 3 * 86_400_000)
  const end = last + (last - start) * 0.05
  const day = (ms: number) => `day ${Math.round((ms - start) / 86_400_000)}`
  const xAxis = { type: 'value' as const, min: start, max: end, interval: Math.max(1, Math.ceil((end - start) / 86_400_000 / 8)) * 86_400_000, axisLine: { lineStyle: { color: line } }, splitLine: { show: false } }
  const level = (value: number, color: string, label: string) => ({ yAxis: value, lineStyle: { color, type: 'dashed' as const, width: 1.5 }, label: { formatter: label, color, position: 'insideStartTop' as const, fontSize: 13 } })
  const signs = lot.signs.map(sign => ({ xAxis: Date.parse(sign.at), lineStyle: { color: muted, type: 'dotted' as const }, label: { formatter: sign.sign, color: muted, rotate: 90, position: 'insideStartTop' as const, fontSize: 12 } }))
  const due = clockDueMs ? [{ xAxis: clockDueMs, lineStyle: { color: act, width: 2 }, label: { formatter: '4.6 due', color: act, position: 'insideEndTop' as const } }] : []
  return {
    animation: false,
    textStyle: text,
    grid: [{ left: 46, right: 18, top: 14, height: '56%' }, { left: 46, right: 18, bottom: 26, height: '20%' }],
    tooltip: { trigger: 'axis' as const, backgroundColor: surface, borderColor: line, textStyle: { color: ink },
      formatter: (hits: unknown) => (hits as { value: [number, number], seriesName: string }[]).map(hit => `${dayjs(hit.value[0]).format('D MMM HH:mm')}  ${hit.seriesName === 'pH' ? `pH ${hit.value[1].toFixed(2)}` : formatTemperature(hit.value[1], preferences.world)}`).join('<br>') },
    xAxis: [{ ...xAxis, gridIndex: 0, axisLabel: { show: false } }, { ...xAxis, gridIndex: 1, axisLabel: { ...text, formatter: day, showMaxLabel: false } }],
    yAxis: [
      { gridIndex: 0, min: Math.min(3, ...ph.map(([, value]) => Math.floor(value * 2) / 2)), max: Math.max(5.5, ...ph.map(([, value]) => Math.ceil(value * 2) / 2)), interval: 0.5, splitLine: { lineStyle: { color: line } }, axisLabel: { ...text, formatter: (value: number) => value.toFixed(1) } },
      { gridIndex: 1, scale: true, minInterval: 1, splitNumber: 2, splitLine: { lineStyle: { color: line } }, axisLabel: { ...text, formatter: (value: number) => formatTemperature(value, preferences.world).replace(/\.0/, '') } },
    ],
    series: [
      { name: 'pH', type: 'line' as const, data: ph, xAxisIndex: 0, yAxisIndex: 0, symbol: 'circle', symbolSize: 9, lineStyle: { color: acid, width: 2.5 }, itemStyle: { color: acid },
        markLine: { symbol: 'none', data: [level(PH_LINE, act, 'must pass 4.6'), level(targetPh, acid, `target ${targetPh.toFixed(2)}`), ...signs, ...due] } },
      { name: 'temperature', type: 'line' as const, data: points('tempC'), xAxisIndex: 1, yAxisIndex: 1, symbol: 'circle', symbolSize: 6, lineStyle: { color: temperature, width: 2 }, itemStyle: { color: temperature } },
    ],
  }
})
</script>

<template>
  <figure>
    <figcaption><h2>Is it sour yet?</h2></figcaption>
    <VChart v-if="lot.readings.length" class="chart" :option="option" autoresize role="img" :aria-label="`pH and temperature of ${lot.code}; the same figures stand in the log below`" />
    <p v-else class="muted">No reading yet. The first pH and temperature draw the line.</p>
  </figure>
</template>

<style scoped>
figure { margin: 0; }
.chart { height: 340px; width: 100%; }
</style>
