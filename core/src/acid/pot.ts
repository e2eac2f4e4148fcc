import { ACIDS, type AcidId } from './species'
import { layOut, solveLaid, type Balance } from './balance'
import { SALT_MOLAR_MASS_G, type AcidBase } from './mixture'

const IDS = Object.keys(ACIDS) as AcidId[]
/** Water, salt and strong ions stand before the acids. */
const BEFORE = 3

/**
 * Parts laid out once, to be asked many times for the pH of other amounts of them: what a solver and a frontier do
 * thousands of times.
 * @returns for factors of the parts, in their order, the balance of what they make together; `null` without water.
 */
export function potOf(parts: readonly AcidBase[]): (factors: ArrayLike<number>) => Balance | null {
  const ids = IDS.filter((id) => parts.some((part) => part.acids[id]))
  const width = BEFORE + ids.length
  const holds = parts.map((part) => [part.waterG, part.saltG, part.sidMmol, ...ids.map((id) => part.acids[id] ?? 0)])
  /** Thing by thing, which parts hold some and how much: most parts hold few of the acids. */
  const held = Array.from({ length: width }, (_, thing) =>
    holds.flatMap((of, part) => (of[thing] ? [{ part, amount: of[thing] }] : [])),
  )
  const ends = Uint16Array.from(held, (_, thing) => held.slice(0, thing + 1).flat().length)
  const holders = Uint16Array.from(held.flat(), ({ part }) => part)
  const amounts = Float64Array.from(held.flat(), ({ amount }) => amount)
  const laid = layOut({ saltMmol: 0, sidMmol: 0, acids: ids.map((id) => ({ species: ACIDS[id], mmol: 0 })) })
  const total = new Float64Array(width)
  return (factors) => {
    for (let thing = 0, at = 0; thing < width; thing++) {
      let sum = 0
      for (const end = ends[thing]!; at < end; at++) sum += factors[holders[at]!]! * amounts[at]!
      total[thing] = sum
    }
    const water = total[0]!
    if (!(water > 0)) return null
    const scale = 1000 / water
    laid.saltMmol = (total[1]! / SALT_MOLAR_MASS_G) * 1000 * scale
    laid.sidMmol = total[2]! * scale
    for (let acid = 0; acid < ids.length; acid++) laid.mmol[acid] = total[BEFORE + acid]! * scale
    return solveLaid(laid)
  }
}
