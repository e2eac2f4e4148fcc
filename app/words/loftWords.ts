import { formatMass, formatVolume, type Misfit, type ProposedLot, type UnitWorld } from '@lactofer/core'
import { weekdayAndDay } from '~/clock/moments'

/** Names of the steps, in the trade's words. */
export const STEP_WORDS = {
  press: 'press',
  blend: 'blend',
  read: 'read the finished pH',
  bottle: 'bottle and label',
  sale: 'ready to sell',
} as const

/** What does not fit, and what would. @param nameOf of a lot of the proposal. */
export function misfitWords(misfit: Misfit, nameOf: (key: string) => string, world: UnitWorld): string {
  const name = nameOf(misfit.key)
  switch (misfit.code) {
    case 'no vessel': {
      const wait = misfit.freeMs === null ? '' : `; or from ${weekdayAndDay(misfit.freeMs)} on, when one is surely free`
      return `${formatMass(misfit.massG, world)} of ${name} find no vessel. What would hold them: ${formatVolume(misfit.missingMl, world)} more of vessels${wait}; or less of it.`
    }
    case 'too late':
      return `${name} would have had to begin on ${weekdayAndDay(misfit.latestMs)}. Begun today it is surely ready for sale on ${weekdayAndDay(misfit.firstMs)}: sell it then, stand it warmer, or take a sort that is quicker.`
    case 'no end':
      return `${name}: more than half of such batches do not reach their target within 60 days here. A milder target, a warmer place or more raw produce would.`
  }
}

/** What a lot runs into where it was moved to. */
export function clashWords(
  clash: { rowKeys: string[]; missesSale: boolean; past: boolean },
  rowName: (key: string) => string,
): string | null {
  const words = [
    clash.rowKeys.length > 0 &&
      `${clash.rowKeys.map(rowName).join(', ')} is taken then: another day, or another vessel.`,
    clash.missesSale && 'At its late end it misses the sale: begin earlier.',
    clash.past && 'That day has gone by.',
  ].filter(Boolean)
  return words.length ? words.join(' ') : null
}

/** One in how many stands still, where that is worth saying. */
export function stillWords(missed: number): string | null {
  if (missed < 0.1) return null
  return `About ${Math.round(10 * missed)} in 10 such batches stand still above their target: read them, and decide then. Plan a spare.`
}

/** "2 × 3 L jar". */
export function vesselWords({ rows }: Pick<ProposedLot, 'rows'>, vesselName: (id: string) => string): string {
  const counts = new Map<string, number>()
  for (const { vesselId } of rows) counts.set(vesselId, (counts.get(vesselId) ?? 0) + 1)
  return [...counts].map(([id, count]) => `${count > 1 ? `${count} × ` : ''}${vesselName(id)}`).join(', ')
}
