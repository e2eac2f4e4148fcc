import type { SaltBasis } from '../salt/dose'
import type { Range } from '../working'
import type { PackingCheck } from './checks'
import type { Chore } from './chores'
import type { Closure, VesselShape } from './vessels'
import type { Level } from '../level'
import type { Cut, Lie } from './cuts'

/**
 * A chore of a style: between two days (0 is the day of packing), again every so many hours; only under these
 * closures, where named; `whenSour` only once it is sour and nothing doubtful was seen.
 */
export interface StyleChore {
  chore: Chore
  title: string
  why: string
  fromDay: number
  toDay: number
  everyH: number
  level: Extract<Level, 'ask' | 'act'>
  closures?: readonly Closure[]
  whenSour?: boolean
  /** Asked for until it was done once, even past its last day. */
  stays?: boolean
}

/**
 * What can keep a style that time judges: a pH at or under 4.6, that was read or, for the own fridge, worked out to 4.0
 * at most; 20 % salt in the water; half of that with measured cold.
 */
export type Hurdle = 'acid' | 'salt' | 'salt and cold'

/**
 * What says that it is ready: its acid; or time (cover, days or the pot), and then never without a hurdle.
 */
type Judged = { judgedBy: 'acid' } | { judgedBy: 'time'; hurdles: readonly [Hurdle, ...Hurdle[]] }

/** A way of making a base: usual salt, time, closures, chores, fill, yield, what to check and what to beware of. */
export type Style = StyleData & Judged

interface StyleData {
  id: string
  name: string
  what: string
  /** Bacteria make the acid; without that, time or the pot decides. */
  ferments: boolean
  basis: SaltBasis
  /** Percent on its basis; `null` where salt is to taste or none. */
  saltPct: { low: number; usual: number; high: number } | null
  /** What covers it. */
  liquid: 'brine' | 'vinegar' | 'own juice'
  /** Some water may go in, though its own juice covers it. */
  mayTakeWater?: boolean
  /** Salt may go in by eye: any strength of the style keeps it. */
  saltByEye?: boolean
  /** How the pieces lie in the vessel. */
  lie: Lie
  /** How its produce is usually cut. */
  usualCut: Cut
  /** What it is kept in. */
  vesselShapes: readonly VesselShape[]
  /** Where it usually stands. */
  place: string
  /** Its solids give a second batch: draw off and refill, once. */
  refills: boolean
  /** Largest and least filled share of the brim volume. */
  fillLimit: number
  fillLeast: number
  /** Largest fill with much fruit, or kept warm, where it rises more then. */
  fillRising?: number
  /** The first is the usual one. */
  closures: readonly Closure[]
  days: { low: number; high: number; words: string }
  chores: readonly StyleChore[]
  checks: readonly PackingCheck[]
  /** Share of the bulk that is gaps between the pieces, where they are covered. */
  voidShare: Range | null
  /** Share of what was packed that becomes base, pressed the usual way. */
  yields: Range
  cautions: readonly string[]
  /** Grams of vinegar for a gram of peppers, where the style says so. */
  vinegarPerPepper?: number
}

/** Whether water is asked for. */
export const takesWater = ({ liquid, mayTakeWater = false }: Pick<Style, 'liquid' | 'mayTakeWater'>): boolean =>
  liquid === 'brine' || mayTakeWater
