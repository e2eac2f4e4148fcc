/*
 * The loop of the forecast, compiled to WebAssembly by AssemblyScript (`npm run kernel`): it runs some hundred thousand
 * times a forecast. Units as in src/ferment: hours, °C, mmol/kg, 10⁹ cells a gram.
 *
 * What is fixed for a run, its tables and what it shows lie where the caller asks for; the order of fields is known to
 * src/ferment/kernel.ts. What is rare, a temperature that changes, is asked of the caller. All else of the model stays
 * in src/ferment.
 */
import { longestStepH, setPace } from './caller'
import { expOf, TWO } from './exponential'
import { Batch, Group, State, STATE_BYTES } from './state'
import {
  ACETIC,
  CITRIC,
  HYDROGEN,
  LACTIC,
  LOW,
  lookup,
  MALIC,
  NATIVE,
  pairAt,
  PER_PH,
  phFrom,
  PHS,
  TABLE_BYTES,
  undissociated,
} from './tables'

export { expOf, phFrom }

const h = new Group()
const p = new Group()
const batch = new Batch()
const state = new State()
const tried = new State()
const first = new State()
const second = new State()

/** Relative cells of a group that is not there, as a logarithm. */
const NONE: f64 = -80
/** Shown at each output; see `SHOWN` in src/ferment/kernel.ts. */
const COLUMNS: i32 = 8

let hours = new StaticArray<f64>(64)
let shown = new StaticArray<f64>(64 * COLUMNS)

/* The liquid's pH, the fastest relative rate, CO2 made an hour in the liquid; whether nothing works in it yet. */
let pH: f64 = 0
let fastest: f64 = 0
let gasRate: f64 = 0
/** Cells of both groups in the liquid, 10⁹/g. */
let allCells: f64 = 0
let asleep = false

/** Room for so many outputs; places of arrays are to be asked for anew. */
export function makeRoom(outputs: i32): void {
  if (outputs <= hours.length) return
  hours = new StaticArray<f64>(2 * outputs)
  shown = new StaticArray<f64>(2 * outputs * COLUMNS)
}
export function placeOfHours(): usize {
  return changetype<usize>(hours)
}
export function placeOfShown(): usize {
  return changetype<usize>(shown)
}
export function placeOfLactic(): usize {
  return changetype<usize>(LACTIC)
}
export function placeOfAcetic(): usize {
  return changetype<usize>(ACETIC)
}
export function placeOfTwo(): usize {
  return changetype<usize>(TWO)
}
export function placeOfHydrogen(): usize {
  return changetype<usize>(HYDROGEN)
}
export function placeOfCitric(): usize {
  return changetype<usize>(CITRIC)
}
export function placeOfPhs(): usize {
  return changetype<usize>(PHS)
}
export function placeOfMalic(): usize {
  return changetype<usize>(MALIC)
}
export function placeOfH(): usize {
  return changetype<usize>(h)
}
export function placeOfP(): usize {
  return changetype<usize>(p)
}
export function placeOfBatch(): usize {
  return changetype<usize>(batch)
}

/** Fills the table of the food's own charge for the batch that was set. */
export function makeFood(): void {
  const citric = batch.citric
  const malic = batch.malic
  const buffer = batch.buffer
  const base = citric * lookup(CITRIC, batch.startPh) + malic * lookup(MALIC, batch.startPh) + buffer * batch.startPh
  // Two steps at once; the last one stands alone in its pair.
  const ofCitric = f64x2.splat(citric)
  const ofMalic = f64x2.splat(malic)
  const ofBuffer = f64x2.splat(buffer)
  const less = f64x2.splat(base)
  for (let place: usize = 0; place < TABLE_BYTES; place += 16) {
    const acids = f64x2.add(f64x2.mul(ofCitric, pairAt(CITRIC, place)), f64x2.mul(ofMalic, pairAt(MALIC, place)))
    const all = f64x2.add(acids, f64x2.mul(ofBuffer, pairAt(PHS, place)))
    v128.store(changetype<usize>(NATIVE) + place, f64x2.sub(all, less))
  }
}

/** Best and highest pH for growth, both groups. From memory. */
const PH_BEST: f64 = 6
const PH_MAX: f64 = 8.5

