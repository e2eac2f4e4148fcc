import type { Evidence, ProcessRecord } from '../keep/releaseCase'
import type { EntryOf } from '../log/entry'
import type { ProcessPlace } from '../log/kinds/heat'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
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

/** Measured so long before a run is written down, it is of that run, ms. Judgement: a filling takes an afternoon. */
const FILLING_MS = 12 * HOUR_MS

/** When the runs of a pot were written down, oldest first, ms. */
const runsOf = (book: Book, blend: Lot): number[] =>
  blend.to
    .flatMap(({ lotId }) => book.lots.get(lotId)?.made ?? [])
    .flatMap((made) => (made.kind === 'bottle' ? Date.parse(made.at) : []))
    .sort((a, b) => a - b)

/** Measured at a run of a pot: since the run before it, and of all but the newest until it was written down. */
function atRun(book: Book, blend: Lot, run: EntryOf<'bottle'> | undefined): (heat: EntryOf<'heat'>) => boolean {
  const runs = runsOf(book, blend)
  const runMs = run ? Date.parse(run.at) : Infinity
  const before = runs.filter((ms) => ms < runMs).at(-1) ?? -Infinity
  const sinceMs = run && before > -Infinity ? Math.max(before, runMs - FILLING_MS) : before
  const untilMs = runs.some((ms) => ms > runMs) ? runMs : Infinity
  return ({ at }) => Date.parse(at) > sinceMs && Date.parse(at) <= untilMs
}

/**
 * The heat measured of a run: of its pot since it was poured, of its own last bottle and of its own water. Of last
 * bottles the record taken last counts, and no hotter one before it.
 * @param run the run; the next one of the pot where none is named.
 */
export function heatProcessOf(
  book: Book,
  blend: Lot,
  run?: EntryOf<'bottle'>,
): Record<ProcessPlace, ProcessRecord | null> {
  // A pot may be cooked before it is written down; what was put in later was not in it.
  const sinceMs = lastPouredMs(blend) - (blend.added.length ? 0 : 12 * HOUR_MS)
  const heats = blend.heats.filter(({ at }) => Date.parse(at) >= sinceMs)
  const own = heats.filter(atRun(book, blend, run))
  const bottles = own.filter(({ where }) => where === 'last bottle')
  const last = bottles.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at)).at(-1)
  return {
    pot: recordOf(heats, 'pot'),
    'last bottle': recordOf(last ? [last] : [], 'last bottle'),
    'jar in the water': recordOf(own, 'jar in the water'),
  }
}
