import { InvalidInput } from '../invalid'
import { chargesAt, daviesLog, layOut, solveLaid, type Acid, type Balance } from './kernel'

/**
 * What takes part in the charge balance, per kg of water (mmol/kg): salt, strong-ion difference, weak acids.
 * The strong-ion difference (SID) is the charge of sodium, potassium and the like that is not matched by chloride.
 */
export interface Solution {
  saltMmol: number
  sidMmol: number
  acids: readonly Acid[]
}

export type { Balance } from './kernel'

/** Whether ions are corrected for activity: switched off only to compare with textbook formulas. */
export interface BalanceOptions {
  activity?: boolean
}

const PKW = 13.995 // water at 25 °C, CRC Handbook, from memory
const LN10 = Math.LN10

/** Free hydrogen less hydroxide in mmol/kg water, at an electrode pH. */
function freeIons(pH: number, log: number): number {
  return 1000 * (10 ** (-pH - log) - 10 ** (pH - PKW - log))
}

/** Free hydrogen and hydroxide together, mmol/kg water. */
const allFree = (pH: number, log: number): number => 1000 * (10 ** (-pH - log) + 10 ** (pH - PKW - log))

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
  layOut(solution.acids)
  return solveLaid(solution.saltMmol, solution.sidMmol, activity)
}

/**
 * Strong-ion difference (mmol/kg water) with which a solution of these acids and this salt shows a measured pH.
 * The ionic strength depends on the SID itself: a few passes settle it.
 */
export function sidFor(pH: number, saltMmol: number, acids: Solution['acids']): number {
  let sidMmol = 0
  let log = daviesLog(saltMmol / 1000)
  layOut(acids)
  for (let pass = 0; pass < 40; pass++) {
    const { sum, squares } = chargesAt(pH, log)
    sidMmol = sum - freeIons(pH, log)
    const next = daviesLog((2 * saltMmol + Math.abs(sidMmol) + squares + allFree(pH, log)) / 2000)
    if (Math.abs(next - log) < 1e-10) break
    log = next
  }
  return sidMmol
}

/** Charge of free hydrogen less hydroxide at a pH, mmol/kg water, and how fast it falls with pH. */
export function freeCharge({ pH, ionicStrength }: Balance): { left: number; slope: number } {
  const log = daviesLog(ionicStrength)
  return { left: freeIons(pH, log), slope: -LN10 * allFree(pH, log) }
}

/** Charge that these weak acids carry at a pH, mmol/kg water: Σ C z̄. */
export function boundCharge(acids: Solution['acids'], { pH, ionicStrength }: Balance): number {
  layOut(acids)
  return chargesAt(pH, daviesLog(ionicStrength)).sum
}

/**
 * Charge left over at a pH (mmol/kg water) and how fast it falls with pH, at a given ionic strength.
 * Zero at the solution's own pH. Per mass of water it adds up over components, which is what makes pH targets linear.
 */
export function chargeLeft(solution: Solution, pH: number, ionicStrength: number): { left: number; slope: number } {
  const log = daviesLog(ionicStrength)
  layOut(solution.acids)
  const { sum, slope } = chargesAt(pH, log)
  return { left: solution.sidMmol + freeIons(pH, log) - sum, slope: -LN10 * allFree(pH, log) - slope }
}
