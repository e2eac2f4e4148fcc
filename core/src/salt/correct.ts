import { InvalidInput, within } from '../invalid'

/**
 * Mass in g of something weaker that brings a batch down to a salt target: D = M(e − t)/(t − u).
 * @param massG the batch; `saltPct`, `targetPct`, `thinnerSaltPct` in percent of everything.
 * @throws InvalidInput when the target cannot be reached with that thinner.
 */
export function thinnerToReach(massG: number, saltPct: number, targetPct: number, thinnerSaltPct = 0): number {
  within(massG, 0, 1e9, 'The batch in grams')
  if (targetPct > saltPct) throw new InvalidInput('The batch is already weaker than that. Add salt instead.')
  if (thinnerSaltPct >= targetPct) throw new InvalidInput('What you thin with must be weaker than the target.')
  return (massG * (saltPct - targetPct)) / (targetPct - thinnerSaltPct)
}

/**
 * Salt in g that brings a batch up to a target: S = M(t − e)/(1 − t). 2 000 g from 2 to 2.5 % takes 10.26 g, not 10.
 */
export function saltToReach(massG: number, saltPct: number, targetPct: number): number {
  within(massG, 0, 1e9, 'The batch in grams')
  within(targetPct, 0, 35, 'The target in percent')
  if (targetPct < saltPct) throw new InvalidInput('The batch is already saltier than that. Thin it instead.')
  return (massG * (targetPct - saltPct)) / (100 - targetPct)
}
