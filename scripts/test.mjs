// Every check of the project: lint and unit tests beside types and build, one a core, then the built application in a
// browser. Ends with what each stage took, and the slowest tests of each kind.
import { needAll, runStage } from './steps.mjs'
import { forgetReports, reportOf, slowestOf, testsOf } from './testReport.mjs'

/** Seconds a stage may take on two cores with nothing else running; CONTRIBUTING.md states them too. */
const BUDGETS_S = { Licences: 10, Lint: 60, Types: 75, 'Unit tests': 100, Build: 90, 'Browser tests': 280 }
const TOTAL_S = 480

const begun = Date.now()
const taken = []
const since = (ms) => Math.round((Date.now() - ms) / 1000)
/** Runs a stage. The first that fails ends it all, with the table of what ran. */
async function stage(name, command, args, options) {
  const from = Date.now()
  const passed = await runStage(name, command, args, options)
  taken.push({ name, seconds: since(from), budget: BUDGETS_S[name] })
  console.log(`── ${name}: ${since(from)} s`)
  if (passed) return
  conclude(`${name} failed.`)
  process.exit(1)
}
function conclude(problem) {
  const rows = [...taken, { name: 'All of it', seconds: since(begun), budget: TOTAL_S }]
  console.log(`\n${reportOf(rows)}`)
  const tests = testsOf()
  for (const [kind, of] of Object.entries(tests)) console.log(`\n${slowestOf(kind, of)}`)
  const all = Object.values(tests).flat()
  const failed = all.filter(({ ok }) => !ok).length
  console.log(`\n${all.length - failed} passed, ${failed} failed`)
  if (problem) console.error(`\n${problem}`)
}

// Much is made and thrown away at once: with more room for it all stages take a tenth less.
process.env.NODE_OPTIONS = `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=128`
needAll()
forgetReports()
await Promise.all([
  stage('Licences', 'node', ['scripts/licences.mjs', '--check'])
    .then(() => stage('Lint', 'npm', ['run', '--silent', 'lint']))
    .then(() => stage('Unit tests', 'npx', ['vitest', 'run', '--reporter', 'default', '--reporter', 'json'])),
  stage('Types', 'npm', ['run', '--silent', 'typecheck']).then(() =>
    stage('Build', 'npx', ['nuxt', 'build'], { env: { UNCOMPRESSED: '1' } }),
  ),
])
await stage('Browser tests', 'npx', ['playwright', 'test'], { alone: true })
conclude()
