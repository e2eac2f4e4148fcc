import { HALF_SPEED, MIXED_PK, phFactor, STOPS_AT_REST, temperatureFactor } from './growth'
import type { Member, MemberGroup } from './member'
import { longestStepH, temperatureAt, type TemperaturePlan } from './temperature'

/**
 * What a run shows at each output: blended, liquid and pieces' pH; CO2 made so far (mmol/kg of everything) and a day;
 * lactic and acetic acid (mmol/kg); bacteria in the liquid, log10 a gram.
 */
export const SHOWN = ['blended', 'liquid', 'pieces', 'gas', 'gasPerDay', 'lactic', 'acetic', 'cells'] as const
export const COLUMNS = SHOWN.length

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
const LACTIC = tableOf((pH) => meanCharge(pH, [MIXED_PK.lactic]))
const ACETIC = tableOf((pH) => meanCharge(pH, [MIXED_PK.acetic]))
const HYDROGEN = tableOf((pH) => FREE * 10 ** -pH)
const CITRIC = tableOf((pH) => meanCharge(pH, MIXED_PK.citric))
const MALIC = tableOf((pH) => meanCharge(pH, MIXED_PK.malic))
const lookup = (table: Float64Array, pH: number): number => {
  const place = Math.min(STEPS - 1e-9, Math.max(0, (pH - LOW) * PER_PH))
  const index = place | 0
  const a = table[index] ?? 0
  return a + ((table[index + 1] ?? 0) - a) * (place - index)
}

/**
 * Charge the food's own acids and buffer take up between its start pH and a pH, mmol/kg: made once for each run.
 * Beside it the charge is balanced by what the bacteria make.
 */
function nativeTable(
  { citric, malic, buffer, startPh }: Pick<Member, 'citric' | 'malic' | 'buffer' | 'startPh'>,
  into: Float64Array,
): void {
  const base = citric * lookup(CITRIC, startPh) + malic * lookup(MALIC, startPh) + buffer * startPh
  for (let index = 0; index <= STEPS; index++)
    into[index] = citric * (CITRIC[index] ?? 0) + malic * (MALIC[index] ?? 0) + buffer * (LOW + index / PER_PH) - base
}

/**
 * pH where native charge × share + acids' charge balances free hydrogen. Newton on the table, from a pH near by; the
 * residual only rises with pH.
 */
function phFrom(
  native: Float64Array,
  share: number,
  lactic: number,
  acetic: number,
  freeAtStart: number,
  near: number,
): number {
  let place = Math.min(STEPS - 1e-6, Math.max(0, (near - LOW) * PER_PH))
  for (let pass = 0; pass < 30; pass++) {
    const index = place | 0
    const part = place - index
    const n0 = native[index]!
    const l0 = LACTIC[index]!
    const a0 = ACETIC[index]!
    const h0 = HYDROGEN[index]!
    const slope =
      share * (native[index + 1]! - n0) +
      lactic * (LACTIC[index + 1]! - l0) +
      acetic * (ACETIC[index + 1]! - a0) -
      (HYDROGEN[index + 1]! - h0)
    const residual = share * n0 + lactic * l0 + acetic * a0 - h0 + freeAtStart + part * slope
    const moved = residual / slope
    place -= moved
    if (place < 0) place = 0
    else if (place > STEPS - 1e-6) place = STEPS - 1e-6
    if (moved < 0.005 && moved > -0.005) break
  }
  return LOW + place / PER_PH
}

/** pH of a food with acids made in it, mmol/kg. For checks; the run uses the same table. */
export function phWithAcids(
  food: Pick<Member, 'citric' | 'malic' | 'buffer' | 'startPh'>,
  lactic: number,
  acetic: number,
): number {
  const native = new Float64Array(STEPS + 1)
  nativeTable(food, native)
  return phFrom(native, 1, lactic, acetic, FREE * 10 ** -food.startPh, food.startPh)
}

/*
 * One run at a time: its figures lie in typed arrays of this module, since numbers kept in closures are boxed and
 * cost a third of the time.
 */
const STATES = 10
const state = new Float64Array(STATES)
const trial = new Float64Array(STATES)
const first = new Float64Array(STATES)
const second = new Float64Array(STATES)
const native = new Float64Array(STEPS + 1)
const LN_H = 0
const ADAPT_H = 1
const LN_P = 2
const ADAPT_P = 3
const SUGAR = 4
const LACT = 5
const ACET = 6
const SUGAR_IN = 7
const LACT_IN = 8
const ACET_IN = 9

/** Relative cells where a group is not there at all. */
const NONE = -80

/**
 * Figures of the member that do not change during its run: of each group from GROUP_H and GROUP_P on, then of the
 * batch.
 */
const fixed = new Float64Array(30)
const GROUP_H = 0
const GROUP_P = 10
const RATE = 0
const PH_MIN = 1
const MOST = 2
const DEATH = 3
const WITH_GROWTH = 4
const AT_REST = 5
const FLOOR = 6
const WATER_EVEN = 7
const WATER_AHEAD = 8
const THERE = 9
const LIQUID = 20
const AT_ONCE = 21
const TAU = 22
const ACETIC_SHARE = 23
const STOPS_LACTIC = 24
const STOPS_ACETIC = 25
const FREE_AT_START = 26

