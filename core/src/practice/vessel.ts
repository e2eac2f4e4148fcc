import { co2Held, gaugeBar } from '../ferment/gas'
import type { Sampled } from '../ferment/readings'
import { temperatureAt, type TemperaturePlan } from '../ferment/temperature'
import type { Chore } from '../library/chores'
import type { Closure } from '../library/vessels'
import { SALT_MOLAR_MASS_G } from '../acid/mixture'
import { allowedDays, PH_LINE, allowanceOf } from '../ferment/clock'
import type { Course } from './course'

/*
 * What a vessel does around its ferment, step by step: gas that stays or goes, air above, film and mould on top, pieces
 * that rise, liquid that runs over, rot where acid never came. Paces are judgement, chosen so that the trade's times
 * come out (docs/checks.md); gas and mass are conserved.
 */

/** How a closure lets air in, share of what is missing an hour; and what it holds, bar over the room. Judgement. */
const CLOSING: Record<Closure, { air: number; holdsBar: number }> = {
  'tight lid': { air: 0, holdsBar: 2.5 },
  'loose lid': { air: 0.02, holdsBar: 0 },
  airlock: { air: 0.0005, holdsBar: 0 },
  clip: { air: 0.001, holdsBar: 0.3 },
  'self-venting lid': { air: 0.001, holdsBar: 0.1 },
  plate: { air: 0.05, holdsBar: 0 },
  cloth: { air: 0.5, holdsBar: 0 },
  'sealed bag': { air: 0, holdsBar: 0 },
}
/** A vessel is followed in steps of so many hours, as the model shows its batches. */
export const STEP_H = 2

/** What film and mould do in full air at 21 °C: growth an hour; e-folds a degree; no growth from so much salt on. */
const FILM = { perH: 0.05, noneFromSaltPct: 12, eatsPerDay: 0.06 }
const MOULD = { perH: 0.045, noneFromSaltPct: 9 }
const PER_DEGREE = 0.07
/** Film and mould are seen from such a share of the surface on. */
export const SEEN = { film: 0.08, skin: 0.4, islands: 0.8, mould: 0.02 } as const
/** Pieces nobody holds down rise while gas lifts them: share in the air an hour, and how far. */
const FLOAT = { gasPerDay: 3, perH: 0.02, most: 0.35 }
/** Share of a surface that stands dry: ground under an open top, under a lid; where film stands in islands. Chosen. */
const STANDS_DRY = { open: 0.35, closed: 0.15, islands: 0.5 } as const
/** Gas lifts a mash, and foam stands on it: share of its height for each mmol/kg a day; at most so much. */
const RISE = { ground: 0.012, pieces: 0.004, most: 0.3 }
/** Where acid never came rot shows from such a share of the time allowed on, in so many hours. Chosen. */
const ROT = { fromShare: 1.3, inH: 72 }
/** Share of what is in it that can push out in an hour. */
const RUNS_PER_H = 0.02
/** Water that leaves through an open top in a day, share. */
const DRIES_PER_DAY = { cloth: 0.004, plate: 0.002 } as const
/** What lives in a jar takes up its oxygen: share an hour. Chosen. */
const TAKEN_UP = 0.03
/** Where so much salt stands no clock runs. */
const NO_CLOCK = 1e6
const ATM_BAR = 1.01325
/** Litres of gas in a mmol at room temperature. */
const L_PER_MMOL = 0.024

/** Something done to a vessel: a chore, or that it was opened for a look or a sample. */
export interface Act {
  hour: number
  act: Chore | 'open' | 'cover'
}

export interface VesselCase {
  capacityMl: number
  contentG: number
  closure: Closure
  /** Pieces in a liquid, that can rise; and whether something holds them down. */
  pieces: boolean
  held: boolean
  course: Course
  temperature: TemperaturePlan
  acts: readonly Act[]
  /** log10 of the share of the surface at packing. */
  film: number
  mould: number
  /** Put in or taken out, g, by hour: what the log has. */
  changes: readonly { hour: number; massG: number }[]
}

/** How a vessel stands at an hour. Gas in mmol: made = held + above + away. */
export interface VesselState {
  hour: number
  contentG: number
  ranOverG: number
  driedG: number
  made: number
  held: number
  above: number
  away: number
  /** Over the room's, bar; and free gas in a bag, L. */
  bar: number
  bagL: number
  /** Share of air in what stands above; and of its oxygen. */
  air: number
  oxygen: number
  film: number
  mould: number
  /** Share of the pieces in the air. */
  bared: number
  /** How much higher it stands than at rest, share of its height. */
  rise: number
  /** pH that film has eaten. */
  eaten: number
  /** Share of the time allowed above 4.6 that is spent while it stood above: its liquid, and all of it. */
  spentLiquid: number
  spentBlended: number
  rot: number
}

