import { InvalidInput } from '../invalid'
import type { Cut } from '../library/cuts'
import { takesWater, type Style } from '../library/style'
import { styleById, type StyleId } from '../library/styles'
import type { Row } from '../log/contents'
import type { Book } from '../lots/fold'
import { chooseVessels, recommendedChoice } from '../pack/chooseVessels'
import { planFigures, type PlanFigures } from '../plan/figures'
import { scaled } from '../plan/scale'
import type { SaltBasis } from '../salt/dose'
import { DAY_MS } from '../units/time'
import { freeRows, type Seated, type VesselRow } from './bookings'
import { AFTER_PRESS, firstSale, latestStart, type Lead } from './chain'

/** What a lot is made like: a recipe, or one thing in a style's usual way. Masses in g. */
export interface Template {
  name: string
  style: StyleId
  cut?: Cut
  rows: readonly Row[]
  waterG: number
  saltPct: number
  saltBasis: SaltBasis
  saltId: string
  targetPh: number
}

/** One lot of a proposal, in its vessels. Times in ms. */
export interface ProposedLot {
  key: string
  template: Template
  figures: PlanFigures
  startMs: number
  likelyMs: number
  /** The late end: when it is surely pressed. */
  pressMs: number
  rows: VesselRow[]
  /** Filled share of the vessels. */
  fraction: number
}

/** Why something does not fit, and what would. */
export type Misfit =
  /** So much of it finds no vessel: what holds `missingMl`, or waiting until `freeMs`, would do. */
  | { code: 'no vessel'; key: string; massG: number; missingMl: number; freeMs: number | null }
  /** It would have had to begin earlier: it can be sold from `firstMs` on. */
  | { code: 'too late'; key: string; latestMs: number; firstMs: number }
  /** Nobody knows how long it takes here. */
  | { code: 'no end'; key: string }

/** Water for a brine, of what is weighed in: what usually covers it. Judgement. */
const WATER_SHARE = 0.9

/** One thing in a style's usual way. */
export function plainTemplate(book: Book, materialId: string, styleId: StyleId): Template {
  const style: Style & { id: StyleId } = styleById(styleId)
  const { name } = book.library.materialOrUnknown(materialId)
  return {
    ...{ name: `${name.split(',')[0] ?? name} ${style.name.toLowerCase()}`, style: styleId, cut: style.usualCut },
    rows: [{ materialId, name, massG: 1000, preparation: 'raw', seedsOut: false }],
    waterG: style.liquid === 'brine' ? 1000 * WATER_SHARE : 0,
    ...{ saltPct: style.saltPct?.usual ?? 0, saltBasis: style.basis, saltId: 'fine-sea', targetPh: 3.8 },
  }
}

/** A template is made at most so many times as large, or as small. Judgement. */
const LARGEST = 10_000

/**
 * A template so many times as large, with its figures. `null` where part of it is not in the book.
 * @throws InvalidInput for more, or less, than anybody makes at once.
 */
export function sized(book: Book, template: Template, factor: number) {
  if (!(factor >= 1 / LARGEST && factor <= LARGEST))
    throw new InvalidInput('That is more, or less, than can be made at once. Look at the amounts again.')
  const { rows, waterG } = scaled({ rows: [...template.rows], waterG: template.waterG }, factor)
  const made = { ...template, rows, waterG: takesWater(styleById(template.style)) ? waterG : 0 }
  const figures = planFigures(book, made)
  return figures && { template: made, figures }
}

/** Whether a style is kept in a vessel of this shape. */
function suitsStyle(book: Book, { vesselShapes }: Style, { vesselId }: VesselRow): boolean {
  const shape = book.library.vessel(vesselId)?.shape
  return shape !== undefined && vesselShapes.includes(shape)
}

/** Whether what one vessel holds of a lot may go into another one. */
export const mayMove = (book: Book, { template }: ProposedLot, from: VesselRow, into: VesselRow): boolean =>
  into.capacityMl >= from.capacityMl && suitsStyle(book, styleById(template.style), into)

/** What fills vessels to their very limit is left out by so much: sizes are counted in steps. */
const ALMOST = 0.999

/** What is wanted of one lot, where and when. */
interface Wanted {
  key: string
  template: Template
  startMs: number
  lead: Lead
}

/**
 * Puts a lot into vessels that are free for all its time. Where they do not hold it, what they hold is put in, and
 * the rest is a misfit.
 */
