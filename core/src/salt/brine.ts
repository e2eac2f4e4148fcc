import { InvalidInput, within } from '../invalid'

/** Salt that saturates water at 20 °C, % of the solution (100 degrees on a salometer). Common practice. */
export const SATURATION_PCT = 26.4

/**
 * Density of a salt brine at 20 °C in g/mL.
 * @param saltPct salt in percent of the solution by weight, 0 to 26.4.
 * Source: cubic fitted to the CRC Handbook's table (1.0340 at 5 %, 1.0707 at 10 %, 1.1478 at 20 %), from memory.
 */
export function brineDensity(saltPct: number): number {
  const w = within(saltPct, 0, SATURATION_PCT, 'Brine strength in percent')
  return 0.998213 + 7.0948e-3 * w + 1.1473e-5 * w ** 2 + 3.8544e-7 * w ** 3
}

/**
 * Salt in the water phase, percent: what the bacteria feel. 3 % salt in something with 85 % water is 3.409 %.
 * @throws InvalidInput when there is neither salt nor water.
 */
export function waterPhaseSaltPct(saltG: number, waterG: number): number {
  if (!(saltG >= 0) || !(waterG >= 0) || saltG + waterG <= 0)
    throw new InvalidInput('There is no water to hold the salt.')
  return (100 * saltG) / (saltG + waterG)
}