/**
 * What moves with the run: the liquid's pH, the pace of each group at this temperature, the fastest relative rate,
 * CO2 made an hour in the liquid, 1 while nothing works in it yet.
 */
const moving = new Float64Array(6)
const PH = 0
const WARM_H = 1
const WARM_P = 2
const FASTEST = 3
const GAS = 4
const ASLEEP = 5

function setGroup(group: MemberGroup, water: readonly [number, number], at: number): void {
  fixed.set(
    [
      group.rate,
      group.phMin,
      group.most,
      group.death,
      group.withGrowth,
      group.atRest,
      group.phMin - group.below,
      water[1],
      water[0] - water[1],
      group.start > 0 ? 1 : 0,
    ],
    at,
  )
}

/** Growth, adaptation and acid of one group; returns the acid it makes, mmol/kg an hour. */
function groupRates(
  y: Float64Array,
  index: number,
  at: number,
  warm: number,
  apart: number,
  fed: number,
  grows: number,
  rests: number,
  into: Float64Array,
): number {
  if (fixed[at + THERE] === 0 || moving[ASLEEP] === 1) {
    into[index] = into[index + 1] = 0
    return 0
  }
  const pH = moving[PH]!
  const adapt = y[index + 1]!
  const well = phFactor(pH, fixed[at + PH_MIN]!) * grows
  const able = warm * (fixed[at + WATER_EVEN]! + fixed[at + WATER_AHEAD]! * apart) * fed
  const pace = fixed[at + RATE]! * able * well
  const x = Math.exp(y[index]!)
  const net = pace * adapt * (1 - x / fixed[at + MOST]!)
  const ill = (1 - well) * (1 - well)
  into[index] = net - fixed[at + DEATH]! * warm * ill * ill
  into[index + 1] = pace * adapt * (1 - adapt)
  if (pace > moving[FASTEST]!) moving[FASTEST] = pace
  const room = (pH - fixed[at + FLOOR]!) / 0.75
  const open = room > 1 ? 1 : room > 0 ? room : 0
  return x * ((net > 0 ? fixed[at + WITH_GROWTH]! * net : 0) + fixed[at + AT_REST]! * able * rests * open * adapt)
}

/** Share of solutes that has reached the liquid, 1 once evened out. */
const evenAt = (hour: number): number =>
  fixed[LIQUID]! < 1 ? 1 - (1 - fixed[AT_ONCE]!) * Math.exp(-hour / fixed[TAU]!) : 1

/** Rates of everything at an hour. */
function rates(y: Float64Array, hour: number, into: Float64Array): void {
  const even = evenAt(hour)
  const apart = even < 1 ? (1 - even) / (1 - fixed[AT_ONCE]!) : 0
  const lactic = y[LACT]!
  const acetic = y[ACET]!
  const sugar = y[SUGAR]! > 0 ? y[SUGAR]! : 0
  const pH = phFrom(native, even, lactic, acetic, fixed[FREE_AT_START]! * even, moving[PH]!)
  moving[PH] = pH
  const place = (pH - LOW) * PER_PH
  const index = place | 0
  const part = place - index
  const freeLactic = 1 - LACTIC[index]! - (LACTIC[index + 1]! - LACTIC[index]!) * part
  const freeAcetic = 1 - ACETIC[index]! - (ACETIC[index + 1]! - ACETIC[index]!) * part
  const held = (lactic * freeLactic) / fixed[STOPS_LACTIC]! + (acetic * freeAcetic) / fixed[STOPS_ACETIC]!
  const grows = held < 1 ? 1 - held : 0
  const rests = held < STOPS_AT_REST ? 1 - held / STOPS_AT_REST : 0
  const fed = sugar / (HALF_SPEED + sugar)
  moving[FASTEST] = 0
  const byH = groupRates(y, LN_H, GROUP_H, moving[WARM_H]!, apart, fed, grows, rests, into)
  const byP = groupRates(y, LN_P, GROUP_P, moving[WARM_P]!, apart, fed, grows, rests, into)
  moving[GAS] = byH
  const share = fixed[ACETIC_SHARE]!
  const used = byH * (1 + 2 * share) + 0.5 * byP
  if (sugar > 0 && used > moving[FASTEST]! * sugar) moving[FASTEST] = used / sugar
  into[SUGAR] = -used
  into[LACT] = byH + byP
  into[ACET] = share * byH
  const liquid = fixed[LIQUID]!
  if (liquid >= 1) return
  for (let part = 0; part < 3; part++) {
    const gap = (y[SUGAR_IN + part]! - y[SUGAR + part]!) / fixed[TAU]!
    into[SUGAR + part] = into[SUGAR + part]! + (1 - liquid) * gap
    into[SUGAR_IN + part] = -liquid * gap
  }
}