/** Growth at a pH as a share of that at the best; 0 at and under the least. */
export function phFactor(ph: f64, phMin: f64): f64 {
  if (!(ph > phMin && ph < PH_MAX)) return 0
  const q = (ph - phMin) * (ph - PH_MAX)
  const apart = ph - PH_BEST
  return q / (q - apart * apart)
}

/** Over 0.75 pH above its floor a group comes to make acid at full pace. */
const PER_OPEN: f64 = 1 / 0.75

/** How growth and rest are held at a moment. */
let apart: f64 = 0
let fed: f64 = 0
let grows: f64 = 0
let rests: f64 = 0
/** A group's cells, and the rates of their logarithm and of its adaptation, told beside the acid it makes. */
let cells: f64 = 0
let lnRate: f64 = 0
let adaptRate: f64 = 0

/** Growth and adaptation of one group; returns the acid it makes, mmol/kg an hour. */
function workOf(group: Group, ln: f64, adapt: f64): f64 {
  cells = expOf(ln)
  lnRate = adaptRate = 0
  if (group.start == 0 || asleep) return 0
  const well = phFactor(pH, group.phMin) * grows
  const able = group.warm * (group.waterEven + group.waterAhead * apart) * fed
  const pace = group.rate * able * well
  const net = pace * adapt * (1 - cells * group.perMost)
  const ill = (1 - well) * (1 - well)
  lnRate = net - group.death * group.warm * ill * ill
  adaptRate = pace * adapt * (1 - adapt)
  if (pace > fastest) fastest = pace
  const room = (pH - group.floor) * PER_OPEN
  const open = room > 1 ? 1 : room > 0 ? room : 0
  return cells * ((net > 0 ? group.withGrowth * net : 0) + group.atRest * able * rests * open * adapt)
}

/** Share of solutes that has reached the liquid, 1 once evened out. */
function evenAt(hour: f64): f64 {
  return batch.liquid < 1 ? 1 - (1 - batch.atOnce) * expOf(-hour / batch.tauH) : 1
}

/** Rates of everything at an hour. */
function rates(at: State, hour: f64, into: State): void {
  const even = evenAt(hour)
  apart = even < 1 ? (1 - even) / (1 - batch.atOnce) : 0
  const sugar = at.sugar > 0 ? at.sugar : 0
  pH = phFrom(even, at.lactic, at.acetic, batch.freeAtStart * even, pH)
  const place = (pH - LOW) * PER_PH
  const index = <i32>place
  const part = place - <f64>index
  const held =
    at.lactic * undissociated(LACTIC, index, part) * batch.perStopsLactic +
    at.acetic * undissociated(ACETIC, index, part) * batch.perStopsAcetic
  grows = held < 1 ? 1 - held : 0
  rests = max(0, 1 - held * batch.perStopsAtRest)
  fed = sugar / (batch.halfSpeed + sugar)
  fastest = 0
  const byH = workOf(h, at.lnH, at.adaptH)
  into.lnH = lnRate
  into.adaptH = adaptRate
  allCells = cells
  const byP = workOf(p, at.lnP, at.adaptP)
  into.lnP = lnRate
  into.adaptP = adaptRate
  allCells += cells
  gasRate = byH
  const used = byH * (1 + 2 * batch.aceticShare) + 0.5 * byP
  if (sugar > 0 && used > fastest * sugar) fastest = used / sugar
  into.sugar = -used
  into.lactic = byH + byP
  into.acetic = batch.aceticShare * byH
  if (batch.liquid >= 1) return
  const inside = 1 - batch.liquid
  const sugarGap = (at.sugarIn - at.sugar) / batch.tauH
  const lacticGap = (at.lacticIn - at.lactic) / batch.tauH
  const aceticGap = (at.aceticIn - at.acetic) / batch.tauH
  into.sugar += inside * sugarGap
  into.lactic += inside * lacticGap
  into.acetic += inside * aceticGap
  into.sugarIn = -batch.liquid * sugarGap
  into.lacticIn = -batch.liquid * lacticGap
  into.aceticIn = -batch.liquid * aceticGap
}

/** Two figures of a state from one of its places on. */
function pairOf(moving: State, place: usize): v128 {
  return v128.load(changetype<usize>(moving) + place)
}
function setPair(moving: State, place: usize, pair: v128): void {
  v128.store(changetype<usize>(moving) + place, pair)
}

