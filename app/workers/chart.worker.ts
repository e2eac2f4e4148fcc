import { expose } from 'comlink'
import { init, setPlatformAPI, use, type ECharts } from 'echarts/core'
import { CustomChart, LineChart, SankeyChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent, MarkPointComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import archivo from '@fontsource-variable/archivo/files/archivo-latin-wdth-normal.woff2?url'
import atkinson from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url'
import { answerOption } from '~/components/blend/answerOption'
import { frontierOption } from '~/components/blend/frontierOption'
import { processOption } from '~/components/bottle/processOption'
import { chartTheme, type Look } from '~/components/chart/look'
import { courseOption } from '~/components/ferment/courseOption'
import { storyOption } from '~/components/practice/storyOption'
import { traceOption } from '~/components/trace/traceOption'

use([LineChart, ScatterChart, CustomChart, SankeyChart, GridComponent, SVGRenderer])
use([MarkAreaComponent, MarkLineComponent, MarkPointComponent])
// Words are measured on a canvas in the faces of the page; a worker has neither of its own.
setPlatformAPI({ createCanvas: () => new OffscreenCanvas(1, 1) as unknown as HTMLCanvasElement })
const FACES = { 'Atkinson Hyperlegible Next Variable': atkinson, 'Archivo Variable': archivo }
async function loadFaces(): Promise<void> {
  const { fonts } = self as unknown as { fonts: FontFaceSet }
  for (const [family, url] of Object.entries(FACES)) {
    const face = new FontFace(family, `url(${url})`, { weight: '100 900' })
    fonts.add(face)
    // Without it words are measured a little off, and drawn all the same.
    await face.load().catch(() => undefined)
  }
}
const faces = loadFaces()

/** Every picture by its name: what it is of becomes options of the chart library. */
const OPTIONS = {
  ...{ course: courseOption, frontier: frontierOption, answer: answerOption },
  ...{ process: processOption, trace: traceOption, story: storyOption },
}
type Options = typeof OPTIONS

/** Which picture, and what it is of: plain values, as they go to the worker and back. */
export type Picture = { [Name in keyof Options]: { name: Name; of: Parameters<Options[Name]>[0] } }[keyof Options]

/** How it is to be drawn. */
export interface Frame {
  widthPx: number
  heightPx: number
  look: Look
}

/** A place that says something to the pointer, px from the picture's upper left corner; a point has no size. */
export interface TellingPoint {
  x: number
  y: number
  width: number
  height: number
  /** Of the series, or of the node. */
  name: string
  /** What stands there in the series. */
  value?: readonly [number, number]
  /** Which of the streams it is. */
  stream?: number
}

/** A picture as it was drawn: its text in SVG, and the points that tell something. */
export interface DrawnChart {
  svg: string
  points: readonly TellingPoint[]
}

/** Each name has its own options, which the compiler cannot follow through the table. */
const optionOf = ({ name, of }: Picture, look: Look) => (OPTIONS[name] as (of: unknown, look: Look) => object)(of, look)

interface DrawnSeries {
  type?: string
  name?: string
  silent?: boolean
  data?: readonly unknown[]
}

/** Where the values of a series lie. */
function valuesOf(chart: ECharts, { name = '', data = [] }: DrawnSeries, seriesIndex: number): TellingPoint[] {
  return data.flatMap((one) => {
    const [across, up] = (Array.isArray(one) ? one : (one as { value: unknown }).value) as [number, number | null]
    if (up === null) return []
    const [x = 0, y = 0] = chart.convertToPixel({ seriesIndex }, [across, up])
    return [{ x, y, width: 0, height: 0, name, value: [across, up] as const }]
  })
}

/** What the chart library keeps of a picture of streams; it tells it to its own parts only. */
interface StreamModel {
  layoutInfo: { x: number; y: number }
  getGraph: () => {
    eachNode: (tell: (node: StreamNode) => void) => void
    eachEdge: (tell: (edge: StreamEdge) => void) => void
  }
}
interface StreamNode {
  id: string
  getLayout: () => { x: number; y: number; dx: number; dy: number }
}
interface StreamEdge {
  dataIndex: number
  node1: StreamNode
  node2: StreamNode
  getLayout: () => { sy: number; ty: number; dy: number }
}
/** Where the nodes of streams lie, and the middle of each stream. */
function streamsOf(chart: ECharts): TellingPoint[] {
  const { getModel } = chart as unknown as { getModel: () => { getSeriesByIndex: (index: number) => StreamModel } }
  const model = getModel.call(chart).getSeriesByIndex(0)
  const { x: left, y: top } = model.layoutInfo
  const points: TellingPoint[] = []
  const graph = model.getGraph()
  graph.eachNode((node) => {
    const { x, y, dx, dy } = node.getLayout()
    points.push({ x: left + x, y: top + y, width: dx, height: dy, name: node.id })
  })
  graph.eachEdge((edge) => {
    const [from, to, at] = [edge.node1.getLayout(), edge.node2.getLayout(), edge.getLayout()]
    const x = left + (from.x + from.dx + to.x) / 2
    const y = top + (from.y + at.sy + to.y + at.ty + at.dy) / 2
    points.push({ x, y, width: 0, height: 0, name: '', stream: edge.dataIndex })
  })
  return points
}

/** Everything in a chart that answers the pointer. */
const pointsOf = (chart: ECharts, series: readonly DrawnSeries[]): TellingPoint[] =>
  series.flatMap((one, index) =>
    one.type === 'sankey' ? streamsOf(chart) : one.silent || one.type === 'custom' ? [] : valuesOf(chart, one, index),
  )

const api = {
  /** Draws a picture, away from the page. */
  async draw(picture: Picture, { widthPx: width, heightPx: height, look }: Frame): Promise<DrawnChart> {
    await faces
    const chart = init(null, chartTheme(look.tones), { renderer: 'svg', ssr: true, width, height })
    try {
      const option = optionOf(picture, look)
      chart.setOption({ animation: false, ...option })
      const { series } = option as { series: readonly DrawnSeries[] }
      return { svg: chart.renderToSVGString(), points: pointsOf(chart, series) }
    } finally {
      chart.dispose()
    }
  },
}
export type ChartApi = typeof api
expose(api)
