import { within } from '../invalid'

/**
 * Pressure of the standard atmosphere at sea level, Pa; its fall with height: 1 − 2.25577e−5 h to the power 5.25588.
 * ICAO standard atmosphere, from memory.
 */
const SEA_LEVEL_PA = 101_325
const PA_PER_MMHG = 133.322
/** Antoine's constants of water from 1 to 100 °C, mmHg. From memory. */
const ANTOINE = { a: 8.07131, b: 1730.63, c: 233.426 }

/**
 * Boiling point of water, °C, at a height above the sea, m (−400 to 5 000), in the standard atmosphere. Weather moves
 * it by up to half a degree.
 */
export function boilingPointC(altitudeM: number): number {
  within(altitudeM, -400, 5000, 'The height above the sea in metres')
  const mmHg = (SEA_LEVEL_PA * (1 - 2.25577e-5 * altitudeM) ** 5.25588) / PA_PER_MMHG
  return ANTOINE.b / (ANTOINE.a - Math.log10(mmHg)) - ANTOINE.c
}

/**
 * Minutes that home canning guidance adds to a boiling-water time for a height: 5 from 305 m, 10 from 915 m, 15 from
 * 1 830 m, 20 from 2 440 m. USDA Complete Guide to Home Canning, from memory.
 */
export const boilingMinutesAdded = (altitudeM: number): number =>
  altitudeM > 2440 ? 20 : altitudeM > 1830 ? 15 : altitudeM > 915 ? 10 : altitudeM > 305 ? 5 : 0
