import { phBand } from '../blend/forecast'
import { mix, ofMass, sharesOf, type Composition, type Properties } from '../composition/composition'
import { TABLESPOON_ML } from '../units/quantity'
import type { Range } from '../working'
import type { CameOut } from './separate'

/* Thinning a base by the spoon, with its figures running along. */

/** A level tablespoon by eye holds between these shares of itself. Common practice. */
const SPOON: Range = { low: 0.9, typical: 1, high: 1.1 }

/** Grams in so many tablespoons of a liquid. @param spoons 0 and more. */
export function spoonsG(liquid: Composition, spoons: number): Range {
  const grams = spoons * TABLESPOON_ML * sharesOf(liquid).densityGPerMl
  return { low: grams * SPOON.low, typical: grams * SPOON.typical, high: grams * SPOON.high }
}

/** Solids at which a base stops pouring, and at which it sticks to the spoon, percent. Judgement. */
const FLOWS = { thick: 8, sticks: 12 } as const

/** How something with so much body flows. @param bodyPct solids other than salt, percent. */
const flowsAs = (bodyPct: number): CameOut =>
  bodyPct < FLOWS.thick ? 'pours' : bodyPct < FLOWS.sticks ? 'thick' : 'sticks'

/** Nearest solids that flow so, percent: what somebody saw counts more than what was worked out. */
function bodySeen(bodyPct: number, cameOut: CameOut | undefined): number {
  if (!cameOut || flowsAs(bodyPct) === cameOut) return bodyPct
  if (cameOut === 'thick') return bodyPct < FLOWS.thick ? FLOWS.thick : FLOWS.sticks - 0.01
  return cameOut === 'pours' ? FLOWS.thick - 0.01 : FLOWS.sticks
}

/**
 * A base with so many tablespoons of a liquid in it: its figures, its pH with its band, how it flows.
 * @param cameOut how the base was seen to flow before any went in.
 */
export function thinnedBy(
  base: Composition,
  liquid: Composition,
  spoons: number,
  cameOut?: CameOut,
): Omit<Properties, 'pH'> & { massG: number; ph: Range | null; flows: CameOut } {
  const parts = [base, ofMass(liquid, spoonsG(liquid, spoons).typical)]
  const mixed = mix(parts)
  const shares = sharesOf(mixed)
  const own = sharesOf(base).bodyPct
  const seen = own > 0 ? bodySeen(own, cameOut) / own : 1
  return { ...shares, massG: mixed.massG, ph: phBand(parts), flows: flowsAs(shares.bodyPct * seen) }
}
