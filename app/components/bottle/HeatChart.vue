<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { formatNumber, formatTemperature, type HeatReference, type Lethality } from '@lactofer/core'
import { useTones } from '~/composables/useTones'
import { usePreferences } from '~/stores/preferences'

/**
 * How hot, and what did it count for? Temperature above, minutes gained at the reference below; gaps are shown and
 * not counted.
 */
use([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent, SVGRenderer])
const { found, reference, name } = defineProps<{ found: Lethality; reference: HeatReference; name: string }>()
const LEAST = 0.1
const tones = useTones()
const preferences = usePreferences()
const shown = (tempC: number) => formatTemperature(tempC, preferences.world)
const option = computed(() => {
  const { muted, line, temperature, heat, act } = tones.value
  const text = { color: muted, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 }
  // Where it did a hundred times what is asked, a straight axis would hide when it was reached.
  const wide = reference.minutes !== null && found.minutes.typical > 10 * reference.minutes
  const end = Math.max(1, found.course.at(-1)?.minute ?? 1)
  const coolest = Math.min(...found.course.map(({ tempC }) => tempC), reference.refC)
  const axis = {
    type: 'value' as const,
    min: 0,
    max: end,
    axisLine: { lineStyle: { color: line } },
    splitLine: { show: false },
  }
  const gaps = found.gaps.map(({ from, to }): [object, object] => [
    {
      xAxis: from,
      itemStyle: { color: act, opacity: 0.15 },
      label: { show: true, formatter: 'not counted', color: act, position: 'insideTop' },
    },
    { xAxis: to },
  ])
  // A line is not drawn over what was not measured.
  const broken = (value: (point: Lethality['course'][number]) => number) =>
    found.course.flatMap((point): [number, number | null][] =>
      found.gaps.some(({ to }) => to === point.minute)
        ? [
            [point.minute, null],
            [point.minute, value(point)],
          ]
        : [[point.minute, value(point)]],
    )
  const drawn = {
    type: 'line' as const,
    animation: false,
    silent: true,
    showSymbol: found.course.length < 40,
    symbolSize: 5,
  }
  return {
    animation: false,
    textStyle: text,
    grid: [
      { left: 62, right: 18, top: 10, height: '50%' },
      { left: 62, right: 18, bottom: 34, height: '26%' },
    ],
    xAxis: [
      { ...axis, gridIndex: 0, axisLabel: { show: false } },
      {
        ...axis,
        gridIndex: 1,
        axisLabel: { ...text, formatter: (minute: number) => `${formatNumber(minute)} min`, showMaxLabel: false },
      },
    ],
    yAxis: [
      {
        gridIndex: 0,
        min: Math.floor(coolest / 10) * 10,
        max: Math.ceil((found.hottestC + 2) / 10) * 10,
        splitNumber: 4,
        splitLine: { lineStyle: { color: line } },
        axisLabel: { ...text, formatter: (value: number) => shown(value).replace(/\.0/, '') },
      },
      {
        gridIndex: 1,
        ...(wide ? { type: 'log' as const, min: LEAST } : { min: 0, splitNumber: 2 }),
        splitLine: { lineStyle: { color: line } },
        axisLabel: { ...text, formatter: (value: number) => formatNumber(value, value < 3 && value > 0 ? 1 : 0) },
      },
    ],
    series: [
      {
        ...drawn,
        xAxisIndex: 0,
        yAxisIndex: 0,
        data: broken(({ tempC }) => tempC),
        lineStyle: { color: temperature, width: 2.5 },
        itemStyle: { color: temperature },
        markArea: { data: gaps },
        markLine: {
          silent: true,
          symbol: 'none',
          data: [
            {
              yAxis: reference.refC,
              lineStyle: { color: muted, type: 'dashed' as const },
              label: { formatter: shown(reference.refC), color: muted, position: 'insideStartTop' as const },
            },
          ],
        },
      },
      {
        ...drawn,
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: found.course.map(({ minute, gained }) => [minute, wide ? Math.max(LEAST, gained) : gained]),
        lineStyle: { color: heat, width: 2.5 },
        itemStyle: { color: heat },
        markLine: {
          silent: true,
          symbol: 'none',
          data:
            reference.minutes === null
              ? []
              : [
                  {
                    yAxis: reference.minutes,
                    lineStyle: { color: muted, type: 'dashed' as const },
                    label: {
                      formatter: `${formatNumber(reference.minutes, 1)} min`,
                      color: muted,
                      position: 'insideEndTop' as const,
                    },
                  },
                ],
        },
      },
    ],
  }
})
const every = computed(() => Math.max(1, Math.ceil(found.course.length / 24)))
const rows = computed(() =>
  found.course.filter((_, index) => index % every.value === 0 || index === found.course.length - 1),
)
const chartLabel = computed(
  () => `Temperature of the ${name} and the minutes it was worth; the table below has the figures.`,
)
</script>

<template>
  <figure>
    <figcaption>
      <strong>{{ name[0]?.toUpperCase() }}{{ name.slice(1) }}: how hot, and what did it count for?</strong>{{ ' '
      }}<span class="small muted">Above the temperature, below the minutes gained at {{ shown(reference.refC) }}.</span>
    </figcaption>
    <div role="img" :aria-label="chartLabel"><VChart class="chart" :option="option" autoresize /></div>
    <details class="disclose small">
      <summary>As a table</summary>
      <table class="plain">
        <thead>
          <tr>
            <th class="number">Minute</th>
            <th class="number">Temperature</th>
            <th class="number">Gained, min</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.minute">
            <td class="number">{{ formatNumber(row.minute, 1) }}</td>
            <td class="number">{{ shown(row.tempC) }}</td>
            <td class="number">{{ formatNumber(row.gained, 2) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s2);
}
.chart {
  height: 270px;
}
table {
  max-width: 420px;
}
</style>
