import { headspaceOf } from '../bottle/run'
import { volumeOf, type Composition } from '../composition/composition'
import { levelOfSign } from '../ferment/signs'
import { USUAL_REFERENCE, type HeatReference } from '../keep/lethality'
import type { Evidence, HeatRecord, ReleaseCase } from '../keep/release'
import { wayOf, type Treatment } from '../keep/ways'
import type { EntryOf } from '../log/entry'
import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
import type { Store } from '../log/kinds/bottle'
import type { HeatPlace } from '../log/kinds/heat'
import { ancestors } from '../log/lineage'
import { lastPouredMs } from '../log/measured'
import { mapRange, type Range } from '../working'
import { allergensOf, ingredientsOf, labelBasis, unknownOf, type Ingredient } from './ingredients'
import { compositionOf } from './lotComposition'
import { HOUR_MS, MINUTE_MS } from '../units/time'

/** How a blend is to be bottled: what the maker chose, or what was recorded. Temperatures typed in °C, heights in m. */
export interface BottlingChoice {
  treatment: Treatment
  store: Store
  limitPh: number
  formatId: string
  reference: HeatReference
  altitudeM: number
  lastFillTempC: number | null
}

const evidenceOf = (entry: { at: string; by: string }, what: string): Evidence => ({
  atMs: Date.parse(entry.at),
  by: entry.by,
  what,
})

/** All that was measured at a place, as one record on one clock; moments measured twice count once. */
function recordOf(heats: readonly EntryOf<'heat'>[], where: HeatPlace): HeatRecord | null {
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

/** The heat measured since a pot was poured, by where it was taken. */
export function heatRecordsOf(blend: Lot): Record<HeatPlace, HeatRecord | null> {
  const heats = blend.heats.filter(({ at }) => Date.parse(at) >= lastPouredMs(blend) - 12 * HOUR_MS)
  return {
    pot: recordOf(heats, 'pot'),
    'last bottle': recordOf(heats, 'last bottle'),
    'jar in the water': recordOf(heats, 'jar in the water'),
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
  reference: made.reference ?? USUAL_REFERENCE,
})

/** Unknown make-up counts as sweet: nothing is let through for want of knowledge. */
const UNKNOWN_SUGAR: Range = { low: 0, typical: 20, high: 100 }

function sugarOf(composition: Composition | null): Range {
  const litres = composition ? volumeOf(composition) / 1000 : 0
  return composition && litres > 0 ? mapRange(composition.sugarG, (grams) => grams / litres) : UNKNOWN_SUGAR
}

/**
 * The newest pH of a finished blend with its meter's calibration; what was read before it was last poured is of
 * another mixture.
 */
function finishedReading(blend: Lot): ReleaseCase['reading'] {
  const pouredMs = lastPouredMs(blend)
  const last = blend.readings.filter((reading) => reading.ph !== undefined && Date.parse(reading.at) >= pouredMs).at(-1)
  if (last?.ph === undefined) return null
  const readMs = Date.parse(last.at)
  const calibratedAt = last.instrument?.calibratedAt
  return {
    ph: last.ph,
    hoursAfterBlending: (readMs - pouredMs) / HOUR_MS,
    calibrationAgeH: calibratedAt ? (readMs - Date.parse(calibratedAt)) / HOUR_MS : null,
    evidence: evidenceOf(last, last.instrument?.name ?? 'typed by hand'),
  }
}

/** The label printed last, and whether it still says what is in it. */
function labelOf(printed: EntryOf<'printed'> | undefined, parts: readonly Ingredient[]): ReleaseCase['label'] {
  if (!printed) return null
  const { byHand, count, size, basis } = printed
  const how = byHand ? 'written by hand' : `${count} printed, ${size}`
  return { current: basis === labelBasis(parts), evidence: evidenceOf(printed, how) }
}

/** Codes of lots among these that were thrown away, or should have been. */
const discardedAmong = (lots: readonly Lot[]): string[] =>
  lots
    .filter((lot) => lot.state === 'discarded' || lot.signs.some((sign) => levelOfSign(sign) === 'discard'))
    .map((lot) => lot.code)

/**
 * What is known of a blend for its release: the newest finished pH with its meter's calibration, the prediction it
 * was made with, its sugar, its heat, its label.
 * @param bottled the lot in bottles, once there is one.
 */
export function releaseCaseOf(book: Book, blend: Lot, choice: BottlingChoice, bottled?: Lot): ReleaseCase {
  const { treatment, store, limitPh, formatId, reference, altitudeM, lastFillTempC } = choice
  const composition = compositionOf(book, blend.id)
  const format = book.library.format(formatId)
  const heat = heatRecordsOf(blend)
  const parts = ingredientsOf(book, bottled?.id ?? blend.id)
  const lastBottle = lastFillTempC === null ? null : { points: [{ minute: 0, tempC: lastFillTempC }] }
  return {
    treatment,
    store,
    limitPh,
    altitudeM,
    headspace: format ? headspaceOf(format) : 0.05,
    reading: finishedReading(blend),
    predictedPh: blend.made.kind === 'blend' && blend.added.length === 0 ? (blend.made.predictedPh ?? null) : null,
    sugarGPerL: sugarOf(composition),
    hasLiveFerment: composition?.live ?? true,
    heat: {
      reference,
      pot: heat.pot,
      water: heat['jar in the water'],
      lastBottle: heat['last bottle'] ?? lastBottle,
    },
    discarded: discardedAmong([
      ...(bottled ? [bottled] : []),
      blend,
      ...ancestors(book, blend.id).map(({ lot }) => lot),
    ]),
    unknown: unknownOf(parts),
    allergens: allergensOf(parts),
    label: labelOf(bottled?.printed.at(-1), parts),
  }
}
