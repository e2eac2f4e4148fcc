import { acidMmol } from '../acid/species'
import { lacticToReach, mixturePh } from '../acid/mixture'
import { EMPTY, mix, ofMass, withPh, type Composition } from '../composition/composition'
import { ofMaterial, ofSalt } from '../composition/ingredient'
import { FERMENTING_KEEPS } from '../heat/scoville'
import { materialById, UNKNOWN_PRODUCE } from '../library/materials'
import type { EntryOf } from '../log/entry'
import type { Book, Lot } from '../log/fold'
import { separate } from '../press/separate'
import { exactly } from '../working'

/** Spread of the weak acid of a ferment that nobody titrated, and of a pH read with a calibrated meter. Judgement. */
const UNTITRATED = 0.3
const METER_SPREAD = 0.025
/** Meter without a two-buffer calibration. Judgement. */
const METER_SPREAD_UNKNOWN = 0.05

/** Hexose in g that gave a mmol of lactic acid: half a mmol of 180.16 g/mol. Homolactic; other products are left out. */
const HEXOSE_PER_LACTIC = 0.09008

/** The make-up of a plan as it is packed: produce, water, salt. */
export function planComposition(plan: Pick<EntryOf<'plan'>, 'rows' | 'waterG' | 'saltG'>): Composition {
  const water = materialById('water')
  return mix([
    ...plan.rows.map(row => ofMaterial(materialById(row.materialId) ?? UNKNOWN_PRODUCE, row.massG, row)),
    ...(water ? [ofMaterial(water, plan.waterG)] : []),
    ofSalt(plan.saltG),
  ])
}

const spreadOfReading = (reading: EntryOf<'reading'>) => reading.instrument?.calibratedAt ? METER_SPREAD : METER_SPREAD_UNKNOWN

const lastPh = (lot: Lot, untilMs = Infinity) => lot.readings.filter(reading => reading.ph !== undefined && Date.parse(reading.at) <= untilMs).at(-1)

/**
 * A ferment now: the packed mixture plus the lactic acid that explains its last pH. Sugar goes down by what that acid took;
 * between that and none is the range, since yeast takes some too. Acid is uncertain until somebody titrates.
 */
function fermentComposition(lot: Lot, plan: EntryOf<'plan'>, untilMs: number): Composition {
  const start = planComposition(plan)
  const reading = lastPh(lot, untilMs)
  if (!lot.packed || reading?.ph === undefined) return start
  const lactic = lacticToReach(reading.ph, start)
  const fermented = { ...start, acids: { ...start.acids, lactic: (start.acids.lactic ?? 0) + lactic } }
  const taken = lactic * HEXOSE_PER_LACTIC
  return {
    ...withPh(fermented, reading.ph, spreadOfReading(reading)),
    sugarG: { low: 0, typical: Math.max(0, start.sugarG.typical - taken), high: Math.max(0, start.sugarG.high - taken) },
    heat: { low: start.heat.low * FERMENTING_KEEPS.low, typical: start.heat.typical * FERMENTING_KEEPS.typical, high: start.heat.high * FERMENTING_KEEPS.high },
    live: true, acidSpread: UNTITRATED,
  }
}

function stockComposition(entry: EntryOf<'stock'>): Composition {
  const material = entry.materialId ? materialById(entry.materialId) : undefined
  const { massG } = entry
  const share = (pct = 0) => massG * pct / 100
  const saltG = share(entry.saltPct)
  const aceticG = share(entry.acetic)
  const lacticG = share(entry.lacticPct)
  const known = material ? ofMaterial(material, massG) : {
    ...EMPTY, massG, saltG,
    waterG: entry.waterPct === undefined ? Math.max(0, massG - saltG - aceticG - lacticG - share(entry.sugarPct)) : share(entry.waterPct),
    acids: { ...(lacticG > 0 && { lactic: acidMmol('lactic', lacticG) }), ...(aceticG > 0 && { acetic: acidMmol('acetic', aceticG) }) },
    sugarG: exactly(share(entry.sugarPct)), heat: exactly((entry.shu ?? 0) * massG), acidSpread: lacticG > 0 ? UNTITRATED : 0,
  }
  const described: Composition = { ...known, live: entry.live, allergens: [...new Set([...known.allergens, ...(entry.allergens ?? [])])].sort() }
  return entry.ph === undefined ? described : withPh(described, entry.ph, METER_SPREAD_UNKNOWN)
}

