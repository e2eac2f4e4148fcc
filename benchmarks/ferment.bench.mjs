// 500 members over 60 days on one core, beside the same loop in plain C (-O2) in the same run; and the update
// after a reading.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  COLUMNS,
  DRAWS,
  drawMembers,
  forecastHours,
  LATE,
  memberOf,
  integrateMember,
  temperatureFactor,
} from '../core/src/index.ts'
import { batch, MEMBERS, READ, TEMP_C, temperature } from './fermentCase.mjs'
import { timed, times, within } from './rows.mjs'
import { onServedPage } from './served.mjs'

const z = drawMembers(MEMBERS, 1)
// The loop in C knows no late start.
for (let one = 0; one < MEMBERS; one++) z[one * DRAWS + LATE] = 0
const hours = forecastHours(60)
const width = hours.length * COLUMNS
const out = new Float64Array(MEMBERS * width)
// What does not change during a run is made before the clock starts, here as there.
const members = Array.from({ length: MEMBERS }, (_, one) => memberOf(batch, z, one * DRAWS))
const run = () => {
  for (let one = 0; one < MEMBERS; one++) integrateMember(members[one], temperature, hours, out, one * width)
}
run()
const ours = timed(run, { rounds: 9 })
const sum = hours.reduce(
  (total, _, step) =>
    total + Array.from({ length: MEMBERS }, (__, one) => out[one * width + step * COLUMNS]).reduce((a, b) => a + b, 0),
  0,
)

const group = (one, water, shift) => [
  one.rate,
  one.phMin,
  one.most,
  one.death,
  one.withGrowth,
  one.atRest,
  one.phMin - one.below,
  water,
  one.start,
  temperatureFactor(TEMP_C + shift, one),
]
const rows = members
  .map((one) => [
    ...group(one.h, one.waterH[1], one.tempShiftC),
    ...group(one.p, one.waterP[1], one.tempShiftC),
    one.adapted,
    one.stopsLactic,
    one.stopsAcetic,
    one.aceticShare,
    one.citric,
    one.malic,
    one.buffer,
    one.hexose,
    one.startPh,
    0,
  ])
  .flat()
let plain = 0
const folder = mkdtempSync(join(tmpdir(), 'ferment-'))
try {
  writeFileSync(join(folder, 'members'), Buffer.from(Float64Array.from([...rows, ...hours]).buffer))
  execFileSync('cc', ['-O2', '-o', join(folder, 'loop'), new URL('./ferment.c', import.meta.url).pathname, '-lm'])
  const [took, theirs] = execFileSync(
    join(folder, 'loop'),
    [join(folder, 'members'), String(MEMBERS), String(hours.length)],
    { encoding: 'utf8' },
  )
    .split(' ')
    .map(Number)
  times(`${MEMBERS} possible batches over 60 days, one core`, ours, took, {
    name: 'the same loop in C -O2',
    most: 1.6,
  })
  plain = took
  const apart = Math.abs((sum - theirs) / MEMBERS / hours.length)
  if (!(apart < 1e-9)) throw new Error(`The loop in C says otherwise: mean pH differs by ${apart}.`)
} finally {
  rmSync(folder, { recursive: true })
}
/** In the page, with the workers it has: a batch so often, each with readings of its own; the quickest, ms. */
async function askForecasts([url, question, hands, turns]) {
  const worker = new Worker(url, { type: 'module' })
  const ask = (value) =>
    new Promise((resolve, reject) => {
      worker.onmessage = ({ data }) => resolve(data.value)
      worker.onerror = ({ message }) => reject(new Error(message))
      worker.postMessage({ id: '1', type: 'APPLY', path: ['look'], argumentList: [{ type: 'RAW', value }] })
    })
  let best = Infinity
  for (let turn = 0; turn < turns; turn++) {
    // What it was asked before it remembers.
    const readings = question.batch.readings.map((one) => ({ ...one, sd: one.sd + turn * 1e-9 }))
    const from = performance.now()
    const { problem } = await ask({ ...question, batch: { ...question.batch, readings }, hands })
    if (problem) throw new Error(problem)
    if (turn > 0) best = Math.min(best, performance.now() - from)
  }
  worker.terminate()
  return best
}
/** In the page, with two workers that run rows: all members over all hours, half of them each; the quickest, ms. */
async function askRuns([url, { scenario, hours, draws, z }, turns]) {
  const workers = [0, 1].map(() => new Worker(url, { type: 'module' }))
  const half = (part) => Float64Array.from(z.slice((z.length / 2) * part, (z.length / 2) * (part + 1)))
  const ask = (worker, part) =>
    new Promise((resolve, reject) => {
      worker.onmessage = ({ data }) => resolve(data.value)
      worker.onerror = ({ message }) => reject(new Error(message))
      const ways = Array.from({ length: z.length / draws / 2 }, () => ({ kind: 'living' }))
      const value = { what: 'run', scenario, z: half(part), ways, hours: Float64Array.from(hours) }
      worker.postMessage({ id: '1', type: 'APPLY', path: ['run'], argumentList: [{ type: 'RAW', value }] })
    })
  let best = Infinity
  for (let turn = 0; turn < turns; turn++) {
    const from = performance.now()
    await Promise.all(workers.map(ask))
    if (turn > 0) best = Math.min(best, performance.now() - from)
  }
  for (const worker of workers) worker.terminate()
  return best
}

const BUILT = '.output/public/_nuxt'
const built = (name) =>
  `/_nuxt/${readdirSync(BUILT).find((file) => new RegExp(`^${name}\\.worker-.+\\.js$`).test(file))}`
await onServedPage('4182', async (page) => {
  await page.goto('/')
  const rows = { scenario: { batch, temperature }, hours: [...hours], draws: DRAWS, z: [...z] }
  times(
    `${MEMBERS} possible batches over 60 days, two workers`,
    await page.evaluate(askRuns, [built('runs'), rows, 12]),
    plain,
    {
      name: 'the loop in C on one core',
      most: 1,
    },
  )
  for (const [name, readings] of Object.entries(READ)) {
    const question = {
      batch: { batch, temperature, readings, targetPh: 3.8 },
      days: 21,
      members: MEMBERS,
      scenarios: [],
    }
    const ask = (hands) => page.evaluate(askForecasts, [built('forecast'), question, hands, 8])
    const alone = await ask(0)
    const shared = await ask(1)
    within(`Update and forecast after ${name}, ${MEMBERS} batches, on two cores`, shared, 150)
    times('… beside one core', shared, alone, { name: 'one worker alone' })
  }
})
