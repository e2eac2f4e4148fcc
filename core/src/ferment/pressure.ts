import { InvalidInput, within } from '../invalid'
import { interpolate } from '../units/interpolate'

/** Bunsen coefficient of CO2 in water at a temperature, °C. From memory. */
const BUNSEN: readonly [number, number][] = [
  [0, 1.713],
  [4, 1.473],
  [10, 1.194],
  [15, 1.019],
  [20, 0.878],
  [25, 0.759],
  [30, 0.665],
  [35, 0.592],
]

/** Bunsen coefficient by straight line between the table's points; 0 to 35 °C. */
export function bunsen(tempC: number): number {
  within(tempC, 0, 35, 'The temperature in °C')
  return interpolate(
    BUNSEN.length,
    (index) => BUNSEN[index]?.[0] ?? 0,
    (index) => BUNSEN[index]?.[1] ?? 0,
    tempC,
  )
}

/**
 * Litres of CO2 (0 °C, 1 atm) in a litre, from hexose in g/L fermented out by yeast: 0.489 g per g, 1.977 g per
 * litre. From memory.
 */
export const co2Volumes = (hexoseGPerL: number): number =>
  (0.489 * within(hexoseGPerL, 0, 1000, 'The sugar in g per litre')) / 1.977

/** More air than this over a liquid is no filling. */
const MOST_HEADSPACE = 1000

/**
 * Gauge pressure in bar of a sealed bottle once its sugar is fermented out.
 * p = 1.013 V / (0.9 Bunsen + h × 273/T), h the headspace as a share of the liquid. From memory.
 * @param headspace over 0 and under 1 000: a jar filled under half has more air than liquid.
 * @throws InvalidInput when it is not.
 */
export function bottlePressure(hexoseGPerL: number, tempC: number, headspace = 0.05): number {
  if (!(headspace > 0 && headspace < MOST_HEADSPACE))
    throw new InvalidInput('The headspace is a share of the liquid above 0.')
  return (1.013 * co2Volumes(hexoseGPerL)) / (0.9 * bunsen(tempC) + (headspace * 273.15) / (273.15 + tempC))
}

/** Over this at 35 °C: warn. Over {@link STOP_BAR}: stop. Judgement: sauce bottles are not made for pressure. */
export const WARN_BAR = 0.5
export const STOP_BAR = 1
