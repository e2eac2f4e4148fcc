import { within } from '../invalid'
import { bunsen, WARN_BAR } from './pressure'

/** Gas constant, L·atm/(mol·K); one atmosphere in bar; molar volume behind a Bunsen coefficient, L. */
const R = 0.08206
const ATM_BAR = 1.01325
const BUNSEN_MOLAR = 22.26

/** A closed vessel: liquid in L (or kg), gas above it in L, its temperature, salt in mol per kg of water. */
export interface ClosedVessel {
  liquidL: number
  headspaceL: number
  tempC: number
  saltMolar: number
}

/**
 * CO2 that a litre of salted liquid holds at one atmosphere, mol; salt drives it out (Setschenow, 0.105). From
 * memory.
 * @param tempC held within 0 to 35.
 */
export const co2Held = (tempC: number, saltMolar: number): number =>
  (bunsen(Math.min(35, Math.max(0, tempC))) / BUNSEN_MOLAR) * 10 ** (-0.105 * saltMolar)

/**
 * Gauge pressure that so much CO2 gives, bar. In equilibrium the liquid takes its share; once it is saturated all
 * goes to the headspace.
 * @param co2Mmol made in the vessel, mmol.
 */
export function gaugeBar(
  co2Mmol: number,
  { liquidL, headspaceL, tempC, saltMolar }: ClosedVessel,
  saturated: boolean,
): number {
  within(headspaceL, 0.001, 1e6, 'The headspace in litres')
  const gas = headspaceL / (R * (tempC + 273.15))
  const room = gas + (saturated ? 0 : co2Held(tempC, saltMolar) * liquidL)
  return (ATM_BAR * co2Mmol) / 1000 / room
}

/** Under this between burps nobody keeps up: an airlock or a loose lid. Judgement. */
export const TOO_OFTEN_H = 8

/**
 * Hours after which a closed vessel should be burped, on the saturated side, so that it stays under {@link
 * WARN_BAR}; at most `most`.
 * @param gasPerDay mmol of CO2 per kg and day; the upper end of the forecast.
 */
export function burpEveryH(gasPerDay: number, vessel: ClosedVessel, most = 72): number {
  const barPerDay = gaugeBar(gasPerDay * vessel.liquidL, vessel, true)
  return barPerDay > 0 ? Math.min(most, (24 * WARN_BAR) / barPerDay) : most
}

/** Free gas in a bag, L for a kilogram, once the liquid is full. @param co2 made so far, mmol/kg. */
export const bagGasL = (co2: number, tempC: number, saltMolar: number): number =>
  Math.max(0, co2 - 1000 * co2Held(tempC, saltMolar)) * 0.024
