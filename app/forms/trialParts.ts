import type { EntryOf } from '@lactofer/core'
import type { PartForm } from './blendForm'

/** What makes two parts the same thing: where it comes from, and how it was made ready. */
const sameness = ({
  lotId,
  materialId,
  preparation = 'raw',
}: Pick<EntryOf<'blend'>['parts'][number], 'lotId' | 'materialId' | 'preparation'>) =>
  lotId ?? `${materialId} ${preparation}`

/**
 * Grams of each part of the pot by a trial: what the trial held of the same thing, raw and roasted apart. Parts of one
 * thing share it as they stand.
 */
export function massesOfTrial(parts: readonly PartForm[], trial: EntryOf<'trial'>['parts']): number[] {
  const sum = (of: readonly { massG: number | null }[]) => of.reduce((all, { massG }) => all + (massG ?? 0), 0)
  return parts.map((part) => {
    const alike = parts.filter((other) => sameness(other) === sameness(part))
    const held = sum(trial.filter((one) => sameness(one) === sameness(part)))
    const all = sum(alike)
    return held * (all > 0 ? (part.massG ?? 0) / all : 1 / alike.length)
  })
}
