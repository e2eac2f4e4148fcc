import { headspaceOf } from '../bottle/run'
import { volumeOf, type Composition } from '../composition/composition'
import { referenceFor, type Process } from '../keep/process'
import { EVENING_OUT_H } from '../keep/release'
import { upperPhOf, type FinalReading, type ReleaseCase } from '../keep/releaseCase'
import { wayOf, type Relief, type Treatment } from '../keep/ways'
import type { EntryOf } from '../log/entry'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import type { Store } from '../log/kinds/bottle'
import { lastPouredMs } from '../lots/measured'
import { calibrationAgeH, trustOf } from '../log/trust'
import type { Verdict } from '../level'
import { mapRange, type Range } from '../working'
import { allergensOf, ingredientsOf, labelBasis, unknownOf, type Ingredient } from '../makeup/ingredients'
import { evidenceOf, heatProcessOf } from '../makeup/heatProcess'
import { oilOf } from '../makeup/oil'
import { compositionOf } from '../makeup/lotComposition'
import { plainTell, tellReason, type Tell } from '../words/judgement'
import { isPermitted } from './permitted'
import { ruleFor } from './reasons'
import type { Judge } from './judgement'
import { HOUR_MS } from '../units/time'

/** How a blend is to be bottled: what the maker chose, or what was recorded. Temperatures typed in °C, heights in m. */
export interface BottlingChoice {
  treatment: Treatment
  store: Store
  limitPh: number
  formatId: string
  process: Process | null
  altitudeM: number
  lastFillTempC: number | null
  heldMin: number | null
  turnedMin: number | null
  chunky: boolean
  relief: Relief
}

/** What lets the gas of a run out, or tells of it in time. */
export const reliefOf = ({ closing, testBottle }: Partial<Pick<EntryOf<'bottle'>, 'closing' | 'testBottle'>>): Relief =>
  closing && closing !== 'tight' ? closing : testBottle ? 'test bottle' : 'none'

/** What a process authority asked of a run that was recorded before processes were: its heat alone. */
function writtenBefore({ reference, at }: EntryOf<'bottle'>): Process | null {
  if (reference?.id !== 'own') return null
  const { name, source, refC, zC, minutes, highestPh } = reference
  return {
    ...{ basis: 'scheduled process', name: name.slice(0, 80), author: source.slice(0, 120) || 'as recorded' },
    ...{ written: at.slice(0, 10), product: 'as recorded', container: 'as recorded', closure: 'as recorded' },
    ...{ pack: 'hot', refC, zC, maxPh: highestPh, permits: ['shelf'], ...(minutes !== null && { minutes }) },
  }
}

/** What the recorded run of a bottled lot chose. */
export const choiceOf = (made: EntryOf<'bottle'>, limitPh: number): BottlingChoice => ({
  treatment: made.treatment,
  store: made.store ?? wayOf(made.treatment).store,
  limitPh,
  formatId: made.formatId ?? `b${made.bottleMl}`,
  lastFillTempC: made.lastFillTempC ?? null,
  altitudeM: made.altitudeM ?? 0,
  process: made.process ?? writtenBefore(made),
  heldMin: made.heldMin ?? null,
  turnedMin: made.turnedMin ?? null,
  chunky: made.chunky ?? false,
  relief: reliefOf(made),
})

/** Unknown make-up counts as sweet: nothing is let through for want of knowledge. */
const UNKNOWN_SUGAR: Range = { low: 0, typical: 20, high: 100 }

/** Salt shows in a refractometer too: so much Brix for a percent of it. From memory: 1 % shows 1.1; rounded down. */
const BRIX_OF_SALT = 0.8

/**
 * What was read of a pot since it was last poured, or of a run: of its pot until it was filled, then of its own
 * bottles. What was read before something was put in, or after it was filled, is of another mixture.
 */