function place(book: Book, wanted: Wanted, rows: readonly VesselRow[], taken: readonly Taken[]): Placed {
  const made = sized(book, wanted.template, 1)
  if (!made) return { lot: null, misfit: null }
  const { startMs, lead, key } = wanted
  const style = styleById(wanted.template.style)
  const pressMs = startMs + lead.lateDays * DAY_MS
  const suits = rows.filter((row) => suitsStyle(book, style, row))
  const free = freeRows(suits, taken, { fromMs: startMs, lateMs: pressMs })
  const limit = made.figures.fillLimit
  const holdsMl = free.reduce((sum, { capacityMl }) => sum + capacityMl, 0) * limit
  const wantsMl = made.figures.properties.volumeMl
  const share = Math.min(1, holdsMl / wantsMl)
  const later = taken.filter(({ rowKey }) => suits.some((row) => row.key === rowKey)).map(({ lateMs }) => lateMs)
  const misfit: Misfit | null =
    share < 1
      ? {
          ...{ code: 'no vessel', key, massG: made.figures.composition.massG * (1 - share) },
          missingMl: (wantsMl - holdsMl) / limit,
          freeMs: Math.min(...later.filter((ms) => ms > startMs), Infinity),
        }
      : null
  if (misfit?.code === 'no vessel' && misfit.freeMs === Infinity) misfit.freeMs = null
  if (share <= 0) return { lot: null, misfit }
  const fits = share < 1 ? sized(book, wanted.template, share * ALMOST) : made
  if (!fits) return { lot: null, misfit }
  const used = vesselsFor(fits.figures, free, style.fillLeast)
  const lot: ProposedLot = {
    ...{ key, ...fits, startMs, pressMs, likelyMs: startMs + lead.likelyDays * DAY_MS },
    ...used,
  }
  return { lot, misfit }
}
interface Taken {
  rowKey: string
  fromMs: number
  lateMs: number
}
interface Placed {
  lot: ProposedLot | null
  misfit: Misfit | null
}

/** The rows that are filled: the answer that Plan would begin with. */
function vesselsFor({ properties, fillLimit }: PlanFigures, free: readonly VesselRow[], least: number) {
  const kinds = [...new Map(free.map((row) => [row.vesselId, row])).values()].map(({ vesselId, capacityMl }) => ({
    ...{ id: vesselId, capacityMl },
    count: free.filter((row) => row.vesselId === vesselId).length,
  }))
  const choice = recommendedChoice(chooseVessels(properties.volumeMl, kinds, fillLimit, least), fillLimit)
  const rows = (choice?.vessels ?? []).flatMap(({ id, count }) =>
    free.filter(({ vesselId }) => vesselId === id).slice(0, count),
  )
  return { rows, fraction: choice?.fraction ?? 0 }
}

/** Proposed lots as what they take of the calendar. */
export const takenBy = (lots: readonly ProposedLot[]): Taken[] =>
  lots.flatMap(({ rows, startMs, pressMs }) =>
    rows.map(({ key }) => ({ rowKey: key, fromMs: startMs, lateMs: pressMs })),
  )

/** A proposal: its lots, and what does not fit. */
export interface Proposal {
  lots: ProposedLot[]
  misfits: Misfit[]
}

function placeAll(book: Book, wanted: readonly Wanted[], rows: readonly VesselRow[], seated: readonly Seated[]) {
  const found: Proposal = { lots: [], misfits: [] }
  for (const one of wanted) {
    const { lot, misfit } = place(book, one, rows, [...seated, ...takenBy(found.lots)])
    if (lot) found.lots.push(lot)
    if (misfit) found.misfits.push(misfit)
  }
  return found
}

/** From the crate: so much comes on a day; which lots, jars and salt it makes. */
export interface Crate {
  template: Template
  /** What comes, ready to be weighed in, g: the rows together. */
  massG: number
  startMs: number
  /** In so many lots, 1 to 12. */
  lots: number
  lead: Lead | null
}

/**
 * Plans forwards from what comes.
 * @throws InvalidInput on an amount or a number of lots that cannot be.
 */
