// pH of a blend of twelve parts beside SciPy's brentq and plain C (-O2) on the same balance, in one run; solving to
// ten limits; a frontier of four hundred ends.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import loadHighs from 'highs'
import {
  ACIDS,
  frontierOf,
  materialById,
  mix,
  mixturePh,
  ofMaterial,
  openTargets,
  potOf,
  solveSet,
  withPh,
} from '../core/src/index.ts'
import { linearSolver } from '../app/workers/linearSolver.ts'
import { skipped, timed, times, within } from './rows.mjs'

const NAMES = [
  'fresno',
  'cayenne',
  'cherry-pepper',
  'mango',
  'pear',
  'carrot',
  'garlic',
  'lime-juice',
  'white-vinegar',
  'honey',
  'water',
  'salt',
]
const part = (name, index) => {
  const made = ofMaterial(materialById(name), 100 + 17 * index)
  return index < 3 ? { ...withPh(made, 3.6 + 0.05 * index, 0.02), saltG: made.massG * 0.035, acidLogSd: 0.3 } : made
}
const parts = NAMES.map(part)
const pot = potOf(parts)
const amounts = new Float64Array(parts.length).fill(1)
const ours =
  timed(
    () => {
      amounts[0] += 1e-12
      pot(amounts)
    },
    { rounds: 9, turns: 20_000 },
  ) * 1e6
const ids = Object.keys(ACIDS)
const folder = mkdtempSync(join(tmpdir(), 'mix-'))
const file = join(folder, 'parts')
writeFileSync(
  file,
  Buffer.from(
    Float64Array.from([
      ...parts.flatMap((one) => [one.waterG, one.saltG, one.sidMmol, ...ids.map((id) => one.acids[id] ?? 0)]),
      ...ids.flatMap((id) => [
        ACIDS[id].site ? 1 : 0,
        ACIDS[id].pKa.length,
        ...[0, 1, 2].map((step) => ACIDS[id].pKa[step] ?? 0),
      ]),
    ]).buffer,
  ),
)
function beside(run, asked) {
  let told
  try {
    told = run()
  } catch (error) {
    return skipped(`pH of twelve parts beside ${asked.name}`, `not here: ${error.message.split('\n')[0]}`)
  }
  const [ns, pH] = told.split(' ').map(Number)
  times('pH of twelve parts poured together', ours / 1000, ns / 1000, { unit: 'µs', ...asked })
  const apart = Math.abs(mixturePh(mix(parts)) - pH)
  if (!(apart < 1e-6)) throw new Error(`${asked.name} says otherwise: pH differs by ${apart}.`)
}
try {
  beside(
    () => {
      execFileSync('cc', ['-O2', '-o', join(folder, 'mix'), new URL('./mix.c', import.meta.url).pathname, '-lm'])
      return execFileSync(join(folder, 'mix'), [file, '20000'], { encoding: 'utf8' })
    },
    { name: 'the same balance in C -O2', most: 1.5 },
  )
  beside(
    () =>
      execFileSync(
        process.env.PYTHON ?? '/usr/bin/python3',
        [new URL('./mix.py', import.meta.url).pathname, file, '150'],
        { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] },
      ),
    { name: "SciPy's brentq", atLeast: 100 },
  )
} finally {
  rmSync(folder, { recursive: true })
}

const solver = linearSolver(await loadHighs())
const range = (low, high) => ({ low, high, rank: 1 })
const set = {
  stockG: {},
  objective: 'vinegar',
  stepG: 1,
  mixes: [
    {
      name: 'bench',
      phMargin: 0,
      massG: { low: 4000, high: 4000 },
      targets: {
        ...openTargets(),
        acid: range(3.3, 3.7),
        salt: range(2.2, 2.6),
        heat: range(800, 20000),
        sweet: range(2, 9),
        body: range(6, null),
      },
      parts: parts.map((composition, index) => ({
        key: NAMES[index],
        name: NAMES[index],
        composition,
        nowG: 300,
        lowG: 0,
        highG: index < 3 ? 1500 : Infinity,
        lowShare: 0,
        highShare: NAMES[index] === 'honey' ? 0.1 : 1,
        locked: false,
        role: index < 3 ? 'base' : NAMES[index] === 'white-vinegar' ? 'vinegar' : 'other',
        pricePerKg: null,
        stock: null,
      })),
    },
  ],
}
const { status, programs } = solveSet(set, solver)
const solve = timed(() => solveSet(set, solver), { turns: 20 })
if (status !== 'solved') throw new Error(`The blend of the benchmark is ${status}.`)
within(`Twelve parts solved to ten limits, ${programs} programs`, solve, 15)
const from = performance.now()
const points = [...frontierOf(set, 0, ['heat', 'acid'], 200, solver)].length
within(`A frontier of ${2 * points} ends`, performance.now() - from, 1500)
