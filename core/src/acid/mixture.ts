import { ACIDS, type AcidId, type Acids } from './species'
import { boundCharge, chargeLeft, freeCharge, sidFor, solveBalance, type Balance, type Solution } from './balance'

/** g/mol of sodium chloride (IUPAC atomic weights). */
export const SALT_MOLAR_MASS_G = 58.443

/**
 * What carries a pH, per any mass: water and salt in g, acids and strong-ion difference in mmol. All of it adds up on
 * mixing.
 */
export interface AcidBase {
  waterG: number
  saltG: number
  acids: Acids
  sidMmol: number
}

const ENTRIES = Object.keys(ACIDS) as AcidId[]

function perKgWater({ waterG, saltG, acids }: Omit<AcidBase, 'sidMmol'>): Omit<Solution, 'sidMmol'> {
  const scale = 1000 / waterG
  return {
    saltMmol: (saltG / SALT_MOLAR_MASS_G) * 1000 * scale,
    acids: ENTRIES.filter((id) => acids[id]).map((id) => ({ species: ACIDS[id], mmol: (acids[id] ?? 0) * scale })),
  }
}

/** pH and ionic strength of a mixture, or `null` when it holds no water ("no pH"). */
export function mixtureBalance(mixture: AcidBase): Balance | null {
  if (!(mixture.waterG > 0)) return null
  return solveBalance({ ...perKgWater(mixture), sidMmol: (mixture.sidMmol * 1000) / mixture.waterG })
}

/** Charge and its slope with pH, mmol and mmol per pH. */
export interface Charge {
  left: number
  slope: number
}

/**
 * Charge that a component brings to a mixture held at a pH: the q of the linear pH row. Prepared once, asked many
 * times.
 * Without water of its own only its acids and strong ions count; any reference mass of water cancels out.
 */
export function chargeOf(component: AcidBase): (at: Balance) => Charge {
  const dry = !(component.waterG > 0)
  const kg = dry ? 1 : component.waterG / 1000
  const solution: Solution = {
    ...perKgWater(dry ? { ...component, waterG: 1000 } : component),
    sidMmol: component.sidMmol / kg,
  }
  return (at) => {
    const { left, slope } = chargeLeft(solution, at.pH, at.ionicStrength)
    const none = dry ? freeCharge(at) : { left: 0, slope: 0 }
    return { left: (left - none.left) * kg, slope: (slope - none.slope) * kg }
  }
}

/** Charge that the weak acids of a component carry at a pH, mmol: what it can give or take there. 0 without water. */
export function boundOf(component: AcidBase, at: Balance): number {
  const kg = component.waterG / 1000
  return kg > 0 ? boundCharge(perKgWater(component).acids, at) * kg : 0
}

/** pH to which acidity is titrated. Common practice. */
export const TITRATED_TO = 8.2

/**
 * Titratable acidity, mmol of lye to pH 8.2, and which acid takes it; `free` is hydrogen that is free already. `null`
 * without water.
 */
export interface Titratable {
  mmol: number
  by: { id: AcidId | 'free'; mmol: number }[]
}

/** What a titration to pH 8.2 would find: Σ C (z̄(8.2) − z̄(pH)), and free hydrogen. */
export function titratableOf(mixture: AcidBase): Titratable | null {
  const now = mixtureBalance(mixture)
  if (!now) return null
  const end = { ...now, pH: TITRATED_TO }
  const kg = mixture.waterG / 1000
  const by: Titratable['by'] = ENTRIES.filter((id) => mixture.acids[id]).map((id) => {
    const alone = { ...mixture, acids: { [id]: mixture.acids[id] } }
    return { id, mmol: boundOf(alone, end) - boundOf(alone, now) }
  })
  by.push({ id: 'free', mmol: kg * (freeCharge(now).left - freeCharge(end).left) })
  return { mmol: by.reduce((sum, one) => sum + one.mmol, 0), by: by.sort((a, b) => b.mmol - a.mmol) }
}

/** pH of a mixture, or `null` without water. Never an average of pH or of hydrogen ions. */
export const mixturePh = (mixture: AcidBase): number | null => mixtureBalance(mixture)?.pH ?? null

/** Strong-ion difference in mmol that makes a component show its measured pH. 0 without water. */
export function componentSid(pH: number, component: Omit<AcidBase, 'sidMmol'>): number {
  if (!(component.waterG > 0)) return 0
  const { saltMmol, acids } = perKgWater(component)
  return (sidFor(pH, saltMmol, acids) * component.waterG) / 1000
}

/**
 * Lactic acid (mmol) that takes a mixture from its present state down to a measured pH, everything else unchanged.
 * 0 when the measured pH is not lower. Found by bisection on the full balance; at most 4 mol per kg of water is
 * looked for.
 */
export function lacticToReach(pH: number, mixture: AcidBase): number {
  const now = mixturePh(mixture)
  if (now === null || now <= pH) return 0
  const at = (lactic: number) =>
    mixturePh({ ...mixture, acids: { ...mixture.acids, lactic: (mixture.acids.lactic ?? 0) + lactic } }) ?? 0
  let low = 0
  let high = 4 * mixture.waterG
  for (let pass = 0; pass < 60; pass++) {
    const middle = (low + high) / 2
    if (at(middle) > pH) low = middle
    else high = middle
  }
  return (low + high) / 2
}