function begin(): void {
  memory.fill(changetype<usize>(state), 0, STATE_BYTES)
  state.lnH = h.start > 0 ? Math.log(h.start) : NONE
  state.lnP = p.start > 0 ? Math.log(p.start) : NONE
  state.adaptH = state.adaptP = batch.adapted
  state.sugar = batch.hexose
  if (batch.liquid < 1) {
    state.sugar = batch.hexose * batch.atOnce
    state.sugarIn = (batch.hexose * (1 - batch.liquid * batch.atOnce)) / (1 - batch.liquid)
  }
  pH = batch.startPh
  asleep = batch.wakesH > 0
}

/**
 * Runs one possible batch and writes what it shows at each of the first so many `hours` (rising, from 0). Heun's
 * method on the logarithms of the cells; steps follow the fastest of growth, sugar, pH and exchange.
 */
export function run(outputs: i32): void {
  const liquid = batch.liquid
  const inside = 1 - liquid
  const pieces = inside > 0
  const farthest = pieces ? min(24, 0.5 * batch.tauH) : 24
  const steady = batch.steady == 1
  let hour: f64 = 0
  let gas: f64 = 0
  let dt: f64 = 0.1
  let phBefore = batch.startPh
  let blended = batch.startPh
  let inPieces = batch.startPh
  makeFood()
  begin()
  setPace(0)
  rates(state, 0, first)
  for (let output = 0; output < outputs; output++) {
    const until = unchecked(hours[output])
    while (hour < until - 1e-9) {
      const phHere = pH
      const gasBefore = gasRate
      // How fast pH moved over the last step tells how long the next may be.
      const slope = abs(phHere - phBefore) / dt
      dt = 0.5 / (fastest + 0.01)
      const longest = steady ? farthest : min(farthest, longestStepH(hour))
      if (dt > longest) dt = longest
      if (slope * dt > 0.12) dt = 0.12 / slope
      if (dt < 0.1) dt = 0.1
      if (hour < batch.wakesH && hour + dt > batch.wakesH) dt = batch.wakesH - hour
      if (hour + dt > until) dt = until - hour
      const whole = f64x2.splat(dt)
      for (let place: usize = 0; place < STATE_BYTES; place += 16)
        setPair(tried, place, f64x2.add(pairOf(state, place), f64x2.mul(whole, pairOf(first, place))))
      if (tried.sugar < 0) tried.sugar = 0
      if (!steady) setPace(hour + dt)
      rates(tried, hour + dt, second)
      const half = f64x2.splat(dt / 2)
      for (let place: usize = 0; place < STATE_BYTES; place += 16) {
        const both = f64x2.add(pairOf(first, place), pairOf(second, place))
        setPair(state, place, f64x2.add(pairOf(state, place), f64x2.mul(half, both)))
      }
      if (state.sugar < 0) state.sugar = 0
      if (state.adaptH > 1) state.adaptH = 1
      if (state.adaptP > 1) state.adaptP = 1
      gas += (dt / 2) * (gasBefore + gasRate) * liquid
      phBefore = phHere
      hour += dt
      if (hour >= batch.wakesH) asleep = false
      rates(state, hour, first)
    }
    const lacticIn = pieces ? state.lacticIn : state.lactic
    const aceticIn = pieces ? state.aceticIn : state.acetic
    const lactic = liquid * state.lactic + inside * lacticIn
    const acetic = liquid * state.acetic + inside * aceticIn
    if (!pieces) blended = inPieces = pH
    else {
      const rich = 1 + (liquid / inside) * (1 - evenAt(until))
      blended = phFrom(1, lactic, acetic, batch.freeAtStart, blended)
      inPieces = phFrom(rich, lacticIn, aceticIn, batch.freeAtStart * rich, inPieces)
    }
    const row = output * COLUMNS
    unchecked((shown[row] = blended))
    unchecked((shown[row + 1] = pH))
    unchecked((shown[row + 2] = inPieces))
    unchecked((shown[row + 3] = gas))
    unchecked((shown[row + 4] = gasRate * 24 * liquid))
    unchecked((shown[row + 5] = lactic))
    unchecked((shown[row + 6] = acetic))
    // The states count in 10⁹ a gram.
    unchecked((shown[row + 7] = 9 + Math.log10(allCells)))
  }
}