const warm = (tempC: number) => (tempC > 38 || tempC < 0 ? 0 : Math.exp(PER_DEGREE * (Math.min(30, tempC) - 21)))
const grown = (share: number, rate: number) => {
  const next = share * Math.exp(rate)
  return next / (1 - share + next)
}

/** What a vessel stands in during a step. */
interface Around {
  gas: number
  tempC: number
  saltPct: number
}

/** Gas: what the liquid cannot hold stands above it; what the closure does not bear goes away. */
function gasMoves(state: VesselState, { closure, capacityMl }: VesselCase, { gas, tempC, saltPct }: Around): void {
  const { air: leak, holdsBar } = CLOSING[closure]
  const kg = state.contentG / 1000
  const saltMolar = (saltPct / (100 - Math.min(90, saltPct)) / SALT_MOLAR_MASS_G) * 1000
  const fresh = (gas / 24) * kg * STEP_H
  state.made += fresh
  const inAll = state.held + state.above + fresh
  const full = 1000 * co2Held(tempC, saltMolar) * kg
  if (closure === 'sealed bag') {
    state.held = Math.min(inAll, full)
    state.above = inAll - state.held
    state.bagL = state.above * L_PER_MMOL
    return
  }
  // What carbon dioxide presses with, were all of it kept; the closure bears so much beside what air is left.
  const headspaceL = Math.max(0.02, capacityMl / 1000 - kg)
  const wouldBe = gaugeBar(inAll, { liquidL: Math.max(0.01, kg), headspaceL, tempC, saltMolar }, false)
  const pushedOut = ATM_BAR * (1 - state.air)
  const presses = Math.min(wouldBe, holdsBar + pushedOut)
  const stays = wouldBe > 0 ? (inAll * presses) / wouldBe : 0
  state.away += inAll - stays
  state.held = Math.min(stays, (full * presses) / ATM_BAR)
  state.above = stays - state.held
  state.bar = Math.max(0, presses - pushedOut)
  const swept = Math.exp((-(inAll - stays) * L_PER_MMOL) / headspaceL)
  const comesIn = 1 - (1 - leak) ** STEP_H
  state.air += (1 - state.air * swept) * comesIn - state.air * (1 - swept)
  state.oxygen = state.oxygen * swept * (1 - TAKEN_UP) ** STEP_H + (1 - state.oxygen) * comesIn
}

/** What gas lifts, what runs over and dries, and what comes to stand in the air by it. */
function levelMoves(state: VesselState, { closure, capacityMl, pieces, held }: VesselCase, { gas }: Around): void {
  const bag = closure === 'sealed bag'
  state.rise = Math.min(RISE.most, (pieces ? RISE.pieces : RISE.ground) * gas)
  const over = bag ? 0 : Math.max(0, state.contentG * (1 + state.rise) - 0.98 * capacityMl)
  const ran = Math.min(over / (1 + state.rise), state.contentG * RUNS_PER_H * STEP_H)
  const dries = closure === 'cloth' || closure === 'plate' ? DRIES_PER_DAY[closure] : 0
  const dried = (state.contentG * dries * STEP_H) / 24
  state.contentG -= ran + dried
  state.ranOverG += ran
  state.driedG += dried
  if (!pieces || bag) return
  if (!held && gas > FLOAT.gasPerDay) state.bared = Math.min(FLOAT.most, state.bared + FLOAT.perH * STEP_H)
  state.bared = Math.min(1, state.bared + (ran + dried) / Math.max(1, 0.5 * state.contentG))
}

/** What grows on top, and what film eats. */
function surfaceGrows(state: VesselState, { closure, pieces }: VesselCase, { tempC, saltPct }: Around): void {
  const air = closure === 'sealed bag' ? 0 : state.oxygen
  const pace = STEP_H * air * warm(tempC)
  const bears = (none: number) => Math.max(0, 1 - saltPct / none)
  state.film = grown(state.film, FILM.perH * pace * bears(FILM.noneFromSaltPct))
  const open = closure === 'cloth' || closure === 'plate' ? STANDS_DRY.open : STANDS_DRY.closed
  const dry = Math.max(pieces ? Math.min(1, 4 * state.bared) : open, state.film > SEEN.islands ? STANDS_DRY.islands : 0)
  state.mould = grown(state.mould, MOULD.perH * pace * bears(MOULD.noneFromSaltPct) * dry)
  if (state.film > SEEN.film) state.eaten += ((FILM.eatsPerDay * STEP_H) / 24) * state.film
}

