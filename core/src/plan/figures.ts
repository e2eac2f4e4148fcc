import { leastSaltPct } from '../salt/least'
import { amountCost } from '../costs/costs'
import { mix, propertiesOf, volumeOf, type Composition, type Properties } from '../composition/composition'
import { ofSalt } from '../composition/ingredient'
import { narrowest, phRange, saltRange, shuRange, volumeRange } from '../composition/ranges'
import {
  isStrongStart,
  rawRange,
  rawRemedies,
  rawShare,
  RAW_NEEDED,
  startCountLog10,
  startWords,
} from '../ferment/rawShare'
import type { Style } from '../library/style'
import { styleById, type StyleId } from '../library/styles'
import type { Row } from '../log/contents'
import type { Book } from '../lots/fold'
import { coverBrine, type Cover } from '../pack/cover'
import { fillLimitOf } from '../pack/fill'
import { describeDose, saltDose, type SaltBasis, type SaltCase, type SaltDose } from '../salt/dose'
import { partsBetween } from '../makeup/between'
import { livingRows } from '../makeup/livingRows'
import { contentParts } from '../makeup/lotComposition'
import { mapRange, type Range } from '../working'
import { fruitG } from '../library/fruit'

/** What a plan says. Masses in g, strength in percent of its basis. */
export interface PlanCase {
  style: StyleId
  rows: readonly Row[]
  waterG: number
  saltPct: number
  saltBasis: SaltBasis
  /** Between what the water lies where it was not weighed, g. */
  waterBetweenG?: { low: number; high: number } | undefined
  /** Salt that was dosed otherwise than by percent, g: by the spoon, by the jar. */
  salted?: Range | undefined
}

/** Everything a plan comes to. */
export interface PlanFigures {
  style: Style
  parts: { name: string; composition: Composition }[]
  ingredientG: number
  ownSaltG: number
  dose: SaltDose
  composition: Composition
  properties: Properties
  ph: Range | null
  /** Salt of everything, evened out, percent; and the volume, mL: as far as the amounts are known. */
  evenedPct: Range
  volumeMl: Range
  /** The one weighing that would narrow the salt most. */
  toWeigh: ReturnType<typeof narrowest>
  /** Share of produce that is raw for sure, and what it lies between; `null` without produce. */
  raw: number | null
  rawRange: Range | null
  starter: boolean
  startLog10: number | null
  startWords: string
  /** What to do about too little that is alive; `null` where it is enough or does not matter. */
  remedy: ReturnType<typeof rawRemedies> | null
  /** Under 2 % of everything the wrong bacteria can win; only where something ferments. */
  /** The least salt this start needs, percent of everything; and whether there is less. */
  leastSaltPct: number
  tooWeak: boolean
  /** Too weak at the low end of what it may be. */
  mayBeWeak: boolean
  cover: Cover | null
  piecesMl: number
  fillLimit: number
  /** Base and sauce: pressed the usual way, before anything thins it. Volumes in mL, masses in g. */
  baseG: Range
  sauceMl: Range
  cost: { known: number; unpriced: string[] }
}

/** Money for what is priced: at what was paid, else at the library's own price; a lot at what it cost to make. */
function costOf(book: Book, rows: readonly Row[], saltG: number): PlanFigures['cost'] {
  const costs = rows.map((row) => amountCost(book, row))
  const salt = book.library.material('salt')?.pricePerKg ?? 0
  return {
    known: costs.reduce((sum, { money }) => sum + money, (saltG / 1000) * salt),
    unpriced: [...new Set(costs.flatMap(({ unpriced }) => unpriced))],
  }
}

/** Volume of the solids and juices of the rows without their liquid: the pieces that brine or vinegar covers. */
function piecesOf(book: Book, rows: readonly Row[], parts: readonly { composition: Composition }[]): number {
  return rows.reduce((sum, row, index) => {
    const kind = row.lotId ? 'starter' : book.library.materialOrUnknown(row.materialId).kind
    const liquid = ['vinegar', 'water', 'starter', 'salt', 'acid'].includes(kind)
    const composition = parts[index]?.composition
    return liquid || !composition ? sum : sum + volumeOf(composition)
  }, 0)
}

