import { within } from '../invalid'
import type { HeatPoint } from './lethality'

/** Specific heat of sauce and of glass, J/(g K). From memory. */
const SAUCE_HEAT = 3.8
const GLASS_HEAT = 0.84

/** A hot sauce meets a glass: masses in g, temperatures in °C. */
export interface HotFill {
  fillC: number
  glassC: number
  sauceG: number
  glassG: number
}

/** Temperature once sauce and glass have shared their heat, °C; to plan with only: what counts is measured. */
export function filledBottleC({ fillC, glassC, sauceG, glassG }: HotFill): number {
  within(fillC, 0, 110, 'The filling temperature in °C')
  within(glassC, -20, 110, 'The glass in °C')
  within(sauceG, 1, 100_000, 'The sauce in g')
  within(glassG, 0, 100_000, 'The glass in g')
  const [sauce, glass] = [SAUCE_HEAT * sauceG, GLASS_HEAT * glassG]
  return (sauce * fillC + glass * glassC) / (sauce + glass)
}

/** What cold glass takes from a filling, °C. */
export const lostToGlassC = (fill: HotFill): number => fill.fillC - filledBottleC(fill)

/**
 * How warm the glass must be so that the filled bottle stands at a temperature, °C; `null` where even glass as hot as
 * the sauce is not enough.
 */
export function glassFor(wantedC: number, { fillC, sauceG, glassG }: Omit<HotFill, 'glassC'>): number | null {
  if (wantedC > fillC) return null
  return glassG > 0 ? wantedC - (SAUCE_HEAT * sauceG * (fillC - wantedC)) / (GLASS_HEAT * glassG) : -Infinity
}

/**
 * Time constant of a bottle cooling in still air, minutes: 45 for 150 mL, 60 for 300 mL, by a power of the volume
 * between and beyond. From memory.
 */
export const coolingMinutes = (volumeMl: number): number =>
  45 * (within(volumeMl, 10, 20_000, 'The volume in mL') / 150) ** Math.log2(60 / 45)

/** A small bottle, mL, cools as quickly as any; in a room of so many °C, read to within so many. Judgement. */
const SMALL_ML = 50
const ROOM_C = 20
const READ_WITHIN_C = 1.5

/**
 * How hot the bottle was that was measured last, °C. A probe climbs until it is as warm as the bottle, and the bottle
 * cools from then on; what is colder than a small bottle can have become since is another one, and counts.
 * @param points one record, in order, at least one.
 */
export function lastFilledC(points: readonly HeatPoint[]): number {
  const tau = coolingMinutes(SMALL_ML)
  return points.reduce((hot, point) => {
    const cooled = ROOM_C + (hot.tempC - ROOM_C) * Math.exp((hot.minute - point.minute) / tau)
    return point.tempC > hot.tempC || point.tempC < cooled - READ_WITHIN_C ? point : hot
  }).tempC
}

/**
 * Share by which a sauce filled hot shrinks until it is cold, percent: water's own, from the Kell fit rounded to two
 * points (85 °C 0.9686, 20 °C 0.9982 g/mL; from memory).
 */
export const shrinkPct = (fillC: number): number => Math.max(0, 100 * (1 - (0.9982 - 4.55e-4 * (fillC - 20)) / 0.9982))
