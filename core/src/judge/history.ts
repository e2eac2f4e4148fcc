import { mixturePh } from '../acid/mixture'
import { phBand } from '../blend/forecast'
import { mix, type Composition } from '../composition/composition'
import { saltRange, type MixedPart } from '../composition/ranges'
import { PH_LINE, SALT_LIMITS, type Stretch } from '../ferment/clock'
import { isStrongStart, rawShare, startCountLog10 } from '../ferment/rawShare'
import { between } from '../log/contents'
import { beginOf, momentOf, type Moment } from '../flow'
import type { EntryOf } from '../log/entry'
import type { Book } from '../lots/fold'
import type { Library } from '../library/library'
import { changesOf } from '../log/jars'
import type { Lot } from '../log/lot'
import { waterPhaseSaltPct } from '../salt/brine'
import { phsOf, type PhFact } from '../makeup/acidity'
import { contentBetween, isBetween } from '../makeup/between'
import { isLiquidLost, ranOver } from '../makeup/changes'
import { livingRows } from '../makeup/livingRows'
import { contentComposition, type Content } from '../makeup/lotComposition'
import { oilOf } from '../makeup/oil'
import { isOpened, structureOfLot } from '../makeup/structure'
import { temperatureHistory } from '../makeup/temperature'
import { HOUR_MS } from '../units/time'
import type { Range } from '../working'
import { additionsOf, type Addition } from './additions'

/**
 * How salty it was from a moment on: of everything, with what it lies between where not all was weighed; of salt and
 * water, at its low end; and its mass, g.
 */
interface Saltiness {
  atMs: number
  saltPct: number
  lowPct: number
  highPct: number
  saltInWaterPct: number
  massG: number
}

/** What a lot brought along when it began: share of its produce that is raw, percent; whether anything lives in it. */
interface Start {
  ph: number
  /** Upper end of what its pH works out to at packing; `null` where it cannot be worked out. */
  upperPh: number | null
  read: boolean
  rawPct: number | null
  alive: boolean
  strongStarter: boolean
}

/**
 * The facts of a lot that it is judged by, in order of time; of a ferment from packing on, of anything else from the
 * moment it was made.
 */
export interface History {
  lot: Lot
  startMs: number
  temperature: readonly Stretch[]
  acidity: readonly PhFact[]
  additions: readonly Addition[]
  signs: readonly EntryOf<'sign'>[]
  /** The liquid and the pieces are two things; pieces that are cut or pierced let the liquid in. */
  pieces: boolean
  opened: boolean
  /** Oil is in it. */
  oily: boolean
  /** Until when salt needs to even out in its pieces, ms. */
  evenMs: number
  salt: readonly Saltiness[]
  start: Start | null
}

/** Salt is even in pieces after so many of their exchange times, of slow ones too. Judgement. */
const EVEN_TAUS = 6

/** A pH read this soon after packing is the start, h. Judgement. */
const START_H = 12

/** Spread of a start pH that was only worked out (one-sided 95 % end); it counts with its lower end. Judgement. */
const WORKED_LOWER = 0.25

/** @param range of its salt, percent of everything; `null` where all was weighed. */
function saltiness(composition: Composition, atMs: number, range: Range | null): Saltiness[] {
  const { massG, saltG, waterG } = composition
  if (massG <= 0 || waterG <= 0) return []
  const saltPct = (100 * saltG) / massG
  const lowPct = Math.min(saltPct, range?.low ?? saltPct)
  const weaker = saltPct > 0 ? lowPct / saltPct : 1
  return [
    {
      ...{ atMs, massG, saltPct, lowPct, highPct: Math.max(saltPct, range?.high ?? saltPct) },
      saltInWaterPct: waterPhaseSaltPct(saltG, waterG) * weaker,
    },
  ]
}

/**
 * What is left of parts, and of the salt of everything, after some ran over: the most that may have gone of the least
 * that may be there, and the other way round. Where only brine runs over it takes more salt along than is in the whole.
 */
