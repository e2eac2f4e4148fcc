import { RELEASE_PH } from '../keep/ways'
import type { Lot } from '../log/lot'
import type { Reason } from './reasons'

/** Histamine over this is not eaten, mg/kg. FDA Fish and Fishery Products Hazards Guide, from memory. */
const HISTAMINE_MG_KG = 35

/** A bottle read over the limit holds its run, also after it was released. */
function bottleReasons({ made, release, readings }: Lot, atMs: number): Reason[] {
  if (made.kind !== 'bottle') return []
  const limitPh = release?.limitPh ?? made.process?.maxPh ?? RELEASE_PH.highest
  const over = readings.find(({ ph, at }) => ph !== undefined && ph > limitPh && Date.parse(at) <= atMs)
  return over?.ph === undefined
    ? []
    : [{ code: 'bottle over the limit', facts: { ph: over.ph, limitPh, atMs: Date.parse(over.at) } }]
}

/** What was measured of a lot over a limit that has nothing to do with time. */
export function overLimitReasons(lot: Lot, atMs: number): Reason[] {
  const high = lot.readings.find(
    ({ histamineMgKg = 0, at }) => histamineMgKg > HISTAMINE_MG_KG && Date.parse(at) <= atMs,
  )
  const histamine: Reason[] = high
    ? [{ code: 'too much histamine', facts: { mgKg: high.histamineMgKg ?? 0, atMs: Date.parse(high.at) } }]
    : []
  return [...histamine, ...bottleReasons(lot, atMs)]
}
