import { acidMmol, type AcidId, type Acids } from '../acid/species'
import type { Balance } from '../acid/balance'
import { componentSid, mixtureBalance, type AcidBase } from '../acid/mixture'
import { asIsShu, SEEDED_KEEPS } from '../pungency/scoville'
import type { Material } from '../library/material'
import { UNKNOWN_ID } from '../library/materials'
import { mapRange, type Range } from '../working'
import { EMPTY, withPh, type Composition } from './composition'

/**
 * How produce was prepared; only raw (and, weakly, frozen) produce brings living bacteria. Torched: the skin is
 * charred, and so much of the heart is still raw.
 */
export const PREPARATIONS = [
  'raw',
  'torched, mostly raw',
  'torched, half raw',
  'torched, little raw',
  'frozen',
  'roasted',
  'smoked',
  'boiled',
  'dried',
] as const
export type Preparation = (typeof PREPARATIONS)[number]
/** After these nothing lives. */
const KILLS: readonly Preparation[] = ['roasted', 'smoked', 'boiled', 'dried']

/** A range taken as 5 to 95 % of a normal spread has this many standard deviations in it. */
const SPAN = 2 * 1.645

const spreadOf = (range: Range) => (range.high - range.low) / SPAN

/** Log spread of the acids that matter most in a material: from the range of its largest acid. */
function acidSpreadOf(acids: Material['acidsPct']): number {
  const largest = Object.values(acids).sort((a, b) => b.typical - a.typical)[0]
  return largest && largest.low > 0 ? Math.log(largest.high / largest.low) / SPAN : 0
}

/**
 * What of a material never changes with its amount: strong-ion difference per gram, and its own balance. Worked out
 * once for each.
 */
const KNOWN = new WeakMap<Material, { sidPerGram: number; balance: Balance | null }>()

function knownOf(
  material: Material,
  massG: number,
  base: Omit<AcidBase, 'sidMmol'>,
): { sidPerGram: number; balance: Balance | null } {
  const before = KNOWN.get(material)
  if (before) return before
  const sidMmol = material.ph ? componentSid(material.ph.typical, base) : 0
  const found = { sidPerGram: sidMmol / massG, balance: mixtureBalance({ ...base, sidMmol }) }
  if (massG > 0) KNOWN.set(material, found)
  return found
}

/**
 * Balance of a material as it is, `null` without water. Ready once it was weighed anywhere. Not for dried produce,
 * which is another thing.
 */
export const ownBalance = (material: Material): Balance | null => KNOWN.get(material)?.balance ?? null

/**
 * Water left in something dried at home, as a fraction. Common practice; dried things of the library carry their own
 * water.
 */
const DRIED_WATER = 0.1

/** `massG` grams of a material after drying: everything but water is what the fresh weight held. */
function ofDried(material: Material, massG: number, seedsOut: boolean): Composition {
  const freshG = (massG * (1 - DRIED_WATER)) / Math.max(0.02, 1 - material.waterPct.typical / 100)
  return { ...ofMaterial(material, freshG, { seedsOut }), massG, waterG: massG * DRIED_WATER, live: false }
}

/**
 * What `massG` grams of a material are made of, typical values, with its own pH where it has one.
 * The weight is that of the thing as prepared; roasting, smoking and boiling are taken to change its bacteria only.
 */
export function ofMaterial(
  material: Material,
  massG: number,
  { seedsOut = false, preparation = 'raw' as Preparation } = {},
): Composition {
  if (preparation === 'dried' && material.waterPct.typical > 25) return ofDried(material, massG, seedsOut)
  const part = (percent: number) => (massG * percent) / 100
  const acids: Acids = {}
  for (const [id, share] of Object.entries(material.acidsPct))
    acids[id as AcidId] = acidMmol(id as AcidId, part(share.typical))
  if (material.sites.pectin) acids.pectin = (material.sites.pectin * massG) / 1000
  if (material.sites.protein) acids.protein = (material.sites.protein * massG) / 1000
  const base = { waterG: part(material.waterPct.typical), saltG: part(material.saltPct.typical), acids }
  const dryMatter: Range = {
    low: 1 - material.waterPct.high / 100,
    typical: 1 - material.waterPct.typical / 100,
    high: 1 - material.waterPct.low / 100,
  }
  const shu = material.dryShu ? asIsShu(material.dryShu, dryMatter) : { low: 0, typical: 0, high: 0 }
  return {
    ...EMPTY,
    ...base,
    massG,
    sidMmol: massG > 0 ? massG * knownOf(material, massG, base).sidPerGram : 0,
    sugarG: mapRange(material.sugarPct, part),
    pungency: {
      low: massG * shu.low * (seedsOut ? SEEDED_KEEPS.low : 1),
      typical: massG * shu.typical * (seedsOut ? SEEDED_KEEPS.typical : 1),
      high: massG * shu.high * (seedsOut ? SEEDED_KEEPS.high : 1),
    },
    heatUnknown: material.id === UNKNOWN_ID || (material.kind === 'pepper' && !material.dryShu),
    allergens: material.allergens,
    live: material.starterLog10 !== null || (material.livens && !KILLS.includes(preparation)),
    acidLogSd: acidSpreadOf(material.acidsPct),
    phSd: material.ph ? spreadOf(material.ph) : 0,
  }
}

/**
 * What a maker knows of one amount, over what the library says: its own pH, the salt of an old brine or a whey in
 * percent, a vinegar's strength in percent acetic acid, a water's alkalinity in mmol/L.
 */
export interface Known {
  ph?: number | undefined
  saltPct?: number | undefined
  strengthPct?: number | undefined
  alkalinity?: number | undefined
}

/** Spread of a pH that was typed in without its meter. Judgement. */
export const TYPED_PH_SPREAD = 0.05

/**
 * An amount of a material with what the maker knows of it. A vinegar's own strength stands in place of water;
 * alkalinity is strong ions: tap water has 1 to 5 mmol/L.
 */
export function ofKnown(
  material: Material,
  massG: number,
  {
    ph,
    saltPct,
    strengthPct,
    alkalinity,
    seedsOut = false,
    preparation = 'raw',
  }: Known & { seedsOut?: boolean | undefined; preparation?: Preparation | undefined },
): Composition {
  let made = ofMaterial(material, massG, { seedsOut, preparation })
  if (strengthPct !== undefined && material.kind === 'vinegar') {
    const acetic = acidMmol('acetic', (massG * strengthPct) / 100)
    made = {
      ...made,
      acids: { ...made.acids, acetic },
      waterG: Math.max(
        0,
        made.waterG + (massG * (material.acidsPct.acetic?.typical ?? 0)) / 100 - (massG * strengthPct) / 100,
      ),
    }
  }
  if (saltPct !== undefined && material.kind === 'starter') {
    const saltG = (massG * saltPct) / 100
    made = { ...made, saltG, waterG: Math.max(0, made.waterG + made.saltG - saltG) }
  }
  if (alkalinity !== undefined && material.kind === 'water') made = { ...made, sidMmol: (alkalinity * massG) / 1000 }
  return ph === undefined || made.waterG <= 0 ? made : withPh(made, ph, TYPED_PH_SPREAD)
}

/** `massG` grams of pure salt. */
export const ofSalt = (massG: number): Composition => ({ ...EMPTY, massG, saltG: massG })
