import type { Evidence, ProcessRecord } from '../keep/releaseCase'
import type { EntryOf } from '../log/entry'
import type { ProcessPlace } from '../log/kinds/heat'
import type { Lot } from '../log/lot'
import { lastPouredMs } from '../lots/measured'
import { HOUR_MS, MINUTE_MS } from '../units/time'

/** A fact of the log that a check rests on. */
export const evidenceOf = (entry: { at: string; by: string }, what: string): Evidence => ({
  atMs: Date.parse(entry.at),
  by: entry.by,
  what,
})

/** All that was measured at a place, as one record on one clock; moments measured twice count once. */
function recordOf(heats: readonly EntryOf<'heat'>[], where: ProcessPlace): ProcessRecord | null {
  const of = heats.filter((heat) => heat.where === where)
  const [first] = of
  if (!first) return null
  const startMs = Math.min(...of.map(({ at }) => Date.parse(at)))
  const byMinute = new Map(
    of.flatMap(({ at, points }) =>
      points.map(([minute, tempC]) => [minute + (Date.parse(at) - startMs) / MINUTE_MS, tempC] as const),
    ),
  )
  return {
    points: [...byMinute].sort(([a], [b]) => a - b).map(([minute, tempC]) => ({ minute, tempC })),
    evidence: evidenceOf(first, `${first.name}, ${byMinute.size} ${byMinute.size === 1 ? 'reading' : 'readings'}`),
  }
}

/** The heat measured since a pot was poured, by where it was taken. */
export function heatProcessOf(blend: Lot): Record<ProcessPlace, ProcessRecord | null> {
  // A pot may be cooked before it is written down; what was put in later was not in it.
  const sinceMs = lastPouredMs(blend) - (blend.added.length ? 0 : 12 * HOUR_MS)
  const heats = blend.heats.filter(({ at }) => Date.parse(at) >= sinceMs)
  return {
    pot: recordOf(heats, 'pot'),
    'last bottle': recordOf(heats, 'last bottle'),
    'jar in the water': recordOf(heats, 'jar in the water'),
  }
}