/**
 * Runs one member and writes {@link COLUMNS} figures for each of `hours` (rising, from 0) to `out` from `at` on.
 * Heun's method on the logarithms of the cells; steps follow the fastest of growth, sugar, pH and exchange.
 */
// One loop over one state on purpose: it runs some hundred thousand times a forecast, and calls would cost half of it.
// eslint-disable-next-line max-lines-per-function
export function integrateMember(
  member: Member,
  temperature: TemperaturePlan,
  hours: Float64Array,
  out: Float64Array,
  at: number,
): void {
  const { h, p, hexose, liquid, atOnce, tauH, startPh, tempShiftC, wakesH } = member
  const inside = 1 - liquid
  const twoParts = inside > 0
  const free = FREE * 10 ** -startPh
  setGroup(h, member.waterH, GROUP_H)
  setGroup(p, member.waterP, GROUP_P)
  fixed.set([liquid, atOnce, tauH, member.aceticShare, member.stopsLactic, member.stopsAcetic, free], LIQUID)
  nativeTable(member, native)
  state.fill(0)
  state[LN_H] = h.start > 0 ? Math.log(h.start) : NONE
  state[LN_P] = p.start > 0 ? Math.log(p.start) : NONE
  state[ADAPT_H] = state[ADAPT_P] = member.adapted
  state[SUGAR] = twoParts ? hexose * atOnce : hexose
  state[SUGAR_IN] = twoParts ? (hexose * (1 - liquid * atOnce)) / inside : 0
  moving[PH] = startPh
  moving[ASLEEP] = wakesH > 0 ? 1 : 0

  // A steady temperature is looked up once: most forecasts have one for most of their way.
  const steady = temperature.points.length <= 1 && !temperature.swingC
  const states = twoParts ? STATES : SUGAR_IN
  const farthest = twoParts ? Math.min(24, 0.5 * tauH) : 24
  let warmAt = NaN
  const warm = (hour: number) => {
    const tempC = temperatureAt(temperature, hour) + tempShiftC
    if (tempC === warmAt) return
    warmAt = tempC
    moving[WARM_H] = temperatureFactor(tempC, h)
    moving[WARM_P] = temperatureFactor(tempC, p)
  }
  let hour = 0
  let gas = 0
  let dt = 0.1
  let phBefore = startPh
  let blended = startPh
  let pieces = startPh
  warm(0)
  rates(state, 0, first)
  for (let index = 0; index < hours.length; index++) {
    const until = hours[index] ?? 0
    while (hour < until - 1e-9) {
      const pH = moving[PH]!
      const gasBefore = moving[GAS]!
      // How fast pH moved over the last step tells how long the next may be.
      const slope = Math.abs(pH - phBefore) / dt
      dt = Math.min(
        0.5 / (moving[FASTEST]! + 0.01),
        steady ? farthest : Math.min(farthest, longestStepH(temperature, hour)),
      )
      if (slope * dt > 0.12) dt = 0.12 / slope
      if (dt < 0.1) dt = 0.1
      if (hour < wakesH && hour + dt > wakesH) dt = wakesH - hour
      if (hour + dt > until) dt = until - hour
      for (let k = 0; k < states; k++) trial[k] = state[k]! + dt * first[k]!
      if (trial[SUGAR]! < 0) trial[SUGAR] = 0
      if (!steady) warm(hour + dt)
      rates(trial, hour + dt, second)
      for (let k = 0; k < states; k++) state[k] = state[k]! + (dt / 2) * (first[k]! + second[k]!)
      if (state[SUGAR]! < 0) state[SUGAR] = 0
      if (state[ADAPT_H]! > 1) state[ADAPT_H] = 1
      if (state[ADAPT_P]! > 1) state[ADAPT_P] = 1
      gas += (dt / 2) * (gasBefore + moving[GAS]!) * liquid
      phBefore = pH
      hour += dt
      if (hour >= wakesH) moving[ASLEEP] = 0
      rates(state, hour, first)
    }
    const row = at + index * COLUMNS
    const inLactic = twoParts ? state[LACT_IN]! : state[LACT]!
    const inAcetic = twoParts ? state[ACET_IN]! : state[ACET]!
    const lactic = liquid * state[LACT]! + inside * inLactic
    const acetic = liquid * state[ACET]! + inside * inAcetic
    out[row + 1] = moving[PH]!
    if (twoParts) {
      const rich = 1 + (liquid / inside) * (1 - evenAt(until))
      blended = phFrom(native, 1, lactic, acetic, free, blended)
      pieces = phFrom(native, rich, inLactic, inAcetic, free * rich, pieces)
    } else blended = pieces = moving[PH]!
    out[row] = blended
    out[row + 2] = pieces
    out[row + 3] = gas
    out[row + 4] = moving[GAS]! * 24 * liquid
    out[row + 5] = lactic
    out[row + 6] = acetic
    // The states count in 10⁹ a gram.
    out[row + 7] = 9 + Math.log10(Math.exp(state[LN_H]!) + Math.exp(state[LN_P]!))
  }
}
