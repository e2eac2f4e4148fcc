import { DAY_MS, formatTemperature, HOUR_MS, type UnitWorld } from '@lactofer/core'
import type { Look } from '~/components/chart/look'
import type { Tones } from '~/composables/useTones'
import { marksOf, RIGHT_PX, roomAbove, type CourseShown } from './courseMarks'

/* The picture of a ferment, as options of the chart. */

/** Lines beside the forecast are told apart by their dashes, not by colour. */
const DASHES: (string | number[])[] = ['dashed', 'dotted', [10, 3, 2, 3]]
/** Days between marks of the axis. */
const STEPS = [1, 2, 3, 7, 14, 28, 60]
/** pH between marks of the axis. */
const PH_STEP = 0.4
/** The liquid is drawn apart where it runs ahead by more than this. */
const AHEAD_PH = 0.03
/** Over so many temperatures their dots are left out. */
const DOTTED = 60

/** Room for the days under the chart, the height of the panel of temperature, and what keeps the two apart. */
const BOTTOM_PX = 32
const WARMTH_PX = 44
const APART_PX = 22

/** A row of figures of the forecast as points in time. */
const pointsOf = ({ startMs, course }: CourseShown, values: readonly number[]): [number, number][] =>
  (course?.hours ?? []).map((hour, index) => [startMs + hour * HOUR_MS, values[index] ?? 0])

/** How far the time axis reaches. */
function endOf({ startMs, course, readings, clockDueMs, extras }: CourseShown): number {
  return Math.max(
    startMs + 3 * DAY_MS,
    course ? startMs + (course.hours.at(-1) ?? 0) * HOUR_MS : 0,
    ...readings.map(({ atMs }) => atMs),
    (clockDueMs ?? 0) + 0.2 * DAY_MS,
    ...extras.map(({ points }) => (course ? 0 : startMs + (points.at(-1)?.[0] ?? 0))),
  )
}

/** The span of the pH axis: what is shown, and at least 3.2 to 5.2. */
function phSpan({ course, readings, extras }: CourseShown): [number, number] {
  const shown = [
    ...readings.map(({ ph }) => ph),
    ...(course?.blended.high ?? []),
    ...extras.flatMap(({ points }) => points.map(([, ph]) => ph)),
  ]
  const bottom = Math.floor(Math.min(3.2, ...shown, ...(course?.blended.low ?? [])) * 5) / 5
  return [bottom, bottom + PH_STEP * Math.ceil((Math.max(5.2, ...shown) - bottom) / PH_STEP)]
}

function xAxes({ startMs }: CourseShown, endMs: number, warmth: boolean) {
  const axis = {
    type: 'value' as const,
    min: startMs,
    max: endMs,
    interval: (STEPS.find((step) => (endMs - startMs) / DAY_MS / step <= 10) ?? 90) * DAY_MS,
    splitLine: { show: false },
  }
  const days = {
    margin: 12,
    formatter: (ms: number) => `day ${Math.round((ms - startMs) / DAY_MS)}`,
    showMaxLabel: false,
  }
  return [
    { ...axis, gridIndex: 0, axisLabel: warmth ? { show: false } : days },
    { ...axis, gridIndex: 1, show: warmth, axisLabel: days },
  ]
}

function yAxes(shown: CourseShown, warmth: boolean, world: UnitWorld) {
  const [min, max] = phSpan(shown)
  return [
    {
      gridIndex: 0,
      min,
      max,
      interval: PH_STEP,
      name: 'pH',
      nameGap: 9,
      nameTextStyle: { align: 'right' as const, padding: [0, 8, 0, 0] },
      axisLabel: { formatter: (value: number) => value.toFixed(1) },
    },
    {
      gridIndex: 1,
      show: warmth,
      scale: true,
      minInterval: 2,
      splitNumber: 2,
      axisLabel: { formatter: (value: number) => formatTemperature(value, world).replace(/\.0/, '') },
    },
  ]
}

/** A line without dots that does not answer the pointer. */
const PLAIN = { symbol: 'none', silent: true, xAxisIndex: 0, yAxisIndex: 0, type: 'line' as const, animation: false }

