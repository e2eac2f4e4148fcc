/** A part of a pot or of a trial: a lot, or a material made ready in a way; g, `null` while it is not weighed. */
interface PartAmount {
  lotId?: string | undefined
  materialId?: string | undefined
  preparation?: string | undefined
  massG: number | null
}

/** What makes two parts the same thing: where it comes from, and how it was made ready. */
const sameness = ({ lotId, materialId, preparation = 'raw' }: PartAmount) => lotId ?? `${materialId} ${preparation}`

/**
 * Grams of each part of the pot by a trial: what the trial held of the same thing, raw and roasted apart. Parts of one
 * thing share it as they stand.
 */
export function massesOfTrial(parts: readonly PartAmount[], trial: readonly PartAmount[]): number[] {
  const sum = (of: readonly { massG: number | null }[]) => of.reduce((all, { massG }) => all + (massG ?? 0), 0)
  return parts.map((part) => {
    const alike = parts.filter((other) => sameness(other) === sameness(part))
    const held = sum(trial.filter((one) => sameness(one) === sameness(part)))
    const all = sum(alike)
    return held * (all > 0 ? (part.massG ?? 0) / all : 1 / alike.length)
  })
}
