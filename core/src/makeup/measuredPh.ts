import { PH_SD, trustOf, type Trust } from '../log/trust'
import type { EntryOf } from '../log/entry'
import type { Lot } from '../log/lot'
import { toldOnce } from '../log/toldOnce'
import { MINUTE_MS } from '../units/time'

/** A pH of a lot as it was read: when (ms), how far it can be trusted; `reading` where no logger read it. */
export interface MeasuredPh {
  entryId: string
  atMs: number
  ph: number
  trust: Trust
  /** Standard deviation of the reading. */
  sd: number
  reading: EntryOf<'reading'> | null
}

/** Every pH of a lot in order, from readings and from loggers. */
export const measuredPhs = toldOnce((lot: Pick<Lot, 'readings' | 'logged'>): readonly MeasuredPh[] => {
  const read = lot.readings.flatMap((reading): MeasuredPh[] => {
    if (reading.ph === undefined) return []
    const atMs = Date.parse(reading.at)
    const trust = trustOf(reading.instrument, atMs)
    return [{ entryId: reading.id, atMs, ph: reading.ph, trust, sd: PH_SD[trust], reading }]
  })
  const logged = lot.logged.flatMap(({ id, at, points }) =>
    points.flatMap(([minute, , ph]): MeasuredPh[] =>
      ph === null
        ? []
        : [
            {
              ...{ entryId: id, atMs: Date.parse(at) + minute * MINUTE_MS, ph },
              ...{ trust: 'unchecked', sd: PH_SD.unchecked, reading: null },
            },
          ],
    ),
  )
  return logged.length ? [...read, ...logged].sort((a, b) => a.atMs - b.atMs) : read
})

/** The pH that was measured last by a moment (ms). */
export const lastPh = (lot: Lot, untilMs = Infinity) => measuredPhs(lot).findLast(({ atMs }) => atMs <= untilMs)
