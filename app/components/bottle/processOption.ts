import { formatNumber, formatTemperature, type HeatReference, type Lethality } from '@lactofer/core'
import type { Look } from '~/components/chart/look'
import type { Tones } from '~/composables/useTones'

/* The picture of a heat record, as options of the chart: temperature above, minutes gained at the reference below. */

/** Least minutes of a logarithmic axis. */
const LEAST = 0.1
/** Over so many points a line is drawn without its dots. */
const DOTTED = 40

type Point = Lethality['course'][number]
type Shown = (tempC: number) => string

/** Where it did ten times what is asked, a straight axis would hide when it was reached. */
const isWide = ({ minutes }: Lethality, reference: HeatReference) =>
  reference.minutes !== null && minutes.typical > 10 * reference.minutes

/** Spans that were not counted, shaded. */
const gapsOf = ({ gaps }: Lethality, { act }: Tones) =>
  gaps.map(({ from, to }): [object, object] => [
    {
      xAxis: from,
      itemStyle: { color: act, opacity: 0.15 },
      label: { show: true, formatter: 'not counted', color: act, position: 'insideTop' },
    },
    { xAxis: to },
  ])

/** A line is not drawn over what was not measured. */
const broken = ({ course, gaps }: Lethality, value: (point: Point) => number) =>
  course.flatMap((point): [number, number | null][] => {
    const here: [number, number] = [point.minute, value(point)]
    return gaps.some(({ to }) => to === point.minute) ? [[point.minute, null], here] : [here]
  })

/** A dashed line across, with its words. */
const across = (at: number, words: string, { muted }: Tones, position: 'insideStartTop' | 'insideEndTop') => ({
  yAxis: at,
  lineStyle: { color: muted, type: 'dashed' as const },
  label: { formatter: words, color: muted, position },
})

function xAxes({ course }: Lethality) {
  const axis = {
    type: 'value' as const,
    min: 0,
    max: Math.max(1, course.at(-1)?.minute ?? 1),
    splitLine: { show: false },
  }
  const formatter = (minute: number) => `${formatNumber(minute)} min`
  return [
    { ...axis, gridIndex: 0, axisLabel: { show: false } },
    { ...axis, gridIndex: 1, axisLabel: { formatter, showMaxLabel: false } },
  ]
}

function yAxes(found: Lethality, reference: HeatReference, shown: Shown) {
  const coolest = Math.min(...found.course.map(({ tempC }) => tempC), reference.refC)
  return [
    {
      gridIndex: 0,
      min: Math.floor(coolest / 10) * 10,
      max: Math.ceil((found.hottestC + 2) / 10) * 10,
      splitNumber: 4,
      axisLabel: { formatter: (value: number) => shown(value).replace(/\.0/, '') },
    },
    {
      gridIndex: 1,
      ...(isWide(found, reference) ? { type: 'log' as const, min: LEAST } : { min: 0, splitNumber: 2 }),
      axisLabel: { formatter: (value: number) => formatNumber(value, value < 3 && value > 0 ? 1 : 0) },
    },
  ]
}

function seriesOf(found: Lethality, { refC, minutes }: HeatReference, tones: Tones, shown: Shown, wide: boolean) {
  const { temperature, heat } = tones
  const drawn = {
    type: 'line' as const,
    animation: false,
    silent: true,
    showSymbol: found.course.length < DOTTED,
    symbolSize: 5,
  }
  const asked = minutes === null ? [] : [across(minutes, `${formatNumber(minutes, 1)} min`, tones, 'insideEndTop')]
  return [
    {
      ...drawn,
      xAxisIndex: 0,
      yAxisIndex: 0,
      data: broken(found, ({ tempC }) => tempC),
      lineStyle: { color: temperature, width: 2.5 },
      itemStyle: { color: temperature },
      markArea: { data: gapsOf(found, tones) },
      markLine: { silent: true, symbol: 'none', data: [across(refC, shown(refC), tones, 'insideStartTop')] },
    },
    {
      ...drawn,
      xAxisIndex: 1,
      yAxisIndex: 1,
      data: found.course.map(({ minute, gained }) => [minute, wide ? Math.max(LEAST, gained) : gained]),
      lineStyle: { color: heat, width: 2.5 },
      itemStyle: { color: heat },
      markLine: { silent: true, symbol: 'none', data: asked },
    },
  ]
}

/** What is drawn of a heat record. */
export interface ProcessShown {
  found: Lethality
  reference: HeatReference
}

/** Options of the chart. */
export function processOption({ found, reference }: ProcessShown, { tones, world }: Look) {
  const shown = (tempC: number) => formatTemperature(tempC, world)
  return {
    grid: [
      { left: 62, right: 18, top: 10, height: '50%' },
      { left: 62, right: 18, bottom: 34, height: '26%' },
    ],
    xAxis: xAxes(found),
    yAxis: yAxes(found, reference, shown),
    series: seriesOf(found, reference, tones, shown, isWide(found, reference)),
  }
}
