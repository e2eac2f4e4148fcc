import { within } from '../invalid'
import { interpolate } from '../units/interpolate'

/** A temperature known at an hour since packing, °C. */
export interface HourPoint {
  hour: number
  tempC: number
}

/**
 * The temperature of a batch: points in order of time, joined by straight lines and held at the ends;
 * a daily swing (half of its height, °C) after the last point. At least one point.
 */
export interface TemperaturePlan {
  points: readonly HourPoint[]
  swingC?: number
}

/** Hours in which a vessel follows the room: 2 h × kg^0.6. Judgement. @param kg 0.01 to 1 000. */
export const vesselLagH = (kg: number): number => 2 * within(kg, 0.01, 1000, 'The weight in kg') ** 0.6

/** The temperature at an hour. The swing is lowest at 5 and highest at 17 hours of each day since packing. */
export function temperatureAt({ points, swingC = 0 }: TemperaturePlan, hour: number): number {
  const first = points[0]
  const last = points.at(-1)
  if (!first || !last) return 20
  if (hour >= last.hour) return last.tempC + (swingC ? swingC * Math.sin(((hour - 11) * Math.PI) / 12) : 0)
  if (hour <= first.hour) return first.tempC
  return interpolate(
    points.length,
    (index) => points[index]?.hour ?? 0,
    (index) => points[index]?.tempC ?? 0,
    hour,
  )
}

/**
 * Longest step that still sees a change of temperature, hours: to the next point known, else a day, or 3 hours in a
 * swing.
 */
export function longestStepH({ points, swingC = 0 }: TemperaturePlan, hour: number): number {
  const last = points.at(-1)?.hour ?? 0
  if (hour >= last) return swingC > 0 ? 3 : 24
  let low = 0
  let high = points.length - 1
  while (low < high) {
    const middle = (low + high) >> 1
    if ((points[middle]?.hour ?? 0) <= hour) low = middle + 1
    else high = middle
  }
  return Math.min(24, Math.max(4, (points[low]?.hour ?? last) - hour))
}

/**
 * The plan with a move to another place at an hour: what is known before stays, from there the vessel drifts to the
 * new temperature.
 * @param lagH from {@link vesselLagH}.
 */
export function movedTo(plan: TemperaturePlan, hour: number, tempC: number, lagH: number): TemperaturePlan {
  const from = temperatureAt(plan, hour)
  const drift = [0, 0.25, 0.5, 1, 1.5, 2, 3, 5].map((lags) => ({
    hour: hour + lags * lagH,
    tempC: tempC + (from - tempC) * Math.exp(-lags),
  }))
  return { points: [...plan.points.filter((point) => point.hour < hour), ...drift, { hour: hour + 7 * lagH, tempC }] }
}

/** A swing of the room as the vessel feels it, °C: slower vessels feel less. */
export const feltSwing = (roomSwingC: number, lagH: number): number => roomSwingC / Math.hypot(1, (lagH * Math.PI) / 12)
