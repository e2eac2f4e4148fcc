import { formatMass, type UnitWorld } from '@lactofer/core'
import type { Wanted } from '~/components/measure/rulers'
import type { Tones } from '~/composables/useTones'

/* The picture of what additions do to the pH, as options of the chart. */

/** pH that stays free above and below. */
const PAD = 0.06
/** Heights of the plot and of a line of text, px. */
const PLOT_PX = 190
const LINE_PX = 17
const DASHES = ['solid', [8, 4], [2, 3], [10, 3, 2, 3], [5, 5], [1, 4]] as const
/** Longest name at the end of a line, letters. */
const NAME = 17

/** What one addition does, step by step. */
export interface AnswerLine {
  name: string
  values: readonly (number | null)[]
}

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
/** The pot as it is now, at the start of the first line. */
const nowMark = (ph: number | null | undefined, { ink }: Tones) => ({
  markPoint: {
    silent: true,
    symbol: 'circle',
    symbolSize: 11,
    itemStyle: { color: ink },
    label: { show: false },
    data: [{ coord: [0, ph ?? 0] }],
  },
})

/** The target as a shaded belt. */
const wantedArea = ({ low, high }: Wanted, { acid }: Tones) =>
  high !== null && {
    markArea: {
      silent: true,
      itemStyle: { color: acid, opacity: 0.12 },
      data: [[{ yAxis: low ?? 0 }, { yAxis: high }]] as [{ yAxis: number }, { yAxis: number }][],
    },
  }

function seriesOf(
  lines: readonly AnswerLine[],
  added: readonly number[],
  shifts: number[],
  target: Wanted,
  tones: Tones,
) {
  const { heat, acid, sweet, salt, body, temperature } = tones
  const colours = [heat, acid, sweet, salt, body, temperature]
  return lines.map(({ name, values }, index) => {
    const color = colours[index % colours.length]
    return {
      name,
      type: 'line' as const,
      symbol: 'none',
      data: values.map((value, step) => [added[step], value]),
      lineStyle: { color, width: 2.5, type: DASHES[index % DASHES.length] as 'solid' },
      itemStyle: { color },
      endLabel: {
        show: true,
        formatter: name.length > NAME ? `${name.slice(0, NAME - 1)}…` : name,
        color,
        fontSize: 13,
        fontWeight: 600,
        offset: [2, shifts[index] ?? 0] as [number, number],
      },
      ...(index === 0 && nowMark(values[0], tones)),
      ...(index === 0 && wantedArea(target, tones)),
    }
  })
}

/** Options of the chart. @param added grams of each step, from none on. */
export function answerOption(
  lines: readonly AnswerLine[],
  added: readonly number[],
  target: Wanted,
  tones: Tones,
  world: UnitWorld,
) {
  const all = lines.flatMap(({ values }) => values.filter((value) => value !== null))
  const low = Math.floor((Math.min(...all) - PAD) * 10) / 10
  const high = Math.ceil((Math.max(...all) + PAD) * 10) / 10
  const reach = added.at(-1) ?? 0
  const shifts = labelShifts(lines.map(({ values }) => ((high - (values.at(-1) ?? low)) / (high - low)) * PLOT_PX))
  return {
    grid: { left: 46, right: 132, top: 12, bottom: 28 },
    tooltip: {
      trigger: 'axis' as const,
      valueFormatter: (value: unknown) => `pH ${Number(value).toFixed(2)}`,
    },
    xAxis: {
      type: 'value' as const,
      min: 0,
      max: reach,
      interval: reach / 4,
      axisLabel: { formatter: (grams: number) => (grams === 0 ? 'now' : `+${formatMass(grams, world)}`) },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value' as const,
      min: low,
      max: high,
      axisLabel: { formatter: (value: number) => value.toFixed(1) },
    },
    series: seriesOf(lines, added, shifts, target, tones),
  }
}
