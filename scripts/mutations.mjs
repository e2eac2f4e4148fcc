// Faults planted in a copy of the project, one at a time: those of the judge have to be caught by random lives or by
// the named faults, those of the rest of core by its tests, those of the application by unit and component tests.
// `npm run mutations`; `-- judge`, `-- core` or `-- application` plants one set, a number only that fault.
import { cpSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { APPLICATION, CORE, JUDGE } from './mutants.mjs'

const HERE = '.mutants'
const only = process.argv.slice(2).map(Number).filter(Boolean)
const named = (word) => process.argv.includes(word)
rmSync(HERE, { recursive: true, force: true })
mkdirSync(`${HERE}/scripts`, { recursive: true })
for (const part of [
  'core',
  'demo',
  'app',
  'server',
  'tests/unit',
  'tests/component',
  'tests/fixtures',
  'benchmarks',
  'docs',
])
  cpSync(part, `${HERE}/${part}`, { recursive: true, filter: (path) => !path.includes('node_modules') })
for (const file of readdirSync('tests')) if (file.endsWith('.ts')) cpSync(`tests/${file}`, `${HERE}/tests/${file}`)
for (const file of readdirSync('scripts'))
  if (/\.(ts|mjs|json)$/.test(file)) cpSync(`scripts/${file}`, `${HERE}/scripts/${file}`)
for (const file of ['vitest.config.ts', 'package.json']) cpSync(file, `${HERE}/${file}`)

const quiet = (command, args) =>
  spawnSync(command, args, { cwd: HERE, encoding: 'utf8', env: { ...process.env, NO_COLOR: '1' } })
/** What catches a fault of the judge: random lives, or a named fault; `null` where nothing does. */
function caughtByJudge() {
  const lives = quiet('npx', ['vite-node', 'scripts/lives.ts', '--', '600'])
  const counts = [...lives.stdout.matchAll(/milder than [a-z ]+: (\d+), stricter: (\d+)/g)]
  if (lives.status !== 0)
    return counts.length
      ? `lives: ${counts.map(([, m, s]) => `${m} milder, ${s} stricter`).join('; ')}`
      : 'lives: it does not run'
  return failsIn(['core'], 'core/test/judge/faults.test.ts', 'core/test/flow')
}
/** The first test of some projects that fails; `null` where none does. */
function failsIn(projects, ...files) {
  const chosen = projects.flatMap((project) => ['--project', project])
  const args = ['vitest', 'run', ...chosen, ...files, '--bail', '1', '--reporter', 'dot']
  const { status, stdout, stderr } = quiet('npx', args)
  if (status === 0) return null
  return /FAIL\s+\S+\s+(.+)/.exec(stdout + stderr)?.[1] ?? 'it does not run'
}
/** What catches a fault of the application: a unit test, or a page in memory, which takes longer. */
const caughtByTests = () => failsIn(['app', 'alone']) ?? failsIn(['component'])
/** What catches a fault of core outside the judge. */
const caughtByCore = () => failsIn(['core'])

const missed = []
const SETS = { judge: [JUDGE, caughtByJudge], core: [CORE, caughtByCore], application: [APPLICATION, caughtByTests] }
const chosenSets = Object.keys(SETS).filter(named)
for (const [mutants, catcher] of (chosenSets.length ? chosenSets : Object.keys(SETS)).map((set) => SETS[set])) {
  if (catcher()) throw new Error('The sound copy fails: nothing can be said of faults in it.')
  mutants.forEach(([name, file, from, to], index) => {
    if (only.length && !only.includes(index + 1)) return
    const path = `${HERE}/${file}`
    const sound = readFileSync(path, 'utf8')
    if (!sound.includes(from)) throw new Error(`${name}: "${from}" does not stand in ${file}.`)
    writeFileSync(
      path,
      sound.replace(from, () => to),
    )
    const caught = catcher()
    console.log(
      `${String(index + 1).padStart(2)} ${caught ? 'caught' : 'MISSED'}  ${name}${caught ? ` (${caught})` : ''}`,
    )
    if (!caught) missed.push(name)
    writeFileSync(path, sound)
  })
}
rmSync(HERE, { recursive: true, force: true })
console.log(missed.length ? `${missed.length} missed` : 'All were caught.')
process.exitCode = missed.length ? 1 : 0
