import { ACIDS, type AcidId } from './species'
import type { Balance } from './balance'
import { pour } from './kernel'
import type { AcidBase } from './mixture'

const IDS = Object.keys(ACIDS) as AcidId[]

/**
 * Parts laid out once, to be asked many times for the pH of other amounts of them: what a solver and a frontier do
 * thousands of times.
 * @returns for factors of the parts, in their order, the balance of what they make together; `null` without water.
 */
export function potOf(parts: readonly AcidBase[]): (factors: ArrayLike<number>) => Balance | null {
  const ids = IDS.filter((id) => parts.some((part) => part.acids[id]))
  const pot = {
    species: ids.map((id) => ACIDS[id]),
    parts: parts.map((part) => [part.waterG, part.saltG, part.sidMmol, ...ids.map((id) => part.acids[id] ?? 0)]),
  }
  return (factors) => pour(pot, factors)
}
