<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { use } from 'echarts/core'
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { AIMS, figureOf, formatNumber, type Aim, type FrontierPoint, type Forecast } from '@lactofer/core'
import { aimName, aimValue } from './limitWords'
import { TARGET_FIELDS, type SauceForm } from './blendForm'
import type { Bench } from '~/composables/useBench'
import { useTones } from '~/composables/useTones'
import { askForFrontier, cancelFrontier } from '~/workers/blender'

/** How do two properties pull against each other? All that the two can be together, with the pot and the targets in it. */
use([LineChart, ScatterChart, CustomChart, GridComponent, MarkAreaComponent, TooltipComponent, SVGRenderer])
const { question, forecast, sauce } = defineProps<{
  question: Bench['question']
  forecast: Forecast
  sauce: SauceForm
}>()
const POINTS = 200
const tones = useTones()
const across = ref<Aim>('heat')
const up = ref<Aim>('acid')
const points = shallowRef<FrontierPoint[] | null>(null)
const shownFor = ref<[Aim, Aim]>(['heat', 'acid'])
const progress = ref<number | null>(null)
const problem = ref('')
const options = AIMS.map((aim) => ({ value: aim, label: aim === 'acid' ? 'pH' : aimName(aim) }))

async function draw() {
  problem.value = ''
  if (across.value === up.value) {
    problem.value = 'Choose two different properties.'
    return
  }
  const { set, problem: refused } = question(false)
  if (!set) {
    problem.value = refused ?? ''
    return
  }
  progress.value = 0
  try {
    const found = await askForFrontier(set, 0, [across.value, up.value], POINTS, (share) => (progress.value = share))
    if (found === null) return
    points.value = found.length ? found : null
    shownFor.value = [across.value, up.value]
    problem.value = found.length
      ? ''
      : 'What is locked, in stock and to be made does not go together, so there is nothing to show.'
  } catch {
    problem.value = 'The solver could not be started here.'
  } finally {
    progress.value = null
  }
}
function cancel() {
  cancelFrontier()
  progress.value = null
}
onBeforeUnmount(cancel)

