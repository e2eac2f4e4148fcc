import type { Look } from '~/components/chart/look'
import type { Tones } from '~/composables/useTones'

/* The picture of a trace, as options of the chart. */

/** A point of the trace: a delivery, a lot or a place; `self`: the lot it is about. */
export interface TraceNodeShown {
  key: string
  label: string
  kind: 'delivery' | 'lot' | 'place'
  color: string | null
  self: boolean
}
/** What is drawn: points, and streams between their keys. */
export interface TraceShown {
  nodes: readonly TraceNodeShown[]
  streams: readonly { from: string; to: string; massG: number }[]
}

function nodeItem({ key, label, kind, color, self }: TraceNodeShown, tones: Tones) {
  const { ink, line, surface, muted, temperature } = tones
  return {
    name: key,
    itemStyle: {
      color: color ?? (kind === 'place' ? temperature : muted),
      borderColor: self ? ink : line,
      borderWidth: self ? 2.5 : 1,
    },
    label: {
      // Above its node on the ground, never on a stream.
      position: [0, -21] as [number, number],
      align: 'left' as const,
      textBorderColor: surface,
      textBorderWidth: 3,
      color: ink,
      fontFamily: 'Atkinson Hyperlegible Next Variable',
      fontSize: 13,
      width: 190,
      overflow: 'truncate' as const,
      formatter: label,
      rich: { code: { fontFamily: 'Archivo Variable', fontWeight: 700, fontSize: 13, padding: [0, 4, 0, 0] } },
    },
  }
}

/** Options of the chart: from whom, through which jars, to where; the width of a stream is its weight. */
export const traceOption = ({ nodes, streams }: TraceShown, { tones }: Look) => ({
  series: [
    {
      type: 'sankey' as const,
      left: 4,
      right: 180,
      top: 24,
      bottom: 8,
      nodeWidth: 14,
      nodeGap: 30,
      draggable: false,
      layoutIterations: 48,
      data: nodes.map((one) => nodeItem(one, tones)),
      links: streams.map(({ from, to, massG }) => ({ source: from, target: to, value: massG })),
      lineStyle: { color: 'source' as const, opacity: 0.35, curveness: 0.5 },
    },
  ],
})
