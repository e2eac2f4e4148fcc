import { ACIDS, type AcidId } from '../acid/species'
import { mixturePh, titratableOf } from '../acid/mixture'
import { MILLIEQUIVALENT_G } from '../acid/titration'
import { mix, ofMass, sharesOf, type Composition, type Properties } from '../composition/composition'

/** A part of a blend by its name. */
export interface NamedPart {
  name: string
  composition: Composition
}

/**
 * What comes from where: each part's share of the whole salt, acid, heat, sugar, solids and mass, 0 to 1; all 0
 * where there is none.
 */
export interface Sources {
  mass: number[]
  salt: number[]
  acid: number[]
  heat: number[]
  sweet: number[]
  body: number[]
}

/** Where salt, acid, heat, sugar and solids of a blend come from. Acid is counted as what can be titrated. */
export function sourcesOf(parts: readonly NamedPart[]): Sources {
  const shares = (of: (composition: Composition) => number) => {
    const each = parts.map(({ composition }) => Math.max(0, of(composition)))
    const sum = each.reduce((all, one) => all + one, 0)
    return each.map((one) => (sum > 0 ? one / sum : 0))
  }
  return {
    mass: shares(({ massG }) => massG),
    salt: shares(({ saltG }) => saltG),
    heat: shares(({ pungency }) => pungency.typical),
    sweet: shares(({ sugarG }) => sugarG.typical),
    body: shares((composition) => (composition.massG > 0 ? sharesOf(composition).bodyPct * composition.massG : 0)),
    // A pure acid without water counts by all its protons.
    acid: shares(
      (composition) =>
        titratableOf(composition)?.mmol ??
        Object.entries(composition.acids).reduce((sum, [id, mmol]) => sum + mmol * ACIDS[id as AcidId].pKa.length, 0),
    ),
  }
}

/**
 * Titratable acidity of a mixture by its acids, in percent as lactic acid, most first; what is under a hundredth of
 * it is left out.
 */
export function acidProfile(mixture: Composition): { name: string; pct: number }[] {
  const found = titratableOf(mixture)
  if (!found || !(mixture.massG > 0)) return []
  return found.by
    .filter(({ mmol }) => mmol > 0.01 * found.mmol)
    .map(({ id, mmol }) => ({
      name: id === 'free' ? 'free already' : ACIDS[id].name,
      pct: (100 * mmol * MILLIEQUIVALENT_G.lactic) / mixture.massG,
    }))
}

/** A step of the ladder: so much of the thinner, percent of what was there, and everything it does. */
export interface Rung extends Omit<Properties, 'pH'> {
  addedPct: number
  addedG: number
  ph: number | null
}

/**
 * What each step of a thinner does to everything: water, brine or vinegar poured in by a share of what is in the pot.
 */
export function dilutionLadder(
  base: Composition,
  thinner: Composition,
  stepsPct: readonly number[] = [0, 5, 10, 15, 20, 25, 30],
): Rung[] {
  return stepsPct.map((addedPct) => {
    const addedG = (base.massG * addedPct) / 100
    const mixed = mix([base, ofMass(thinner, addedG)])
    return { addedPct, addedG, ph: mixturePh(mixed), ...sharesOf(mixed) }
  })
}
