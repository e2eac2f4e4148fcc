import type { Entry, EntryOf } from '../log/entry'
import { idMaker } from '../log/ids'
import { fold, type Book } from '../lots/fold'
import { judgeOf } from '../judge/judge'
import type { Judge } from '../judge/judgement'
import { structureOfLot } from '../makeup/structure'
import { DAY_MS, HOUR_MS, momentOf } from '../units/time'
import { isSmelt, SMELT } from './looks'
import { SEEN, type VesselState } from './vessel'
import { endedMs, truePh, trueC, type TrueJar, type World } from './world'

/*
 * The log a perfect maker would have kept of the same deeds: the salt that is truly in it, and every day a pH of every
 * jar that is right. Makeup and judge read it as they read any log.
 */

/** The other's instrument: the best there is, calibrated at every reading. */
const PERFECT = (at: string): EntryOf<'reading'>['instrument'] => ({
  ...{ name: 'True', kind: 'meter', steady: true },
  ...{ calibratedAt: at, slopePct: 100, offsetMv: 0 },
})
const EVERY_MS = DAY_MS

/** What a maker measured is left out; what they decided stays. */
function truly(entry: Entry, saltG: ReadonlyMap<string, number>): Entry[] {
  switch (entry.kind) {
    case 'reading':
    case 'sense':
    case 'logged':
      return []
    case 'plan':
    case 'weigh':
      return [{ ...entry, saltG: saltG.get(entry.lotId) ?? entry.saltG }]
    default:
      return [entry]
  }
}

/** When a perfect maker reads a lot, ms: at packing, every day, and before anything is taken of it. */
function readAt(world: World, jar: TrueJar): number[] {
  const { book } = world
  const lot = book.lots.get(jar.lotId)
  const endMs = lot ? endedMs(world, lot) : world.nowMs
  const taken = (lot?.to ?? []).flatMap(({ lotId }) => {
    const made = book.lots.get(lotId)?.made
    return made ? [Date.parse(made.at) - HOUR_MS / 60] : []
  })
  const days: number[] = []
  for (let ms = jar.packedMs; ms <= endMs; ms += EVERY_MS) days.push(ms)
  return [...new Set([...days, ...taken])].sort((a, b) => a - b)
}

/** What a perfect maker sees the moment it can be seen: what ends a jar. */
function seenOf(world: World, jar: TrueJar, makeId: (ms: number) => string): Entry[] {
  const lot = world.book.lots.get(jar.lotId)
  const endMs = lot ? endedMs(world, lot) : world.nowMs
  const first = (holds: (state: VesselState) => boolean, sign: 'fuzzy growth' | 'putrid smell', answer: string) => {
    const state = jar.states.find(holds)
    const ms = jar.packedMs + (state?.hour ?? 0) * HOUR_MS
    const seen: Entry = {
      ...{ kind: 'sign', id: makeId(ms), at: momentOf(ms), by: 'True', origin: 'maker', lotId: jar.lotId, sign },
      ...{ answers: [answer], level: 'discard', holds: true, ...(jar.mark && { marks: [jar.mark] }) },
    }
    return state && ms <= endMs ? [seen] : []
  }
  return [
    ...first(({ mould }) => mould > SEEN.mould, 'fuzzy growth', 'furry'),
    ...(isSmelt(world.luck, jar) ? first(({ rot }) => rot > SMELT, 'putrid smell', 'foul') : []),
  ]
}

/** The entries of the perfect log. */
export function trueEntries(world: World): Entry[] {
  const { run, book, jars, nowMs } = world
  const until = momentOf(nowMs)
  const salt = new Map(jars.map(({ lotId, saltG }) => [lotId, saltG]))
  const told = run.entries.filter(({ at }) => at <= until).flatMap((entry) => truly(entry, salt))
  const makeId = idMaker(() => 0.5)
  const read = jars.flatMap((jar) => {
    const lot = book.lots.get(jar.lotId)
    const pieces = lot ? structureOfLot(book, lot).liquid < 1 : false
    return readAt(world, jar).flatMap((ms) =>
      (pieces ? (['liquid', 'blended'] as const) : (['blended'] as const)).map((of): Entry => {
        const at = momentOf(ms)
        return {
          ...{ kind: 'reading', id: makeId(ms), at, by: 'True', origin: 'maker', lotId: jar.lotId, of },
          ph: Math.min(9, Math.max(1.5, truePh(jar, ms, of))),
          tempC: trueC(jar, ms),
          ...(jar.mark && { marks: [jar.mark] }),
          instrument: PERFECT(at),
        }
      }),
    )
  })
  return [...told, ...read, ...jars.flatMap((jar) => seenOf(world, jar, makeId))]
}

/** What could be known of a world: its book and its judge. */
export interface TrulyKnown {
  book: Book
  judge: Judge
}
export function trulyKnown(world: World): TrulyKnown {
  const book = fold(trueEntries(world))
  return { book, judge: judgeOf(book) }
}
