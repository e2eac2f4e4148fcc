/*
 * The charge balance of weak acids in water, compiled to WebAssembly by AssemblyScript (`npm run generate`): a solver
 * asks for it thousands of times. Per kg of water, mmol; what its figures mean stands in src/acid/balance.ts.
 *
 * The solution lies where the caller put it: rows of a table, two acids side by side.
 */
import { expOf, TWO } from './exponential'

/** Acids of a solution, at most; src/acid/kernel.ts knows it too. */
const ACIDS: i32 = 16
const ROW_BYTES: usize = 16 * 8
/** Rows: how much of each acid, 10^−pKa of its three steps (0 where it has fewer), 1 where activity does not matter. */
const TABLE = new StaticArray<f64>(5 * ACIDS)
/** Told: pH, ionic strength (mol/kg), Σ C z̄, its part of twice the ionic strength, its slope with pH. */
const TOLD = new StaticArray<f64>(5)
/** Of each part: water and salt in g, strong ions in mmol, a place that is left free, and its acids in mmol. */
const BEFORE: i32 = 4
const PART: i32 = BEFORE + ACIDS
const PART_BYTES: usize = 20 * 8
let parts = new StaticArray<f64>(16 * PART)
/** How much of each part is poured together. */
let factors = new StaticArray<f64>(16)

const LN10: f64 = 2.302585092994046
/** Water at 25 °C: 10^−13.995 (CRC Handbook, from memory). */
const KW: f64 = 1.0115794542599003e-14
const SALT_MOLAR_MASS_G: f64 = 58.443
/** pH is looked for between these. */
const LOW: f64 = -1
const HIGH: f64 = 15
/** How near a root is looked for, pH: at the end, and while its activity is still on the way. */
const FINE: f64 = 1e-9
const ROUGH: f64 = 1e-3

/** Bytes of a row that hold acids. */
let acidBytes: usize = 0
let sum: f64 = 0
let squares: f64 = 0
let slope: f64 = 0
/** Free hydrogen and hydroxide, mmol/kg. */
let free: f64 = 0

/** Room for so many parts; their places are to be asked for anew. */
export function makeRoom(wanted: i32): void {
  if (wanted <= factors.length) return
  parts = new StaticArray<f64>(2 * wanted * PART)
  factors = new StaticArray<f64>(2 * wanted)
}
export function placeOfParts(): usize {
  return changetype<usize>(parts)
}
export function placeOfFactors(): usize {
  return changetype<usize>(factors)
}
export function placeOfTable(): usize {
  return changetype<usize>(TABLE)
}
export function placeOfTold(): usize {
  return changetype<usize>(TOLD)
}
export function placeOfTwo(): usize {
  return changetype<usize>(TWO)
}
/** How many acids the rows hold. */
export function setAcids(count: i32): void {
  acidBytes = (<usize>(count + 1) >> 1) << 4
}

const ten = (power: f64): f64 => expOf(power * LN10)

function row(at: usize, place: usize): v128 {
  return v128.load(changetype<usize>(TABLE) + at * ROW_BYTES + place)
}
function bothOf(pair: v128): f64 {
  return f64x2.extract_lane(pair, 0) + f64x2.extract_lane(pair, 1)
}

/**
 * What the acids carry at 10^pH. A step's constant moves with activity: 10^−pK'_k = 10^−pKa × g^(2k−1), with `g` one
 * charge's 1/γ.
 */
function carry(tenToPh: f64, g: f64): void {
  const one = f64x2.splat(1)
  const none = f64x2.splat(0)
  const at = f64x2.splat(tenToPh)
  let sums = none
  let allSquares = none
  let slopes = none
  for (let place: usize = 0; place < acidBytes; place += 16) {
    const bare = f64x2.ne(row(4, place), none)
    const more = v128.bitselect(one, f64x2.splat(g * g), bare)
    const ofFirst = f64x2.mul(v128.bitselect(one, f64x2.splat(g), bare), at)
    const ofSecond = f64x2.mul(ofFirst, more)
    const ofThird = f64x2.mul(ofSecond, more)
    const first = f64x2.mul(ofFirst, row(1, place))
    const second = f64x2.mul(first, f64x2.mul(ofSecond, row(2, place)))
    const third = f64x2.mul(second, f64x2.mul(ofThird, row(3, place)))
    const share = f64x2.div(one, f64x2.add(f64x2.add(one, first), f64x2.add(second, third)))
    const twice = f64x2.add(second, second)
    const thrice = f64x2.mul(f64x2.splat(3), third)
    const mean = f64x2.mul(f64x2.add(f64x2.add(first, twice), thrice), share)
    const square = f64x2.mul(
      f64x2.add(f64x2.add(first, f64x2.add(twice, twice)), f64x2.mul(f64x2.splat(3), thrice)),
      share,
    )
    const amount = row(0, place)
    sums = f64x2.add(sums, f64x2.mul(amount, mean))
    allSquares = f64x2.add(allSquares, f64x2.mul(amount, square))
    slopes = f64x2.add(slopes, f64x2.mul(amount, f64x2.sub(square, f64x2.mul(mean, mean))))
  }
  sum = bothOf(sums)
  squares = bothOf(allSquares)
  slope = LN10 * bothOf(slopes)
}

