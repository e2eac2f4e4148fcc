// The batch that the benchmarks of the forecast are about.
import { structureOf } from '../core/src/index.ts'

export const MEMBERS = 500
export const TEMP_C = 22
export const batch = {
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
export const temperature = { points: [{ hour: 0, tempC: TEMP_C }] }

const readings = (days) => days.map(([day, ph]) => ({ hour: day * 24, ph, sd: 0.05, of: 'blended' }))
/** Readings after which it is looked at anew. */
export const READ = {
  'three readings': readings([
    [2, 4.6],
    [3, 4.05],
    [5, 3.8],
  ]),
  'six readings over twelve days': readings([
    [0.6, 5.1],
    [2, 4.48],
    [4, 3.98],
    [7, 3.74],
    [10, 3.63],
    [12, 3.62],
  ]),
}
