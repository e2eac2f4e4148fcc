import { acidMmol } from '../acid/species'
import { lacticToReach } from '../acid/mixture'
import { acidFromTitration, acidFromTrial, othersSd, withLearned, type AcidFactor } from '../blend/calibrate'
import { EMPTY, mix, ofMass, withPh, withSalt, type Composition } from '../composition/composition'
import { ofKnown, ofMaterial, ofSalt } from '../composition/ingredient'
import { FERMENTING_KEEPS } from '../pungency/scoville'
import { combineHeat, heatFromTasting } from '../pungency/tasting'
import { InvalidInput } from '../invalid'
import { styleById } from '../library/styles'
import type { Row } from '../log/contents'
import type { EntryOf } from '../log/entry'
import { PH_SD, phSdOf } from '../log/trust'
import type { Book } from '../lots/fold'
import { changesOf } from '../log/jars'
import type { Lot } from '../log/lot'
import { isLiquidLost, ranOver } from './changes'
import { wasHeated, wasKept } from './heated'
import { lastPh, measuredPhs } from './measuredPh'
import { separate } from '../press/separate'
import { exactly, mapRange, type Range } from '../working'

/** Spread of the weak acid of a ferment that nobody titrated. Judgement. */
const UNTITRATED = 0.3

/**
 * Hexose in g that gave a mmol of lactic acid: half a mmol of 180.16 g/mol. Homolactic; other products are left out.
 */
const HEXOSE_PER_LACTIC = 0.09008

/** What goes into a vessel or a bowl. */
export type Content = Pick<EntryOf<'add'>, 'rows' | 'waterG' | 'saltG'>

/** One row as it is weighed in: a material, or part of a lot. `null` when its lot is not in the book. */
export function rowComposition(
  book: Book,
  row: Row,
  untilMs = Infinity,
  path: readonly string[] = [],
): Composition | null {
  if (!row.lotId) return ofKnown(book.library.materialOrUnknown(row.materialId), row.massG, row)
  const source = compositionOf(book, row.lotId, untilMs, path)
  return source && ofMass(source, row.massG)
}

/**
 * Rows, water and salt apart from each other, each with its name: what a band and a working need. `null` when a lot
 * is missing.
 */
export function contentParts(
  book: Book,
  { rows, waterG, saltG }: Content,
  untilMs = Infinity,
  path: readonly string[] = [],
): { name: string; composition: Composition }[] | null {
  const water = book.library.material('water')
  const parts = rows.map((row) => ({ name: row.name, composition: rowComposition(book, row, untilMs, path) }))
  if (parts.some((part) => part.composition === null)) return null
  return [
    ...parts.flatMap(({ name, composition }) => (composition ? [{ name, composition }] : [])),
    ...(water && waterG > 0 ? [{ name: 'Water', composition: ofMaterial(water, waterG) }] : []),
    ...(saltG > 0 ? [{ name: 'Salt', composition: ofSalt(saltG) }] : []),
  ]
}

/** The make-up of a content: produce, lots, water, salt. `null` when a lot is missing. */
export function contentComposition(
  book: Book,
  content: Content,
  untilMs = Infinity,
  path: readonly string[] = [],
): Composition | null {
  const parts = contentParts(book, content, untilMs, path)
  return parts && mix(parts.map((part) => part.composition))
}

/**
 * What was packed, before anything fermented: quick to work out, and near enough for volumes. `null` when a lot is
 * missing.
 */
export const packedComposition = (book: Book, lot: Lot): Composition | null =>
  lot.made.kind === 'plan' ? contentComposition(book, lot.weighed ?? lot.made) : null

/**
 * A mixture through what was read in it and what was put in later, in order: readings set its salt and, by `read`,
 * its pH; additions mix in.
 * `null` when something that was put in is not in the book. @param lives whether anything in it can stay alive.
 */
