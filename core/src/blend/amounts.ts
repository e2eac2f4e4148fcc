import { InvalidInput } from '../invalid'

/** An amount in a pot; what is locked keeps its grams. */
export interface PotAmount {
  massG: number
  locked: boolean
}

const sumOf = (amounts: readonly PotAmount[]) => amounts.reduce((sum, { massG }) => sum + massG, 0)

/**
 * Grams of a whole shared out by parts ("2 : 1"); what is locked keeps its grams and the rest is shared among the
 * others.
 * @param parts one number each, not below 0. @throws InvalidInput when the parts come to nothing, or the locks leave
 * none of the whole.
 */
export function byParts(amounts: readonly PotAmount[], parts: readonly number[], totalG: number): number[] {
  if (parts.some((part) => !(part >= 0))) throw new InvalidInput('A part cannot be less than zero.')
  const free = amounts.map(({ locked }, index) => (locked ? 0 : (parts[index] ?? 0)))
  const sum = free.reduce((all, part) => all + part, 0)
  if (!(sum > 0)) throw new InvalidInput('The parts come to nothing. Give at least one of them a number.')
  const leftG = totalG - sumOf(amounts.filter(({ locked }) => locked))
  if (!(leftG > 0))
    throw new InvalidInput('What is locked leaves nothing to share out. Unlock something, or make more.')
  return amounts.map(({ massG, locked }, index) => (locked ? massG : (leftG * (free[index] ?? 0)) / sum))
}

/**
 * Grams once one of them is so many percent of the whole; the others make room in proportion, the whole stays.
 * @throws InvalidInput when the locked ones do not leave that much room.
 */
export function withShare(amounts: readonly PotAmount[], index: number, sharePct: number): number[] {
  const totalG = sumOf(amounts)
  const massG = (totalG * sharePct) / 100
  const others = amounts.map(({ massG: grams, locked }, at) => (at === index || locked ? 0 : grams))
  const lockedG = sumOf(amounts.filter(({ locked }, at) => locked && at !== index))
  const roomG = totalG - lockedG - massG
  const sum = others.reduce((all, grams) => all + grams, 0)
  if (roomG < -1e-9)
    throw new InvalidInput(
      `The locked ones leave ${Math.max(0, (100 * (totalG - lockedG)) / totalG).toFixed(1)} % at most.`,
    )
  if (!(sum > 0) && roomG > 1e-9) throw new InvalidInput('There is nothing else unlocked that could fill the rest.')
  return amounts.map(({ massG: grams, locked }, at) =>
    at === index ? massG : locked ? grams : sum > 0 ? (roomG * grams) / sum : grams,
  )
}

/**
 * Everything in the same ratio, so that the whole weighs `totalG`.
 * @throws InvalidInput when there is nothing to scale.
 */
export function scaledTo(masses: readonly number[], totalG: number): number[] {
  const sum = masses.reduce((all, grams) => all + grams, 0)
  if (!(sum > 0)) throw new InvalidInput('There is nothing in the pot to scale. Give something a weight first.')
  return masses.map((grams) => (grams * totalG) / sum)
}
