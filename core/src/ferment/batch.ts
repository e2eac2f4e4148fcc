import { within } from '../invalid'
import type { Cut, Lie } from '../library/cuts'

/**
 * What ferments, as the model sees it: averages over everything in the vessel, mmol/kg.
 * `buffer` is what else binds acid, mmol per kg and pH. `startPhSpread` one standard deviation. `acidPct` titratable
 * acid, % as lactic.
 */
export interface Medium {
  hexose: number
  citric: number
  malic: number
  buffer: number
  startPh: number
  startPhSpread: number
  acidPct: number
  /** Salt in the water phase once evened out, percent. */
  saltPct: number
  /** Share of fruit, 0 to 1. */
  fruitShare: number
}

/**
 * Liquid and pieces: mass share of the liquid, share of solutes that is in it at once, hours in which the two even
 * out.
 */
export interface Structure {
  liquid: number
  atOnce: number
  tauH: number
  brine: boolean
}

/**
 * Cells at the start, log10 a gram: of the produce in each group, and of a starter; `null` where nothing alive goes
 * in. Shares of the weight.
 */
export interface Living {
  rawH: number | null
  rawP: number | null
  starterLog10: number | null
}

/** Everything the forecast needs to know of a batch. */
export interface Batch {
  medium: Medium
  structure: Structure
  living: Living
}

/** Liquid share, share in it at once, hours to even out. Chosen so that the cases in docs/checks.md come out. */
const DRY: Record<Cut, Structure> = {
  ground: { liquid: 1, atOnce: 1, tauH: 1, brine: false },
  fine: { liquid: 0.5, atOnce: 0.5, tauH: 5, brine: false },
  coarse: { liquid: 0.4, atOnce: 0.1, tauH: 120, brine: false },
  whole: { liquid: 0.4, atOnce: 0.02, tauH: 120, brine: false },
}
const BRINED: Record<Cut, Structure> = {
  ground: DRY.ground,
  fine: { liquid: 0.5, atOnce: 0.3, tauH: 12, brine: true },
  coarse: { liquid: 0.5, atOnce: 0.1, tauH: 30, brine: true },
  whole: { liquid: 0.5, atOnce: 0.02, tauH: 120, brine: true },
}
const BAGGED: Record<Cut, Structure> = {
  ground: DRY.ground,
  fine: { liquid: 0.2, atOnce: 0.3, tauH: 12, brine: false },
  coarse: { liquid: 0.2, atOnce: 0.15, tauH: 48, brine: false },
  whole: { liquid: 0.2, atOnce: 0.02, tauH: 120, brine: false },
}
const LYING: Record<Lie, Record<Cut, Structure>> = { 'in its juice': DRY, 'in brine': BRINED, 'in a bag': BAGGED }

/**
 * Liquid and pieces of what lies so and is cut so.
 * @param waterShare added water as a share of everything; where there is none the juice is the liquid.
 */
export function structureOf(lie: Lie, cut: Cut, waterShare = 0): Structure {
  within(waterShare, 0, 1, 'The share of water')
  const structure = LYING[lie][cut]
  return structure.brine ? { ...structure, liquid: Math.min(0.8, Math.max(0.25, waterShare || 0.5)) } : structure
}
