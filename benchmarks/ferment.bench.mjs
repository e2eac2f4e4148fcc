// 500 members over 60 days in a worker thread, beside the same loop in plain C (-O2) in the same run; and the update
// after a reading.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  COLUMNS,
  DRAWS,
  drawMembers,
  forecastFerment,
  forecastHours,
  LATE,
  memberOf,
  integrateMember,
  structureOf,
  temperatureFactor,
} from '../core/src/index.ts'
import { timed, times, within } from './rows.mjs'

const MEMBERS = 500
const TEMP_C = 22
const batch = {
  medium: {
    hexose: 250,
    citric: 12,
    malic: 4,
    buffer: 14,
    startPh: 5.2,
    startPhSpread: 0.06,
    acidPct: 0.13,
    saltPct: 4.348,
    fruitShare: 0,
  },
  structure: structureOf('in its juice', 'ground'),
  living: { rawH: 3.5, rawP: 2.5, starterLog10: null },
}
const temperature = { points: [{ hour: 0, tempC: TEMP_C }] }
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
const folder = mkdtempSync(join(tmpdir(), 'ferment-'))
try {
  writeFileSync(join(folder, 'members'), Buffer.from(Float64Array.from([...rows, ...hours]).buffer))
  execFileSync('cc', ['-O2', '-o', join(folder, 'loop'), new URL('./ferment.c', import.meta.url).pathname, '-lm'])
  const [plain, theirs] = execFileSync(
    join(folder, 'loop'),
    [join(folder, 'members'), String(MEMBERS), String(hours.length)],
    { encoding: 'utf8' },
  )
    .split(' ')
    .map(Number)
  times(`${MEMBERS} possible batches over 60 days, one core`, ours, plain, {
    name: 'the same loop in C -O2',
    most: 1.6,
  })
  const apart = Math.abs((sum - theirs) / MEMBERS / hours.length)
  if (!(apart < 1e-9)) throw new Error(`The loop in C says otherwise: mean pH differs by ${apart}.`)
} finally {
  rmSync(folder, { recursive: true })
}
for (const [name, days] of [
  [
    'three readings',
    [
      [2, 4.6],
      [3, 4.05],
      [5, 3.8],
    ],
  ],
  [
    'six readings over twelve days',
    [
      [0.6, 5.1],
      [2, 4.48],
      [4, 3.98],
      [7, 3.74],
      [10, 3.63],
      [12, 3.62],
    ],
  ],
]) {
  const readings = days.map(([day, ph]) => ({ hour: day * 24, ph, sd: 0.05, of: 'blended' }))
  within(
    `Update and forecast after ${name}, ${MEMBERS} batches`,
    timed(() => forecastFerment({ batch, temperature, readings, targetPh: 3.8 }, { days: 21 }), { rounds: 3 }),
    150,
  )
}