function throughTime(
  book: Book,
  lot: Lot,
  start: Composition,
  untilMs: number,
  path: readonly string[],
  read: (now: Composition, pH: number, phSd: number) => Composition,
  lives: boolean,
): Composition | null {
  let now = start
  let fromMs = -Infinity
  const phs = measuredPhs(lot)
  for (const change of [...changesOf(lot, untilMs), null]) {
    const toMs = change?.atMs ?? untilMs
    const between = lot.readings.filter(({ at }) => Date.parse(at) > fromMs && Date.parse(at) <= toMs)
    const salt = between.findLast((reading) => reading.saltPct !== undefined)?.saltPct
    if (salt !== undefined) now = withSalt(now, salt)
    const measured = phs.findLast(({ atMs }) => atMs > fromMs && atMs <= toMs)
    if (measured) now = read(now, measured.ph, measured.sd)
    if (!change) break
    if (change.lost) now = ranOver(now, change.lost.massG, isLiquidLost(lot))
    else {
      const more = contentComposition(book, change.added, change.atMs, path)
      if (!more) return null
      now = { ...mix([now, more]), live: lives && (now.live || more.live) }
    }
    fromMs = toMs
  }
  return now
}

/**
 * A ferment now: the packed mixture plus the lactic acid that explains its last pH, then what was added, then the
 * next readings, in order.
 * Sugar goes down by what that acid took; between that and none is the range, since yeast takes some too. Acid is
 * uncertain until somebody
 * titrates. Where bacteria make nothing (an infusion, a cooked sauce) a reading sets the pH and no acid is made up
 * for it.
 */
function fermentComposition(
  book: Book,
  lot: Lot,
  plan: EntryOf<'plan'>,
  untilMs: number,
  path: readonly string[],
): Composition | null {
  const style = styleById(plan.style)
  let now = contentComposition(book, lot.weighed ?? plan, Date.parse(lot.packed?.at ?? plan.at), path)
  if (!now) return null
  if (!style.ferments) now = { ...now, live: false }
  if (!lot.packed) return now
  now = throughTime(book, lot, now, untilMs, path, style.ferments ? fermented : withPh, style.ferments)
  if (!now) return null
  const started = style.ferments && lastPh(lot, untilMs) !== undefined
  return started
    ? {
        ...now,
        pungency: {
          low: now.pungency.low * FERMENTING_KEEPS.low,
          typical: now.pungency.typical * FERMENTING_KEEPS.typical,
          high: now.pungency.high * FERMENTING_KEEPS.high,
        },
      }
    : now
}

/** The same mixture once bacteria have brought it to a pH. */
function fermented(start: Composition, pH: number, phSd: number): Composition {
  const lactic = lacticToReach(pH, start)
  const taken = lactic * HEXOSE_PER_LACTIC
  return {
    ...withPh({ ...start, acids: { ...start.acids, lactic: (start.acids.lactic ?? 0) + lactic } }, pH, phSd),
    sugarG: {
      low: 0,
      typical: Math.max(0, start.sugarG.typical - taken),
      high: Math.max(0, start.sugarG.high - taken),
    },
    live: true,
    acidLogSd: UNTITRATED,
  }
}

function stockComposition(book: Book, entry: EntryOf<'stock'>): Composition {
  const material = entry.materialId ? book.library.material(entry.materialId) : undefined
  const { massG } = entry
  const share = (pct = 0) => (massG * pct) / 100
  const saltG = share(entry.saltPct)
  const aceticG = share(entry.acetic)
  const lacticG = share(entry.lacticPct)
  const known = material
    ? ofMaterial(material, massG)
    : {
        ...EMPTY,
        massG,
        saltG,
        waterG:
          entry.waterPct === undefined
            ? Math.max(0, massG - saltG - aceticG - lacticG - share(entry.sugarPct))
            : share(entry.waterPct),
        acids: {
          ...(lacticG > 0 && { lactic: acidMmol('lactic', lacticG) }),
          ...(aceticG > 0 && { acetic: acidMmol('acetic', aceticG) }),
        },
        sugarG: exactly(share(entry.sugarPct)),
        pungency: exactly((entry.shu ?? 0) * massG),
        acidLogSd: lacticG > 0 ? UNTITRATED : 0,
      }
  const described: Composition = {
    ...known,
    live: entry.live,
    allergens: [...new Set([...known.allergens, ...(entry.allergens ?? [])])].sort(),
  }
  return entry.ph === undefined ? described : withPh(described, entry.ph, PH_SD.unchecked)
}