/** The dose: as it was put in, else so much percent. */
function doseOf(
  style: Style,
  { saltPct, saltBasis, salted }: Pick<PlanCase, 'saltPct' | 'saltBasis' | 'salted'>,
  salt: SaltCase,
) {
  if (style.saltPct === null) return describeDose(0, salt)
  if (salted) return describeDose(salted.typical, salt)
  return saltPct === 0 ? describeDose(0, salt) : saltDose(saltBasis, saltPct, salt)
}

/**
 * What a plan comes to: salt on every basis, fill, start, heat, sugar, cost and yield. `null` when a lot it takes
 * from is not in the book.
 * @throws InvalidInput when nothing is weighed in, the strength is out of range or refers to water that is not there.
 */
export function planFigures(
  book: Book,
  { style: styleId, rows, waterG, saltPct, saltBasis, waterBetweenG, salted }: PlanCase,
): PlanFigures | null {
  const style = styleById(styleId)
  const unsalted = contentParts(book, { rows: [...rows], waterG, saltG: 0 })
  if (!unsalted) return null
  const ingredientG = rows.reduce((sum, row) => sum + row.massG, 0)
  const ownSaltG = unsalted.reduce((sum, part) => sum + part.composition.saltG, 0)
  const salt = { ingredientG, waterG, ownSaltG }
  const dose = doseOf(style, { saltPct, saltBasis, salted }, salt)
  const parts = dose.saltG > 0 ? [...unsalted, { name: 'Salt', composition: ofSalt(dose.saltG) }] : unsalted
  const compositions = parts.map((part) => part.composition)
  const mixed = mix(compositions)
  const composition = style.ferments ? mixed : { ...mixed, live: false }
  const saltBetweenG = salted && { low: salted.low, high: salted.high }
  const known = partsBetween(book, { rows: [...rows], waterG, saltG: dose.saltG, waterBetweenG, saltBetweenG }, parts)
  const properties = { ...propertiesOf(composition), shu: shuRange(known) }
  const evenedPct = saltRange(known)
  const living = livingRows(book, rows)
  const raw = rawShare(living)
  const starter = living.some((row) => typeof row.starterLog10 === 'number')
  const startLog10 = startCountLog10(living, composition.massG)
  const leastPct = leastSaltPct(isStrongStart(living, composition.massG))
  const piecesMl = piecesOf(book, rows, parts)
  const baseG = mapRange(style.yields, (share) => share * composition.massG)
  return {
    style,
    parts,
    ingredientG,
    ownSaltG,
    dose,
    composition,
    properties,
    ph: phRange(known),
    evenedPct,
    volumeMl: volumeRange(known),
    toWeigh: narrowest(known),
    raw,
    rawRange: rawRange(living),
    starter,
    startLog10,
    startWords: startWords(startLog10),
    remedy:
      style.ferments && raw !== null && raw < RAW_NEEDED && !starter ? rawRemedies(living, composition.massG) : null,
    leastSaltPct: leastPct,
    tooWeak: style.ferments && dose.ofEverythingPct < leastPct,
    mayBeWeak: style.ferments && dose.ofEverythingPct >= leastPct && evenedPct.low < leastPct,
    cover:
      style.voidShare && piecesMl > 0
        ? coverBrine(piecesMl, style.voidShare, style.liquid === 'brine' ? (dose.ofBrinePct ?? 0) : 0)
        : null,
    piecesMl,
    fillLimit: fillLimitOf(style, ingredientG > 0 ? fruitG(book.library, rows) / ingredientG : 0),
    baseG,
    sauceMl: mapRange(baseG, (grams) => grams / properties.densityGPerMl),
    cost: costOf(book, rows, dose.saltG),
  }
}
