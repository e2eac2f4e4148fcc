import { DAY_MS, PH_LINE, type JarStory } from '@lactofer/core'
import type { Look } from '~/components/chart/look'
import type { Tones } from '~/composables/useTones'

/* The picture of a debriefing, as options of the chart: what was true, in the band of what could be known. */

/** A decision on the way, where it stands. */
export interface StoryMark {
  atMs: number
  words: string
}
/** What is drawn of a jar. */
export interface StoryShown extends Pick<JarStory, 'truth' | 'band' | 'observed'> {
  marks: readonly StoryMark[]
}

/** Days between marks of the axis. */
const STEPS = [1, 2, 3, 7, 14, 28]
/** pH between marks of the axis. */
const PH_STEP = 0.4
const PLAIN = { symbol: 'none', silent: true, type: 'line' as const, animation: false }

/** The line that has to be passed, and what was decided. */
const marksOf = (marks: readonly StoryMark[], { ink, act }: Tones) => [
  {
    yAxis: PH_LINE,
    lineStyle: { color: act, width: 1.5, type: 'dashed' as const },
    label: { formatter: '4.6', position: 'insideEndTop' as const, color: act },
  },
  ...marks.map(({ atMs, words }) => ({
    xAxis: atMs,
    lineStyle: { color: ink, width: 1, type: 'dotted' as const },
    label: { formatter: words, position: 'end' as const, rotate: 0, color: ink, fontSize: 13 },
  })),
]

/** The band of what could be known, the truth in it, what was read. */
function seriesOf({ truth, band, observed, marks }: StoryShown, tones: Tones) {
  const { acid, ink } = tones
  const stacked = { ...PLAIN, stack: 'band', lineStyle: { opacity: 0 } }
  return [
    { ...stacked, name: 'low', data: band.map(({ atMs, low }) => [atMs, low]) },
    {
      ...{ ...stacked, name: 'what could be known', areaStyle: { color: acid, opacity: 0.2 } },
      data: band.map(({ atMs, low, high }) => [atMs, high - low]),
    },
    {
      ...{ ...PLAIN, name: 'what was true', lineStyle: { color: ink, width: 2.5 } },
      data: truth.map(({ atMs, ph }) => [atMs, ph]),
      markLine: { symbol: 'none', silent: true, animation: false, data: marksOf(marks, tones) },
    },
    {
      ...{ name: 'read', type: 'line' as const, symbol: 'circle', symbolSize: 10, lineStyle: { width: 0 } },
      data: observed.flatMap(({ atMs, ph }) => (ph === null ? [] : [[atMs, ph]])),
      itemStyle: { color: acid },
    },
  ]
}

/** Options of the chart. */
export function storyOption(of: StoryShown, { tones }: Look) {
  const { truth, observed, marks } = of
  const startMs = truth[0]?.atMs ?? 0
  const endMs = Math.max(startMs + DAY_MS, truth.at(-1)?.atMs ?? 0, ...marks.map(({ atMs }) => atMs))
  const shown = [...truth.map(({ ph }) => ph), ...observed.flatMap(({ ph }) => ph ?? [])]
  const min = Math.floor(Math.min(3.2, ...shown) * 5) / 5
  const max = min + PH_STEP * Math.ceil((Math.max(5.2, ...shown) - min) / PH_STEP)
  return {
    grid: [{ left: 46, right: 16, top: 34, bottom: 32 }],
    xAxis: [
      {
        ...{ type: 'value' as const, min: startMs, max: endMs, splitLine: { show: false } },
        interval: (STEPS.find((step) => (endMs - startMs) / DAY_MS / step <= 10) ?? 28) * DAY_MS,
        axisLabel: {
          margin: 12,
          formatter: (ms: number) => `day ${Math.round((ms - startMs) / DAY_MS)}`,
          showMaxLabel: false,
        },
      },
    ],
    yAxis: [
      {
        ...{ min, max, interval: PH_STEP, name: 'pH', nameGap: 9 },
        nameTextStyle: { align: 'right' as const, padding: [0, 8, 0, 0] },
        axisLabel: { formatter: (value: number) => value.toFixed(1) },
      },
    ],
    series: seriesOf(of, tones),
  }
}
