import { ACIDS, acidG, type AcidId, type Acids } from '../acid/species'
import { componentSid, mixturePh, type AcidBase } from '../acid/mixture'
import { brineDensity, SATURATION_PCT, waterPhaseSaltPct } from '../salt/brine'
import type { Allergen } from '../library/material'
import { addRanges, exactly, mapRange, type Range } from '../working'

/**
 * What an amount of something is made of. Everything is extensive, so that mixing adds and splitting scales:
 * grams of water, salt and sugar; mmol of acids and of strong-ion difference; `heat` is SHU × grams.
 */
export interface Composition extends AcidBase {
  massG: number
  sugarG: Range
  heat: Range
  allergens: readonly Allergen[]
  /** Living lactic acid bacteria may be in it. */
  live: boolean
  /** Standard deviation of the logarithm of all its weak acid: 0.3 where nobody titrated, 0 where it is known. Judgement. */
  acidSpread: number
  /** Standard deviation of its own pH: 0.04 read with a meter (judgement), wider for a table value, 0 where it follows from what it is. */
  phSpread: number
}

/** Nothing at all; the start of every sum. */
export const EMPTY: Composition = {
  massG: 0, waterG: 0, saltG: 0, sidMmol: 0, acids: {}, sugarG: exactly(0), heat: exactly(0), allergens: [], live: false, acidSpread: 0, phSpread: 0,
}

const ACID_IDS = Object.keys(ACIDS) as AcidId[]

function addAcids(a: Acids, b: Acids): Acids {
  const sum: Acids = {}
  for (const id of ACID_IDS) if (a[id] || b[id]) sum[id] = (a[id] ?? 0) + (b[id] ?? 0)
  return sum
}

const scaleAcids = (acids: Acids, factor: number): Acids =>
  Object.fromEntries(Object.entries(acids).map(([id, mmol]) => [id, mmol * factor]))

/** All parts poured together. Mass, water, salt, acids, charge, sugar and heat are conserved. Spreads are the widest of the parts. */
export function mix(parts: readonly Composition[]): Composition {
  return parts.reduce((sum, part) => ({
    massG: sum.massG + part.massG,
    waterG: sum.waterG + part.waterG,
    saltG: sum.saltG + part.saltG,
    sidMmol: sum.sidMmol + part.sidMmol,
    acids: addAcids(sum.acids, part.acids),
    sugarG: addRanges(sum.sugarG, part.sugarG),
    heat: addRanges(sum.heat, part.heat),
    allergens: [...new Set([...sum.allergens, ...part.allergens])].sort(),
    live: sum.live || part.live,
    acidSpread: Math.max(sum.acidSpread, part.acidSpread),
    phSpread: Math.max(sum.phSpread, part.phSpread),
  }), EMPTY)
}

/** The same thing in another amount, g. */
export function ofMass(composition: Composition, massG: number): Composition {
  const factor = composition.massG > 0 ? massG / composition.massG : 0
  return {
    ...composition, massG, waterG: composition.waterG * factor, saltG: composition.saltG * factor, sidMmol: composition.sidMmol * factor,
    acids: scaleAcids(composition.acids, factor),
    sugarG: mapRange(composition.sugarG, value => value * factor), heat: mapRange(composition.heat, value => value * factor),
  }
}

/** The same thing showing a pH that was measured in it: its strong-ion difference is found anew. */
export function withPh(composition: Composition, pH: number, phSpread: number): Composition {
  return { ...composition, sidMmol: componentSid(pH, composition), phSpread }
}

/** The same thing with `factor` times its weak acid, still showing its own pH. @param acidSpread what is not known of it any more. */
export function withAcidTimes(composition: Composition, factor: number, acidSpread: number): Composition {
  const acids = scaleAcids(composition.acids, factor)
  const pH = mixturePh(composition)
  return { ...composition, acids, acidSpread, sidMmol: pH === null ? composition.sidMmol : componentSid(pH, { ...composition, acids }) }
}

/** The same thing with a salt that was measured in it, percent: what is more or less of it stands for water. */
export function withSalt(composition: Composition, saltPct: number): Composition {
  const saltG = composition.massG * saltPct / 100
  return { ...composition, saltG, waterG: Math.max(0, composition.waterG + composition.saltG - saltG) }
}

/** What a composition shows, per weight: the figures of every ruler. */
export interface Properties {
  pH: number | null
  saltPct: number
  /** Salt in the water phase, or `null` without water. */
  waterPhaseSaltPct: number | null
  shu: Range
  sugarPct: Range
  /** Solids other than salt and volatile acid, percent: what makes it pour or spread. */
  bodyPct: number
  densityGPerMl: number
  volumeMl: number
}

const SUGAR_AND_FIBRE_DENSITY = 1.55 // g/mL of dry sugar and plant solids, from memory
const ACETIC_DENSITY = 1.05 // CRC Handbook, from memory

/** Grams that are neither water, salt, sugar nor weak acid: skins, seeds, fibre, protein, minerals. */
export function otherSolidsG(composition: Composition): number {
  const acidMass = ACID_IDS.reduce((sum, id) => sum + acidG(id, composition.acids[id] ?? 0), 0)
  return Math.max(0, composition.massG - composition.waterG - composition.saltG - composition.sugarG.typical - acidMass)
}

/** Volume in mL at 20 °C: brine by the CRC fit, acetic acid and solids by their own densities. */
export function volumeOf(composition: Composition): number {
  const brineG = composition.waterG + composition.saltG
  const aceticG = acidG('acetic', composition.acids.acetic ?? 0)
  const strength = brineG > 0 ? Math.min(SATURATION_PCT, 100 * composition.saltG / brineG) : 0
  const solidsG = Math.max(0, composition.massG - brineG - aceticG)
  return brineG / brineDensity(strength) + aceticG / ACETIC_DENSITY + solidsG / SUGAR_AND_FIBRE_DENSITY
}

/** All figures of a composition that need no charge balance. */
export function sharesOf(composition: Composition): Omit<Properties, 'pH'> {
  const { massG, waterG, saltG } = composition
  const share = (grams: number) => massG > 0 ? 100 * grams / massG : 0
  const volumeMl = volumeOf(composition)
  return {
    saltPct: share(saltG),
    waterPhaseSaltPct: waterG > 0 ? waterPhaseSaltPct(saltG, waterG) : null,
    shu: mapRange(composition.heat, heat => massG > 0 ? heat / massG : 0),
    sugarPct: mapRange(composition.sugarG, share),
    bodyPct: share(Math.max(0, massG - waterG - saltG - acidG('acetic', composition.acids.acetic ?? 0))),
    densityGPerMl: volumeMl > 0 ? massG / volumeMl : 1,
    volumeMl,
  }
}

/** All figures of a composition. @throws nothing: an empty composition shows zeros and no pH. */
export const propertiesOf = (composition: Composition): Properties => ({ pH: mixturePh(composition), ...sharesOf(composition) })
