// Every check of the project in two lines beside each other, one a core: lint, types and unit tests; build and what is
// built in a browser. Ends with what each stage took, and the slowest tests of each kind.
import { needAll, runStage } from './steps.mjs'
import { forgetReports, reportOf, slowestOf, testsOf } from './testReport.mjs'

/** Seconds a stage may take on two cores with nothing else running; CONTRIBUTING.md states them too. */
const BUDGETS_S = { Licences: 10, Lint: 130, Types: 110, 'Unit tests': 150, Build: 80, 'Browser tests': 390 }
const TOTAL_S = 480

const begun = Date.now()
const taken = []
const since = (ms) => Math.round((Date.now() - ms) / 1000)
/** The stage that failed first. */
let failed = ''
/** Runs a stage, unless one failed before: what runs beside it then comes to its end. */
async function stage(name, command, args, options) {
  if (failed) return
  const from = Date.now()
  const passed = await runStage(name, command, args, options)
  taken.push({ name, seconds: since(from), budget: BUDGETS_S[name] })
  console.log(`── ${name}: ${since(from)} s`)
  if (!passed) failed ||= name
}
function conclude() {
  const rows = [...taken, { name: 'All of it', seconds: since(begun), budget: TOTAL_S }]
  console.log(`\n${reportOf(rows)}`)
  const tests = testsOf()
  for (const [kind, of] of Object.entries(tests)) console.log(`\n${slowestOf(kind, of)}`)
  const all = Object.values(tests).flat()
  const passed = all.filter(({ ok }) => ok).length
  console.log(`\n${passed} passed, ${all.length - passed} failed`)
  if (!failed) return
  console.error(`\n${failed} failed.`)
  process.exitCode = 1
}

// Much is made and thrown away at once: with more room for it all stages take a tenth less.
process.env.NODE_OPTIONS = `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=128`
needAll()
forgetReports()
/** Types, Lint and Unit tests read Nuxt's generated folder while the build writes its own. */
const BUILD = { UNCOMPRESSED: '1', BUILD_DIR: 'node_modules/.cache/lactofer/build' }
await Promise.all([
  stage('Licences', 'node', ['scripts/licences.mjs', '--check'])
    .then(() => stage('Lint', 'npm', ['run', '--silent', 'lint']))
    .then(() => stage('Types', 'npm', ['run', '--silent', 'typecheck']))
    .then(() => stage('Unit tests', 'npx', ['vitest', 'run', '--reporter', 'default', '--reporter', 'json'])),
  stage('Build', 'npx', ['nuxt', 'build'], { env: BUILD }).then(() =>
    stage('Browser tests', 'npx', ['playwright', 'test']),
  ),
])
conclude()
