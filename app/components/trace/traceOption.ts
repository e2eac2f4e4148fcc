import { counted, formatMass, type Trace, type UnitWorld } from '@lactofer/core'
import type { Tones } from '~/composables/useTones'

/* The picture of a trace, as options of the chart. */

type Node = Trace['nodes'][number]

/** The same thing from the same hands is one node of the picture, whatever it went into; the list tells each apart. */
export const keyOf = ({ id, kind, name, from }: Node): string => (kind === 'delivery' ? `in:${name}:${from}` : id)

/** What is drawn: nodes by their key, streams between keys, the lot it is about, and how a lot is named. */
export interface TracePicture {
  nodes: ReadonlyMap<string, Node>
  streams: Trace['edges']
  selfId: string
  named: (node: Node) => string
  world: UnitWorld
}

/** What a label says, without the marks of the drawing. */
const plain = (words: string) => words.replace(/[<>&]/g, '')

function nodeItem([key, node]: [string, Node], { selfId, named }: TracePicture, tones: Tones) {
  const { ink, line, surface, muted, temperature } = tones
  const from = node.kind === 'delivery' && node.from ? `, ${node.from}` : ''
  return {
    name: key,
    itemStyle: {
      color: node.lot?.color ?? (node.kind === 'place' ? temperature : muted),
      borderColor: node.id === selfId ? ink : line,
      borderWidth: node.id === selfId ? 2.5 : 1,
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
      formatter: node.kind === 'lot' ? named(node) : `${node.name}${from}`,
      rich: { code: { fontFamily: 'Archivo Variable', fontWeight: 700, fontSize: 13 } },
    },
  }
}

function tipOf(hit: unknown, { nodes, world }: TracePicture): string {
  const { dataType, name, data } = hit as {
    dataType: string
    name: string
    data: { source: string; target: string; value: number; bottles: number | null }
  }
  const title = (key: string) => plain([nodes.get(key)?.code, nodes.get(key)?.name].filter(Boolean).join(' '))
  if (dataType !== 'edge') return title(name)
  const amount = data.bottles === null ? formatMass(data.value, world) : counted(data.bottles, 'bottle')
  return `${title(data.source)} → ${title(data.target)}<br>${amount}`
}

/** Options of the chart: from whom, through which jars, to where; the width of a stream is its weight. */
export function traceOption(picture: TracePicture, tones: Tones) {
  const { ink, line, surface } = tones
  const used = new Set(picture.streams.flatMap(({ from, to }) => [from, to]))
  return {
    animation: false,
    tooltip: {
      trigger: 'item' as const,
      backgroundColor: surface,
      borderColor: line,
      textStyle: { color: ink },
      formatter: (hit: unknown) => tipOf(hit, picture),
    },
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
        emphasis: { focus: 'trajectory' as const },
        data: [...picture.nodes].filter(([key]) => used.has(key)).map((one) => nodeItem(one, picture, tones)),
        links: picture.streams.map(({ from, to, massG, bottles }) => ({
          ...{ source: from, target: to, value: massG },
          bottles,
        })),
        lineStyle: { color: 'source' as const, opacity: 0.35, curveness: 0.5 },
      },
    ],
  }
}
