import type { HourPoint, TemperaturePlan } from '../ferment/temperature'
import { temperatureAt, vesselLagH } from '../ferment/temperature'
import { HOUR_MS } from '../units/time'
import type { Place } from './exercise'

/** Where nobody says how warm a place is, °C: a room; and what is called cold. */
const ROOM_C = 21
const COLD_C = 4
/** A vessel is followed in steps of so many hours; between them its temperature is a straight line. */
const STEP_H = 3

/** From when on something stands where, ms; `tempC` as its maker said. */
export interface Stood {
  fromMs: number
  place: string
  cold: boolean
  tempC?: number | undefined
}

/**
 * How warm a place is at a moment, °C: warmest at 17 o'clock of a day that begins with the first morning at 8.
 * @param day0Ms the first morning.
 */
export function placeC(places: readonly Place[], { place, cold, tempC }: Stood, ms: number, day0Ms: number): number {
  const known = places.find(({ name }) => name.toLowerCase() === place.trim().toLowerCase())
  if (!known) return tempC ?? (cold ? COLD_C : ROOM_C)
  const hour = (ms - day0Ms) / HOUR_MS
  const { spell } = known
  const added = spell && hour >= 24 * spell.fromDay && hour < 24 * spell.toDay ? spell.addC : 0
  return known.tempC + known.swingC * Math.sin(((hour - 3) * Math.PI) / 12) + added
}

/**
 * How warm a vessel truly is from when it was packed: it follows where it stands with the lag of its weight, and what
 * it takes up is what the room gives (Newton's law of cooling, exact over each step).
 * @param kg in one vessel. @param untilMs how far it is followed; held after.
 */
export function vesselTemperature(
  places: readonly Place[],
  stood: readonly Stood[],
  kg: number,
  packedMs: number,
  untilMs: number,
  day0Ms: number,
): TemperaturePlan {
  const lagH = vesselLagH(Math.max(0.05, kg))
  const roomAt = (ms: number) => {
    const here = stood.findLast(({ fromMs }) => fromMs <= ms) ?? stood[0]
    return here ? placeC(places, here, ms, day0Ms) : ROOM_C
  }
  const points: HourPoint[] = []
  let tempC = roomAt(packedMs)
  const end = Math.max(STEP_H, Math.ceil((untilMs - packedMs) / HOUR_MS))
  for (let hour = 0; hour <= end; hour++) {
    if (hour % STEP_H === 0) points.push({ hour, tempC })
    tempC += (roomAt(packedMs + (hour + 0.5) * HOUR_MS) - tempC) * (1 - Math.exp(-1 / lagH))
  }
  return { points }
}

/** The same temperatures for a batch that was as far `aheadH` hours sooner: steady until then. */
export function shifted(plan: TemperaturePlan, atHour: number, likeHour: number): TemperaturePlan {
  const steadyC = temperatureAt(plan, atHour)
  const later = plan.points.filter(({ hour }) => hour > atHour)
  return {
    points: [
      { hour: 0, tempC: steadyC },
      { hour: likeHour, tempC: steadyC },
      ...later.map(({ hour, tempC }) => ({ hour: hour - atHour + likeHour, tempC })),
    ],
  }
}