type Part = EntryOf<'blend'>['parts'][number]

/**
 * A part of a blend in its own composition, with what trials of that blend taught of it; `null` where its lot is not
 * in the book.
 * @param blendId the blend it is for.
 */
export function partComposition(
  book: Book,
  part: Part,
  untilMs = Infinity,
  path: readonly string[] = [],
  blendId?: string,
): Composition | null {
  if (part.lotId) {
    const source = compositionOf(book, part.lotId, untilMs, path)
    return source && ofMass(source, part.massG)
  }
  const known = ofKnown(book.library.materialOrUnknown(part.materialId ?? ''), part.massG, part)
  return blendId
    ? withLearned(
        known,
        taughtOf(book, (trial) => trial.lotId === blendId && trial.unknown === part.materialId, untilMs, path),
      )
    : known
}

/** What the trials that concern something say of its acid. */
const taughtOf = (
  book: Book,
  concerns: (trial: EntryOf<'trial'>) => boolean,
  untilMs: number,
  path: readonly string[],
): AcidFactor[] =>
  book.trials.flatMap((trial) =>
    concerns(trial) && Date.parse(trial.at) <= untilMs ? (trialTeaches(book, trial, path) ?? []) : [],
  )

/** What was told beside the field when it was read, here teaches nothing. */
function unlessInvalid(work: () => AcidFactor): AcidFactor | null {
  try {
    return work()
  } catch (error) {
    if (error instanceof InvalidInput) return null
    throw error
  }
}

/**
 * What one trial says of its unknown, everything in it taken as it was then. `null` while it was not read, a part's
 * make-up is not known, or it tells nothing.
 */
function trialTeaches(book: Book, trial: EntryOf<'trial'>, path: readonly string[]): AcidFactor | null {
  const { ph, parts, instrument } = trial
  const thenMs = Date.parse(trial.at)
  // The same thing raw and roasted is one unknown.
  const isUnknown = (part: (typeof parts)[number]) => (part.lotId ?? part.materialId) === trial.unknown
  const unknown = parts.filter(isUnknown).map((part) => {
    const whole = part.lotId ? baselineComposition(book, part.lotId, thenMs, path) : partComposition(book, part)
    return whole && ofMass(whole, part.massG)
  })
  const others = parts.filter((part) => !isUnknown(part)).map((part) => partComposition(book, part, thenMs, path))
  const rest = others.filter((part) => part !== null)
  const alike = unknown.filter((part) => part !== null)
  if (ph === undefined || alike.length === 0 || alike.length < unknown.length || rest.length < others.length)
    return null
  const component = mix(alike)
  return unlessInvalid(() => acidFromTrial(component, rest, ph, phSdOf(instrument, thenMs), othersSd(component, rest)))
}

/**
 * A lot's make-up with what was found out about its acid and its pungency: by trials, by titration, by dilution
 * tasting; each found in the lot as it was then.
 */
function withFindings(
  book: Book,
  lot: Lot,
  composition: Composition,
  untilMs: number,
  path: readonly string[],
): Composition {
  const readings = lot.readings.filter(({ at }) => Date.parse(at) <= untilMs)
  const found = taughtOf(book, (trial) => trial.unknown === lot.id, untilMs, path)
  const titrated = readings.findLast((reading) => reading.titration !== undefined)
  const then = titrated && baselineComposition(book, lot.id, Date.parse(titrated.at), path)
  const titration = titrated?.titration
  const told = then && titration ? unlessInvalid(() => acidFromTitration(then, titration)) : null
  return withTasting(book, lot, withLearned(composition, told ? [...found, told] : found), readings, path)
}

