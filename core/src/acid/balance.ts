import { InvalidInput } from '../invalid'
import type { AcidSpecies } from './species'

/**
 * What takes part in the charge balance, per kg of water (mmol/kg): salt, strong-ion difference, weak acids.
 * The strong-ion difference (SID) is the charge of sodium, potassium and the like that is not matched by chloride.
 */
export interface Solution {
  saltMmol: number
  sidMmol: number
  acids: readonly { species: AcidSpecies; mmol: number }[]
}

/** pH and what was found on the way. */
export interface Balance {
  pH: number
  ionicStrength: number
}

/** Whether ions are corrected for activity: switched off only to compare with textbook formulas. */
export interface BalanceOptions {
  activity?: boolean
}

const PKW = 13.995 // water at 25 °C, CRC Handbook, from memory
const KW = 10 ** -PKW
const LOW = -1
const HIGH = 15
const LN10 = Math.LN10

/**
 * log10 of the activity coefficient of a single charge after Davies, with A = 0.5092 (25 °C, from memory).
 * @param ionicStrength mol/kg water; held at 1.0, where the formula ends to be of use.
 */
export function daviesLog(ionicStrength: number): number {
  const root = Math.sqrt(Math.min(Math.max(ionicStrength, 0), 1))
  return -0.5092 * (root / (1 + root) - 0.3 * root * root)
}

/**
 * A solution laid out for the loop, per kg of water: how much of each acid, 1/Ka of its three steps (0 where it has
 * fewer) without activity, and the same at the activity it is looked at with: `g`, one charge's 1/γ.
 */
export interface Laid {
  saltMmol: number
  sidMmol: number
  mmol: Float64Array
  site: Uint8Array
  steps: Float64Array
  now: Float64Array
  g: number
}
const STEPS = 3

/** Lays out a solution of these acids. */
export function layOut({ saltMmol, sidMmol, acids }: Solution): Laid {
  const laid = {
    saltMmol,
    sidMmol,
    mmol: new Float64Array(acids.length),
    site: new Uint8Array(acids.length),
    steps: new Float64Array(acids.length * STEPS),
    now: new Float64Array(acids.length * STEPS),
    g: NaN,
  }
  acids.forEach(({ species, mmol }, index) => {
    laid.mmol[index] = mmol
    laid.site[index] = species.site ? 1 : 0
    laid.steps.set(stepsOf(species), index * STEPS)
  })
  return laid
}
/** 10^pKa of every step turned over, worked out once for a species. */
const KNOWN_STEPS = new WeakMap<AcidSpecies, readonly number[]>()
function stepsOf(species: AcidSpecies): readonly number[] {
  const known = KNOWN_STEPS.get(species)
  if (known) return known
  const found = species.pKa.map((pKa) => 10 ** -pKa)
  KNOWN_STEPS.set(species, found)
  return found
}

/** Puts an activity on the steps: 10^−pK'_k = 10^−pKa × g^(2k−1); generic sites have none. */
function activate(laid: Laid, g: number): void {
  if (laid.g === g) return
  laid.g = g
  const { site, steps, now } = laid
  for (let acid = 0; acid < site.length; acid++) {
    let factor = site[acid] === 0 ? g : 1
    const more = site[acid] === 0 ? g * g : 1
    for (let at = acid * STEPS; at < (acid + 1) * STEPS; at++) {
      now[at] = steps[at]! * factor
      factor *= more
    }
  }
}

/**
 * What the weak acids carry at a pH: Σ C z̄, its part of twice the ionic strength, its slope with pH; and free hydrogen
 * and hydroxide; mmol/kg water. One record, used again and again.
 */
const carried = { sum: 0, squares: 0, slope: 0, free: 0 }
function carry({ mmol, now }: Laid, tenToPh: number): void {
  let sum = 0
  let squares = 0
  let slope = 0
  for (let acid = 0, at = 0; acid < mmol.length; acid++, at += STEPS) {
    const amount = mmol[acid]!
    if (amount === 0) continue
    const one = tenToPh * now[at]!
    const two = one * tenToPh * now[at + 1]!
    const three = two * tenToPh * now[at + 2]!
    const share = 1 / (1 + one + two + three)
    const mean = (one + 2 * two + 3 * three) * share
    const meanSquare = (one + 4 * two + 9 * three) * share
    sum += amount * mean
    squares += amount * meanSquare
    slope += amount * (meanSquare - mean * mean)
  }
  carried.sum = sum
  carried.squares = squares
  carried.slope = LN10 * slope
}
/** Ten to a power; quicker than ** here, and as good as a double. */
const ten = (power: number): number => Math.exp(power * LN10)

/** The same at a pH and a logarithm of the activity coefficient. */
function acidCharge(laid: Laid, pH: number, log: number): typeof carried {
  activate(laid, ten(-log))
  carry(laid, ten(pH))
  return carried
}

/** Free hydrogen less hydroxide in mmol/kg water, at an electrode pH. */
function freeIons(pH: number, log: number): number {
  return 1000 * (10 ** (-pH - log) - 10 ** (pH - PKW - log))
}

