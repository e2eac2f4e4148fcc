import type { Entry } from '@lactofer/core'
import { packaging } from './bottles'
import { Diary } from './diary'
import { vesselRow, prices, recipes, calibration } from './loft'
import { ferments } from './ferments'
import { sauces } from './sauces'

/**
 * The demo's log: Brackwater Pepper Loft, two invented people above a boat shed in an invented harbour town.
 * @param todayMs the demo's today, passed in.
 */
export function demoEntries(todayMs: number): Entry[] {
  const diary = new Diary(todayMs)
  packaging(diary)
  vesselRow(diary)
  prices(diary)
  const redMash = recipes(diary)
  calibration(diary)
  ferments(diary, redMash)
  sauces(diary, redMash)
  return diary.entries
}
