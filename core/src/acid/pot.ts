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
  const table = new Float64Array(parts.length * width)
  parts.forEach((part, index) => {
    table.set([part.waterG, part.saltG, part.sidMmol, ...ids.map((id) => part.acids[id] ?? 0)], index * width)
  })
  const laid = layOut({ saltMmol: 0, sidMmol: 0, acids: ids.map((id) => ({ species: ACIDS[id], mmol: 0 })) })
  const total = new Float64Array(width)
  return (factors) => {
    total.fill(0)
    for (let part = 0; part < parts.length; part++) {
      const factor = factors[part]!
      if (factor === 0) continue
      const from = part * width
      for (let at = 0; at < width; at++) total[at]! += factor * table[from + at]!
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