/** The clock above 4.6, and the rot that comes where acid never does. */
function timePasses(state: VesselState, { course }: VesselCase, { tempC, saltPct }: Around, hour: number): void {
  const above = (of: Sampled) => course.ph(hour, of) + state.eaten > PH_LINE
  const spends = STEP_H / 24 / (allowedDays(tempC) * (allowanceOf(saltPct)?.times ?? NO_CLOCK))
  state.spentLiquid += above('liquid') ? spends : 0
  state.spentBlended += above('blended') ? spends : 0
  if (state.spentLiquid > ROT.fromShare && above('liquid')) state.rot = Math.min(1, state.rot + STEP_H / ROT.inH)
}

/** Moves a vessel on by a step. */
function aStep(state: VesselState, of: VesselCase, hour: number): void {
  const { course, temperature } = of
  const around = {
    gas: course.gasPerDay(hour),
    tempC: temperatureAt(temperature, hour),
    saltPct: course.saltPct(hour),
  }
  gasMoves(state, of, around)
  levelMoves(state, of, around)
  surfaceGrows(state, of, around)
  timePasses(state, of, around, hour)
}

/** Lets gas out until it stands at the room's pressure: what is left above is thinner, of gas and of air alike. */
function letOut(state: VesselState): void {
  const left = ATM_BAR / (ATM_BAR + state.bar)
  state.away += state.above * (1 - left)
  state.above *= left
  state.air *= left
  state.oxygen *= left
  state.bar = 0
}
/** Takes away all that stands above: the vessel stands open. */
function openUp(state: VesselState): void {
  state.away += state.above
  state.above = 0
  state.bar = 0
  state.bagL = 0
}

/** What a hand does to it. */
function handled(state: VesselState, { act }: Act, { closure }: VesselCase): void {
  const bag = closure === 'sealed bag'
  const opened = !bag && act !== 'burp' && act !== 'airlock water' && act !== 'look for film' && act !== 'turn'
  if (opened || (bag && act === 'vent')) openUp(state)
  else if (act === 'burp') letOut(state)
  // A breath of gas goes out of a lid that is only loosened: little air comes in.
  const comesIn = act === 'burp' ? 0.1 : opened ? 0.7 : 0
  state.air = Math.max(state.air, comesIn)
  state.oxygen = Math.max(state.oxygen, comesIn)
  const broken = act === 'stir' || act === 'shake' || act === 'turn'
  if (act === 'press down' || act === 'cover' || act === 'top up' || broken) state.bared = 0
  if (broken || act === 'press down') state.film *= 0.3
  // What is not seen yet is stirred under; what is, has rooted.
  if ((broken || act === 'wipe' || act === 'press down') && state.mould < SEEN.mould) state.mould *= 0.3
  if (act === 'skim') state.film *= 0.02
}

/** A vessel from its packing to an hour, a state every {@link STEP_H}. @param untilHour at least 0. */
export function vesselStates(of: VesselCase, untilHour: number): VesselState[] {
  const { contentG, film, mould, acts, changes } = of
  // Spelled out: an object that is put together from others is copied many times slower.
  const state: VesselState = {
    hour: 0,
    contentG,
    ranOverG: 0,
    driedG: 0,
    made: 0,
    held: 0,
    above: 0,
    away: 0,
    bar: 0,
    bagL: 0,
    air: of.closure === 'sealed bag' ? 0 : 1,
    oxygen: of.closure === 'sealed bag' ? 0 : 1,
    film: 10 ** film,
    mould: 10 ** mould,
    bared: 0,
    rise: 0,
    eaten: 0,
    spentLiquid: 0,
    spentBlended: 0,
    rot: 0,
  }
  const states = [{ ...state }]
  let [act, change] = [0, 0]
  for (let hour = STEP_H; hour <= untilHour; hour += STEP_H) {
    for (let next = acts[act]; next && next.hour < hour; next = acts[++act]) handled(state, next, of)
    for (let next = changes[change]; next && next.hour < hour; next = changes[++change])
      state.contentG = Math.max(0, state.contentG + next.massG)
    if (state.contentG > 0) aStep(state, of, hour)
    state.hour = hour
    states.push({ ...state })
  }
  return states
}
