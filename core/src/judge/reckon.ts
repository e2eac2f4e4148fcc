import { phBand } from '../blend/forecast'
import { PH_LINE, PLAIN_ALLOWANCE, allowanceOf, piecesTimes, spentBetween, type Allowance } from '../ferment/clock'
import { portionOf, reaches } from '../flow'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { followedJar, phsOf } from '../makeup/acidity'
import { compositionOf } from '../makeup/lotComposition'
import { HOUR_MS } from '../units/time'
import type { Columns } from './fermenting'
import { dryAw, samplesOf, weakestSaltInWater, type History } from './history'
import type { Jar } from './jars'
import type { Foresight } from './judgement'
import { spentBy, type Inherited, type Stand } from './lineage'
import { timeAbove, type Begin, type Crossing } from './passing'

const crossingOf = (foresight: Foresight | undefined, of: 'liquid' | 'blended', startMs: number): Crossing | null => {
  const crossing = foresight?.crossing?.[of]
  return crossing
    ? {
        earlyMs: startMs + crossing.earlyH * HOUR_MS,
        likelyMs: startMs + crossing.likelyH * HOUR_MS,
        mostMs: startMs + crossing.mostH * HOUR_MS,
        lateMs: startMs + crossing.lateH * HOUR_MS,
      }
    : null
}

/** The time above 4.6 of a lot, reckoned on from what it was made of. */
export interface Reckoned {
  columns: Columns
  /** From when on its time above 4.6 is reckoned, ms: of a base that nothing proves, from its ferment's packing. */
  beginMs: number
  /** What its salt allows; `null` where it preserves. */
  allowance: Allowance | null
  /** Share at which the time of the whole is over: of pieces up to twice that of their liquid. */
  wholeLimit: number
  /** Share spent until a moment, ms, had it never passed. */
  spentAt: (ms: number) => number
  /** Share that the time since its beginning alone comes to. */
  elapsed: number
  /** The one ferment a forecast could tell of, and what it tells. */
  ferment: Lot | null
  foresight: Foresight | undefined
}

/** A style that time judges counts as under from the start where its pH works out to this at most. Judgement. */
export const WORKED_PH = 4.0

/** Pods go in whole, and nobody pierced them: what was worked out does not hold in them. */
const isUnpierced = ({ checked }: Lot): boolean => checked?.open.includes('pierced') ?? false

/**
 * What is pressed or filled stands where it stood; a mixture, where it works out to, at its upper end; what ferments
 * starts above, and what is made by time where it works out to.
 */
function startsUnder(book: Book, { lot, start }: History, sourcesUnder: boolean): boolean {
  const { made, id } = lot
  if (made.kind === 'stock') return true
  if (made.kind === 'plan')
    return (
      styleById(made.style).judgedBy === 'time' &&
      !isUnpierced(lot) &&
      start?.upperPh !== null &&
      (start?.upperPh ?? Infinity) <= WORKED_PH
    )
  if (made.kind !== 'blend') return sourcesUnder
  const worked = () => {
    const composition = compositionOf(book, id, Date.parse(made.at))
    return composition && phBand([composition])?.high
  }
  const upper = made.predictedPh?.high ?? worked() ?? null
  return upper !== null && upper <= PH_LINE
}

/** A base goes on where its ferment stood: not proven there, its time is reckoned from there. */
const beginFor = (begin: Begin, source: Stand | null, of: 'liquid' | 'blended'): Begin => {
  const column = source?.columns?.[of]
  return !source || begin.under || !column || column.passed ? begin : { ...begin, atMs: source.beginMs }
}

/** Reckons the time above 4.6 of a lot at a moment, ms. */
export function reckon(
  book: Book,
  { mark, history, foretold }: Jar,
  from: Inherited,
  atMs: number,
  foresee: (lotId: string) => Foresight | undefined,
): Reckoned {
  const { lot, startMs } = history
  const isFerment = lot.made.kind === 'plan'
  const ownAllowance = () => (dryAw(history, atMs) === null ? allowanceOf(weakestSaltInWater(history, atMs)) : null)
  const allowance = isFerment ? ownAllowance() : PLAIN_ALLOWANCE
  const own = (a: number, b: number) => (allowance ? spentBetween(history.temperature, a, b, allowance) : 0)
  const source = isFerment ? null : from.source
  const begin: Begin = {
    atMs: startMs,
    spent: from.source ? spentBy(from.source) : 0,
    under: startsUnder(book, history, from.under),
  }
  const unproven = source?.columns && !source.columns.blended.passed
  const spentAt = (ms: number) => (unproven && ms <= startMs ? source.spentAt(ms) : begin.spent + own(startMs, ms))
  const whole = book.lots.get(lot.id) ?? lot
  const ferment = isFerment ? whole : (source?.ferment ?? null)
  // Only what is of one ferment alone passed when that did.
  const foresight = ferment && (isFerment || lot.made.kind === 'press') ? foresee(ferment.id) : undefined
  // A forecast that follows one jar does not tell of what several were pressed to.
  const ofOneThing =
    isFerment || !ferment || followedJar(ferment, phsOf(book, portionOf(ferment, null, startMs))) === null
  const wholeLimit = history.pieces ? piecesTimes(history.opened, weakestSaltInWater(history, atMs)) : 1
  const samples = samplesOf(history)
  const raised = history.additions
    .filter(({ raises, upperPh }) => raises && (upperPh === null || upperPh > PH_LINE))
    .map((addition) => addition.atMs)
  const joined = from.joined.filter(({ entryId }) => mark === null || reaches(whole, [mark], entryId))
  const packedMs = ferment ? Date.parse(ferment.packed?.at ?? ferment.made.at) : 0
  const column = (of: 'liquid' | 'blended') =>
    timeAbove(samples[of], {
      ...{ begin: beginFor(begin, source, of), nowMs: atMs, spentAt, raised, joined },
      limit: of === 'blended' ? wholeLimit : 1,
      crossing: foretold && ofOneThing ? crossingOf(foresight, of, packedMs) : null,
    })
  const blended = column('blended')
  const columns = { blended, liquid: history.pieces ? column('liquid') : blended }
  const { atMs: beginMs } = beginFor(begin, source, 'blended')
  return { columns, beginMs, allowance, wholeLimit, spentAt, elapsed: own(startMs, atMs), ferment, foresight }
}
