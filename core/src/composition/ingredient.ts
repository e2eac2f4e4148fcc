import { acidMmol, type AcidId, type Acids } from '../acid/species'
import { componentSid } from '../acid/mixture'
import { asIsShu, SEEDED_KEEPS } from '../heat/scoville'
import type { Material } from '../library/material'
import { mapRange, type Range } from '../working'
import { EMPTY, type Composition } from './composition'

/** How produce was prepared; only raw (and, weakly, frozen) produce brings living bacteria. */
export const PREPARATIONS = ['raw', 'frozen', 'roasted', 'smoked', 'boiled', 'dried'] as const
export type Preparation = typeof PREPARATIONS[number]

/** A range taken as 5 to 95 % of a normal spread has this many standard deviations in it. */
const SPAN = 2 * 1.645

const spreadOf = (range: Range) => (range.high - range.low) / SPAN

/** Log spread of the acids that matter most in a material: from the range of its largest acid. */
function acidSpreadOf(acids: Material['acidsPct']): number {
  const largest = Object.values(acids).sort((a, b) => b.typical - a.typical)[0]
  return largest && largest.low > 0 ? Math.log(largest.high / largest.low) / SPAN : 0
}

/** A material's strong-ion difference per gram never changes: worked out once for each. */
const SID_PER_GRAM = new WeakMap<Material, number>()

function sidPerGram(material: Material, massG: number, base: Parameters<typeof componentSid>[1]): number {
  if (!material.ph || massG <= 0) return 0
  const known = SID_PER_GRAM.get(material)
  if (known !== undefined) return known
  const found = componentSid(material.ph.typical, base) / massG
  SID_PER_GRAM.set(material, found)
  return found
}

/** Water left in something dried at home, as a fraction. Common practice; dried things of the library carry their own water. */
const DRIED_WATER = 0.1

/** `massG` grams of a material after drying: everything but water is what the fresh weight held. */
function ofDried(material: Material, massG: number, seedsOut: boolean): Composition {
  const freshG = massG * (1 - DRIED_WATER) / Math.max(0.02, 1 - material.waterPct.typical / 100)
  return { ...ofMaterial(material, freshG, { seedsOut }), massG, waterG: massG * DRIED_WATER, live: false }
}

/**
 * What `massG` grams of a material are made of, typical values, with its own pH where it has one.
 * The weight is that of the thing as prepared; roasting, smoking and boiling are taken to change its bacteria only.
 */
export function ofMaterial(material: Material, massG: number, { seedsOut = false, preparation = 'raw' as Preparation } = {}): Composition {
  if (preparation === 'dried' && material.waterPct.typical > 25) return ofDried(material, massG, seedsOut)
  const part = (percent: number) => massG * percent / 100
  const acids: Acids = {}
  for (const [id, share] of Object.entries(material.acidsPct)) acids[id as AcidId] = acidMmol(id as AcidId, part(share.typical))
  if (material.sites.pectin) acids.pectin = material.sites.pectin * massG / 1000
  if (material.sites.protein) acids.protein = material.sites.protein * massG / 1000
  const base = { waterG: part(material.waterPct.typical), saltG: part(material.saltPct.typical), acids }
  const dryMatter: Range = {
    low: 1 - material.waterPct.high / 100, typical: 1 - material.waterPct.typical / 100, high: 1 - material.waterPct.low / 100,
  }
  const shu = material.dryShu ? asIsShu(material.dryShu, dryMatter) : { low: 0, typical: 0, high: 0 }
  return {
    ...EMPTY, ...base, massG,
    sidMmol: massG * sidPerGram(material, massG, base),
    sugarG: mapRange(material.sugarPct, part),
    heat: {
      low: massG * shu.low * (seedsOut ? SEEDED_KEEPS.low : 1),
      typical: massG * shu.typical * (seedsOut ? SEEDED_KEEPS.typical : 1),
      high: massG * shu.high * (seedsOut ? SEEDED_KEEPS.high : 1),
    },
    allergens: material.allergens,
    live: material.starterLog10 !== null || (material.livens && (preparation === 'raw' || preparation === 'frozen')),
    acidSpread: acidSpreadOf(material.acidsPct),
    phSpread: material.ph ? spreadOf(material.ph) : 0,
  }
}

/** `massG` grams of pure salt. */
export const ofSalt = (massG: number): Composition => ({ ...EMPTY, massG, saltG: massG })
