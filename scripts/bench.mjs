// Speeds and sizes, by hand: every benchmark in a process of its own, their rows in one table, printed and written to
// docs/performance.md with a picture of how the log grows. One that fails or does not end is a row too. Ends with
// failure where something asked is not kept.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { cpus, tmpdir } from 'node:os'
import { join } from 'node:path'
import * as echarts from 'echarts'
import { run } from './steps.mjs'

const BENCHMARKS = [
  ['vite-node', 'ferment.bench.mjs'],
  ['vite-node', 'mix.bench.mjs'],
  ['vite-node', 'blend.bench.mjs'],
  ['vite-node', 'plan.bench.mjs'],
  ['vite-node', 'log.bench.mjs'],
  ['node', 'firstLoad.mjs'],
  ['node', 'slider.mjs'],
  ['node', 'readingToForecast.mjs'],
  ['node', 'longPages.mjs'],
  ['node', 'longTasks.mjs'],
  ['node', 'arrival.mjs'],
  ['node', 'practice.mjs'],
]
/** Longer than any of them takes on a machine that is several times slower. */
const PATIENCE_MS = 15 * 60_000

/** The lines that grow, as a picture: a panel for what there is more of, on two logarithmic axes. */
function pictureOf(points) {
  const panels = [...new Set(points.map(({ panel }) => panel))]
  const [WIDTH, HEIGHT] = [720, 340]
  const chart = echarts.init(null, null, { renderer: 'svg', ssr: true, width: WIDTH, height: HEIGHT * panels.length })
  const COLORS = ['#0e4a41', '#c22a1b', '#8a6d1d', '#2d5f8a']
  const at = (index) => ({ gridIndex: index, type: 'log' })
  const sizes = (panel) => points.filter((point) => point.panel === panel).map(({ size }) => size)
  const lines = [...new Set(points.map(({ line }) => line))]
  chart.setOption({
    animation: false,
    grid: panels.map((_, index) => ({ left: 70, right: 240, top: HEIGHT * index + 34, height: HEIGHT - 100 })),
    xAxis: panels.map((panel, index) => ({
      ...at(index),
      ...{ name: panel, nameLocation: 'middle', nameGap: 32 },
      ...{ min: Math.min(...sizes(panel)), max: Math.max(...sizes(panel)) },
    })),
    yAxis: panels.map((_, index) => ({ ...at(index), name: 'ms' })),
    series: lines.map((line, index) => {
      const own = points.filter((point) => point.line === line)
      const panel = panels.indexOf(own[0].panel)
      return {
        ...{ type: 'line', name: line, symbolSize: 8, color: COLORS[index], xAxisIndex: panel, yAxisIndex: panel },
        data: own.map(({ size, ms }) => [size, Number(ms.toPrecision(3))]),
        endLabel: { show: true, formatter: line, color: COLORS[index], fontSize: 14 },
        labelLayout: { moveOverlap: 'shiftY' },
      }
    }),
  })
  const svg = chart.renderToSVGString()
  chart.dispose()
  return svg
}

const word = ({ kept }) => (kept === null ? '–' : kept ? 'kept' : '**broken**')
const table = (rows) =>
  [
    '| What | Here | Beside | Ratio | Asked | |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows.map((row) => `| ${[row.what, row.here, row.beside, row.ratio, row.asked, word(row)].join(' | ')} |`),
  ].join('\n')

if (!existsSync('.output/server/index.mjs')) run('Build', 'npx', ['nuxt', 'build'])
const folder = mkdtempSync(join(tmpdir(), 'bench-'))
const file = join(folder, 'rows')
writeFileSync(file, '')
const failed = []
for (const [runner, name] of BENCHMARKS) {
  console.log(`── ${name}`)
  const command = runner === 'node' ? process.execPath : join('node_modules', '.bin', runner)
  const { status, signal } = spawnSync(command, [join('benchmarks', name)], {
    ...{ stdio: 'inherit', timeout: PATIENCE_MS, env: { ...process.env, BENCH_ROWS: file } },
  })
  if (status !== 0) {
    const why = signal ? `stopped (${signal})` : `ended with ${status}`
    failed.push({ what: `All of ${name}`, here: why, beside: '–', ratio: '–', asked: 'to end well', kept: false })
  }
}
const told = readFileSync(file, 'utf8')
  .split('\n')
  .filter(Boolean)
  .map((line) => JSON.parse(line))
rmSync(folder, { recursive: true })
const rows = [...told.filter(({ what }) => what), ...failed]
const points = told.filter(({ line }) => line)
if (points.length) writeFileSync('docs/performance.svg', pictureOf(points))
const PROSE = readFileSync('benchmarks/performance.md', 'utf8')
const where = `${new Date().toISOString().slice(0, 10)}, Node.js ${process.versions.node}, ${cpus().length} cores (${cpus()[0]?.model.trim()})`
writeFileSync('docs/performance.md', PROSE.replace('{{where}}', where).replace('{{table}}', table(rows)))
console.log(`\n${table(rows)}`)
process.exitCode = rows.some(({ kept }) => kept === false) ? 1 : 0
