import { forecastFerment } from '../../src/ferment/forecast'
import type { integrateMember } from '../../src/ferment/integrate'
import { COLUMNS } from '../../src/ferment/shown'
import { DRAWS, drawMembers, memberOf } from '../../src/ferment/member'
import { structureOf, type Batch } from '../../src/ferment/batch'
import type { TemperaturePlan } from '../../src/ferment/temperature'

const medium = {
  ...{ hexose: 250, citric: 12, malic: 4, buffer: 14, startPh: 5.2, startPhSpread: 0.06 },
  ...{ acidPct: 0.13, saltPct: 4.348, fruitShare: 0 },
}
const STRUCTURES = [
  structureOf('in its juice', 'ground'),
  structureOf('in brine', 'coarse', 0.4),
  structureOf('in a bag', 'whole'),
]
const TEMPERATURES: TemperaturePlan[] = [
  { points: [{ hour: 0, tempC: 22 }] },
  {
    points: [
      { hour: 0, tempC: 22 },
      { hour: 30, tempC: 14 },
      { hour: 200, tempC: 26 },
    ],
  },
  { points: [{ hour: 0, tempC: 20 }], swingC: 3 },
]
const HOURS = Float64Array.from([0, 12, 36, 72, 168, 336, 720])
const MEMBERS = 3

/** Every figure of some possible batches, however they lie and however warm they stand. */
export function coursesBy(integrate: typeof integrateMember): number[] {
  const z = drawMembers(MEMBERS, 3)
  const out = new Float64Array(HOURS.length * COLUMNS)
  return STRUCTURES.flatMap((structure) =>
    TEMPERATURES.flatMap((temperature) =>
      Array.from({ length: MEMBERS }, (_, row) => {
        const batch: Batch = { medium, structure, living: { rawH: 3.5, rawP: 2.5, starterLog10: row % 2 ? null : 6 } }
        integrate(memberOf(batch, z, row * DRAWS), temperature, HOURS, out, 0)
        return [...out]
      }).flat(),
    ),
  )
}

/** The forecast of a batch that was read three times: its bands of pH, and of gas. */
export function forecastFigures(): { ph: number[]; gas: number[] } {
  const readings = (
    [
      [2, 4.6],
      [3, 4.05],
      [5, 3.8],
    ] as const
  ).map(([day, ph]) => ({
    ...{ hour: day * 24, ph, sd: 0.05 },
    of: 'blended' as const,
  }))
  const batch = { medium, structure: STRUCTURES[1]!, living: { rawH: 3.5, rawP: 2.5, starterLog10: null } }
  const { blended, liquid, gas } = forecastFerment(
    { batch, temperature: TEMPERATURES[1]!, readings, targetPh: 3.8 },
    { days: 21, members: 200 },
  )
  const bands = (shown: (typeof blended)[]) => shown.flatMap(({ low, typical, high }) => [low, typical, high].flat())
  return { ph: bands([blended, liquid]), gas: bands([gas]) }
}