function readingsOf(blend: Lot, bottled: Lot | undefined): { pouredMs: number; readings: Lot['readings'] } {
  const filledMs = bottled ? Date.parse(bottled.made.at) : Infinity
  const pouredMs = lastPouredMs(blend, filledMs)
  const ofPot = blend.readings.filter(({ at }) => Date.parse(at) >= pouredMs && Date.parse(at) <= filledMs)
  return { pouredMs, readings: [...ofPot, ...(bottled?.readings ?? [])] }
}

/** Sugar of a pot, g/L: as worked out, and no more than Brix less salt leaves room for, where it was read. */
function sugarOf(composition: Composition | null, brixPct: number | null): Range {
  const litres = composition ? volumeOf(composition) / 1000 : 0
  if (!composition || litres <= 0) return UNKNOWN_SUGAR
  const worked = mapRange(composition.sugarG, (grams) => grams / litres)
  if (brixPct === null) return worked
  const saltPct = (100 * composition.saltG) / composition.massG
  const most = (Math.max(0, brixPct - BRIX_OF_SALT * saltPct) / 100) * (composition.massG / litres)
  return mapRange(worked, (grams) => Math.min(grams, most))
}

/** What the first check of a meter after a moment came to, by another moment, ms. */
function checkedAfter({ meterChecks }: Book, meter: string | undefined, readMs: number, nowMs: number) {
  const next = meterChecks.find(
    (entry) => entry.meter === meter && Date.parse(entry.at) > readMs && Date.parse(entry.at) <= nowMs,
  )
  return !next ? 'none' : next.accepted ? 'passed' : 'failed'
}

/** The newest pH of a finished blend with its meter's calibration. */
function finishedReading(
  book: Book,
  { pouredMs, readings }: ReturnType<typeof readingsOf>,
  bottledId: string | undefined,
  nowMs: number,
): ReleaseCase['reading'] {
  // Drained liquid says nothing of a sauce.
  const whole = readings.filter(({ ph, of }) => ph !== undefined && of !== 'liquid')
  const own = whole.filter(({ lotId }) => lotId === bottledId)
  const evened = own.filter(({ at }) => Date.parse(at) - pouredMs >= EVENING_OUT_H * HOUR_MS)
  // Of its bottles the highest counts, of those read in time with the best there was; what any showed over the limit
  // holds the run by itself.
  const [last = whole.at(-1)] = (evened.length ? evened : own).toSorted(
    (a, b) => rankOf(a) - rankOf(b) || upperOf(b) - upperOf(a),
  )
  return last ? finalOf(book, last, pouredMs, nowMs) : null
}

/** A checked meter before strips, and these before all that releases nothing. */
const rankOf = ({ instrument, at }: EntryOf<'reading'>): number => {
  const trust = trustOf(instrument, Date.parse(at))
  return trust === 'bench' || trust === 'pocket' ? 0 : trust === 'strip' ? 1 : 2
}

const upperOf = ({ ph = 0, instrument, at }: EntryOf<'reading'>): number =>
  upperPhOf({ ph, trust: trustOf(instrument, Date.parse(at)) })

/** A reading as a release weighs it. @param sinceMs when it was mixed, or filled. */
function finalOf(book: Book, last: EntryOf<'reading'>, sinceMs: number, nowMs: number): FinalReading {
  const readMs = Date.parse(last.at)
  return {
    ph: last.ph ?? 0,
    hoursAfterBlending: (readMs - sinceMs) / HOUR_MS,
    trust: trustOf(last.instrument, readMs),
    calibrationAgeH: calibrationAgeH(last.instrument, readMs),
    checkedAfter: checkedAfter(book, last.instrument?.name, readMs, nowMs),
    evidence: evidenceOf(last, last.instrument?.name ?? 'typed by hand'),
  }
}