const now = computed(() => shownFor.value.map((aim) => figureOf(aim, forecast.composition)))
const padded = (values: number[], [least, most]: readonly [number, number]) => {
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const pad = Math.max((high - low) * 0.08, 1e-3)
  return [Math.max(least, low - pad), Math.min(most, high + pad)] as const
}
const option = computed(() => {
  const found = points.value
  if (!found) return null
  const { ink, muted, line, fine, surface, act } = tones.value
  const [x, y] = shownFor.value
  const [nowX, nowY] = now.value
  const limits = (aim: Aim) => [TARGET_FIELDS[aim].low, TARGET_FIELDS[aim].high] as const
  const pot = nowX !== null && nowX !== undefined && nowY !== null && nowY !== undefined ? [[nowX, nowY]] : []
  const [xLow, xHigh] = padded([...found.map(({ at }) => at), ...pot.map(([one = 0]) => one)], limits(x))
  const [yLow, yHigh] = padded(
    [...found.flatMap(({ low, high }) => [low, high]), ...pot.map(([, one = 0]) => one)],
    y === 'acid' ? [2, 7] : limits(y),
  )
  const outline = [...found.map(({ at, low }) => [at, low]), ...[...found].reverse().map(({ at, high }) => [at, high])]
  const area = (aim: Aim, low: number, high: number) => ({
    from: Math.max(low, sauce.targets[aim].low ?? low),
    to: Math.min(high, sauce.targets[aim].high ?? high),
  })
  const [wantX, wantY] = [area(x, xLow, xHigh), area(y, yLow, yHigh)]
  const write = (aim: Aim) => (value: number) =>
    aim === 'heat' ? formatNumber(Number(value.toPrecision(3))) : formatNumber(value, aim === 'acid' ? 1 : 1)
  const axis = (aim: Aim, min: number, max: number) => ({
    type: 'value' as const,
    min,
    max,
    name: aim === 'acid' ? 'pH' : aimValue(aim, 0).replace(/^0(\.0+)? ?/, '') + ` ${aimName(aim)}`,
    nameTextStyle: { color: muted },
    axisLabel: { color: muted, formatter: write(aim), hideOverlap: true, showMinLabel: false, showMaxLabel: false },
    splitLine: { lineStyle: { color: line } },
    axisLine: { lineStyle: { color: line } },
  })
  return {
    animation: false,
    textStyle: { color: muted, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 },
    grid: { left: 56, right: 24, top: 30, bottom: 44 },
    tooltip: { trigger: 'item' as const, backgroundColor: surface, borderColor: line, textStyle: { color: ink } },
    xAxis: { ...axis(x, xLow, xHigh), nameLocation: 'middle' as const, nameGap: 28 },
    yAxis: axis(y, yLow, yHigh),
    series: [
      {
        type: 'custom' as const,
        name: 'can be made',
        silent: true,
        data: [outline.flat()],
        renderItem: (_: unknown, api: { coord: (point: number[]) => number[] }) => ({
          type: 'polygon' as const,
          shape: { points: outline.map((point) => api.coord(point)) },
          style: { fill: fine, opacity: 0.22, stroke: fine, lineWidth: 2 },
        }),
      },
      {
        type: 'scatter' as const,
        name: 'in the pot',
        data: pot,
        symbol: 'diamond',
        symbolSize: 17,
        itemStyle: { color: ink, borderColor: surface, borderWidth: 2 },
        label: { show: true, formatter: 'in the pot', position: 'right' as const, color: ink, fontWeight: 700 },
        ...((sauce.targets[x].low ?? sauce.targets[x].high ?? sauce.targets[y].low ?? sauce.targets[y].high) !== null &&
          wantX.from < wantX.to &&
          wantY.from < wantY.to && {
            markArea: {
              silent: true,
              itemStyle: { color: 'transparent', borderColor: act, borderWidth: 2, borderType: 'dashed' as const },
              label: {
                show: true,
                position: 'insideTopLeft' as const,
                color: act,
                formatter: 'wanted',
                fontWeight: 700,
              },
              data: [
                [
                  { xAxis: wantX.from, yAxis: wantY.from },
                  { xAxis: wantX.to, yAxis: wantY.to },
                ],
              ] as [{ xAxis: number; yAxis: number }, { xAxis: number; yAxis: number }][],
            },
          }),
      },
    ],
  }
})
/** The figures behind the picture, a handful of them. */
const rows = computed(
  () => points.value?.filter((_, index, all) => index % Math.max(1, Math.floor(all.length / 8)) === 0) ?? [],
)
const chartLabel = computed(
  () =>
    `What ${aimName(shownFor.value[1])} can be at each ${aimName(shownFor.value[0])}; the figures stand in the table below`,
)
</script>

<template>
  <figure>
    <figcaption class="head"><h2>How do two of them pull?</h2></figcaption>
    <div class="head">
      <PickField v-model="up" label="Upwards" hide-label :options="options" /><span>against</span
      ><PickField v-model="across" label="Across" hide-label :options="options" />
      <el-button v-if="progress === null" type="primary" @click="draw">Draw it</el-button>
      <template v-else
        ><el-progress
          class="progress"
          :percentage="Math.round(100 * progress)"
          :show-text="false"
          aria-label="Working it out"
        /><el-button @click="cancel">Stop</el-button></template
      >
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="!points" class="muted">
      Shows every pair that can be made from what is in the pot list, within its stock and the other targets. Where
      “wanted” lies outside, no blend gets there.
    </p>
    <template v-if="option && points">
      <VChart class="chart" :option="option" autoresize role="img" :aria-label="chartLabel" data-figure="frontier" />
      <details class="small">
        <summary>the figures as a table</summary>
        <table class="plain">
          <thead>
            <tr>
              <th>{{ aimName(shownFor[0]) }}</th>
              <th class="number">{{ aimName(shownFor[1]) }}, least</th>
              <th class="number">most</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="point in rows" :key="point.at">
              <td>{{ aimValue(shownFor[0], point.at) }}</td>
              <td class="number">{{ aimValue(shownFor[1], point.low) }}</td>
              <td class="number">{{ aimValue(shownFor[1], point.high) }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s2);
}
.head {
  display: flex;
  gap: var(--s2) var(--s3);
  align-items: center;
  flex-wrap: wrap;
}
.head > div {
  width: 170px;
}
.head .progress {
  width: 160px;
}
.chart {
  height: 320px;
  width: 100%;
}
summary {
  cursor: pointer;
  min-height: 32px;
  color: var(--bottle);
  font-weight: 600;
}
</style>
