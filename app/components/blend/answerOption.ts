import { formatMass, formatNumber, type Property } from '@lactofer/core'
import type { Look } from '~/components/chart/look'
import { RULERS, type Wanted } from '~/components/measure/rulers'
import type { Tones } from '~/composables/useTones'

/* The picture of what additions do to a property, as options of the chart. */

/** Heights of the plot and of a line of text, px. */
const PLOT_PX = 170
const LINE_PX = 17
const DASHES = ['solid', [8, 4], [2, 3], [10, 3, 2, 3], [5, 5], [1, 4]] as const
/** Longest name at the end of a line, letters. */
const NAME = 17
/** Air above and below the lines, share of what they span. */
const PAD = 0.08

/** What one addition does, step by step. */
export interface AnswerLine {
  name: string
  values: readonly (number | null)[]
}
/** What is looked at, what is wished of it, and what additions do; `added`: grams of each step, from none on. */
export interface AnswerShown {
  property: Property
  target: Wanted
  lines: readonly AnswerLine[]
  added: readonly number[]
}

/**
 * How far each end label moves so that none lies on another or under the plot; heights in px from the top. They are
 * pushed down from the top, then up from the foot.
 */
function labelShifts(heights: readonly number[]): number[] {
  const order = heights.map((_, index) => index).sort((a, b) => (heights[a] ?? 0) - (heights[b] ?? 0))
  const placed: number[] = [...heights]
  order.forEach((index, rank) => {
    const above = order[rank - 1]
    if (above !== undefined) placed[index] = Math.max(placed[index] ?? 0, (placed[above] ?? 0) + LINE_PX)
  })
  let floor = PLOT_PX
  for (const index of [...order].reverse()) {
    placed[index] = Math.min(placed[index] ?? 0, floor)
    floor = (placed[index] ?? 0) - LINE_PX
  }
  return placed.map((height, index) => height - (heights[index] ?? 0))
}
/** The pot as it is now, at the start of the first line. */
const nowMark = (value: number | null | undefined, { ink }: Tones) => ({
  markPoint: {
    silent: true,
    symbol: 'circle',
    symbolSize: 11,
    itemStyle: { color: ink },
    label: { show: false },
    data: [{ coord: [0, value ?? 0] }],
  },
})

/** The target as a shaded belt in the property's colour. */
const wantedArea = ({ property, target: { low, high } }: AnswerShown, tones: Tones) =>
  (low !== null || high !== null) && {
    markArea: {
      silent: true,
      itemStyle: { color: tones[property], opacity: 0.14 },
      data: [[{ yAxis: low ?? RULERS[property].low }, { yAxis: high ?? RULERS[property].high }]] as [
        { yAxis: number },
        { yAxis: number },
      ][],
    },
  }

/** Parts are ink, told apart by their dashes: colours are those of properties. */
const seriesOf = (of: AnswerShown, shifts: readonly number[], tones: Tones) =>
  of.lines.map(({ name, values }, index) => ({
    name,
    type: 'line' as const,
    symbol: 'none',
    data: values.map((value, step) => [of.added[step], value]),
    lineStyle: { color: tones.ink, width: 2.2, type: DASHES[index % DASHES.length] as 'solid' },
    itemStyle: { color: tones.ink },
    endLabel: {
      show: true,
      formatter: name.length > NAME ? `${name.slice(0, NAME - 1)}…` : name,
      color: tones.ink,
      fontSize: 13,
      fontWeight: 600,
      offset: [2, shifts[index] ?? 0] as [number, number],
    },
    ...(index === 0 && nowMark(values[0], tones)),
    ...(index === 0 && wantedArea(of, tones)),
  }))

/** Options of the chart. */
export function answerOption(of: AnswerShown, { tones, world }: Look) {
  const { lines, added } = of
  const all = lines.flatMap(({ values }) => values.filter((value) => value !== null))
  const step = of.property === 'acid' ? 0.1 : RULERS[of.property].stepAt(Math.max(...all, 0))
  const pad = Math.max(step, PAD * (Math.max(...all) - Math.min(...all)))
  const low = Math.max(0, Math.floor((Math.min(...all) - pad) / step) * step)
  const high = Math.ceil((Math.max(...all) + pad) / step) * step
  const reach = added.at(-1) ?? 0
  const shifts = labelShifts(lines.map(({ values }) => ((high - (values.at(-1) ?? low)) / (high - low)) * PLOT_PX))
  const { unit } = RULERS[of.property]
  return {
    grid: { left: 56, right: 132, top: 24, bottom: 28 },
    xAxis: {
      type: 'value' as const,
      min: 0,
      max: reach,
      interval: reach / 4,
      axisLabel: {
        alignMaxLabel: 'right' as const,
        formatter: (grams: number) => (grams === 0 ? 'now' : `+${formatMass(grams, world)}`),
      },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value' as const,
      min: low,
      max: high,
      name: unit,
      nameTextStyle: { align: 'right' as const },
      axisLabel: {
        hideOverlap: true,
        formatter: (value: number) =>
          of.property === 'acid' ? value.toFixed(1) : formatNumber(value, of.property === 'heat' ? 0 : 1),
      },
    },
    series: seriesOf(of, shifts, tones),
  }
}
