import type { Cut, Lie } from '../library/cuts'
import { structureOf } from './batch'
import type { FermentCase, Scenario } from './forecast'
import { KEPT_BRINE_LOG10 } from './rawShare'
import { feltSwing, movedTo, vesselLagH, type TemperaturePlan } from './temperature'

/**
 * What is tried: only what is given is changed. Temperature and cold store count from `fromHour` on; salt, cut and
 * starter as if it had been packed so.
 */
export interface WhatIf {
  tempC?: number
  /** Half the height of the room's daily swing, °C. */
  swingC?: number
  /** Salt of everything, percent. */
  saltPct?: number
  cut?: Cut
  /** Living kept brine, as a share of the weight. */
  starterShare?: number
  /** Day on which it goes to the cold, and how cold that is. */
  coldDay?: number
  coldC?: number
}

/**
 * What the change is made to: how its pieces lie, water share and salt of the batch as it is, weight of one vessel in
 * kg, and the hour it starts from.
 */
export interface WhatIfBase {
  lie: Lie
  waterShare: number
  saltPct: number
  kg: number
  fromHour: number
}

/** A case changed by a what-if. */
export function scenarioOf(
  { batch, temperature }: FermentCase,
  change: WhatIf,
  { lie, waterShare, saltPct, kg, fromHour }: WhatIfBase,
): Scenario {
  const lagH = vesselLagH(Math.min(1000, Math.max(0.05, kg)))
  const { medium, structure, living } = batch
  const starter = change.starterShare
    ? 10 ** KEPT_BRINE_LOG10 * change.starterShare + (living.starterLog10 === null ? 0 : 10 ** living.starterLog10)
    : null
  let plan: TemperaturePlan = temperature
  if (change.tempC !== undefined)
    plan = fromHour > 0 ? movedTo(plan, fromHour, change.tempC, lagH) : { points: [{ hour: 0, tempC: change.tempC }] }
  if (change.swingC) plan = { ...plan, swingC: feltSwing(change.swingC, lagH) }
  if (change.coldDay !== undefined)
    plan = movedTo({ points: plan.points }, Math.max(fromHour, change.coldDay * 24), change.coldC ?? 4, lagH)
  return {
    temperature: plan,
    batch: {
      medium: {
        ...medium,
        ...(change.saltPct !== undefined && saltPct > 0 && { saltPct: (medium.saltPct * change.saltPct) / saltPct }),
      },
      structure: change.cut ? structureOf(lie, change.cut, waterShare) : structure,
      living: starter === null ? living : { ...living, starterLog10: Math.log10(starter) },
    },
  }
}
