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
import { beginOf, endOf, isBefore, isUneven, momentOf, portionOf, type Moment } from '../flow'
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

/** The lots on the way to one, each at the moment it was asked for. */
type Path = readonly { lotId: string; until: Moment }[]
const ALWAYS = endOf(Infinity)

/** What goes into a vessel or a bowl. */
export type Content = Pick<EntryOf<'add'>, 'rows' | 'waterG' | 'saltG'>

/** One row as it is weighed in: a material, or part of a lot. `null` when its lot is not in the book. */
export function rowComposition(book: Book, row: Row, until = ALWAYS, path: Path = []): Composition | null {
  if (!row.lotId) return ofKnown(book.library.materialOrUnknown(row.materialId), row.massG, row)
  const source = takenComposition(book, row.lotId, row.ended, until, path)
  return source && ofMass(source, row.massG)
}

/**
 * Rows, water and salt apart from each other, each with its name: what a band and a working need. `null` when a lot
 * is missing.
 */
export function contentParts(
  book: Book,
  { rows, waterG, saltG }: Content,
  until = ALWAYS,
  path: Path = [],
): { name: string; composition: Composition }[] | null {
  const water = book.library.material('water')
  const parts = rows.map((row) => ({ name: row.name, composition: rowComposition(book, row, until, path) }))
  if (parts.some((part) => part.composition === null)) return null
  return [
    ...parts.flatMap(({ name, composition }) => (composition ? [{ name, composition }] : [])),
    ...(water && waterG > 0 ? [{ name: 'Water', composition: ofMaterial(water, waterG) }] : []),
    ...(saltG > 0 ? [{ name: 'Salt', composition: ofSalt(saltG) }] : []),
  ]
}

