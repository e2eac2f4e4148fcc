import { ProgramBuilder } from './programBuilder'
import { limitsOf, type Limit, type MixSet } from './mixSet'
import type { LinearSolver } from './program'
import type { Aim } from './targets'

/** A point of what two properties can be together: at a value of the first, the least and most of the second. */
export interface FrontierPoint {
  at: number
  low: number
  high: number
}

/**
 * How two properties of a mix pull against each other: over all the first can be, the least and most that the second
 * can be, while every other limit holds.
 * Their own targets are left out: the picture shows where those lie. Yields after each point, so that whoever asks
 * can tell how far it is and stop.
 * @param points on the axis of the first; each is two ends.
 */
export function* frontierOf(
  set: MixSet,
  index: number,
  [across, up]: readonly [Aim, Aim],
  points: number,
  solver: LinearSolver,
): Generator<FrontierPoint | null, void> {
  const bench = new ProgramBuilder(set, solver)
  const others = limitsOf(set).filter(
    (limit) => !(limit.kind === 'target' && limit.mix === index && (limit.aim === across || limit.aim === up)),
  )
  const limit = (aim: Aim, end: 'low' | 'high', value = 0): Limit => ({ kind: 'target', mix: index, aim, end, value })
  const left = bench.reach(limit(across, 'low'), others, 'low')
  const right = left && bench.reach(limit(across, 'low'), others, 'high', left)
  if (!left || !right) return
  let [below, above] = [left, left]
  for (let step = 0; step < points; step++) {
    // A whisker inside, so that the ends themselves can be met.
    const share = points > 1 ? 0.0005 + (0.999 * step) / (points - 1) : 0.5
    const at = left.value + (right.value - left.value) * share
    const held = [...others, limit(across, 'low', at), limit(across, 'high', at)]
    const low = bench.reach(limit(up, 'low'), held, 'low', below)
    const high = bench.reach(limit(up, 'high'), held, 'high', above)
    if (low) below = low
    if (high) above = high
    yield low && high ? { at, low: low.value, high: high.value } : null
  }
}
