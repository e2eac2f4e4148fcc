import type { Sampled } from '../ferment/readings'
import { isMeter } from '../round/kit'
import type { Book } from '../lots/fold'
import type { EntryOf } from '../log/entry'
import { momentOf } from '../units/time'
import { beginning, type Reader } from './beginning'
import type { Exercise } from './exercise'
import { truePh, worldOf, type PracticeRun, type TrueJar, type World } from './world'

/* What instruments say of the true jars, and how a run begins with what they said. */

/** What an instrument errs by, one standard deviation; strips in steps of half a pH. Judgement. */
const ERRS = { 'bench meter': 0.03, 'pocket meter': 0.05, 'paper strips': 0.15, 'nose and tongue': 0.15 } as const

/** When the meter was last laid into buffers, ms; `null` where it never was. */
const bufferedMs = (book: Book): number | null => {
  const last = book.meterChecks.findLast((entry) => entry.kind === 'calibrate' && entry.accepted)
  return last ? Date.parse(last.at) : null
}

/**
 * A pH read of a jar, as the instrument of the exercise shows it: off by what it is off until it was calibrated, with
 * its own scatter. @param checkedMs when the maker checked it in two buffers.
 */
export function readPh(
  world: World,
  jar: TrueJar,
  of: Sampled,
  checkedMs: number | null = null,
): { ph: number; instrument: NonNullable<EntryOf<'reading'>['instrument']> } {
  const { exercise } = world.run
  const { sour } = exercise.kit
  const name = `read ${jar.lotId} ${jar.mark} ${of} ${world.nowMs}`
  const meter = isMeter(exercise.kit)
  const calibratedMs = bufferedMs(world.book)
  const right = calibratedMs !== null || checkedMs !== null
  const { low, high } = exercise.meterOff ?? { low: 0, high: 0 }
  const off = meter && !right ? world.luck.between('meter', low, high) : 0
  const step = meter ? 100 : 2
  const ph = truePh(jar, world.nowMs, of) + off + ERRS[sour] * world.luck.normal(name)
  const steady = true
  const instrument = meter
    ? {
        ...{ name: 'pH meter', kind: 'meter' as const, steady },
        ...(calibratedMs !== null && { calibratedAt: momentOf(calibratedMs), slopePct: 97 }),
        ...(calibratedMs === null && checkedMs !== null && { checkedAt: momentOf(checkedMs) }),
      }
    : { name: 'Strips', kind: 'strip' as const, steady }
  return { ph: Math.min(9, Math.max(1.5, Math.round(ph * step) / step)), instrument }
}

/** Begins an exercise: what stands in the log on its first morning, readings drawn from the truth. */
export function beginRun(exercise: Exercise, seed: number, startMs: number): PracticeRun {
  const read: Reader = (entries, { code, sample, mark = '', atMs }) => {
    const world = worldOf({ exercise, seed, startMs, entries }, atMs)
    const jar = world.jars.find((one) => world.book.lots.get(one.lotId)?.code === code && one.mark === mark)
    if (!jar) return { of: sample }
    const { ph, instrument } = readPh(world, jar, sample, atMs)
    return { ph, of: sample, instrument: { ...instrument, checkedAt: undefined }, ...(mark && { marks: [mark] }) }
  }
  return { exercise, seed, startMs, entries: beginning(exercise, seed, startMs, read) }
}
