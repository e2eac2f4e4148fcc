import { lastFilledC } from '../keep/hotFill'
import type { Evidence, ProcessRecord } from '../keep/releaseCase'
import type { EntryOf } from '../log/entry'
import type { ProcessPlace } from '../log/kinds/heat'
import type { Lot } from '../log/lot'
import type { Book } from '../lots/fold'
import { lastPouredMs } from '../lots/measured'
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/time'

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

/** When the runs of a pot were written down, ms. */
const runMoments = (book: Book, blend: Lot): number[] =>
  blend.to
    .flatMap(({ lotId }) => book.lots.get(lotId)?.made ?? [])
    .flatMap((made) => (made.kind === 'bottle' ? Date.parse(made.at) : []))

const filledC = ({ points }: EntryOf<'heat'>): number =>
  lastFilledC(points.map(([minute, tempC]) => ({ minute, tempC })))

/**
 * The last bottle of a run: the record taken last before it was written down, or the one taken last afterwards, the
 * colder of both: no hotter bottle covers it. @param bottles in order.
 */
function lastBottleOf(bottles: readonly EntryOf<'heat'>[], runMs: number): EntryOf<'heat'> | null {
  const before = bottles.findLast(({ at }) => Date.parse(at) <= runMs)
  const after = bottles.findLast(({ at }) => Date.parse(at) > runMs)
  if (!before || !after) return before ?? after ?? null
  return filledC(after) < filledC(before) ? after : before
}

/** What was measured of a pot since it was last poured by a moment, ms. It may be cooked before it is written down. */
function heatsOf(blend: Lot, byMs: number): EntryOf<'heat'>[] {
  // What was put in later was not in it.
  const pouredMs = lastPouredMs(blend, byMs)
  const sinceMs = pouredMs - (pouredMs > Date.parse(blend.made.at) ? 0 : 12 * HOUR_MS)
  return blend.heats.filter(({ at }) => Date.parse(at) >= sinceMs)
}

/** The heat of a pot until a moment, ms, as one record. */
export const potHeatOf = (blend: Lot, untilMs = Infinity): ProcessRecord | null =>
  recordOf(
    heatsOf(blend, untilMs).filter(({ at }) => Date.parse(at) <= untilMs),
    'pot',
  )

/**
 * Of which runs of a pot things were measured: of the one that was written down next; where the one before it has
 * nothing from before it was written down, of the nearer of both.
 * @param measured moments in order, ms. @param runs moments at which runs were written down, in order, ms.
 * @returns the moment of its run for each that was measured.
 */
function runsOf(measured: readonly number[], runs: readonly number[]): number[] {
  const served = new Set<number>()
  return measured.map((ms) => {
    const at = runs.findIndex((run) => run >= ms)
    const [next, before] = at < 0 ? [undefined, runs.at(-1)] : [runs[at], runs[at - 1]]
    const isLate = before !== undefined && !served.has(before) && (next === undefined || ms - before < next - ms)
    const run = isLate ? before : (next ?? before)
    if (run !== undefined && run >= ms) served.add(run)
    return run ?? ms
  })
}

/** What was measured at a place, of a run. */
function ownOf(heats: readonly EntryOf<'heat'>[], where: ProcessPlace, runs: readonly number[], runMs: number) {
  const alike = heats.filter((heat) => heat.where === where).toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at))
  const of = runsOf(
    alike.map(({ at }) => Date.parse(at)),
    runs,
  )
  return alike.filter((_, index) => of[index] === runMs)
}

/**
 * A pot that was cooked longer ago than this is cooked again before it is filled hot, ms: it evened out for a day, and
 * a day is left. Judgement.
 */
const COOKED_MS = 2 * DAY_MS

/**
 * The heat measured of a run: of its pot, not long before; of its own last bottle and of its own water.
 * @param runMs when the run was written down; now, for the next one.
 */
export function heatProcessOf(book: Book, blend: Lot, runMs: number): Record<ProcessPlace, ProcessRecord | null> {
  const runs = [...new Set([...runMoments(book, blend), runMs])].sort((a, b) => a - b)
  const heats = heatsOf(blend, runMs)
  const last = lastBottleOf(ownOf(heats, 'last bottle', runs, runMs), runMs)
  return {
    pot: recordOf(
      heats.filter(({ at }) => Date.parse(at) <= runMs && runMs - Date.parse(at) <= COOKED_MS),
      'pot',
    ),
    'last bottle': recordOf(last ? [last] : [], 'last bottle'),
    'jar in the water': recordOf(ownOf(heats, 'jar in the water', runs, runMs), 'jar in the water'),
  }
}