/** Ionic strength in mol/kg water: salt, the ions behind the SID, acid anions, hydrogen and hydroxide. */
const strengthOf = (
  { saltMmol, sidMmol }: Pick<Solution, 'saltMmol' | 'sidMmol'>,
  { squares, free }: { squares: number; free: number },
): number => (2 * saltMmol + Math.abs(sidMmol) + squares + free) / 2000

/** How near a root is looked for, pH: at the end, and while its activity is still on the way. */
const FINE = 1e-9
const ROUGH = 1e-3

/**
 * Root of the strictly falling residual at fixed activity: Newton inside a bracket, halving when a step leaves it.
 * `carried` is what was carried, and free, one step before it.
 * @param within the last step is smaller than this, pH: the root itself is off by about its square.
 */
function rootAt(laid: Laid, log: number, start: number, within: number): number {
  const { sidMmol } = laid
  const g = ten(-log)
  const hydrogen = 1000 * g
  const hydroxide = hydrogen * KW
  activate(laid, g)
  let low = LOW
  let high = HIGH
  let pH = Math.min(Math.max(start, LOW + 0.1), HIGH - 0.1)
  for (let pass = 0; pass < 100; pass++) {
    const tenToPh = ten(pH)
    carry(laid, tenToPh)
    const h = hydrogen / tenToPh
    const oh = hydroxide * tenToPh
    const residual = sidMmol + h - oh - carried.sum
    if (residual > 0) low = pH
    else high = pH
    const newton = pH - residual / (-LN10 * (h + oh) - carried.slope)
    const next = newton >= low && newton <= high ? newton : (low + high) / 2
    carried.free = h + oh
    if (Math.abs(next - pH) < within) return next
    pH = next
  }
  return pH
}

/**
 * pH at which charge balances: SID + [H⁺] − [OH⁻] = Σ C z̄(pH), with Davies activities on the electrode's scale.
 * @throws InvalidInput when a number put in is not finite or negative where it cannot be.
 */
export function solveBalance(solution: Solution, { activity = true }: BalanceOptions = {}): Balance {
  if (
    !Number.isFinite(solution.saltMmol) ||
    !Number.isFinite(solution.sidMmol) ||
    solution.acids.some(({ mmol }) => !(mmol >= 0 && mmol < Infinity))
  )
    throw new InvalidInput('The acid balance was given a number that cannot be.')
  return solveLaid(layOut(solution), activity)
}

/**
 * The same for a solution that is laid out already and known to be sound. Root and activity are found side by side: a
 * step of the one for each step of the other, until neither moves.
 */
export function solveLaid(laid: Laid, activity = true): Balance {
  let log = activity ? daviesLog((2 * laid.saltMmol + Math.abs(laid.sidMmol)) / 2000) : 0
  let pH = rootAt(laid, log, 4, activity ? ROUGH : FINE)
  let step = ROUGH
  for (let pass = 0; activity && pass < 40; pass++) {
    const next = daviesLog(strengthOf(laid, carried))
    if (step < FINE && Math.abs(next - log) < FINE) break
    log = next
    const before = pH
    pH = rootAt(laid, log, before, ROUGH)
    step = Math.abs(pH - before)
  }
  return { pH, ionicStrength: strengthOf(laid, carried) }
}

/**
 * Strong-ion difference (mmol/kg water) with which a solution of these acids and this salt shows a measured pH.
 * The ionic strength depends on the SID itself: a few passes settle it.
 */
export function sidFor(pH: number, saltMmol: number, acids: Solution['acids']): number {
  let sidMmol = 0
  let log = daviesLog(saltMmol / 1000)
  const laid = layOut({ saltMmol, sidMmol: 0, acids })
  for (let pass = 0; pass < 40; pass++) {
    const { sum, squares } = acidCharge(laid, pH, log)
    sidMmol = sum - freeIons(pH, log)
    const free = 1000 * (ten(-pH - log) + ten(pH - PKW - log))
    const next = daviesLog(strengthOf({ saltMmol, sidMmol }, { squares, free }))
    if (Math.abs(next - log) < 1e-10) break
    log = next
  }
  return sidMmol
}

/** Charge of free hydrogen less hydroxide at a pH, mmol/kg water, and how fast it falls with pH. */
export function freeCharge({ pH, ionicStrength }: Balance): { left: number; slope: number } {
  const log = daviesLog(ionicStrength)
  return { left: freeIons(pH, log), slope: -1000 * LN10 * (10 ** (-pH - log) + 10 ** (pH - PKW - log)) }
}

/** Charge that the weak acids of a solution carry at a pH, mmol/kg water: Σ C z̄. */
export const boundCharge = (solution: Solution, { pH, ionicStrength }: Balance): number =>
  acidCharge(layOut(solution), pH, daviesLog(ionicStrength)).sum

/**
 * Charge left over at a pH (mmol/kg water) and how fast it falls with pH, at a given ionic strength.
 * Zero at the solution's own pH. Per mass of water it adds up over components, which is what makes pH targets linear.
 */
export function chargeLeft(solution: Solution, pH: number, ionicStrength: number): { left: number; slope: number } {
  const log = daviesLog(ionicStrength)
  const { sum, slope } = acidCharge(layOut(solution), pH, log)
  const free = 1000 * LN10 * (10 ** (-pH - log) + 10 ** (pH - PKW - log))
  return { left: solution.sidMmol + freeIons(pH, log) - sum, slope: -free - slope }
}