/** The make-up of a content: produce, lots, water, salt. `null` when a lot is missing. */
export function contentComposition(book: Book, content: Content, until = ALWAYS, path: Path = []): Composition | null {
  const parts = contentParts(book, content, until, path)
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
  until: Moment,
  path: Path,
  read: (now: Composition, pH: number, phSd: number) => Composition,
  lives: boolean,
): Composition | null {
  let now = start
  let fromMs = -Infinity
  const phs = measuredPhs(lot)
  const changes = changesOf(lot).filter(({ added, lost }) => isBefore(momentOf(added ?? lost), until))
  for (const change of [...changes, null]) {
    const toMs = change?.atMs ?? until.ms
    const between = lot.readings.filter(({ at }) => Date.parse(at) > fromMs && Date.parse(at) <= toMs)
    const salt = between.findLast((reading) => reading.saltPct !== undefined)?.saltPct
    if (salt !== undefined) now = withSalt(now, salt)
    const measured = phs.findLast(({ atMs }) => atMs > fromMs && atMs <= toMs)
    if (measured) now = read(now, measured.ph, measured.sd)
    if (!change) break
    if (change.lost) now = ranOver(now, change.lost.massG, isLiquidLost(lot))
    else {
      const more = contentComposition(book, change.added, momentOf(change.added), path)
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
  until: Moment,
  path: Path,
): Composition | null {
  const style = styleById(plan.style)
  let now = contentComposition(book, lot.weighed ?? plan, beginOf(lot), path)
  if (!now) return null
  if (!style.ferments) now = { ...now, live: false }
  if (!lot.packed) return now
  now = throughTime(book, lot, now, until, path, style.ferments ? fermented : withPh, style.ferments)
  if (!now) return null
  const started = style.ferments && lastPh(lot, until.ms) !== undefined
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
  // Nobody said how sour it is, or of what: it holds whatever produce may hold.
  const isUnknown = entry.ph === undefined && aceticG === 0 && lacticG === 0
  const known = material
    ? ofMaterial(material, massG)
    : {
        ...(isUnknown ? ofMaterial(book.library.materialOrUnknown(''), massG) : EMPTY),
        massG,
        saltG,
        waterG:
          entry.waterPct === undefined
            ? Math.max(0, massG - saltG - aceticG - lacticG - share(entry.sugarPct))
            : share(entry.waterPct),
        ...(!isUnknown && {
          acids: {
            ...(lacticG > 0 && { lactic: acidMmol('lactic', lacticG) }),
            ...(aceticG > 0 && { acetic: acidMmol('acetic', aceticG) }),
          },
          acidLogSd: lacticG > 0 ? UNTITRATED : 0,
        }),
        sugarG: exactly(share(entry.sugarPct)),
        pungency: exactly((entry.shu ?? 0) * massG),
        heatUnknown: false,
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
  blendId?: string,
  until = ALWAYS,
  path: Path = [],
): Composition | null {
  if (part.lotId) {
    const source = takenComposition(book, part.lotId, undefined, until, path)
    return source && ofMass(source, part.massG)
  }
  const known = ofKnown(book.library.materialOrUnknown(part.materialId ?? ''), part.massG, part)
  return blendId
    ? withLearned(
        known,
        taughtOf(book, (trial) => trial.lotId === blendId && trial.unknown === part.materialId, until, path),
      )
    : known
}

/** What the trials that concern something say of its acid. */
const taughtOf = (
  book: Book,
  concerns: (trial: EntryOf<'trial'>) => boolean,
  until: Moment,
  path: Path,
): AcidFactor[] =>
  book.trials.flatMap((trial) =>
    concerns(trial) && isBefore(momentOf(trial), until) ? (trialTeaches(book, trial, path) ?? []) : [],
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
function trialTeaches(book: Book, trial: EntryOf<'trial'>, path: Path): AcidFactor | null {
  const { ph, parts, instrument } = trial
  const then = momentOf(trial)
  // The same thing raw and roasted is one unknown.
  const isUnknown = (part: (typeof parts)[number]) => (part.lotId ?? part.materialId) === trial.unknown
  const unknown = parts.filter(isUnknown).map((part) => {
    const whole = part.lotId ? baselineOf(book, part.lotId, then, path) : partComposition(book, part)
    return whole && ofMass(whole, part.massG)
  })
  const others = parts
    .filter((part) => !isUnknown(part))
    .map((part) => partComposition(book, part, undefined, then, path))
  const rest = others.filter((part) => part !== null)
  const alike = unknown.filter((part) => part !== null)
  if (ph === undefined || alike.length === 0 || alike.length < unknown.length || rest.length < others.length)
    return null
  const component = mix(alike)
  return unlessInvalid(() => acidFromTrial(component, rest, ph, phSdOf(instrument, then.ms), othersSd(component, rest)))
}

/**
 * A lot's make-up with what was found out about its acid and its pungency: by trials, by titration, by dilution
 * tasting; each found in the lot as it was then.
 */
function withFindings(book: Book, lot: Lot, composition: Composition, until: Moment, path: Path): Composition {
  const readings = lot.readings.filter(({ at }) => Date.parse(at) <= until.ms)
  const found = taughtOf(book, (trial) => trial.unknown === lot.id, until, path)
  const titrated = readings.findLast((reading) => reading.titration !== undefined)
  const then = titrated && baselineComposition(book, lot, momentOf(titrated), path)
  const titration = titrated?.titration
  const told = then && titration ? unlessInvalid(() => acidFromTitration(then, titration)) : null
  return withTasting(book, lot, withLearned(composition, told ? [...found, told] : found), readings, path)
}

/** Heat narrowed by dilution tastings: the estimate is moved as far as it was moved in the lot that was tasted. */
function withTasting(book: Book, lot: Lot, now: Composition, readings: Lot['readings'], path: Path): Composition {
  const tasted = heatFromTasting(readings.flatMap(({ tasting = [] }) => tasting))
  const last = readings.findLast(({ tasting }) => tasting)
  const then = tasted && last && baselineComposition(book, lot, momentOf(last), path)
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
  until: Moment,
  path: Path,
): Composition | null {
  const parts = blend.parts.map((part) => partComposition(book, part, lot.id, momentOf(blend), path))
  if (parts.some((part) => part === null)) return null
  const poured = mix(parts.filter((part) => part !== null))
  const now = throughTime(book, lot, poured, until, path, withPh, true)
  return now && { ...now, live: now.live && !wasHeated(lot, until.ms) }
}

/** What some jars of a lot are made of, as they were at a moment; of all jars where none is named. */
function takenComposition(
  book: Book,
  lotId: string,
  marks: readonly string[] | undefined,
  until: Moment,
  path: Path,
): Composition | null {
  const lot = book.lots.get(lotId)
  if (!lot) return null
  return marks?.length && isUneven(lot)
    ? composed(book, portionOf(lot, marks, until.ms), until, path)
    : compositionAt(book, lotId, until, path)
}

/**
 * Compositions of a book by lot and moment. Brine poured back twelve times is worked out in 34 ms with it and in 5.4 s
 * without: each part rests on all that was there before.
 */
const known = new WeakMap<Book, Map<string, Composition | null>>()
/** How often wrong dates made a circle that was cut: a result that rests on a cut is not kept. */
let cuts = 0

function compositionAt(book: Book, lotId: string, until: Moment, path: Path): Composition | null {
  const lot = book.lots.get(lotId)
  // Parts are earlier than the whole; where dates are wrong they may run in a circle.
  if (!lot || path.some((step) => step.lotId === lotId && !isBefore(until, step.until))) {
    cuts += lot ? 1 : 0
    return null
  }
  const mine = known.get(book) ?? new Map<string, Composition | null>()
  known.set(book, mine)
  const key = `${lotId} ${until.ms} ${until.id}`
  const found = mine.get(key)
  if (found !== undefined) return found
  const before = cuts
  const now = composed(book, isUneven(lot) ? portionOf(lot, null, until.ms) : lot, until, [...path, { lotId, until }])
  if (cuts === before) mine.set(key, now)
  return now
}

function composed(book: Book, lot: Lot, until: Moment, path: Path): Composition | null {
  const composition = baselineComposition(book, lot, until, path)
  // What stands in a bottle was learned of in the pot.
  return composition && lot.made.kind !== 'bottle' ? withFindings(book, lot, composition, until, path) : composition
}

/**
 * What a lot is made of, in the amount it was made, as known at a moment (ms): worked out from its entries and those
 * of its sources, so that a corrected weight or reading flows through. `null` when a source is missing or the dates of
 * lots run in a circle.
 */
export const compositionOf = (book: Book, lotId: string, untilMs = Infinity): Composition | null =>
  compositionAt(book, lotId, endOf(untilMs), [])

/** The same of some jars of a lot, as `portionOf` has them, before an entry. */
export const portionComposition = (book: Book, portion: Lot, until: Moment): Composition | null =>
  composed(book, portion, until, [])

const baselineOf = (book: Book, lotId: string, until: Moment, path: Path): Composition | null => {
  const lot = book.lots.get(lotId)
  return lot ? baselineComposition(book, lot, until, path) : null
}

/** The same before anything was found out about its acid and heat. */
function baselineComposition(book: Book, lot: Lot, until: Moment, path: Path): Composition | null {
  const { made } = lot
  switch (made.kind) {
    case 'plan':
      return fermentComposition(book, lot, made, until, path)
    case 'stock':
      return asRead(stockComposition(book, made), lot, until.ms)
    case 'blend':
      return blendComposition(book, lot, made, until, path)
    case 'bottle': {
      const source = compositionAt(book, made.fromLotId, momentOf(made), path)
      const pot = book.lots.get(made.fromLotId)
      return source && ofMass({ ...source, live: source.live && !(pot && wasKept(book, made, pot)) }, made.usedG)
    }
    case 'press': {
      const source = takenComposition(book, made.fromLotId, made.marks, momentOf(made), path)
      if (!source || !(made.inG > 0)) return null
      const { pulp, brine, base } = separate(source, made.method, made, made.cameOut)
      const own = lot.kind === 'pulp' ? pulp : lot.kind === 'brine' ? brine : base
      return throughTime(book, lot, own, until, path, withPh, source.live)
    }
  }
}
