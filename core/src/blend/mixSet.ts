import type { Composition } from '../composition/composition'
import { AIMS, type Aim, type Targets } from './targets'

/** One thing that may go into a mix. Masses in g; `stock` names what it shares with other mixes. */
export interface MixPart {
  key: string
  name: string
  /** Any amount of it, over 0 g. */
  composition: Composition
  nowG: number
  lowG: number
  highG: number
  lowShare: number
  highShare: number
  locked: boolean
  role: 'base' | 'vinegar' | 'acid' | 'other'
  pricePerKg: number | null
  stock: string | null
}

/**
 * A sauce to be found: its parts, what it should come to, and how much of it. `phMargin` keeps the upper end of the
 * band under the target.
 */
export interface Mix {
  name: string
  parts: readonly MixPart[]
  targets: Targets
  massG: { low: number; high: number }
  phMargin: number
}

/** What to make of the freedom that is left. */
export const OBJECTIVES = ['closest', 'vinegar', 'cost', 'base', 'least'] as const
export type Objective = (typeof OBJECTIVES)[number]

/** Mixes that take from the same stock, g of each. `stepG`: what the scale can weigh. */
export interface MixSet {
  mixes: readonly Mix[]
  stockG: Readonly<Record<string, number>>
  objective: Objective
  stepG: number
}

/** One limit of a set, as it stands. */
export type Limit = { mix: number; end: 'low' | 'high'; value: number } & (
  | { kind: 'target'; aim: Aim }
  | { kind: 'amount' | 'share'; part: number; locked: boolean }
  | { kind: 'mass' }
  | { kind: 'stock'; stock: string }
)

/** How finely a target is judged: half of what is shown. */
export const AIM_STEP: Record<Aim, number> = { acid: 0.01, salt: 0.01, heat: 50, sweet: 0.1, body: 0.1, tart: 0.01 }
/** How far a figure may stand over a target's end before it is told. */
export const slackOf = (aim: Aim, value: number): number =>
  aim === 'heat' ? Math.max(AIM_STEP.heat / 2, 0.005 * value) : AIM_STEP[aim] / 2

/** The limits that hold a set. */
export function limitsOf({ mixes, stockG }: MixSet): Limit[] {
  const found: Limit[] = []
  mixes.forEach(({ parts, targets, massG, phMargin }, index) => {
    for (const aim of AIMS) {
      const { low, high } = targets[aim]
      if (low !== null) found.push({ kind: 'target', mix: index, aim, end: 'low', value: low })
      if (high !== null)
        found.push({ kind: 'target', mix: index, aim, end: 'high', value: high - (aim === 'acid' ? phMargin : 0) })
    }
    parts.forEach(({ lowG, highG, lowShare, highShare, locked, nowG }, part) => {
      const amount = (end: 'low' | 'high', value: number) =>
        found.push({ kind: 'amount', mix: index, part, end, value, locked })
      if (locked || lowG > 0) amount('low', locked ? nowG : lowG)
      if (locked || highG < Infinity) amount('high', locked ? nowG : highG)
      if (lowShare > 0) found.push({ kind: 'share', mix: index, part, end: 'low', value: lowShare, locked })
      if (highShare < 1) found.push({ kind: 'share', mix: index, part, end: 'high', value: highShare, locked })
    })
    found.push(
      { kind: 'mass', mix: index, end: 'low', value: massG.low },
      { kind: 'mass', mix: index, end: 'high', value: massG.high },
    )
  })
  for (const [stock, value] of Object.entries(stockG)) found.push({ kind: 'stock', mix: 0, stock, end: 'high', value })
  return found
}