/** The forecast: its band, its middle, and the liquid of pieces where it runs ahead; in a mash the two are one. */
function forecastSeries(shown: CourseShown, endMs: number, tones: Tones) {
  const { acid } = tones
  const { course } = shown
  const low = pointsOf(shown, course?.blended.low ?? [])
  const high = pointsOf(shown, course?.blended.high ?? [])
  const typical = course?.blended.typical ?? []
  const apart = course?.liquid.typical.some((ph, index) => Math.abs(ph - (typical[index] ?? ph)) > AHEAD_PH)
  return [
    { ...PLAIN, name: 'low', stack: 'band', data: low, lineStyle: { opacity: 0 } },
    {
      ...PLAIN,
      name: 'band',
      stack: 'band',
      data: high.map(([ms, most], index) => [ms, most - (low[index]?.[1] ?? 0)]),
      lineStyle: { opacity: 0 },
      areaStyle: { color: acid, opacity: 0.18 },
    },
    {
      ...PLAIN,
      name: 'forecast pH',
      data: pointsOf(shown, typical),
      lineStyle: { color: acid, width: 2 },
      markLine: { symbol: 'none', silent: true, data: marksOf(shown, endMs, tones) },
    },
    ...(course && apart
      ? [
          {
            ...PLAIN,
            name: 'forecast pH of the liquid',
            data: pointsOf(shown, course.liquid.typical),
            lineStyle: { color: acid, width: 1.5, type: 'dotted' as const },
          },
        ]
      : []),
  ]
}

/** Scenarios and earlier lots beside it, named at their ends. */
const extraSeries = ({ startMs, extras }: CourseShown, endMs: number, { ink }: Tones) =>
  extras.map(({ name, short, points }, index) => ({
    ...PLAIN,
    name,
    data: points.filter(([ms]) => startMs + ms <= endMs).map(([ms, ph]) => [startMs + ms, ph]),
    lineStyle: { color: ink, width: 2, type: DASHES[index % DASHES.length] },
    endLabel: {
      show: true,
      formatter: short,
      color: ink,
      fontSize: 13,
      align: 'right' as const,
      offset: [0, -10 - 14 * index],
    },
  }))

/** Readings, each with what its meter may be off; hollow where the liquid was read. */
const readingSeries = ({ readings }: CourseShown, { acid, surface }: Tones) => [
  {
    name: 'meter',
    type: 'custom' as const,
    silent: true,
    data: readings.map(({ atMs, ph, sd }) => [atMs, ph - 2 * sd, ph + 2 * sd]),
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
    data: readings.map(({ atMs, ph, of }) => ({
      value: [atMs, ph],
      ...(of === 'liquid' && { itemStyle: { color: surface, borderColor: acid, borderWidth: 2.5 } }),
    })),
    symbolSize: 10,
    lineStyle: { width: 0 },
    itemStyle: { color: acid },
  },
]

/** Temperature as the forecast takes it, and as it was read. */
function warmthSeries({ temperatures }: CourseShown, ahead: [number, number][], { temperature }: Tones) {
  const below = { name: 'temperature', type: 'line' as const, xAxisIndex: 1, yAxisIndex: 1 }
  return [
    {
      ...below,
      data: ahead,
      symbol: 'none',
      silent: true,
      lineStyle: { color: temperature, width: 1.5, type: 'dashed' as const },
    },
    {
      ...below,
      data: temperatures.map(({ atMs, tempC }) => [atMs, tempC]),
      symbol: temperatures.length > DOTTED ? 'none' : 'circle',
      symbolSize: 6,
      lineStyle: { color: temperature, width: 2 },
      itemStyle: { color: temperature },
    },
  ]
}

/** Options of the chart: pH above, temperature below; where no temperature is told, its panel is left out. */
export function courseOption(shown: CourseShown, { tones, world }: Look) {
  const endMs = endOf(shown)
  const ahead = pointsOf(shown, shown.course?.tempC ?? [])
  const warmth = ahead.length + shown.temperatures.length > 0
  return {
    grid: [
      {
        left: 46,
        right: RIGHT_PX,
        top: roomAbove(shown, endMs, tones),
        bottom: BOTTOM_PX + (warmth ? WARMTH_PX + APART_PX : 0),
      },
      { left: 46, right: RIGHT_PX, bottom: BOTTOM_PX, height: WARMTH_PX },
    ],
    xAxis: xAxes(shown, endMs, warmth),
    yAxis: yAxes(shown, warmth, world),
    series: [
      ...forecastSeries(shown, endMs, tones),
      ...extraSeries(shown, endMs, tones),
      ...readingSeries(shown, tones),
      ...warmthSeries(shown, ahead, tones),
    ],
  }
}
