import { chargeOf, mixtureBalance, mixturePh, type Charge } from '../acid/mixture'
import { freeCharge, type Balance } from '../acid/balance'
import { mix, propertiesOf, type Composition, type Properties } from '../composition/composition'
import type { Range } from '../working'

/** Forward prediction of a mixture: every figure, with pH as a 5–95 % band. `ph` is `null` when there is no water. */
export interface Forecast extends Properties {
  massG: number
  ph: Range | null
  composition: Composition
}

const Z = 1.645 // 5 to 95 % of a normal distribution

/** The charge curve of a mixture near its own pH: worked out on a grid as it is asked for, cubic between. */
function curveOf(total: Composition, { ionicStrength }: Balance): (pH: number) => Charge {
  const STEP = 0.1
  const charge = chargeOf(total)
  const known = new Map<number, Charge>()
  const node = (index: number): Charge => {
    const found = known.get(index) ?? charge({ pH: index * STEP, ionicStrength })
    known.set(index, found)
    return found
  }
  return (pH) => {
    const index = Math.floor(pH / STEP)
    const [a, b] = [node(index), node(index + 1)]
    const t = pH / STEP - index
    const bend = 2 * (a.left - b.left) + STEP * (a.slope + b.slope)
    const rise = -3 * (a.left - b.left) - STEP * (2 * a.slope + b.slope)
    return {
      left: a.left + t * (STEP * a.slope + t * (rise + t * bend)),
      slope: a.slope + (t * (2 * rise + 3 * t * bend)) / STEP,
    }
  }
}

/** How far the pH of a mixture moves when something changes its charge: two Newton steps, ionic strength held. */
function shiftBy(curve: (pH: number) => Charge, extra: (pH: number) => Charge, from: number): number {
  let pH = from
  for (let step = 0; step < 2; step++) {
    const [all, more] = [curve(pH), extra(pH)]
    pH -= (all.left + more.left) / (all.slope + more.slope)
  }
  return pH - from
}

/**
 * pH of a mixture with its 5–95 % band. Each part is varied on its own within what is not known about it
 * (its weak acid when nobody titrated it, its own pH as read or tabled); the shifts are added in quadrature, up and
 * down apart.
 * A part whose weak acid is k times as much while it still shows its own pH brings (k − 1) × [left + w (h(own) − h)]
 * more charge;
 * one that shows another pH brings the difference of its strong ions, which is what it lacks at that pH.
 * @param owns the parts' own balances where they are known already, in the same order.
 */
export function phBand(parts: readonly Composition[], owns: readonly (Balance | null)[] = []): Range | null {
  const total = mix(parts)
  const balance = mixtureBalance(total)
  if (!balance) return null
  const { pH: typical, ionicStrength } = balance
  const curve = curveOf(total, balance)
  let up = 0
  let down = 0
  const add = (moved: number) => {
    if (moved > 0) up += moved * moved
    else down += moved * moved
  }
  parts.forEach((part, index) => {
    if (part.massG <= 0 || (part.acidLogSd <= 0 && part.phSd <= 0)) return
    const own = owns[index] ?? mixtureBalance(part)
    if (!own) return
    const charge = chargeOf(part)
    const kg = part.waterG / 1000
    const ownFree = freeCharge(own).left
    for (const way of [-Z, Z]) {
      if (part.acidLogSd > 0) {
        const more = Math.exp(way * part.acidLogSd) - 1
        add(
          shiftBy(
            curve,
            (pH) => {
              const at = { pH, ionicStrength }
              const [{ left, slope }, free] = [charge(at), freeCharge(at)]
              return { left: more * (left + kg * (ownFree - free.left)), slope: more * (slope - kg * free.slope) }
            },
            typical,
          ),
        )
      }
      if (part.phSd > 0) {
        const left = -charge({ pH: own.pH + way * part.phSd, ionicStrength: own.ionicStrength }).left
        add(shiftBy(curve, () => ({ left, slope: 0 }), typical))
      }
    }
  })
  return { low: typical - Math.sqrt(down), typical, high: typical + Math.sqrt(up) }
}

/**
 * What a mixture of these parts will show. Mass, salt, sugar and heat are conserved; pH comes from the charge
 * balance.
 */
export function forecastBlend(parts: readonly Composition[]): Forecast {
  const poured = parts.filter((part) => part.massG > 0)
  const composition = mix(poured)
  const ph = phBand(poured)
  return { ...propertiesOf(composition), massG: composition.massG, ph, composition }
}

/** How pH answers an addition: pH of the mixture after each added mass of one more component. */
export function phAnswer(base: Composition, addition: Composition, addedG: readonly number[]): (number | null)[] {
  return addedG.map((grams) => {
    const factor = addition.massG > 0 ? grams / addition.massG : 0
    return mixturePh({
      waterG: base.waterG + addition.waterG * factor,
      saltG: base.saltG + addition.saltG * factor,
      sidMmol: base.sidMmol + addition.sidMmol * factor,
      acids: Object.fromEntries(
        [...new Set([...Object.keys(base.acids), ...Object.keys(addition.acids)])].map((id) => [
          id,
          (base.acids[id as keyof typeof base.acids] ?? 0) +
            (addition.acids[id as keyof typeof base.acids] ?? 0) * factor,
        ]),
      ),
    })
  })
}