function runsOver(now: Composition, lost: EntryOf<'overflow'>, parts: readonly MixedPart[], liquid: boolean) {
  const all = (end: keyof Range) => parts.reduce((sum, { massG }) => sum + massG[end], 0)
  const gone = between(lost.massG, lost.betweenG)
  const left = {
    low: Math.max(0, 1 - gone.high / all('low')),
    typical: Math.max(0, 1 - gone.typical / all('typical')),
    high: Math.max(0, 1 - gone.low / all('high')),
  }
  const after = ranOver(now, (gone.high * all('typical')) / all('low'), liquid)
  return {
    parts: parts.map((part) => ({
      ...part,
      massG: {
        low: part.massG.low * left.low,
        typical: part.massG.typical * left.typical,
        high: part.massG.high * left.high,
      },
    })),
    weaker: now.saltG > 0 ? (after.saltG * now.massG) / Math.max(1e-9, after.massG * now.saltG) : 1,
  }
}

/** Saltiness through time: as weighed in, after each change, and as read; where they differ the weaker counts. */
function saltOf(book: Book, lot: Lot, first: Composition, startMs: number): Saltiness[] {
  const { made } = lot
  const content = made.kind === 'plan' ? (lot.weighed ?? made) : null
  const ranges = [content, ...lot.added].some((one) => one && isBetween(book, one))
  let parts: MixedPart[] = (ranges && content && contentBetween(book, content, beginOf(lot))) || []
  let weaker = 1
  const range = () => {
    if (parts.length === 0) return null
    const { low, typical, high } = saltRange(parts)
    return { low: low * weaker, typical, high }
  }
  let now = first
  const found = saltiness(first, startMs, range())
  for (const { atMs, added, lost } of changesOf(lot)) {
    if (lost) {
      const liquid = isLiquidLost(lot)
      if (parts.length) {
        const left = runsOver(now, lost, parts, liquid)
        parts = left.parts
        weaker *= left.weaker
      }
      now = ranOver(now, lost.massG, liquid)
    } else {
      const more = contentComposition(book, added, momentOf(added))
      if (more) now = mix([now, more])
      if (ranges) parts.push(...(contentBetween(book, added, momentOf(added)) ?? []))
    }
    found.push(...saltiness(now, atMs, range()))
  }
  for (const { at, saltPct } of lot.readings) {
    if (saltPct === undefined) continue
    const atMs = Date.parse(at)
    const worked = found.findLast((one) => one.atMs <= atMs) ?? found[0]
    if (!worked) continue
    // Read stronger than it works out, that is at least proven.
    const known = Math.min(saltPct, worked.saltPct)
    if (known === worked.lowPct) continue
    found.push({
      ...{ ...worked, atMs, saltPct: known, lowPct: known, highPct: Math.max(known, saltPct) },
      saltInWaterPct: worked.lowPct > 0 ? (worked.saltInWaterPct * known) / worked.lowPct : 0,
    })
  }
  return found.sort((a, b) => a.atMs - b.atMs)
}

/** What was packed, worked out: its make-up, its pH, what lives in it. */
interface Packed {
  composition: Composition
  workedPh: number | null
  upperPh: number | null
  rawPct: number | null
  alive: boolean
  strongStarter: boolean
}

function packedOf(book: Book, content: Content, at: Moment): Packed | null {
  const composition = contentComposition(book, content, at)
  if (!composition) return null
  const rows = livingRows(book, content.rows)
  const raw = rawShare(rows)
  return {
    composition,
    workedPh: mixturePh(composition),
    upperPh: phBand([composition])?.high ?? null,
    rawPct: raw === null ? null : 100 * raw,
    alive: startCountLog10(rows, composition.massG) !== null,
    strongStarter: isStrongStart(rows, composition.massG),
  }
}

/** What was packed of materials alone stays what it is while the library does: worked out once, not every time. */
const packed = new WeakMap<Library, WeakMap<Content, Packed | null>>()

function packedOnce(book: Book, content: Content, at: Moment): Packed | null {
  if (content.rows.some(({ lotId }) => lotId)) return packedOf(book, content, at)
  const mine = packed.get(book.library) ?? new WeakMap<Content, Packed | null>()
  packed.set(book.library, mine)
  if (!mine.has(content)) mine.set(content, packedOf(book, content, at))
  return mine.get(content) ?? null
}

function startOf(
  { workedPh, upperPh, rawPct, alive, strongStarter }: Packed,
  startMs: number,
  acidity: readonly PhFact[],
): Start {
  const read = acidity.find(
    ({ atMs, of }) => of === 'blended' && atMs >= startMs - HOUR_MS && atMs <= startMs + START_H * HOUR_MS,
  )
  return {
    ph: read?.ph ?? (workedPh === null ? 7 : workedPh - WORKED_LOWER),
    read: read !== undefined,
    ...{ upperPh, rawPct, alive, strongStarter },
  }
}

