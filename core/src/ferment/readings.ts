/** Where a sample was taken: the liquid, or everything ground together. */
export type Sampled = 'liquid' | 'blended'

/** A pH read so many hours after packing; `sd` of the meter. */
export interface PhReading {
  hour: number
  ph: number
  sd: number
  of: Sampled
}

/** What the model itself is off by, pH. Judgement. */
export const MODEL_SD = 0.07
/** Degrees of freedom of the likelihood: a slip of the meter does not overturn everything. */
const FREEDOM = 5
/** Readings of one kind nearer than this are one, hours. */
const TOGETHER_H = 8

/** Readings in order, those of one kind within 8 h taken together. Before the start they are left out. */
export function mergeReadings(readings: readonly PhReading[]): PhReading[] {
  const merged: (PhReading & { count: number })[] = []
  for (const reading of [...readings].filter(({ hour }) => hour >= 0).sort((a, b) => a.hour - b.hour)) {
    const near = merged.findLast((known) => known.of === reading.of)
    if (near && reading.hour - near.hour < TOGETHER_H) {
      const count = near.count + 1
      near.hour += (reading.hour - near.hour) / count
      near.ph += (reading.ph - near.ph) / count
      near.sd = Math.min(near.sd, reading.sd)
      near.count = count
    } else merged.push({ ...reading, count: 1 })
  }
  return merged.sort((a, b) => a.hour - b.hour).map(({ count: _count, ...reading }) => reading)
}

/** What a reading and the model together may be off by, pH. */
export const spreadOf = (reading: PhReading) => Math.hypot(reading.sd, MODEL_SD)

/** Logarithm of Student's density at a gap, but for what does not depend on it. */
export const logT = (gap: number, sd: number) =>
  (-(FREEDOM + 1) / 2) * Math.log1p((gap / sd) ** 2 / FREEDOM) - Math.log(sd)

/** Probability of at most `t` in Student's distribution with five degrees of freedom. */
export function studentBelow(t: number): number {
  const angle = Math.atan(t / Math.sqrt(FREEDOM))
  const cosine = Math.cos(angle)
  return 0.5 + (angle + Math.sin(angle) * (cosine + (2 / 3) * cosine ** 3)) / Math.PI
}
