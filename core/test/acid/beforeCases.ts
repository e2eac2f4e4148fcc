import { ACIDS, chargeLeft, sidFor, solveBalance } from '../../src/acid'

/** Figures of eighty drawn solutions, from water to brine: pH, ionic strength, charge left, and strong ions back. */
export function balanceFigures(): number[] {
  let seed = 21
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  return Array.from({ length: 80 }, (_, turn) => {
    const acids = Object.values(ACIDS)
      .filter(() => random() < 0.5)
      .map((species) => ({ species, mmol: random() < 0.1 ? 0 : 10 ** (random() * 5 - 2) }))
    const solution = { saltMmol: random() * 2000, sidMmol: (random() - 0.3) * 10 ** (random() * 3), acids }
    const at = { pH: 2 + random() * 6, ionicStrength: random() }
    const { pH, ionicStrength } = solveBalance(solution, { activity: turn % 5 > 0 })
    const { left, slope } = chargeLeft(solution, at.pH, at.ionicStrength)
    return [pH, ionicStrength, sidFor(at.pH, solution.saltMmol, acids), left, slope]
  }).flat()
}