/** Heat narrowed by dilution tastings: the estimate is moved as far as it was moved in the lot that was tasted. */
function withTasting(
  book: Book,
  lot: Lot,
  now: Composition,
  readings: Lot['readings'],
  path: readonly string[],
): Composition {
  const tasted = heatFromTasting(readings.flatMap(({ tasting = [] }) => tasting))
  const lastMs = Math.max(...readings.filter(({ tasting }) => tasting).map(({ at }) => Date.parse(at)))
  const then = tasted && baselineComposition(book, lot.id, lastMs, path)
  if (!tasted || !then || !(then.massG > 0)) return now
  const estimate = mapRange(then.pungency, (heat) => heat / then.massG)
  const { range } = combineHeat(estimate, tasted)
  const moved = (end: keyof Range) =>
    estimate[end] > 0 ? (now.pungency[end] * range[end]) / estimate[end] : range[end] * now.massG
  return { ...now, pungency: { low: moved('low'), typical: moved('typical'), high: moved('high') } }
}

/** A stock with the salt and the pH that were last read in it. */
function asRead(composition: Composition, lot: Lot, untilMs: number): Composition {
  const salt = lot.readings.findLast(({ at, saltPct }) => saltPct !== undefined && Date.parse(at) <= untilMs)?.saltPct
  const salted = salt === undefined ? composition : withSalt(composition, salt)
  const measured = lastPh(lot, untilMs)
  return measured ? withPh(salted, measured.ph, measured.sd) : salted
}

/**
 * A mixture as it was last read, and as what was put in later made it: readings set its pH and salt, additions mix
 * in, in order.
 */
function blendComposition(
  book: Book,
  lot: Lot,
  blend: EntryOf<'blend'>,
  untilMs: number,
  path: readonly string[],
): Composition | null {
  const madeMs = Date.parse(blend.at)
  const parts = blend.parts.map((part) => partComposition(book, part, madeMs, path, lot.id))
  if (parts.some((part) => part === null)) return null
  const poured = mix(parts.filter((part) => part !== null))
  const now = throughTime(book, lot, poured, untilMs, path, withPh, true)
  return now && { ...now, live: now.live && !wasHeated(lot, untilMs) }
}

/**
 * What a lot is made of, in the amount it was made, as known at a moment (ms): worked out from its entries and those
 * of its sources,
 * so that a corrected weight or reading flows through. `null` when a source is missing or the lots run in a circle.
 */
export function compositionOf(
  book: Book,
  lotId: string,
  untilMs = Infinity,
  path: readonly string[] = [],
): Composition | null {
  const lot = path.includes(lotId) ? undefined : book.lots.get(lotId)
  const further = [...path, lotId]
  const composition = lot && baselineComposition(book, lotId, untilMs, further)
  if (!lot || !composition) return null
  // What stands in a bottle was learned of in the pot.
  return lot.made.kind === 'bottle' ? composition : withFindings(book, lot, composition, untilMs, further)
}

/**
 * The same before anything was found out about its acid and heat.
 * @param path the lots on the way here, this one the last of them.
 */
function baselineComposition(book: Book, lotId: string, untilMs: number, path: readonly string[]): Composition | null {
  const lot = book.lots.get(lotId)
  if (!lot) return null
  const { made } = lot
  switch (made.kind) {
    case 'plan':
      return fermentComposition(book, lot, made, untilMs, path)
    case 'stock':
      return asRead(stockComposition(book, made), lot, untilMs)
    case 'blend':
      return blendComposition(book, lot, made, untilMs, path)
    case 'bottle': {
      const source = compositionOf(book, made.fromLotId, untilMs, path)
      const pot = book.lots.get(made.fromLotId)
      return source && ofMass({ ...source, live: source.live && !(pot && wasKept(book, made, pot)) }, made.usedG)
    }
    case 'press': {
      const source = compositionOf(book, made.fromLotId, Date.parse(made.at), path)
      if (!source || !(made.inG > 0)) return null
      const { pulp, brine, base } = separate(source, made.method, made, made.cameOut)
      const own = lot.kind === 'pulp' ? pulp : lot.kind === 'brine' ? brine : base
      return throughTime(book, lot, own, untilMs, path, withPh, source.live)
    }
  }
}
