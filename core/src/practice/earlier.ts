import { PH_LINE } from '../ferment/clock'
import { judgeOf } from '../judge/judge'
import type { State } from '../judge/reasons'
import type { Entry } from '../log/entry'
import type { Lot } from '../log/lot'
import { counted } from '../units/counted'
import { DAY_MS, HOUR_MS } from '../units/time'
import type { Tell } from '../words/judgement'
import { spentOf, type Score } from './score'
import type { TrulyKnown } from './trueLog'
import { endedMs, truePh, type TrueJar, type World } from './world'

/* What would have told earlier: the sentence at the end of a debriefing. */

const NOTHING_EARLIER = 'Nothing would have told earlier than it did.'
const NOT_ITS_JARS = 'No jar would have told: it was what was done with it.'
/** How a lot stands of which more has to be known. */
const HELD_UP: readonly State[] = ['ask', 'act', 'discard']
/** Read so long after it passed, the meter tells, h. */
const READ_AFTER_H = 12

/** The lot a decision was about: what was pressed, thrown away or bottled, rather than what came of it. */
export const aboutOf = (entry: Entry): string =>
  'fromLotId' in entry ? entry.fromLotId : 'lotId' in entry ? entry.lotId : ''

/** When somebody who knew all would first have called a lot: from the first morning on. */
function firstCalled({ run }: World, known: TrulyKnown, { lotId, packedMs }: TrueJar, endMs: number) {
  for (let atMs = Math.max(packedMs, run.startMs); atMs <= endMs; atMs += DAY_MS / 4) {
    const judgement = known.judge(lotId, atMs)
    if (judgement?.state === 'discard' || judgement?.state === 'act') return { atMs, judgement }
  }
  return null
}

/** When the maker did something that shows they knew, ms; never, where they did not. */
const answeredMs = (lot: Lot, fromMs: number): number =>
  Math.min(
    ...lot.entries
      .filter(({ kind, at }) => ['discard', 'decide', 'add'].includes(kind) && Date.parse(at) >= fromMs)
      .map(({ at }) => Date.parse(at)),
  )

/** Good food that was thrown away, or that nobody could call good in the end: what would have shown it. */
function wouldHaveShown(world: World, { deeds }: Score, tell: Tell): string | null {
  const { book, run } = world
  const judge = judgeOf(book)
  const lost = new Set(deeds.filter(({ wastedG }) => wastedG > 0).map(({ lotId }) => lotId))
  for (const jar of world.jars) {
    const lot = book.lots.get(jar.lotId)
    const endMs = lot ? endedMs(world, lot) : 0
    const stands = lot && judge(lot.id, endMs - 1)
    if (!lot || !stands) continue
    if (lost.has(lot.id) && !HELD_UP.includes(stands.state))
      return `${lot.code}: it was good, and nothing that was logged stood against it.`
    const passed = jar.states.find(({ hour }) => jar.course.ph(hour, 'blended') <= PH_LINE)
    const passedMs = passed ? jar.packedMs + (passed.hour + READ_AFTER_H) * HOUR_MS : Infinity
    const atMs = Math.max(passedMs, run.startMs)
    const doubted = stands.reasons.some(({ code }) => code === 'may have passed late')
    if ((lost.has(lot.id) || doubted) && atMs < endMs && spentOf(world, jar, atMs) < 1)
      return `${lot.code}: a ground sample would have read pH ${truePh(jar, atMs, 'blended').toFixed(2)} ${tell(atMs)}, in time.`
  }
  return null
}

/** What would have told earlier, in one sentence: of what was let go or lost, the lot that was answered latest. */
export function earlierOf(world: World, known: TrulyKnown, score: Score, tell: Tell): string {
  const { book, nowMs, run } = world
  const letGo = new Set(score.deeds.filter(({ dangers }) => dangers.length > 0).map(({ entry }) => aboutOf(entry)))
  const late = world.jars
    .flatMap((jar) => {
      const lot = book.lots.get(jar.lotId)
      const bad = letGo.has(jar.lotId) || spentOf(world, jar, nowMs) > 1
      const called = lot && bad ? firstCalled(world, known, jar, endedMs(world, lot)) : null
      return called && lot
        ? [{ jar, called, lot, byMs: Math.min(answeredMs(lot, run.startMs), nowMs) - called.atMs }]
        : []
    })
    .sort((a, b) => b.byMs - a.byMs)[0]
  if (!late) return letGo.size ? NOT_ITS_JARS : (wouldHaveShown(world, score, tell) ?? NOTHING_EARLIER)
  const { called, jar, lot, byMs } = late
  const sign = called.judgement.reasons[0]?.code === 'bad sign'
  const did = sign ? 'a look from the side, with a light,' : 'a ground sample, read with a meter that was checked,'
  const ph = truePh(jar, called.atMs, 'blended')
  const read = sign
    ? 'have shown it'
    : ph > PH_LINE
      ? `have read pH ${ph.toFixed(2)}`
      : 'have shown that it passed 4.6 too late'
  const gone = letGo.has(lot.id)
  if (byMs < DAY_MS / 2)
    return gone
      ? `${lot.code}: ${did} would ${read}, before anything was made of it.`
      : `${lot.code}: you acted when it could be known. ${NOTHING_EARLIER}`
  const days = counted(Math.max(1, Math.round(byMs / DAY_MS)), 'day')
  return `${lot.code}: ${did} would ${read} ${tell(called.atMs)}, ${days} before ${gone ? 'it was over' : 'you acted'}.`
}