/** Its own containers, drained solids blended, a day after they were filled or later. */
const solidsOf = (book: Book, bottled: Lot, filledMs: number, nowMs: number): FinalReading[] =>
  bottled.readings
    .filter(({ ph, of, at }) => {
      const readMs = Date.parse(at)
      return ph !== undefined && of === 'blended' && readMs <= nowMs && readMs - filledMs >= EVENING_OUT_H * HOUR_MS
    })
    .map((reading) => finalOf(book, reading, filledMs, nowMs))

/** The label printed last, and whether it still says what is in it. */
function labelOf(printed: EntryOf<'printed'> | undefined, parts: readonly Ingredient[]): ReleaseCase['label'] {
  if (!printed) return null
  const { byHand, count, size, basis } = printed
  const how = byHand ? 'written by hand' : `${count} printed, ${size}`
  return { current: basis === labelBasis(parts), evidence: evidenceOf(printed, how) }
}

/**
 * What the judge has against a pot, or against bottles, which stand as their pot stood when they were filled. What is
 * not for sale is not released.
 */
function judgedOf(judge: Judge, { id }: Lot, nowMs: number, process: Process | null, tell: Tell) {
  return (judge(id, nowMs)?.reasons ?? []).flatMap((reason) => {
    if (isPermitted(reason, process)) return []
    const { make, sale } = ruleFor(reason)
    const verdict: Verdict = sale ?? make
    return verdict === 'pass' ? [] : [{ verdict, sentence: tellReason(reason, tell) }]
  })
}

/**
 * What is known of a blend for its release: the newest finished pH with its meter's calibration, the prediction it
 * was made with, its sugar, its heat, its label.
 * @param bottled the lot in bottles, once there is one.
 */
export function releaseCaseOf(
  book: Book,
  judge: Judge,
  blend: Lot,
  choice: BottlingChoice,
  nowMs: number,
  bottled?: Lot,
  tell: Tell = plainTell,
): ReleaseCase {
  const { treatment, store, limitPh, formatId, process, altitudeM, lastFillTempC, relief } = choice
  const filledMs = bottled ? Date.parse(bottled.made.at) : Infinity
  const composition = compositionOf(book, blend.id, filledMs)
  const read = readingsOf(blend, bottled)
  const format = book.library.format(formatId)
  const heat = heatProcessOf(book, blend, bottled ? filledMs : nowMs)
  const parts = ingredientsOf(book, bottled?.id ?? blend.id)
  const lastBottle = lastFillTempC === null ? null : { points: [{ minute: 0, tempC: lastFillTempC }] }
  return {
    treatment,
    store,
    limitPh,
    process,
    altitudeM,
    bottleMl: format?.fillMl ?? 150,
    filledHours: bottled ? (nowMs - filledMs) / HOUR_MS : 0,
    heldMin: choice.heldMin,
    turnedMin: choice.turnedMin,
    chunky: choice.chunky,
    solids: bottled ? solidsOf(book, bottled, filledMs, nowMs) : [],
    oilPct: oilOf(book, bottled ?? blend)?.pct ?? 0,
    aw: read.readings.findLast(({ aw }) => aw !== undefined)?.aw ?? null,
    headspace: format ? headspaceOf(format) : 0.05,
    reading: finishedReading(book, read, bottled?.id, nowMs),
    predictedPh:
      blend.made.kind === 'blend' && read.pouredMs === Date.parse(blend.made.at)
        ? (blend.made.predictedPh ?? null)
        : null,
    sugarGPerL: sugarOf(composition, read.readings.findLast(({ brixPct }) => brixPct !== undefined)?.brixPct ?? null),
    relief,
    hasLiveFerment: composition?.live ?? true,
    heat: {
      reference: referenceFor(process),
      pot: heat.pot,
      water: heat['jar in the water'],
      lastBottle: heat['last bottle'] ?? lastBottle,
    },
    judged: judgedOf(judge, bottled ?? blend, nowMs, process, tell),
    unknown: unknownOf(parts),
    allergens: allergensOf(parts),
    label: labelOf(bottled?.printed.at(-1), parts),
  }
}
