import type { Batch } from './batch'
import { PH_LINE } from './clock'
import type { Assimilated } from './assimilate'
import { DRAWS, memberOf } from './member'
import { MODEL_SD, type Sampled } from './readings'
import { integrateMember } from './integrate'
import { COLUMNS, SHOWN } from './shown'
import { normalBelow } from './senses'
import type { TemperaturePlan } from './temperature'
import { phOnWay } from './ways'

/** How likely a batch that works out to a pH stands under the line: the model errs, too. */
const belowLine = (ph: number): number => normalBelow((PH_LINE - ph) / MODEL_SD)

/**
 * How likely a batch has passed 4.6 in its time, liquid and all of it, and stands under it, hour by hour: of every
 * member on every way, so that one in a hundred can be told.
 */
export function underLine(
  { batch, temperature }: { batch: Batch; temperature: TemperaturePlan },
  { fitting, shares, chances }: Assimilated,
  hours: Float64Array,
  allowed: Record<Sampled, number>,
): number[] {
  const rows = new Float64Array(hours.length * COLUMNS)
  const under = hours.map(() => 0)
  const columns = (['blended', 'liquid'] as const).map((of) => ({ at: SHOWN.indexOf(of), untilH: allowed[of] }))
  for (let row = 0; row < fitting.length / DRAWS; row++) {
    const member = memberOf(batch, fitting, row * DRAWS)
    integrateMember(member, temperature, hours, rows, 0)
    chances.forEach(({ way }, index) => {
      const share = shares[row * chances.length + index]!
      if (share < 1e-9) return
      // The chance that it passed in its time, liquid and all of it, so far.
      const inTime = columns.map(() => 0)
      for (let step = 0; step < hours.length; step++) {
        const hour = hours[step]!
        let stands = 1
        for (let which = 0; which < columns.length; which++) {
          const { at, untilH } = columns[which]!
          const low = belowLine(phOnWay(way, rows[step * COLUMNS + at]!, hour, member.startPh))
          if (hour <= untilH && low > inTime[which]!) inTime[which] = low
          stands = Math.min(stands, low, inTime[which]!)
        }
        under[step]! += share * stands
      }
    })
  }
  return [...under]
}
