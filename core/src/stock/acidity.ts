import { PH_SD, trustOf, type Trust } from '../log/trust'
import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
import { MINUTE_MS } from '../units/time'
import { structureOfLot, usuallyOf } from './structure'

/**
 * A pH of a lot: when (ms), what it was read with and how far that can be trusted, where the sample came from, which
 * jars it stands for (none named: one of them, nobody knows which).
 */
export interface PhFact {
  entryId: string
  atMs: number
  ph: number
  trust: Trust
  /** Standard deviation of the reading. */
  sd: number
  of: 'liquid' | 'blended'
  marks: readonly string[]
}

/** Every pH of a lot in order, from readings and loggers. */
export function phsOf(book: Book, lot: Lot): PhFact[] {
  if (lot.readings.length + lot.logged.length === 0) return []
  const usual = usuallyOf(structureOfLot(book, lot))
  const read = lot.readings.flatMap(({ id, at, ph, instrument, of = usual, marks = [] }): PhFact[] => {
    if (ph === undefined) return []
    const atMs = Date.parse(at)
    const trust = trustOf(instrument, atMs)
    return [{ entryId: id, atMs, ph, trust, sd: PH_SD[trust], of, marks }]
  })
  const logged = lot.logged.flatMap(({ id, at, points }) =>
    points.flatMap(([minute, , ph]): PhFact[] =>
      ph === null
        ? []
        : [
            {
              ...{ entryId: id, ph, of: usual, marks: [] },
              ...{ trust: 'unchecked', sd: PH_SD.unchecked },
              atMs: Date.parse(at) + minute * MINUTE_MS,
            },
          ],
    ),
  )
  return [...read, ...logged].sort((a, b) => a.atMs - b.atMs)
}
