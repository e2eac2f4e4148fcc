// Every long run in full, one after the other, whatever becomes of the one before; ends with one table. Needs a build.
// `node scripts/nightly.mjs chaos` runs those whose name holds the word.
import { rmSync } from 'node:fs'
import { needAll, runStage } from './steps.mjs'

const script = (name, ...args) => ['npm', ['run', '--silent', name, '--', ...args]]
const browser = (file, env) => ['npx', ['playwright', 'test', file, '--reporter', 'list'], env]
/** Name, command, arguments, environment. */
const RUNS = [
  ['lives: random lives beside the oracle', ...script('lives', '100000')],
  ['mutations: planted faults', ...script('mutations')],
  ['bands: the forecast’s own bands', ...script('bands', '20')],
  ['seasons: hidden batches to the bottle', ...script('seasons', '3')],
  ['senses: the same by sight and taste', ...script('senses', '10')],
  ['players: three players at every exercise', ...script('players', '10')],
  ['chaos: the browser killed at random', ...script('chaos', '4', '150')],
  [
    'long: seasons and practice in the browser',
    'npx',
    ['playwright', 'test', '--grep', '@long', '--reporter', 'list'],
    { LONG: '1' },
  ],
  ['kills: two transactions held open', ...browser('tests/e2e/trust.spec.ts', { KILLS: '5' })],
  ['fuzz: damaged files', ...script('fuzz', '20000')],
  ['archive: 100,000 entries out and back', ...script('archive')],
  ['widths: every page at four widths', ...browser('tests/e2e/pages.spec.ts', { EVERY_WIDTH: '1' })],
]

needAll()
// They go on where an earlier run ended: a night begins anew.
for (const file of ['seasons.jsonl', 'senses.jsonl', 'players.jsonl']) rmSync(file, { force: true })

const wanted = process.argv.slice(2)
const ended = []
for (const [name, command, args, env = {}] of RUNS) {
  if (wanted.length && !wanted.some((word) => name.includes(word))) continue
  const from = Date.now()
  const passed = await runStage(name, command, args, { alone: true, env })
  ended.push({ name, passed, minutes: (Date.now() - from) / 60_000 })
}
const width = Math.max(...ended.map(({ name }) => name.length))
console.log(`\n${'Run'.padEnd(width)}     min  ended`)
for (const { name, passed, minutes } of ended)
  console.log(`${name.padEnd(width)}  ${minutes.toFixed(1).padStart(6)}  ${passed ? 'passed' : 'FAILED'}`)
process.exitCode = ended.every(({ passed }) => passed) ? 0 : 1
