import { chargeAt, componentSid, mixtureBalance, mixturePh } from '../acid/mixture'
import type { Balance } from '../acid/balance'
import { mix, propertiesOf, withAcidScaled, type Composition, type Properties } from '../composition/composition'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'

/** Forward prediction of a mixture: every figure, with pH as a 5–95 % band. `ph` is `null` when there is no water. */
export interface Forecast extends Properties { massG: number, ph: Range | null, composition: Composition }

const Z = 1.645 // 5 to 95 % of a normal distribution

/** How far pH moves when one part becomes a variant of itself: two Newton steps on the charge balance, ionic strength held. */
function shiftWith(total: Composition, part: Composition, variant: Composition, from: Balance): number {
  let pH = from.pH
  for (let step = 0; step < 2; step++) {
    const at = { pH, ionicStrength: from.ionicStrength }
    const [all, gone, come] = [chargeAt(total, at), chargeAt(part, at), chargeAt(variant, at)]
    pH -= (all.left - gone.left + come.left) / (all.slope - gone.slope + come.slope)
  }
  return pH - from.pH
}

/**
 * pH of a mixture with its 5–95 % band. Each part is varied on its own within what is not known about it
 * (its weak acid when nobody titrated it, its own pH as read or tabled); the shifts are added in quadrature, up and down apart.
 */
export function phBand(parts: readonly Composition[]): Range | null {
  const total = mix(parts)
  const balance = mixtureBalance(total)
  if (!balance) return null
  const typical = balance.pH
  let up = 0
  let down = 0
  for (const part of parts) {
    const own = part.massG > 0 && (part.acidSpread > 0 || part.phSpread > 0) ? mixturePh(part) : null
    if (own === null) continue
    const variants = [-Z, Z].flatMap(way => [
      ...(part.acidSpread > 0 ? [withAcidScaled(part, Math.exp(way * part.acidSpread), own)] : []),
      ...(part.phSpread > 0 ? [{ ...part, sidMmol: componentSid(own + way * part.phSpread, part) }] : []),
    ])
    for (const variant of variants) {
      const moved = shiftWith(total, part, variant, balance)
      if (moved > 0) up += moved * moved
      else down += moved * moved
    }
  }
  return { low: typical - Math.sqrt(down), typical, high: typical + Math.sqrt(up) }
}

/** What a mixture of these parts will show. Mass, salt, sugar and heat are conserved; pH comes from the charge balance. */
export function forecastBlend(parts: readonly Composition[]): Forecast {
  const poured = parts.filter(part => part.massG > 0)
  const composition = mix(poured)
  const ph = phBand(poured)
  return { ...propertiesOf(composition), massG: composition.massG, ph, composition }
}

/** How pH answers an addition: pH of the mixture after each added mass of one more component. */
export function phAnswer(base: Composition, addition: Composition, addedG: readonly number[]): (number | null)[] {
  return addedG.map((grams) => {
    const factor = addition.massG > 0 ? grams / addition.massG : 0
    return mixturePh({
      waterG: base.waterG + addition.waterG * factor, saltG: base.saltG + addition.saltG * factor,
      sidMmol: base.sidMmol + addition.sidMmol * factor,
      acids: Object.fromEntries([...new Set([...Object.keys(base.acids), ...Object.keys(addition.acids)])].map(id =>
        [id, (base.acids[id as keyof typeof base.acids] ?? 0) + (addition.acids[id as keyof typeof base.acids] ?? 0) * factor])),
    })
  })
}

/** Whole bottles that a volume fills, and what is left over in mL. @param lossMl what stays in the pot and the funnel. */
export function bottlesFilled(volumeMl: number, bottleMl: number, lossMl = 0): { count: number, restMl: number } {
  const usable = Math.max(0, volumeMl - lossMl)
  const count = bottleMl > 0 ? Math.floor(usable / bottleMl + 1e-9) : 0
  return { count, restMl: usable - count * bottleMl }
}

/** The working of a mixture's pH, as forecast: what each part brings to the charge balance. */
export function phWorking(parts: readonly { name: string, composition: Composition }[], ph: Range | null): Working {
  return {
    what: 'pH of the mixture',
    formula: 'pH where SID + [H⁺] − [OH⁻] = Σ acid × charge(pH)',
    numbers: parts.filter(part => part.composition.massG > 0).map(({ name, composition }) => {
      const own = mixturePh(composition)
      return { name, value: `${formatNumber(composition.massG)} g, ${own === null ? 'no pH of its own' : `pH ${own.toFixed(2)}`}, SID ${composition.sidMmol.toFixed(1)} mmol` }
    }),
    result: ph ? `${ph.typical.toFixed(2)}, probably ${ph.low.toFixed(2)} to ${ph.high.toFixed(2)}` : 'no water, no pH',
    source: 'Charge balance with Davies activities, pKa of the CRC Handbook (from memory). Not an average of pH.',
  }
}

/** The working of a mixture's salt. */
export function saltWorking(parts: readonly { name: string, composition: Composition }[]): Working {
  const total = mix(parts.map(part => part.composition))
  return {
    what: 'Salt of the mixture',
    formula: 'salt % = 100 × Σ salt / Σ mass',
    numbers: parts.filter(part => part.composition.saltG > 0).map(({ name, composition }) =>
      ({ name, value: `${formatNumber(composition.saltG, 1)} g of salt in ${formatNumber(composition.massG)} g` })),
    result: `${formatNumber(propertiesOf(total).saltPct, 2)} %`,
    source: 'Mass balance',
  }
}
