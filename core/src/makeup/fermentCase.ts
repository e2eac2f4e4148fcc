import { chargeOf, mixturePh, titratableOf } from '../acid/mixture'
import { MILLIEQUIVALENT_G } from '../acid/titration'
import { withSalt, type Composition } from '../composition/composition'
import { waterPhaseSaltPct } from '../salt/brine'
import type { Batch, Living, Medium, Structure } from '../ferment/batch'
import { movedTo, vesselLagH, type HourPoint, type TemperaturePlan } from '../ferment/temperature'
import type { FermentCase } from '../ferment/forecast'
import { livingCounts } from '../ferment/rawShare'
import { styleById } from '../library/styles'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { factsOfJar, followedJar, phsOf } from './acidity'
import { livingRows } from './livingRows'
import { contentComposition, type Content } from './lotComposition'
import { structureOfLot } from './structure'
import { sensedOf } from './sensed'
import { ASSUMED_C, temperatureHistory } from './temperature'
import { HOUR_MS } from '../units/time'
import { fruitG } from '../library/fruit'

/** g/mol of a hexose. */
const HEXOSE_G = 180.16
/** Spread of a start pH that was read, and of one that was worked out. Judgement. */
const READ_SPREAD = 0.06
const WORKED_SPREAD = 0.15
/** A pH read this soon after packing is the start, hours. Judgement. */
const START_H = 12
/** The buffer is one slope from the start pH, or from this where that is lower, down to the other. Judgement. */
const FALLS = { fromAtLeast: 5, to: 3.6 } as const

/**
 * Charge that the other acids and sites of a mixture take up for each unit of pH on its way down, mmol per kg: its
 * buffer beside citric and malic.
 */
function bufferOf(composition: Composition, startPh: number): number {
  const others = { ...composition.acids, citric: 0, malic: 0, lactic: 0, acetic: 0 }
  const charge = chargeOf({ ...composition, acids: others, sidMmol: 0 })
  const at = (pH: number) => charge({ pH, ionicStrength: 0.5 }).left
  const from = Math.max(FALLS.fromAtLeast, startPh)
  return (((at(FALLS.to) - at(from)) / (from - FALLS.to)) * 1000) / composition.massG
}

/** What ferments, from a composition; `null` without water. @param startPh when it was read. */
export function mediumOf(composition: Composition, fruitShare: number, startPh?: number): Medium | null {
  const worked = startPh ?? mixturePh(composition)
  if (worked === null || !(composition.waterG > 0)) return null
  const perKg = 1000 / composition.massG
  return {
    hexose: (composition.sugarG.typical / HEXOSE_G) * 1000 * perKg,
    citric: (composition.acids.citric ?? 0) * perKg,
    malic: (composition.acids.malic ?? 0) * perKg,
    buffer: bufferOf(composition, worked),
    acidPct: ((titratableOf(composition)?.mmol ?? 0) * MILLIEQUIVALENT_G.lactic * 100) / composition.massG,
    startPh: worked,
    startPhSpread: startPh === undefined ? WORKED_SPREAD : READ_SPREAD,
    saltPct: waterPhaseSaltPct(composition.saltG, composition.waterG),
    fruitShare,
  }
}

/**
 * A batch from what goes into it, and from what was read of it: start pH, salt of everything in percent. `null` when
 * a lot it takes from is missing or it has no water.
 */
export function batchOf(
  book: Book,
  content: Content,
  structure: Structure,
  { startPh, saltPct }: { startPh?: number | undefined; saltPct?: number | undefined } = {},
): Batch | null {
  const mixed = contentComposition(book, content)
  const composition = mixed && saltPct !== undefined ? withSalt(mixed, saltPct) : mixed
  if (!composition) return null
  const medium = mediumOf(composition, Math.min(1, fruitG(book.library, content.rows) / composition.massG), startPh)
  const living: Living = livingCounts(livingRows(book, content.rows), composition.massG)
  return medium && { medium, structure, living }
}

/** So near to a step the old temperature still stands, h. */
const STEP_H = 0.001

/** The temperature history as hours since packing; at a move the vessel drifts to the new place with its lag. */
function temperatureOf(book: Book, lot: Lot, packedMs: number, kg: number): TemperaturePlan {
  const lagH = vesselLagH(Math.max(0.05, kg))
  const moved = new Set(lot.decisions.map(({ at }) => Date.parse(at)))
  let points: HourPoint[] = []
  for (const { fromMs, toMs, fromC, toC, assumed } of temperatureHistory(book, lot, packedMs, 'forecast')) {
    const hour = (fromMs - packedMs) / HOUR_MS
    if (points.length && moved.has(fromMs) && assumed) points = [...movedTo({ points }, hour, fromC, lagH).points]
    else {
      // What was read while it drifted is better than the drift.
      while ((points.at(-1)?.hour ?? -1) >= hour) points.pop()
      points.push({ hour, tempC: fromC })
    }
    const endHour = (toMs - packedMs) / HOUR_MS
    // Before a step, what stood is held to its end.
    if (Number.isFinite(toMs) && (assumed || moved.has(toMs)))
      points.push({ hour: Math.max(hour, endHour - STEP_H), tempC: toC })
  }
  return { points: points.length ? points : [{ hour: 0, tempC: ASSUMED_C.forecast }] }
}

/**
 * A lot as the forecast sees it; `null` for one that does not ferment by pH, is not packed, or whose make-up is not
 * known.
 */
export function fermentCaseOf(book: Book, lot: Lot): FermentCase | null {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed) return null
  if (styleById(made.style).judgedBy !== 'acid') return null
  const packedMs = Date.parse(packed.at)
  const facts = phsOf(book, lot)
  const jar = followedJar(lot, facts)
  const phs = (jar === null ? facts : factsOfJar(facts, jar)).map(({ atMs, ph, sd, of }) => ({
    hour: (atMs - packedMs) / HOUR_MS,
    ph,
    sd,
    of,
  }))
  const start = phs.find(({ hour, of }) => hour > -1 && hour <= START_H && of === 'blended')
  // What was put in later is taken as there from the start: the model has no way to add.
  const { rows, waterG, saltG } = [lot.weighed ?? made, ...lot.added].reduce<Content>(
    (sum, one) => ({ rows: [...sum.rows, ...one.rows], waterG: sum.waterG + one.waterG, saltG: sum.saltG + one.saltG }),
    { rows: [], waterG: 0, saltG: 0 },
  )
  const lastPut = lot.added.at(-1)?.at ?? ''
  const salt = lot.readings.findLast((reading) => reading.saltPct !== undefined && reading.at > lastPut)?.saltPct
  const batch = batchOf(book, { rows, waterG, saltG }, structureOfLot(book, lot), { startPh: start?.ph, saltPct: salt })
  const kg = lot.madeG / 1000 / Math.max(1, packed.vessels.length)
  return (
    batch && {
      batch,
      temperature: temperatureOf(book, lot, packedMs, kg),
      readings: phs.filter((reading) => reading !== start),
      sensed: sensedOf(book, lot, packedMs),
      targetPh: made.targetPh,
    }
  )
}
