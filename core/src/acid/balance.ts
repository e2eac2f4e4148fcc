import { InvalidInput } from '../invalid'
import type { AcidSpecies } from './species'

/**
 * What takes part in the charge balance, per kg of water (mmol/kg): salt, strong-ion difference, weak acids.
 * The strong-ion difference (SID) is the charge of sodium, potassium and the like that is not matched by chloride.
 */
export interface Solution { saltMmol: number, sidMmol: number, acids: readonly { species: AcidSpecies, mmol: number }[] }

/** pH and what was found on the way. */
export interface Balance { pH: number, ionicStrength: number }

/** Whether ions are corrected for activity: switched off only to compare with textbook formulas. */
export interface BalanceOptions { activity?: boolean }

const PKW = 13.995 // water at 25 °C, CRC Handbook, from memory
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

interface Charge { mean: number, meanSquare: number, slope: number }

/** Mean charge of one acid molecule at a pH, its mean square, and the slope of the mean with pH. */
function charge(species: AcidSpecies, pH: number, log: number): Charge {
  let term = 1
  let sum = 1
  let first = 0
  let second = 0
  for (let k = 1; k <= species.pKa.length; k++) {
    const conditional = (species.pKa[k - 1] ?? 0) + (species.site ? 0 : (2 * k - 1) * log)
    term *= 10 ** (pH - conditional)
    sum += term
    first += k * term
    second += k * k * term
  }
  const mean = first / sum
  const meanSquare = second / sum
  return { mean, meanSquare, slope: LN10 * (meanSquare - mean * mean) }
}

/** Free hydrogen less hydroxide in mmol/kg water, at an electrode pH. */
function freeIons(pH: number, log: number): number {
  return 1000 * (10 ** (-pH - log) - 10 ** (pH - PKW - log))
}

/** Charge carried by the weak acids (mmol/kg water) and their part of twice the ionic strength. */
function acidCharge(solution: Solution, pH: number, log: number): { sum: number, squares: number, slope: number } {
  let sum = 0
  let squares = 0
  let slope = 0
  for (const { species, mmol } of solution.acids) {
    const one = charge(species, pH, log)
    sum += mmol * one.mean
    squares += mmol * one.meanSquare
    slope += mmol * one.slope
  }
  return { sum, squares, slope }
}

/** Ionic strength in mol/kg water at a pH: salt, the ions behind the SID, acid anions, hydrogen and hydroxide. */
function ionicStrengthAt(solution: Solution, pH: number, log: number, squares: number): number {
  const free = 1000 * (10 ** (-pH - log) + 10 ** (pH - PKW - log))
  return (2 * solution.saltMmol + Math.abs(solution.sidMmol) + squares + free) / 2000
}

/** Root of the strictly falling residual at fixed activity: Newton inside a bracket, halving when a step leaves it. */
function rootAt(solution: Solution, log: number, start: number): number {
  let low = LOW
  let high = HIGH
  let pH = Math.min(Math.max(start, LOW + 0.1), HIGH - 0.1)
  for (let pass = 0; pass < 100; pass++) {
    const { sum, slope } = acidCharge(solution, pH, log)
    const residual = solution.sidMmol + freeIons(pH, log) - sum
    if (residual > 0) low = pH
    else high = pH
    const fall = -1000 * LN10 * (10 ** (-pH - log) + 10 ** (pH - PKW - log)) - slope
    const newton = pH - residual / fall
    const next = newton > low && newton < high ? newton : (low + high) / 2
    if (Math.abs(next - pH) < 1e-9) return next
    pH = next
  }
  return pH
}

/**
 * pH at which charge balances: SID + [H⁺] − [OH⁻] = Σ C z̄(pH), with Davies activities on the electrode's scale.
 * @throws InvalidInput when a number put in is not finite or negative where it cannot be.
 */
export function solveBalance(solution: Solution, { activity = true }: BalanceOptions = {}): Balance {
  if (![solution.saltMmol, solution.sidMmol, ...solution.acids.map(acid => acid.mmol)].every(Number.isFinite)
    || solution.acids.some(acid => acid.mmol < 0)) throw new InvalidInput('The acid balance was given a number that cannot be.')
  let log = activity ? daviesLog((2 * solution.saltMmol + Math.abs(solution.sidMmol)) / 2000) : 0
  let pH = rootAt(solution, log, 4)
  let ionicStrength = ionicStrengthAt(solution, pH, log, acidCharge(solution, pH, log).squares)
  for (let pass = 0; activity && pass < 20; pass++) {
    const next = daviesLog(ionicStrength)
    if (Math.abs(next - log) < 1e-9) break
    log = next
    pH = rootAt(solution, log, pH)
    ionicStrength = ionicStrengthAt(solution, pH, log, acidCharge(solution, pH, log).squares)
  }
  return { pH, ionicStrength }
}

/**
 * Strong-ion difference (mmol/kg water) with which a solution of these acids and this salt shows a measured pH.
 * The ionic strength depends on the SID itself: a few passes settle it.
 */
export function sidFor(pH: number, saltMmol: number, acids: Solution['acids']): number {
  let sidMmol = 0
  let log = daviesLog(saltMmol / 1000)
  for (let pass = 0; pass < 40; pass++) {
    const solution = { saltMmol, sidMmol, acids }
    const { sum, squares } = acidCharge(solution, pH, log)
    sidMmol = sum - freeIons(pH, log)
    const next = daviesLog(ionicStrengthAt({ ...solution, sidMmol }, pH, log, squares))
    if (Math.abs(next - log) < 1e-10) break
    log = next
  }
  return sidMmol
}

/** Charge of free hydrogen less hydroxide at a pH, mmol/kg water, and how fast it falls with pH. */
export function freeCharge({ pH, ionicStrength }: Balance): { left: number, slope: number } {
  const log = daviesLog(ionicStrength)
  return { left: freeIons(pH, log), slope: -1000 * LN10 * (10 ** (-pH - log) + 10 ** (pH - PKW - log)) }
}

/** Charge that the weak acids of a solution carry at a pH, mmol/kg water: Σ C z̄. */
export const boundCharge = (solution: Solution, { pH, ionicStrength }: Balance): number => acidCharge(solution, pH, daviesLog(ionicStrength)).sum

/**
 * Charge left over at a pH (mmol/kg water) and how fast it falls with pH, at a given ionic strength.
 * Zero at the solution's own pH. Per mass of water it adds up over components, which is what makes pH targets linear.
 */
export function chargeLeft(solution: Solution, pH: number, ionicStrength: number): { left: number, slope: number } {
  const log = daviesLog(ionicStrength)
  const { sum, slope } = acidCharge(solution, pH, log)
  const free = 1000 * LN10 * (10 ** (-pH - log) + 10 ** (pH - PKW - log))
  return { left: solution.sidMmol + freeIons(pH, log) - sum, slope: -free - slope }
}
