import { temperatureFactor, HALF_SPEED, MIXED_PK, STOPS_AT_REST } from './growth'
import { startKernel, WARM } from './kernel'
import type { Member, MemberGroup } from './member'
import { COLUMNS } from './shown'
import { longestStepH, temperatureAt, type TemperaturePlan } from './temperature'

/** The table of charges: pH from 2.2 to 9 in hundredths. */
const LOW = 2.2
const STEPS = 680
const PER_PH = 100
/** Activity of hydrogen at an ionic strength of 0.5: concentration is 1.363 times what the electrode reads. Davies. */
const FREE = 1000 * 10 ** 0.1345

/** Mean charge of an acid with these constants at a pH. */
function meanCharge(pH: number, pK: readonly number[]): number {
  let term = 1
  let sum = 1
  let charge = 0
  for (let k = 0; k < pK.length; k++) {
    term *= 10 ** (pH - (pK[k] ?? 0))
    sum += term
    charge += (k + 1) * term
  }
  return charge / sum
}
const tableOf = (at: (pH: number) => number) =>
  Float64Array.from({ length: STEPS + 1 }, (_, index) => at(LOW + index / PER_PH))
/** What a food brings along: its own acids and buffer, mmol/kg, and the pH they stand at. */
type Food = Pick<Member, 'citric' | 'malic' | 'buffer' | 'startPh'>

/** The batch that runs now: its temperatures are asked for where they change. */
let running: { member: Member; temperature: TemperaturePlan; tempC: number } | null = null

function setPace(hour: number): void {
  if (!running) return
  const { member, temperature } = running
  const tempC = temperatureAt(temperature, hour) + member.tempShiftC
  if (tempC === running.tempC) return
  running.tempC = tempC
  const { h, p } = kernel().arrays()
  h[WARM] = temperatureFactor(tempC, member.h)
  p[WARM] = temperatureFactor(tempC, member.p)
}

let started: ReturnType<typeof startKernel> | null = null
/** The compiled loop, its tables filled in. */
function kernel(): ReturnType<typeof startKernel> {
  if (started) return started
  started = startKernel(
    { setPace, longestStepH: (hour) => (running ? longestStepH(running.temperature, hour) : Infinity) },
    STEPS,
    COLUMNS,
  )
  const { phs, citric, malic, lactic, acetic, hydrogen } = started.arrays()
  phs.set(tableOf((pH) => pH))
  citric.set(tableOf((pH) => meanCharge(pH, MIXED_PK.citric)))
  malic.set(tableOf((pH) => meanCharge(pH, MIXED_PK.malic)))
  lactic.set(tableOf((pH) => meanCharge(pH, [MIXED_PK.lactic])))
  acetic.set(tableOf((pH) => meanCharge(pH, [MIXED_PK.acetic])))
  hydrogen.set(tableOf((pH) => FREE * 10 ** -pH))
  return started
}

/** Sets a group's figures, in the order of the loop. */
function setGroup(into: Float64Array, group: MemberGroup, water: readonly [number, number]): void {
  into[0] = group.rate
  into[1] = group.phMin
  into[2] = 1 / group.most
  into[3] = group.death
  into[4] = group.withGrowth
  into[5] = group.atRest
  into[6] = group.phMin - group.below
  into[7] = water[1]
  into[8] = water[0] - water[1]
  into[9] = group.start
}

/** Sets the food itself: its pH at the start, its own acids and its buffer, in the order of the loop. */
function setFood(into: Float64Array, { startPh, citric, malic, buffer }: Food): void {
  into[0] = startPh
  into[1] = citric
  into[2] = malic
  into[3] = buffer
  // Free hydrogen at the start.
  into[4] = FREE * 10 ** -startPh
}

/** Sets what else is of the batch. */
function setBatch(into: Float64Array, member: Member, steady: boolean): void {
  setFood(into, member)
  into[5] = member.liquid
  into[6] = member.atOnce
  into[7] = member.tauH
  into[8] = member.aceticShare
  into[9] = 1 / member.stopsLactic
  into[10] = 1 / member.stopsAcetic
  into[11] = member.wakesH
  into[12] = member.adapted
  into[13] = member.hexose
  into[14] = steady ? 1 : 0
  into[15] = HALF_SPEED
  into[16] = 1 / STOPS_AT_REST
}

/** Growth at a pH as a share of that at the best; 0 at and under the least. For checks; the run uses the same. */
export const phFactor = (pH: number, phMin: number): number => kernel().phFactor(pH, phMin)

/** pH of a food with acids made in it, mmol/kg. For checks; the run uses the same tables. */
export function phWithAcids(food: Food, lactic: number, acetic: number): number {
  const { arrays, makeFood, phFrom } = kernel()
  setFood(arrays().batch, food)
  makeFood()
  return phFrom(1, lactic, acetic, FREE * 10 ** -food.startPh, food.startPh)
}

/**
 * Runs one member and writes {@link COLUMNS} figures for each of `hours` (rising, from 0) to `out` from `at` on.
 * Heun's method on the logarithms of the cells; steps follow the fastest of growth, sugar, pH and exchange.
 */
export function integrateMember(
  member: Member,
  temperature: TemperaturePlan,
  hours: Float64Array,
  out: Float64Array,
  at: number,
): void {
  const { arrays, fit, run } = kernel()
  fit(hours.length)
  const { h, p, batch } = arrays()
  setGroup(h, member.h, member.waterH)
  setGroup(p, member.p, member.waterP)
  // A steady temperature is looked up once: most forecasts have one for most of their way.
  setBatch(batch, member, temperature.points.length <= 1 && !temperature.swingC)
  running = { member, temperature, tempC: NaN }
  run(hours, out, at)
}
