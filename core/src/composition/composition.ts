import { ACIDS, acidG, type AcidId, type Acids } from '../acid/species'
import { componentSid, mixturePh, type AcidBase } from '../acid/mixture'
import { brineDensity, SATURATION_PCT, waterPhaseSaltPct } from '../salt/brine'
import type { Allergen } from '../library/material'
import { exactly, mapRange, type Range } from '../working'

/**
 * What an amount of something is made of. Everything is extensive, so that mixing adds and splitting scales:
 * grams of water, salt and sugar; mmol of acids and of strong-ion difference; `pungency` is SHU × grams.
 */
export interface Composition extends AcidBase {
  massG: number
  sugarG: Range
  pungency: Range
  /** Something in it is a pepper, or a thing not listed, of which nobody knows how hot it is. */
  heatUnknown: boolean
  allergens: readonly Allergen[]
  /** Living lactic acid bacteria may be in it. */
  live: boolean
  /**
   * Standard deviation of the logarithm of all its weak acid: 0.3 where nobody titrated, 0 where it is known.
   * Judgement.
   */
  acidLogSd: number
  /**
   * Standard deviation of its own pH: 0.04 read with a meter (judgement), wider for a table value, 0 where it follows
   * from what it is.
   */
  phSd: number
}

/** Nothing at all; the start of every sum. */
export const EMPTY: Composition = {
  massG: 0,
  waterG: 0,
  saltG: 0,
  sidMmol: 0,
  acids: {},
  sugarG: exactly(0),
  pungency: exactly(0),
  heatUnknown: false,
  allergens: [],
  live: false,
  acidLogSd: 0,
  phSd: 0,
}

const ACID_IDS = Object.keys(ACIDS) as AcidId[]

const scaleAcids = (acids: Acids, factor: number): Acids =>
  Object.fromEntries(Object.entries(acids).map(([id, mmol]) => [id, mmol * factor]))

/**
 * All parts poured together. Mass, water, salt, acids, charge, sugar and heat are conserved. Spreads are the widest
 * of the parts.
 */
export function mix(parts: readonly Composition[]): Composition {
  const acids: Acids = {}
  const sugarG = { low: 0, typical: 0, high: 0 }
  const pungency = { low: 0, typical: 0, high: 0 }
  const sum = { massG: 0, waterG: 0, saltG: 0, sidMmol: 0, acidLogSd: 0, phSd: 0 }
  const allergens = new Set<Allergen>()
  let live = false
  let heatUnknown = false
  for (const part of parts) {
    sum.massG += part.massG
    sum.waterG += part.waterG
    sum.saltG += part.saltG
    sum.sidMmol += part.sidMmol
    sum.acidLogSd = Math.max(sum.acidLogSd, part.acidLogSd)
    sum.phSd = Math.max(sum.phSd, part.phSd)
    for (const range of ['low', 'typical', 'high'] as const) {
      sugarG[range] += part.sugarG[range]
      pungency[range] += part.pungency[range]
    }
    for (const id of ACID_IDS) {
      const mmol = part.acids[id]
      if (mmol) acids[id] = (acids[id] ?? 0) + mmol
    }
    for (const allergen of part.allergens) allergens.add(allergen)
    live ||= part.live
    heatUnknown ||= part.heatUnknown
  }
  return { ...sum, acids, sugarG, pungency, heatUnknown, live, allergens: [...allergens].sort() }
}

/** The same thing in another amount, g. */
export function ofMass(composition: Composition, massG: number): Composition {
  const factor = composition.massG > 0 ? massG / composition.massG : 0
  return {
    ...composition,
    massG,
    waterG: composition.waterG * factor,
    saltG: composition.saltG * factor,
    sidMmol: composition.sidMmol * factor,
    acids: scaleAcids(composition.acids, factor),
    sugarG: mapRange(composition.sugarG, (value) => value * factor),
    pungency: mapRange(composition.pungency, (value) => value * factor),
  }
}

/** The same thing showing a pH that was measured in it: its strong-ion difference is found anew. */
export function withPh(composition: Composition, pH: number, phSd: number): Composition {
  return { ...composition, sidMmol: componentSid(pH, composition), phSd }
}

/**
 * The same thing with `factor` times its weak acid, still showing its own pH.
 * @param acidLogSd what is not known of it any more.
 */
export function withAcidTimes(composition: Composition, factor: number, acidLogSd: number): Composition {
  const acids = scaleAcids(composition.acids, factor)
  const pH = mixturePh(composition)
  return {
    ...composition,
    acids,
    acidLogSd,
    sidMmol: pH === null ? composition.sidMmol : componentSid(pH, { ...composition, acids }),
  }
}

/** The same thing with a salt that was measured in it, percent: what is more or less of it stands for water. */
export function withSalt(composition: Composition, saltPct: number): Composition {
  const saltG = (composition.massG * saltPct) / 100
  return { ...composition, saltG, waterG: Math.max(0, composition.waterG + composition.saltG - saltG) }
}

/** What a composition shows, per weight: the figures of every ruler. */
export interface Properties {
  pH: number | null
  saltPct: number
  /** Salt in the water phase, or `null` without water. */
  waterPhaseSaltPct: number | null
  shu: Range
  /** Something in it is of unknown pungency: the range leaves it out. */
  heatUnknown: boolean
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
  const strength = brineG > 0 ? Math.min(SATURATION_PCT, (100 * composition.saltG) / brineG) : 0
  const solidsG = Math.max(0, composition.massG - brineG - aceticG)
  return brineG / brineDensity(strength) + aceticG / ACETIC_DENSITY + solidsG / SUGAR_AND_FIBRE_DENSITY
}

/** All figures of a composition that need no charge balance. */
export function sharesOf(composition: Composition): Omit<Properties, 'pH'> {
  const { massG, waterG, saltG } = composition
  const share = (grams: number) => (massG > 0 ? (100 * grams) / massG : 0)
  const volumeMl = volumeOf(composition)
  return {
    saltPct: share(saltG),
    waterPhaseSaltPct: waterG > 0 ? waterPhaseSaltPct(saltG, waterG) : null,
    shu: mapRange(composition.pungency, (shuG) => (massG > 0 ? shuG / massG : 0)),
    heatUnknown: composition.heatUnknown,
    sugarPct: mapRange(composition.sugarG, share),
    bodyPct: share(Math.max(0, massG - waterG - saltG - acidG('acetic', composition.acids.acetic ?? 0))),
    densityGPerMl: volumeMl > 0 ? massG / volumeMl : 1,
    volumeMl,
  }
}

/** All figures of a composition. @throws nothing: an empty composition shows zeros and no pH. */
export const propertiesOf = (composition: Composition): Properties => ({
  pH: mixturePh(composition),
  ...sharesOf(composition),
})
