<script setup lang="ts">
import { computed } from 'vue'
import { refThrottled } from '@vueuse/core'
import { use } from 'echarts/core'
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkPointComponent, TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { formatMass, phAnswer, type Composition } from '@lactofer/core'
import type { Wanted } from '../measure/rulers'
import { useTones } from '~/composables/useTones'
import { usePreferences } from '~/stores/preferences'

/** What would an addition do to the pH? One line for each part already in the pot, and water. */
use([LineChart, GridComponent, MarkAreaComponent, MarkPointComponent, TooltipComponent, SVGRenderer])
const { base, additions, target } = defineProps<{
  base: Composition
  additions: readonly { name: string; composition: Composition }[]
  target: Wanted
}>()
const tones = useTones()
const preferences = usePreferences()
const STEPS = 12
// The rulers answer at once; the curves may follow a few frames later.
const bench = refThrottled(
  computed(() => ({ base, additions })),
  90,
  true,
  false,
)
const reach = computed(() => Number((bench.value.base.massG * 0.25).toPrecision(1)))
const added = computed(() => Array.from({ length: STEPS + 1 }, (_, step) => (reach.value * step) / STEPS))
const lines = computed(() =>
  bench.value.additions.map(({ name, composition }) => ({
    name,
    values: phAnswer(bench.value.base, composition, added.value),
  })),
)
const PAD = 0.06
const PLOT_PX = 190
const LINE_PX = 17

/** How far each end label moves down so that none lies on another; heights in px from the top. */
function labelShifts(heights: readonly number[]): number[] {
  const order = heights.map((_, index) => index).sort((a, b) => (heights[a] ?? 0) - (heights[b] ?? 0))
  const placed: number[] = [...heights]
  order.forEach((index, rank) => {
    const above = order[rank - 1]
    if (above !== undefined) placed[index] = Math.max(placed[index] ?? 0, (placed[above] ?? 0) + LINE_PX)
  })
  return placed.map((height, index) => height - (heights[index] ?? 0))
}
const option = computed(() => {
  const { ink, muted, line, acid, salt, heat, sweet, body, temperature, surface } = tones.value
  const colours = [heat, acid, sweet, salt, body, temperature]
  const dashes = ['solid', [8, 4], [2, 3], [10, 3, 2, 3], [5, 5], [1, 4]] as const
  const all = lines.value.flatMap((one) => one.values.filter((value) => value !== null))
  const low = Math.floor((Math.min(...all) - PAD) * 10) / 10
  const high = Math.ceil((Math.max(...all) + PAD) * 10) / 10
  const shifts = labelShifts(lines.value.map((one) => ((high - (one.values.at(-1) ?? low)) / (high - low)) * PLOT_PX))
  return {
    animation: false,
    textStyle: { color: muted, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 },
    grid: { left: 46, right: 132, top: 12, bottom: 28 },
    tooltip: {
      trigger: 'axis' as const,
      backgroundColor: surface,
      borderColor: line,
      textStyle: { color: ink },
      valueFormatter: (value: unknown) => `pH ${Number(value).toFixed(2)}`,
    },
    xAxis: {
      type: 'value' as const,
      min: 0,
      max: reach.value,
      interval: reach.value / 4,
      axisLabel: {
        color: muted,
        formatter: (grams: number) => (grams === 0 ? 'now' : `+${formatMass(grams, preferences.world)}`),
      },
      splitLine: { show: false },
      axisLine: { lineStyle: { color: line } },
    },
    yAxis: {
      type: 'value' as const,
      min: low,
      max: high,
      axisLabel: { color: muted, formatter: (value: number) => value.toFixed(1) },
      splitLine: { lineStyle: { color: line } },
    },
    series: lines.value.map((one, index) => ({
      name: one.name,
      type: 'line' as const,
      symbol: 'none',
      data: one.values.map((value, step) => [added.value[step], value]),
      lineStyle: { color: colours[index % colours.length], width: 2.5, type: dashes[index % dashes.length] as 'solid' },
      itemStyle: { color: colours[index % colours.length] },
      endLabel: {
        show: true,
        formatter: one.name.length > 17 ? `${one.name.slice(0, 16)}…` : one.name,
        color: colours[index % colours.length],
        fontSize: 13,
        fontWeight: 600,
        offset: [2, shifts[index] ?? 0] as [number, number],
      },
      ...(index === 0 && {
        markPoint: {
          silent: true,
          symbol: 'circle',
          symbolSize: 11,
          itemStyle: { color: ink },
          label: { show: false },
          data: [{ coord: [0, one.values[0] ?? 0] }],
        },
      }),
      ...(index === 0 &&
        target.high !== null && {
          markArea: {
            silent: true,
            itemStyle: { color: acid, opacity: 0.12 },
            data: [[{ yAxis: target.low ?? 0 }, { yAxis: target.high }]] as [{ yAxis: number }, { yAxis: number }][],
          },
        }),
    })),
  }
})
</script>

<template>
  <figure>
    <figcaption><h2>What would an addition do to the pH?</h2></figcaption>
    <VChart
      class="chart"
      :option="option"
      autoresize
      role="img"
      aria-label="pH against the mass added, one line for each component; the figures stand in the table below"
    />
    <details class="small">
      <summary>the figures as a table</summary>
      <table class="plain">
        <thead>
          <tr>
            <th>Adding</th>
            <th class="number">now</th>
            <th class="number"><MassText :mass-g="reach / 2" /></th>
            <th class="number"><MassText :mass-g="reach" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in lines" :key="one.name">
            <td>{{ one.name }}</td>
            <td class="number">{{ one.values[0]?.toFixed(2) }}</td>
            <td class="number">{{ one.values[STEPS / 2]?.toFixed(2) }}</td>
            <td class="number">{{ one.values[STEPS]?.toFixed(2) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.chart {
  height: 230px;
  width: 100%;
}
summary {
  cursor: pointer;
  min-height: 32px;
  color: var(--bottle);
  font-weight: 600;
}
</style>
