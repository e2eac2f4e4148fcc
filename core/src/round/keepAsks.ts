import { mayRelease, releaseChecks, type ReleaseCheck } from '../keep/release'
import { RELEASE_PH, wayOf } from '../keep/ways'
import type { EntryOf } from '../log/entry'
import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
import { ancestors } from '../log/lineage'
import { choiceOf, releaseCaseOf } from '../stock/releaseCase'
import type { Level } from '../level'
import { worstFirst, type Ask } from './asks'
import { DAY_MS } from '../units/time'

/** Days between two squeezes of a test bottle of live sauce. Judgement: gas comes within days. */
const TEST_EVERY_DAYS = 3
/** So many days before best before a lot is to go first. Judgement. */
export const SOON_DAYS = 30

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** The checks of a bottled lot as they stand now; `null` for any other lot, or where its blend is not in the book. */
export function checksOf(
  book: Book,
  lot: Lot,
  limitPh: number = lot.release?.limitPh ?? RELEASE_PH.usual,
): ReleaseCheck[] | null {
  const { made } = lot
  const blend = made.kind === 'bottle' ? book.lots.get(made.fromLotId) : undefined
  return made.kind === 'bottle' && blend
    ? releaseChecks(releaseCaseOf(book, blend, choiceOf(made, limitPh), lot))
    : null
}

/** Corrections, of a lot or of anything in it, that were written down after it was released. */
export function correctedSince(book: Book, lot: Lot): EntryOf<'release'> | null {
  const { release } = lot
  if (release?.decision !== 'released' || release.id > book.lastCorrection) return null
  const changed = [lot, ...ancestors(book, lot.id).map((kin) => kin.lot)].some(({ entries }) =>
    entries.some(({ id, replaces }) => replaces !== undefined && id > release.id),
  )
  return changed ? release : null
}

/**
 * What bottles ask for: a release, a second look after a correction, a squeeze of the test bottle, to go first.
 * Common practice.
 */
export function bottleAsks(book: Book, lot: Lot, nowMs: number): Ask[] {
  const { made, bottles, release } = lot
  if (made.kind !== 'bottle' || !bottles || lot.state !== 'in stock') return []
  const asks: Ask[] = []
  const ask = (
    level: Level,
    title: string,
    why: string,
    { go = 'bottle', dueMs = null, chore }: Partial<Pick<Ask, 'go' | 'dueMs' | 'chore'>> = {},
  ) => asks.push({ key: `${lot.id}:${title}`, lotId: lot.id, level, title, why, go, dueMs, ...(chore && { chore }) })
  if (release?.decision !== 'released') {
    const checks = checksOf(book, lot)
    const waits = checks?.filter((check) => check.verdict !== 'pass') ?? []
    const state = release ? 'Held' : 'Not released'
    if (!checks) ask('act', `${state}: its blend is not in this log`, 'Take in the log it was made in.')
    else if (mayRelease(checks))
      ask(waits.length ? 'ask' : 'fine', 'Ready to release', waits[0]?.sentence ?? 'Every check passes.')
    else ask('ask', `${state}: ${waits[0] ? lowerFirst(waits[0].title) : 'look at it'}`, waits[0]?.sentence ?? '')
  } else if (correctedSince(book, lot)) {
    const stops = checksOf(book, lot)?.find((check) => check.verdict === 'stop')
    if (stops) ask('act', 'Released, but a check stops it now', `Something was corrected since. ${stops.sentence}`)
  }
  if (made.testBottle && !wayOf(made.treatment).heats) {
    const lastMs = Math.max(
      Date.parse(made.at),
      ...lot.chores.filter(({ chore }) => chore === 'test bottle').map(({ at }) => Date.parse(at)),
    )
    const dueMs = lastMs + TEST_EVERY_DAYS * DAY_MS
    if (nowMs >= dueMs)
      ask(
        'ask',
        'Squeeze the test bottle',
        'Hard as a ball means gas: cool them all, vent them over a sink, away from your face.',
        { chore: 'test bottle', dueMs },
      )
  }
  const days = Math.floor((Date.parse(made.bestBefore) - nowMs) / DAY_MS)
  if (days < 0)
    ask(
      'act',
      'Past its best before',
      `${bottles.left} bottles, ${made.bestBefore}. Taste and read one, or take them off.`,
      { go: 'cellar', dueMs: Date.parse(made.bestBefore) },
    )
  else if (days <= SOON_DAYS)
    ask('ask', `Best before in ${days} ${days === 1 ? 'day' : 'days'}`, `${bottles.left} bottles: these first.`, {
      go: 'cellar',
    })
  return worstFirst(asks)
}