/** log10 of the activity coefficient of a single charge after Davies, held at 1 mol/kg (from memory). */
export function daviesLog(ionicStrength: f64): f64 {
  const root = sqrt(min(max(ionicStrength, 0), 1))
  return -0.5092 * (root / (1 + root) - 0.3 * root * root)
}

/** What the acids carry at a pH and a logarithm of the activity coefficient, told. */
export function charges(pH: f64, log: f64): void {
  carry(ten(pH), ten(-log))
  unchecked((TOLD[2] = sum))
  unchecked((TOLD[3] = squares))
  unchecked((TOLD[4] = slope))
}

/**
 * Root of the strictly falling residual at fixed activity: Newton inside a bracket, halving when a step leaves it.
 * What is carried, and free, is that of one step before it. The last step is smaller than `within`; the root itself is
 * off by about its square.
 */
function rootAt(sid: f64, log: f64, start: f64, within: f64): f64 {
  const g = ten(-log)
  const hydrogen = 1000 * g
  const hydroxide = hydrogen * KW
  let low = LOW
  let high = HIGH
  let pH = min(max(start, LOW + 0.1), HIGH - 0.1)
  for (let pass = 0; pass < 100; pass++) {
    const tenToPh = ten(pH)
    carry(tenToPh, g)
    const h = hydrogen / tenToPh
    const oh = hydroxide * tenToPh
    const residual = sid + h - oh - sum
    if (residual > 0) low = pH
    else high = pH
    const newton = pH + residual / (LN10 * (h + oh) + slope)
    const next = newton >= low && newton <= high ? newton : (low + high) / 2
    free = h + oh
    if (abs(next - pH) < within) return next
    pH = next
  }
  return pH
}

/**
 * pH of the solution that was laid out, told with its ionic strength. Root and activity are found side by side: a step
 * of the one for each step of the other, until neither moves.
 */
export function solve(salt: f64, sid: f64, activity: bool): void {
  const ions = 2 * salt + abs(sid)
  let log = activity ? daviesLog(ions / 2000) : 0
  let pH = rootAt(sid, log, 4, activity ? ROUGH : FINE)
  let step = ROUGH
  for (let pass = 0; activity && pass < 40; pass++) {
    const next = daviesLog((ions + squares + free) / 2000)
    if (step < FINE && abs(next - log) < FINE) break
    log = next
    const before = pH
    pH = rootAt(sid, log, before, ROUGH)
    step = abs(pH - before)
  }
  unchecked((TOLD[0] = pH))
  unchecked((TOLD[1] = (ions + squares + free) / 2000))
}

/** Two things of so many parts, each by its factor, added up. */
function poured(count: i32, place: usize): v128 {
  let all = f64x2.splat(0)
  for (let part = 0; part < count; part++) {
    const factor = f64x2.splat(unchecked(factors[part]))
    all = f64x2.add(all, f64x2.mul(factor, v128.load(changetype<usize>(parts) + <usize>part * PART_BYTES + place)))
  }
  return all
}

/** So many parts poured together and solved; false without water. */
export function pour(count: i32): bool {
  const first = poured(count, 0)
  const water = f64x2.extract_lane(first, 0)
  if (!(water > 0)) return false
  const scale = 1000 / water
  const salt = (f64x2.extract_lane(first, 1) / SALT_MOLAR_MASS_G) * 1000 * scale
  const sid = f64x2.extract_lane(poured(count, 16), 0) * scale
  const scales = f64x2.splat(scale)
  for (let place: usize = 0; place < acidBytes; place += 16)
    v128.store(changetype<usize>(TABLE) + place, f64x2.mul(scales, poured(count, <usize>BEFORE * 8 + place)))
  solve(salt, sid, true)
  return true
}