const known = new WeakMap<Book, WeakMap<Lot, History>>()

/** The history of a lot, or of some jars of it; worked out once for a book. */
export function historyOf(book: Book, lot: Lot): History {
  const mine = known.get(book) ?? new WeakMap<Lot, History>()
  known.set(book, mine)
  const found = mine.get(lot)
  if (found) return found
  const { made } = lot
  const begin = beginOf(lot)
  const acidity = phsOf(book, lot)
  const inside = made.kind === 'plan' ? packedOnce(book, lot.weighed ?? made, begin) : null
  const { liquid, tauH } = structureOfLot(book, lot)
  const pieces = made.kind === 'plan' && liquid < 1
  const history: History = {
    ...{ lot, startMs: begin.ms, acidity },
    temperature: temperatureHistory(book, lot, begin.ms, 'clock'),
    additions: lot.added.length ? additionsOf(book, lot, acidity) : [],
    signs: lot.signs,
    pieces,
    opened: isOpened(book, lot),
    oily: oilOf(book, lot) !== null,
    evenMs: pieces ? begin.ms + EVEN_TAUS * tauH * HOUR_MS : begin.ms,
    salt: inside ? saltOf(book, lot, inside.composition, begin.ms) : [],
    start: inside && lot.packed ? startOf(inside, begin.ms, acidity) : null,
  }
  mine.set(lot, history)
  return history
}

/** How salty it is at a moment. */
export const saltAt = ({ salt }: History, ms: number): Saltiness | null =>
  salt.findLast(({ atMs }) => atMs <= ms) ?? salt[0] ?? null

/**
 * The weakest it has been until a moment, salt in its water; the time allowed is reckoned with it. None where nobody
 * knows what was packed.
 */
export function weakestSaltInWater({ salt, pieces, lot }: History, ms: number): number {
  if (salt.length === 0) return 0
  const weakest = Math.min(
    ...salt.filter(({ atMs }, index) => index === 0 || atMs <= ms).map((one) => one.saltInWaterPct),
  )
  // Between the two limits what stands in the tissue counts, and nobody knows it before it was read there.
  const { staphylococci, preserved } = SALT_LIMITS
  const inTissue = lot.readings.some(
    ({ at, saltPct, of }) => saltPct !== undefined && of !== 'liquid' && Date.parse(at) <= ms,
  )
  return pieces && weakest < preserved && !inTissue ? Math.min(weakest, staphylococci - SHADE) : weakest
}

/** At or under this water activity nothing grows that harms. FDA, 21 CFR 114, from memory. */
const DRY_AW = 0.85

/** The water activity that was measured last, where it keeps and nothing was put in since; else `null`. */
export function dryAw({ lot, additions }: Pick<History, 'lot' | 'additions'>, ms: number): number | null {
  const last = lot.readings.findLast(({ at, aw }) => aw !== undefined && Date.parse(at) <= ms)
  if (last?.aw === undefined || last.aw > DRY_AW) return null
  return additions.some(({ atMs }) => atMs > Date.parse(last.at) && atMs <= ms) ? null : last.aw
}

/** The least that salt is told apart by, percent. */
const SHADE = 0.01

/** How near two samples lie to speak of one moment, h, and how near their pH must be for one to stand for the other. */
const AGREE = { hours: 24, ph: 0.15 } as const

/** What speaks for the liquid, and what for the whole: liquid does once a blended sample agreed with it. */
export function samplesOf({ acidity, pieces }: History): Record<'liquid' | 'blended', History['acidity']> {
  if (!pieces) return { liquid: acidity, blended: acidity }
  const agreedMs = Math.min(
    ...acidity
      .filter(({ of }) => of === 'blended')
      .filter((blended) =>
        acidity.some(
          ({ of, atMs, ph }) =>
            of === 'liquid' &&
            Math.abs(atMs - blended.atMs) <= AGREE.hours * HOUR_MS &&
            Math.abs(ph - blended.ph) <= AGREE.ph + 1e-9,
        ),
      )
      .map(({ atMs }) => atMs),
    Infinity,
  )
  return {
    // Pieces lag behind their liquid: what is under in them is under in it; what is above in it is above in them.
    liquid: acidity.filter(({ of, ph }) => of === 'liquid' || ph <= PH_LINE),
    blended: acidity.filter(({ of, ph, atMs }) => of === 'blended' || atMs >= agreedMs || ph > PH_LINE),
  }
}
