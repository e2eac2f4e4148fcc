import { RELEASE_PH } from '../keep/ways'
import type { Lot } from '../log/lot'
import type { Reason } from './reasons'

/** A bottle read over the limit holds its run, also after it was released. */
export function overLimitReasons({ made, release, readings }: Lot, atMs: number): Reason[] {
  if (made.kind !== 'bottle') return []
  const limitPh = release?.limitPh ?? made.process?.maxPh ?? RELEASE_PH.highest
  const over = readings.find(({ ph, at }) => ph !== undefined && ph > limitPh && Date.parse(at) <= atMs)
  return over?.ph === undefined
    ? []
    : [{ code: 'bottle over the limit', facts: { ph: over.ph, limitPh, atMs: Date.parse(over.at) } }]
}
