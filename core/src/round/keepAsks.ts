import { mayRelease, releaseChecks } from '../keep/release'
import type { ReleaseCheck } from '../keep/releaseCase'
import { RELEASE_PH, wayOf } from '../keep/ways'
import type { EntryOf } from '../log/entry'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { lotsOf } from '../lots/ledger'
import { ancestors } from '../lots/lineage'
import { choiceOf, releaseCaseOf } from '../judge/releaseCase'
import type { Judge } from '../judge/judgement'
import { asking, worstFirst, type Ask } from './asks'
import { plainTell, type Tell } from '../words/judgement'
import { DAY_MS } from '../units/time'

/** Days between two squeezes of a test bottle of live sauce. Judgement: gas comes within days. */
const TEST_EVERY_DAYS = 3
/** So many days before best before a lot is to go first. Judgement. */
export const SOON_DAYS = 30

/** The checks of a bottled lot as they stand now; `null` for any other lot, or where its blend is not in the book. */
export function checksOf(
  book: Book,
  judge: Judge,
  lot: Lot,
  nowMs: number,
  limitPh: number = lot.release?.limitPh ?? RELEASE_PH.usual,
): ReleaseCheck[] | null {
  const { made } = lot
  const blend = made.kind === 'bottle' ? book.lots.get(made.fromLotId) : undefined
  return made.kind === 'bottle' && blend
    ? releaseChecks(releaseCaseOf(book, judge, blend, choiceOf(made, limitPh), nowMs, lot))
    : null
}

/** Corrections, of a lot or of anything in it, that were written down after it was released. */
export function correctedSince(book: Book, lot: Lot): EntryOf<'release'> | null {
  const { release } = lot
  if (release?.decision !== 'released' || release.id > book.lastCorrection) return null
  const kin = [lot, ...ancestors(book, lot.id).map((one) => one.lot)]
  const ids = new Set(kin.map(({ id }) => id))
  const changed =
    kin.some(({ entries }) => entries.some(({ id, replaces }) => replaces !== undefined && id > release.id)) ||
    book.takenBack.some(({ of, byId }) => byId > release.id && [...lotsOf(of)].some((id) => ids.has(id)))
  return changed ? release : null
}

/**
 * What bottles ask for: a release, a second look after a correction, a squeeze of the test bottle, to go first.
 * Common practice.
 */
export function bottleAsks(book: Book, judge: Judge, lot: Lot, nowMs: number, tell: Tell = plainTell): Ask[] {
  const { made, bottles, release } = lot
  if (made.kind !== 'bottle' || !bottles || lot.state !== 'in stock') return []
  const { asks, ask } = asking(lot.id, tell)
  const go = 'bottle'
  if (release?.decision !== 'released') {
    const checks = checksOf(book, judge, lot, nowMs)
    const waits = checks?.filter((check) => check.verdict !== 'pass') ?? []
    const held = release !== null
    // Bottles that are filled and may burst want a hand, not a look.
    const level = waits.some((check) => check.burst) ? 'act' : 'ask'
    if (!checks) ask('act', 'its blend is missing', { held }, { go })
    else if (mayRelease(checks))
      ask(waits.length ? level : 'fine', 'release', { sentence: waits[0]?.sentence ?? '' }, { go })
    else {
      const facts = { held, check: waits[0]?.title ?? '', sentence: waits[0]?.sentence ?? '' }
      ask(level, 'not released', facts, { go })
    }
  } else if (correctedSince(book, lot)) {
    const stops = checksOf(book, judge, lot, nowMs)?.find((check) => check.verdict === 'stop')
    if (stops) ask('act', 'stopped after release', { sentence: stops.sentence }, { go })
  }
  if (made.testBottle && !wayOf(made.treatment).heats) {
    const lastMs = Math.max(
      Date.parse(made.at),
      ...lot.chores.filter(({ chore }) => chore === 'test bottle').map(({ at }) => Date.parse(at)),
    )
    const dueMs = lastMs + TEST_EVERY_DAYS * DAY_MS
    if (nowMs >= dueMs) ask('ask', 'test bottle', {}, { go, chore: 'test bottle', dueMs })
  }
  const days = Math.floor((Date.parse(made.bestBefore) - nowMs) / DAY_MS)
  const { left } = bottles
  if (days < 0) {
    const dueMs = Date.parse(made.bestBefore)
    ask('act', 'past best before', { left, bestBefore: made.bestBefore }, { go: 'cellar', dueMs })
  } else if (days <= SOON_DAYS) ask('ask', 'best before soon', { left, days }, { go: 'cellar' })
  return worstFirst(asks)
}
