import { mixtureBalance, mixturePh } from '../acid/mixture'
import { phBand } from '../blend/forecast'
import type { Balance } from '../acid/balance'
import type { Range } from '../working'
import { mix, ofMass, volumeOf, type Composition } from './composition'

/* What a mixture comes to while some of its amounts are only known within a range: its figures at their corners. */

/** A part of a mixture, and between what its amount lies, g. */
export interface MixedPart {
  name: string
  composition: Composition
  massG: Range
  /** Its own balance, where it is known already. */
  own?: Balance | null
}

/** Masses at the corner where a share of everything is largest, or smallest. */
function corner(parts: readonly MixedPart[], share: (part: MixedPart) => number, most: boolean): number[] {
  const ratioOf = (masses: readonly number[]) => {
    const all = masses.reduce((sum, massG) => sum + massG, 0)
    return all > 0 ? parts.reduce((sum, part, index) => sum + share(part) * (masses[index] ?? 0), 0) / all : 0
  }
  let masses = parts.map(({ massG }) => massG.typical)
  let ratio = ratioOf(masses)
  // A ratio of two sums is largest at a corner; each step from a ratio to the corner that is best for it comes nearer.
  for (let step = 0; step < 20; step++) {
    masses = parts.map((part) => (share(part) > ratio === most ? part.massG.high : part.massG.low))
    const next = ratioOf(masses)
    if (Math.abs(next - ratio) < 1e-12) break
    ratio = next
  }
  return masses
}

const shareOf = (amount: number, { massG }: Composition) => (massG > 0 ? amount / massG : 0)

function ratioRange(parts: readonly MixedPart[], low: (part: MixedPart) => number, high: (part: MixedPart) => number) {
  const at = (share: (part: MixedPart) => number, most: boolean) => {
    const masses = corner(parts, share, most)
    const all = masses.reduce((sum, massG) => sum + massG, 0)
    return all > 0 ? parts.reduce((sum, part, index) => sum + share(part) * (masses[index] ?? 0), 0) / all : 0
  }
  return { low: at(low, false), high: at(high, true) }
}

const typically = (parts: readonly MixedPart[]) =>
  mix(parts.map(({ composition, massG }) => ofMass(composition, massG.typical)))

/** Salt of everything, percent. */
export function saltRange(parts: readonly MixedPart[]): Range {
  const share = ({ composition }: MixedPart) => 100 * shareOf(composition.saltG, composition)
  const all = typically(parts)
  return { ...ratioRange(parts, share, share), typical: 100 * shareOf(all.saltG, all) }
}

/** Heat of everything, SHU: with what is not known of the peppers too. */
export function shuRange(parts: readonly MixedPart[]): Range {
  const all = typically(parts)
  return {
    ...ratioRange(
      parts,
      ({ composition }) => shareOf(composition.pungency.low, composition),
      ({ composition }) => shareOf(composition.pungency.high, composition),
    ),
    typical: shareOf(all.pungency.typical, all),
  }
}

/** Volume of everything, mL. */
export function volumeRange(parts: readonly MixedPart[]): Range {
  const at = (end: keyof Range) => volumeOf(mix(parts.map(({ composition, massG }) => ofMass(composition, massG[end]))))
  return { low: at('low'), typical: at('typical'), high: at('high') }
}

/**
 * pH of everything, 5–95 % of what is not known of its acids, at the corners of its amounts: lowest with the most of
 * what is sourer than the mixture and the least of the rest, and the other way round. `null` without water.
 */
export function phRange(parts: readonly MixedPart[]): Range | null {
  const owns = parts.map(({ own, composition }) => own ?? mixtureBalance(composition))
  const at = (amounts: (index: number) => number) =>
    phBand(
      parts.map(({ composition }, index) => ofMass(composition, amounts(index))),
      owns,
    )
  const typical = at((index) => parts[index]?.massG.typical ?? 0)
  if (!typical || parts.every(({ massG }) => massG.low === massG.high)) return typical
  function end(lowest: boolean): number {
    let pH = typical?.typical ?? 7
    let masses: number[] = []
    for (let step = 0; step < 4; step++) {
      masses = parts.map(({ massG }, index) => {
        const sourer = (owns[index]?.pH ?? 7) < pH
        return sourer === lowest ? massG.high : massG.low
      })
      const next = mixturePh(mix(parts.map(({ composition }, index) => ofMass(composition, masses[index] ?? 0))))
      if (next === null || Math.abs(next - pH) < 1e-6) break
      pH = next
    }
    const band = at((index) => masses[index] ?? 0)
    return band ? (lowest ? band.low : band.high) : pH
  }
  return { low: Math.min(typical.low, end(true)), typical: typical.typical, high: Math.max(typical.high, end(false)) }
}

/** The one weighing that would narrow the salt most, and what it would be known as; `null` where all is weighed. */
export function narrowest(parts: readonly MixedPart[]): { name: string; saltPct: Range } | null {
  const width = ({ low, high }: Range) => high - low
  const weighed = parts.flatMap((part, index) => {
    if (part.massG.low === part.massG.high) return []
    const { typical } = part.massG
    const known = parts.map((one, at) =>
      at === index ? { ...one, massG: { low: typical, typical, high: typical } } : one,
    )
    return [{ name: part.name, saltPct: saltRange(known) }]
  })
  return weighed.sort((a, b) => width(a.saltPct) - width(b.saltPct))[0] ?? null
}
