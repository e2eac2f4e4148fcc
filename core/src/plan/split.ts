import { InvalidInput, within } from '../invalid'
import { formatNumber } from '../units/number'

/** A jar to be filled from a bowl: what it takes of it, g. */
export interface JarWish {
  name: string
  bowlG: number
}

/** What is left in the bowl once the jars have taken theirs. @throws InvalidInput when they want more than there is. */
export function bowlLeft(bowlG: number, jars: readonly JarWish[]): number {
  within(bowlG, 0, 1e9, 'What is in the bowl, in g,')
  const wanted = jars.reduce(
    (sum, jar) => sum + within(jar.bowlG, 0, 1e9, `What ${jar.name || 'a jar'} takes, in g,`),
    0,
  )
  if (wanted > bowlG * 1.001 + 0.5)
    throw new InvalidInput(
      `The jars want ${formatNumber(wanted)} g and the bowl holds ${formatNumber(bowlG)} g: ${formatNumber(wanted - bowlG)} g too much.`,
    )
  return Math.max(0, bowlG - wanted)
}

/** Equal shares of a bowl, rounded to whole grams; the last jar takes what rounding leaves. */
export function evenShares(bowlG: number, jars: number): number[] {
  within(jars, 1, 40, 'The number of jars')
  const each = Math.floor(bowlG / jars)
  return Array.from({ length: jars }, (_, index) => (index === jars - 1 ? bowlG - each * (jars - 1) : each))
}