/** The parts of a blend in their own compositions; `null` where a lot is not in the book. */
export function partComposition(book: Book, part: EntryOf<'blend'>['parts'][number], untilMs = Infinity, path: readonly string[] = []): Composition | null {
  if (part.lotId) {
    const source = compositionOf(book, part.lotId, untilMs, path)
    return source && ofMass(source, part.massG)
  }
  const material = part.materialId ? materialById(part.materialId) ?? UNKNOWN_PRODUCE : UNKNOWN_PRODUCE
  const typical = ofMaterial(material, part.massG)
  return part.ph === undefined ? typical : withPh(typical, part.ph, METER_SPREAD_UNKNOWN)
}

function blendComposition(book: Book, lot: Lot, blend: EntryOf<'blend'>, untilMs: number, path: readonly string[]): Composition | null {
  const madeMs = Date.parse(blend.at)
  const parts = blend.parts.map(part => partComposition(book, part, madeMs, path))
  if (parts.some(part => part === null)) return null
  const mixed = mix(parts.filter(part => part !== null))
  const composition = blend.cooked ? { ...mixed, live: false } : mixed
  const reading = lastPh(lot, untilMs)
  return reading?.ph === undefined ? composition : withPh(composition, reading.ph, spreadOfReading(reading))
}

/**
 * What a lot is made of, in the amount it was made, as known at a moment (ms): worked out from its entries and those of its sources,
 * so that a corrected weight or reading flows through. `null` when a source is missing or the lots run in a circle.
 */
export function compositionOf(book: Book, lotId: string, untilMs = Infinity, path: readonly string[] = []): Composition | null {
  const lot = book.lots.get(lotId)
  if (!lot || path.includes(lotId)) return null
  const { made } = lot
  const further = [...path, lotId]
  switch (made.kind) {
    case 'plan': return fermentComposition(lot, made, untilMs)
    case 'stock': return stockComposition(made)
    case 'blend': return blendComposition(book, lot, made, untilMs, further)
    case 'bottle': {
      const source = compositionOf(book, made.fromLotId, untilMs, further)
      return source && ofMass(made.treatment === 'cooked-hot-fill' ? { ...source, live: false } : source, made.usedG)
    }
    case 'press': {
      const source = compositionOf(book, made.fromLotId, Date.parse(made.at), further)
      if (!source || !(made.inG > 0)) return null
      const pressed = separate(source, made.method, made)
      const part = lot.kind === 'pulp' ? ofMass(pressed.pulp, made.pulpG) : pressed.base
      const reading = lastPh(lot, untilMs)
      return reading?.ph === undefined ? part : withPh(part, reading.ph, spreadOfReading(reading))
    }
  }
}

/** Last known pH of a lot: its own reading, else what its make-up shows. */
export function phOf(book: Book, lotId: string): { ph: number, measured: boolean } | null {
  const lot = book.lots.get(lotId)
  // What stands in a bottle was read in the pot.
  const read = lot?.made.kind === 'bottle' ? book.lots.get(lot.made.fromLotId) : lot
  const reading = read && lastPh(read)
  if (reading?.ph !== undefined) return { ph: reading.ph, measured: true }
  if (lot?.made.kind === 'stock' && lot.made.ph !== undefined) return { ph: lot.made.ph, measured: true }
  const composition = compositionOf(book, lotId)
  const ph = composition && mixturePh(composition)
  return ph === null || ph === undefined ? null : { ph, measured: false }
}
