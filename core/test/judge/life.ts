import type { FlagCode } from '../../src'

/* What happened in one life, told without the log: the oracle reads this, the judge reads the entries made of it. */

/** Hours since packing. */
export type Hour = number

export interface Reading {
  hour: Hour
  ph: number | null
  tempC: number | null
  /** What it was read with: `age` hours since calibration or check, negative where that came afterwards. */
  tool: { kind: 'bench' | 'pocket' | 'bare' | 'strip'; age: number; slopePct: number; steady: boolean }
  of: 'liquid' | 'blended'
  marks: string[]
}
export interface Move {
  hour: Hour
  cold: boolean
  saidC: number | null
}
/** Something put in, with what the mixture works out to; that is given, not judged. */
export interface PutIn {
  hour: Hour
  what: 'water' | 'salt' | 'vinegar' | 'pear'
  massG: number
  raises: boolean
  upperPh: number | null
  /** Salt afterwards, of everything and of salt and water, percent. */
  saltPct: number
  saltInWaterPct: number
  /** Share of all produce until then that is raw, percent. */
  rawPct: number
}
export interface Look {
  hour: Hour
  sign: string
  answers: string[]
  level: 'fine' | 'ask' | 'act' | 'discard'
  holds: boolean
}
/** A ferment, from packing on. */
/** When a forecast says that it passes: early, most likely, late. */
export interface Crossing {
  early: Hour
  likely: Hour
  late: Hour
}
export interface Ferment {
  pieces: boolean
  jars: string[]
  style: 'mash' | 'brined'
  saltPct: number
  saltInWaterPct: number
  /** Start pH as worked out. */
  workedPh: number
  rawPct: number
  alive: boolean
  targetPh: number
  readings: Reading[]
  moves: Move[]
  putIn: PutIn[]
  looks: Look[]
  discardedHour: Hour | null
  /** Share of the time above 4.6 spent before it was packed, and of what was put in. */
  before?: number
  joined?: { hour: Hour; spent: number }[]
  /** As a forecast told it, hours since packing. */
  foreseen: { liquid: Crossing; blended: Crossing; gas: number } | null
  flag: FlagCode | null
}
/** A base, pressed from the ferment. */
export interface Base {
  hour: Hour
  marks: string[] | null
  readings: Reading[]
}
/** A pot poured from base and vinegar, or base and water. */
export interface Pot {
  hour: Hour
  fromFerment: boolean
  predictedHigh: number
  readings: Reading[]
  looks: Look[]
}
export interface Life {
  ferment: Ferment
  base: Base | null
  pot: Pot | null
  bottledHour: Hour | null
  /** When it truly passed, hours since packing; Infinity where it never does. */
  truth: { liquid: Hour; blended: Hour }
}
