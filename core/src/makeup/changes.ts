import { ofMass, otherSolidsG, type Composition } from '../composition/composition'
import { styleById } from '../library/styles'
import type { Lot } from '../log/lot'

/** What runs over of a lot: its brine where pieces lie in one, else all of it alike. */
export const isLiquidLost = ({ made }: Lot): boolean => made.kind === 'plan' && styleById(made.style).lie === 'in brine'

/**
 * A mixture after some of it ran over, g: all of it alike, or only its liquid with what is dissolved in it (water,
 * salt, acids, sugar; heat stays in the pieces). Never more than there is.
 */
export function ranOver(now: Composition, lostG: number, liquid: boolean): Composition {
  const solidsG = liquid ? otherSolidsG(now) : 0
  const liquidG = now.massG - solidsG
  const gone = Math.min(lostG, liquidG)
  if (gone <= 0) return now
  const rest = ofMass(now, now.massG * (1 - gone / liquidG))
  if (!liquid) return rest
  return { ...rest, massG: now.massG - gone, pungency: now.pungency }
}
