import { formatNumber, type Aim, type FrontierPoint, type Targets } from '@lactofer/core'
import { TARGET_FIELDS } from '~/forms/blendForm'
import { AIM_UNITS, aimName } from '~/words/limitWords'
import type { Look } from '~/components/chart/look'
import type { Tones } from '~/composables/useTones'

/* The picture of two properties that pull against each other, as options of the chart. */

/** The span of values with some air around it, within what the field can be. */
function padded(values: readonly number[], [least, most]: readonly [number, number]): [number, number] {
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const pad = Math.max((high - low) * 0.08, 1e-3)
  return [Math.max(least, low - pad), Math.min(most, high + pad)]
}

/** A pH is looked at between these, whatever its field may hold. */
const PH_SPAN = [2, 7] as const
const spanOf = (aim: Aim, upwards: boolean) =>
  upwards && aim === 'acid' ? PH_SPAN : ([TARGET_FIELDS[aim].low, TARGET_FIELDS[aim].high] as const)

const write = (aim: Aim) => (value: number) =>
  aim === 'heat' ? formatNumber(Number(value.toPrecision(3))) : formatNumber(value, 1)

function axisOf(aim: Aim, [min, max]: [number, number]) {
  return {
    type: 'value' as const,
    min,
    max,
    name: [aimName(aim), AIM_UNITS[aim]].filter(Boolean).join(', '),
    axisLabel: { formatter: write(aim), hideOverlap: true, showMinLabel: false, showMaxLabel: false },
  }
}

/** All that can be made, as one filled outline. */
const outlineSeries = (outline: number[][], { fine }: Tones) => ({
  type: 'custom' as const,
  name: 'can be made',
  silent: true,
  data: [outline.flat()],
  renderItem: (_: unknown, api: { coord: (point: number[]) => number[] }) => ({
    type: 'polygon' as const,
    shape: { points: outline.map((point) => api.coord(point)) },
    style: { fill: fine, opacity: 0.22, stroke: fine, lineWidth: 2 },
  }),
})

interface Wanted {
  from: number
  to: number
}

/** A dashed frame around what is wished for. */
const wantedArea = (x: Wanted, y: Wanted, { act }: Tones) => ({
  silent: true,
  itemStyle: { color: 'transparent', borderColor: act, borderWidth: 2, borderType: 'dashed' as const },
  label: { show: true, position: 'insideTopLeft' as const, color: act, formatter: 'wanted', fontWeight: 700 },
  data: [
    [
      { xAxis: x.from, yAxis: y.from },
      { xAxis: x.to, yAxis: y.to },
    ],
  ] as [{ xAxis: number; yAxis: number }, { xAxis: number; yAxis: number }][],
})

/** The sauce as it stands in the pot, and the frame of what is wished for, where something is. */
function potSeries(pot: number[][], wanted: [Wanted, Wanted] | null, tones: Tones) {
  const { ink, surface } = tones
  return {
    type: 'scatter' as const,
    name: 'in the pot',
    silent: true,
    data: pot,
    symbol: 'diamond',
    symbolSize: 17,
    itemStyle: { color: ink, borderColor: surface, borderWidth: 2 },
    label: { show: true, formatter: 'in the pot', position: 'right' as const, color: ink, fontWeight: 700 },
    ...(wanted && { markArea: wantedArea(...wanted, tones) }),
  }
}

/** What is drawn of a frontier. `now`: the two figures of the pot, `null` where one is not known. */
export interface FrontierShown {
  found: readonly FrontierPoint[]
  aims: readonly [Aim, Aim]
  now: readonly (number | null)[]
  targets: Targets
}

/** Options of the chart. */
export function frontierOption({ found, aims, now, targets }: FrontierShown, { tones }: Look) {
  const [x, y] = aims
  const [nowX = null, nowY = null] = now
  const pot = nowX !== null && nowY !== null ? [[nowX, nowY]] : []
  const xSpan = padded(
    [...found.map(({ at }) => at), ...(nowX !== null && nowY !== null ? [nowX] : [])],
    spanOf(x, false),
  )
  const ySpan = padded(
    [...found.flatMap(({ low, high }) => [low, high]), ...(nowX !== null && nowY !== null ? [nowY] : [])],
    spanOf(y, true),
  )
  const outline = [...found.map(({ at, low }) => [at, low]), ...[...found].reverse().map(({ at, high }) => [at, high])]
  const wish = (aim: Aim, [low, high]: [number, number]): Wanted => ({
    from: Math.max(low, targets[aim].low ?? low),
    to: Math.min(high, targets[aim].high ?? high),
  })
  const [wantX, wantY] = [wish(x, xSpan), wish(y, ySpan)]
  const wished = (targets[x].low ?? targets[x].high ?? targets[y].low ?? targets[y].high) !== null
  const shown = wished && wantX.from < wantX.to && wantY.from < wantY.to
  return {
    grid: { left: 56, right: 24, top: 30, bottom: 44 },
    xAxis: { ...axisOf(x, xSpan), nameLocation: 'middle' as const, nameGap: 28 },
    yAxis: axisOf(y, ySpan),
    series: [outlineSeries(outline, tones), potSeries(pot, shown ? [wantX, wantY] : null, tones)],
  }
}