export function fromCrate(
  book: Book,
  { template, massG, startMs, lots, lead }: Crate,
  rows: readonly VesselRow[],
  seated: readonly Seated[],
): Proposal {
  if (!(massG > 0)) throw new InvalidInput('Say how much comes.')
  if (!Number.isInteger(lots) || lots < 1 || lots > 12) throw new InvalidInput('In one to twelve lots.')
  if (!lead) return { lots: [], misfits: [{ code: 'no end', key: 'crate 1' }] }
  const per = massG / lots / Math.max(1e-9, rowsG(template))
  const one = sized(book, template, per)
  if (!one) return { lots: [], misfits: [] }
  const wanted = Array.from({ length: lots }, (_, index) => ({
    ...{ key: `crate ${index + 1}`, template: one.template, startMs, lead },
  }))
  return placeAll(book, wanted, rows, seated)
}

const rowsG = ({ rows }: Template) => rows.reduce((sum, row) => sum + row.massG, 0)

/** From the table: so many bottles of a sort, sold on a day. Volumes in mL. */
export interface Sort {
  key: string
  template: Template
  bottles: number
  bottleMl: number
  /** Share of a bottle that is pressed base; vinegar, water and fruit make the rest. 0.05 to 1. */
  baseShare: number
  lead: Lead | null
}

/**
 * Plans backwards from what is to be sold: the least that surely gives the bottles (the low end of the yield), begun
 * at the latest day that surely is ready (the late end of the ferment), or today where that is over.
 */
export function fromTable(
  book: Book,
  { sorts, saleMs, todayMs }: { sorts: readonly Sort[]; saleMs: number; todayMs: number },
  rows: readonly VesselRow[],
  seated: readonly Seated[],
): Proposal {
  const misfits: Misfit[] = []
  const wanted = sorts.flatMap(({ key, template, bottles, bottleMl, baseShare, lead }): Wanted[] => {
    if (!lead) {
      misfits.push({ code: 'no end', key })
      return []
    }
    const unit = sized(book, template, 1)
    if (!unit || !(bottles > 0)) return []
    const made = sized(book, template, (bottles * bottleMl * baseShare) / unit.figures.sauceMl.low)
    const latestMs = latestStart(saleMs, lead)
    if (latestMs < todayMs) misfits.push({ code: 'too late', key, latestMs, firstMs: firstSale(todayMs, lead) })
    return made ? [{ key, template: made.template, startMs: Math.max(latestMs, todayMs), lead }] : []
  })
  const placed = placeAll(book, wanted, rows, seated)
  return { lots: placed.lots, misfits: [...misfits, ...placed.misfits] }
}

/** Bottles a lot surely gives, and at most. */
export const bottlesOfLot = ({ figures }: ProposedLot, bottleMl: number, baseShare: number) => ({
  low: Math.floor(figures.sauceMl.low / baseShare / bottleMl + 1e-6),
  high: Math.floor(figures.sauceMl.high / baseShare / bottleMl),
})

/** What to buy for some lots, g by material: what goes in, before anything was trimmed. */
export function toBuy(lots: readonly ProposedLot[]): { materialId: string; name: string; massG: number }[] {
  const all = new Map<string, { materialId: string; name: string; massG: number }>()
  for (const { template } of lots)
    for (const { materialId, name, massG, lotId } of template.rows) {
      if (lotId) continue
      const known = all.get(materialId)
      all.set(materialId, { materialId, name, massG: (known?.massG ?? 0) + massG })
    }
  return [...all.values()].sort((a, b) => b.massG - a.massG)
}

/** A lot of a proposal moved: so many days on, or into other rows. */
export function movedBy(lot: ProposedLot, days: number, rows: readonly VesselRow[] = lot.rows): ProposedLot {
  const byMs = days * DAY_MS
  return {
    ...{ ...lot, rows: [...rows], startMs: lot.startMs + byMs },
    ...{ likelyMs: lot.likelyMs + byMs, pressMs: lot.pressMs + byMs },
  }
}

/** What a lot runs into: rows that are taken then; a sale it misses at its late end; a start in the past. */
export function clashesOf(
  lot: ProposedLot,
  taken: readonly Taken[],
  { saleMs, todayMs }: { saleMs: number | null; todayMs: number },
): { rowKeys: string[]; missesSale: boolean; past: boolean } {
  const span = { fromMs: lot.startMs, lateMs: lot.pressMs }
  const free = new Set(freeRows(lot.rows, taken, span).map(({ key }) => key))
  return {
    rowKeys: lot.rows.filter(({ key }) => !free.has(key)).map(({ key }) => key),
    missesSale: saleMs !== null && lot.pressMs + AFTER_PRESS.sale * DAY_MS > saleMs,
    past: lot.startMs < todayMs,
  }
}
