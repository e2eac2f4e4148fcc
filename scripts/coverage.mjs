// How often the band of nine in ten holds the truth: 60 batches drawn from the model, read with a seeded meter on
// days 2 and 4, looked at on day 7.
import { COLUMNS, DRAWS, drawMembers, forecastFerment, memberOf, runMember, structureOf } from '../core/src/index.ts'

const batch = {
  medium: {
    hexose: 250,
    citric: 12,
    malic: 4,
    buffer: 14,
    startPh: 5.2,
    startPhSpread: 0.06,
    saltPct: 4.348,
    fruitShare: 0,
  },
  structure: structureOf('in its juice', 'ground'),
  living: { rawH: 3.5, rawP: 2.5, starterLog10: null },
}
const temperature = { points: [{ hour: 0, tempC: 22 }] }
const BATCHES = 60
// What the likelihood takes for granted: the meter's 0.05 and the model's own 0.07.
const NOISE = Math.hypot(0.05, 0.07)
const truths = drawMembers(BATCHES, 4711)
const noise = drawMembers(BATCHES, 4712)
const hours = Float64Array.from([48, 96, 168])
const held = { without: 0, read: 0 }
for (let one = 0; one < BATCHES; one++) {
  const shown = new Float64Array(hours.length * COLUMNS)
  runMember(memberOf(batch, truths, one * DRAWS), temperature, hours, shown, 0)
  const readings = [0, 1].map((index) => ({
    hour: hours[index],
    ph: shown[index * COLUMNS] + NOISE * noise[one * DRAWS + index],
    sd: 0.05,
    of: 'blended',
  }))
  const truth = shown[2 * COLUMNS]
  for (const [name, known] of [
    ['without', []],
    ['read', readings],
  ]) {
    const { hours: at, blended } = forecastFerment({ batch, temperature, readings: known, targetPh: 3.8 }, { days: 8 })
    const index = at.indexOf(168)
    if (truth >= blended.low[index] && truth <= blended.high[index]) held[name]++
  }
}
const share = (count) => `${count} of ${BATCHES}, ${((100 * count) / BATCHES).toFixed(0)} %`
console.log(
  `The band at day 7 holds ${share(held.read)} of the batches when read on days 2 and 4; ${share(held.without)} without a reading. Asked: 80 to 97 %.`,
)
process.exitCode = held.read / BATCHES >= 0.8 && held.read / BATCHES <= 0.97 ? 0 : 1
