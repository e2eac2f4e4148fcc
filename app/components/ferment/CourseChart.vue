<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { CustomChart, LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import { refDebounced } from '@vueuse/core'
import VChart from 'vue-echarts'
import {
  DAY_MS,
  formatTemperature,
  HOUR_MS,
  PH_LINE,
  type Course,
  type PhOfLot,
  type TemperaturePoint,
} from '@lactofer/core'
import { shortMoment } from '~/clock/moments'
import type { CourseEvent, ExtraLine } from './courseLines'
import { useTones } from '~/composables/useTones'
import { usePreferences } from '~/stores/preferences'

/**
 * Is it sour yet? The forecast as a band, readings with what their meter may be off, the two lines, the clock, what
 * happened, and temperature below.
 */
use([LineChart, CustomChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer])
const {
  startMs,
  course = null,
  readings = [],
  temperatures = [],
  targetPh,
  clockDueMs = null,
  nowMs = null,
  events = [],
  extras = [],
  label,
} = defineProps<{
  startMs: number
  course?: Course | null
  readings?: readonly PhOfLot[]
  temperatures?: readonly TemperaturePoint[]
  targetPh: number
  clockDueMs?: number | null
  nowMs?: number | null
  events?: readonly CourseEvent[]
  extras?: readonly ExtraLine[]
  label: string
}>()
const tones = useTones()
const preferences = usePreferences()

/** Lines beside the forecast are told apart by their dashes, not by colour. */
const DASHES: (string | number[])[] = ['dashed', 'dotted', [10, 3, 2, 3]]
/** Days between marks of the axis. */
const STEPS = [1, 2, 3, 7, 14, 28, 60]
const atMs = (hour: number) => startMs + hour * HOUR_MS
const endMs = computed(() =>
  Math.max(
    startMs + 3 * DAY_MS,
    course ? atMs(course.hours.at(-1) ?? 0) : 0,
    ...readings.map((reading) => reading.atMs),
    (clockDueMs ?? 0) + 0.2 * DAY_MS,
    ...extras.map(({ points }) => (course ? 0 : startMs + (points.at(-1)?.[0] ?? 0))),
  ),
)
const option = computed(() => {
  const { ink, muted, line, acid, temperature, act, surface } = tones.value
  const text = { color: muted, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 }
  const span = endMs.value - startMs
  const band = (values: readonly number[]) =>
    (course?.hours ?? []).map((hour, index): [number, number] => [atMs(hour), values[index] ?? 0])
  const low = band(course?.blended.low ?? [])
  const dayAxis = {
    type: 'value' as const,
    min: startMs,
    max: endMs.value,
    interval: (STEPS.find((step) => span / DAY_MS / step <= 10) ?? 90) * DAY_MS,
    axisLine: { lineStyle: { color: line } },
    splitLine: { show: false },
  }
  const level = (value: number, color: string, words: string) => ({
    yAxis: value,
    lineStyle: { color, type: 'dashed' as const, width: 1.5 },
    label: {
      formatter: words,
      color,
      position: clockDueMs || !course ? ('insideStartTop' as const) : ('insideEndTop' as const),
      fontSize: 13,
    },
  })
  const upright = (ms: number, words: string, color: string, type: 'solid' | 'dotted', width = 1) => ({
    xAxis: ms,
    lineStyle: { color, type, width },
    label: { formatter: words, color, rotate: 90, position: 'insideStartTop' as const, fontSize: 12 },
  })
  const shownPh = [
    ...readings.map(({ ph }) => ph),
    ...(course?.blended.high ?? []),
    ...extras.flatMap(({ points }) => points.map(([, ph]) => ph)),
  ]
  const bottom = Math.floor(Math.min(3.2, ...shownPh, ...(course?.blended.low ?? [])) * 5) / 5
  const top = bottom + 0.4 * Math.ceil((Math.max(5.2, ...shownPh) - bottom) / 0.4)
  const plain = { symbol: 'none', silent: true, xAxisIndex: 0, yAxisIndex: 0, type: 'line' as const, animation: false }
  const temps = course
    ? course.hours.map((hour, index): [number, number] => [atMs(hour), course.tempC[index] ?? 20])
    : []
  // Where no temperature is told, its panel is left out.
  const warmth = temps.length + temperatures.length > 0
  const dayLabel = {
    ...text,
    margin: 12,
    formatter: (ms: number) => `day ${Math.round((ms - startMs) / DAY_MS)}`,
    showMaxLabel: false,
  }
  return {
    animation: false,
    textStyle: text,
    grid: [
      { left: 46, right: 22, top: 12, height: warmth ? '62%' : '84%' },
      { left: 46, right: 22, bottom: 32, height: '15%' },
    ],
    tooltip: {
      trigger: 'item' as const,
      backgroundColor: surface,
      borderColor: line,
      textStyle: { color: ink },
      formatter: (hit: unknown) => {
        const { value, seriesName } = hit as { value: [number, number]; seriesName: string }
        return `${startMs > 0 ? shortMoment(value[0]) : `day ${(value[0] / DAY_MS).toFixed(1)}`}<br>${seriesName === 'temperature' ? formatTemperature(value[1], preferences.world) : `${seriesName} ${value[1].toFixed(2)}`}`
      },
    },
    xAxis: [
      { ...dayAxis, gridIndex: 0, axisLabel: warmth ? { show: false } : dayLabel },
      { ...dayAxis, gridIndex: 1, show: warmth, axisLabel: dayLabel },
    ],
    yAxis: [
      {
        gridIndex: 0,
        min: bottom,
        max: top,
        interval: 0.4,
        splitLine: { lineStyle: { color: line } },
        axisLabel: { ...text, formatter: (value: number) => value.toFixed(1) },
      },
      {
        gridIndex: 1,
        show: warmth,
        scale: true,
        minInterval: 2,
        splitNumber: 2,
        splitLine: { lineStyle: { color: line } },
        axisLabel: {
          ...text,
          formatter: (value: number) => formatTemperature(value, preferences.world).replace(/\.0/, ''),
        },
      },
    ],
    series: [
      { ...plain, name: 'low', stack: 'band', data: low, lineStyle: { opacity: 0 } },
      {
        ...plain,
        name: 'band',
        stack: 'band',
        data: band(course?.blended.high ?? []).map(([ms, high], index) => [ms, high - (low[index]?.[1] ?? 0)]),
        lineStyle: { opacity: 0 },
        areaStyle: { color: acid, opacity: 0.18 },
      },
      {
        ...plain,
        name: 'forecast pH',
        data: band(course?.blended.typical ?? []),
        lineStyle: { color: acid, width: 2 },
        markLine: {
          symbol: 'none',
          silent: true,
          data: [
            level(PH_LINE, act, 'must pass 4.6'),
            level(targetPh, acid, `target ${targetPh.toFixed(2)}`),
            ...events.map(({ ms, text: words }) => upright(ms, words, muted, 'dotted')),
            ...(nowMs !== null && nowMs < endMs.value ? [upright(nowMs, 'now', ink, 'solid', 1.5)] : []),
            ...(clockDueMs ? [upright(clockDueMs, '4.6 due', act, 'solid', 2)] : []),
          ],
        },
      },
      // The liquid of pieces runs ahead; in a mash the two are one.
      ...(course?.liquid.typical.some((ph, index) => Math.abs(ph - (course.blended.typical[index] ?? ph)) > 0.03)
        ? [
            {
              ...plain,
              name: 'forecast pH of the liquid',
              data: band(course.liquid.typical),
              lineStyle: { color: acid, width: 1.5, type: 'dotted' as const },
            },
          ]
        : []),
      ...extras.map(({ name, short, points }, index) => ({
        ...plain,
        name,
        data: points.filter(([ms]) => startMs + ms <= endMs.value).map(([ms, ph]) => [startMs + ms, ph]),
        lineStyle: { color: ink, width: 2, type: DASHES[index % DASHES.length] },
        endLabel: {
          show: true,
          formatter: short,
          color: ink,
          fontSize: 13,
          align: 'right' as const,
          offset: [0, -10 - 14 * index],
        },
      })),
      {
        name: 'meter',
        type: 'custom' as const,
        silent: true,
        data: readings.map(({ atMs: ms, ph, sd }) => [ms, ph - 2 * sd, ph + 2 * sd]),
        renderItem: (_: unknown, api: { value: (index: number) => number; coord: (at: number[]) => number[] }) => {
          const [x = 0, least = 0] = api.coord([api.value(0), api.value(1)])
          const [, most = 0] = api.coord([api.value(0), api.value(2)])
          return {
            type: 'line' as const,
            shape: { x1: x, x2: x, y1: most, y2: least },
            style: { stroke: acid, lineWidth: 2 },
          }
        },
      },
      {
        name: 'pH',
        type: 'line' as const,
        symbol: 'circle',
        data: readings.map(({ atMs: ms, ph, of }) => ({
          value: [ms, ph],
          ...(of === 'liquid' && { itemStyle: { color: surface, borderColor: acid, borderWidth: 2.5 } }),
        })),
        symbolSize: 10,
        lineStyle: { width: 0 },
        itemStyle: { color: acid },
      },
      {
        name: 'temperature',
        type: 'line' as const,
        data: temps,
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbol: 'none',
        silent: true,
        lineStyle: { color: temperature, width: 1.5, type: 'dashed' as const },
      },
      {
        name: 'temperature',
        type: 'line' as const,
        data: temperatures.map(({ atMs: ms, tempC }) => [ms, tempC]),
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbol: temperatures.length > 60 ? 'none' : 'circle',
        symbolSize: 6,
        lineStyle: { color: temperature, width: 2 },
        itemStyle: { color: temperature },
      },
    ],
  }
})
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
