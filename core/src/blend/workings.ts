import { mixturePh } from '../acid/mixture'
import { acidG } from '../acid/species'
import { mix, propertiesOf, sharesOf, type Composition } from '../composition/composition'
import type { Cost } from '../units/cost'
import { formatNumber } from '../units/number'
import type { Range, Working } from '../working'
import { acidProfile, type NamedPart } from './breakdown'

/** The working of a mixture's pH, as forecast: what each part brings to the charge balance. */
export function phWorking(parts: readonly NamedPart[], ph: Range | null): Working {
  return {
    what: 'pH of the mixture',
    formula: 'pH where SID + [H⁺] − [OH⁻] = Σ acid × charge(pH)',
    numbers: parts
      .filter((part) => part.composition.massG > 0)
      .map(({ name, composition }) => {
        const own = mixturePh(composition)
        return {
          name,
          value: `${formatNumber(composition.massG)} g, ${own === null ? 'no pH of its own' : `pH ${own.toFixed(2)}`}, SID ${composition.sidMmol.toFixed(1)} mmol`,
        }
      }),
    result: ph ? `${ph.typical.toFixed(2)}, probably ${ph.low.toFixed(2)} to ${ph.high.toFixed(2)}` : 'no water, no pH',
    source: 'Charge balance with Davies activities, pKa of the CRC Handbook (from memory). Not an average of pH.',
  }
}

/** The working of a mixture's salt. */
export function saltWorking(parts: readonly NamedPart[]): Working {
  const total = mix(parts.map((part) => part.composition))
  return {
    what: 'Salt of the mixture',
    formula: 'salt % = 100 × Σ salt / Σ mass',
    numbers: parts
      .filter((part) => part.composition.saltG > 0)
      .map(({ name, composition }) => ({
        name,
        value: `${formatNumber(composition.saltG, 1)} g of salt in ${formatNumber(composition.massG)} g`,
      })),
    result: `${formatNumber(propertiesOf(total).saltPct, 2)} %`,
    source: 'Mass balance',
  }
}

const list = (parts: readonly NamedPart[], of: (composition: Composition) => number, unit = 'g') =>
  parts.flatMap(({ name, composition }) =>
    of(composition) > 0.005
      ? [{ name, value: `${formatNumber(of(composition), 1)} ${unit} in ${formatNumber(composition.massG)} g` }]
      : [],
  )

/** The working of a mixture's titratable acidity, by acid. */
export function tartWorking(composition: Composition, tart: number | null): Working {
  return {
    what: 'Titratable acidity',
    formula: 'Σ acid × (charge at pH 8.2 − charge at its pH) + free hydrogen, told as lactic acid',
    numbers: acidProfile(composition).map(({ name, pct }) => ({ name, value: `${formatNumber(pct, 2)} %` })),
    result: tart === null ? 'no water, no acidity' : `${formatNumber(tart, 2)} % as lactic acid`,
    source: 'Charge balance; 0.09008 g a milliequivalent, from memory. Titratable is not total acid',
  }
}

/** The working of salt in the water alone. */
export function waterPhaseWorking(composition: Composition): Working {
  const { waterPhaseSaltPct } = sharesOf(composition)
  return {
    what: 'Salt in the water',
    formula: 'salt / (salt + water)',
    numbers: [
      { name: 'salt', value: `${formatNumber(composition.saltG, 1)} g` },
      { name: 'water', value: `${formatNumber(composition.waterG, 1)} g` },
    ],
    result: waterPhaseSaltPct === null ? 'no water' : `${formatNumber(waterPhaseSaltPct, 2)} %`,
    source: 'Definition: it is what bacteria feel',
  }
}

/** The working of a mixture's sugar. */
export function sugarWorking(parts: readonly NamedPart[]): Working {
  const { sugarPct } = sharesOf(mix(parts.map((part) => part.composition)))
  return {
    what: 'Sugar of the mixture',
    formula: 'sugar % = 100 × Σ sugar / Σ mass',
    numbers: list(parts, ({ sugarG }) => sugarG.typical),
    result: `${formatNumber(sugarPct.typical, 1)} %, probably ${formatNumber(sugarPct.low, 1)} to ${formatNumber(sugarPct.high, 1)}`,
    source: 'Mass balance; of a ferment what its acid did not take, down to none',
  }
}

/** The working of a mixture's solids. */
export function bodyWorking(parts: readonly NamedPart[]): Working {
  const { bodyPct } = sharesOf(mix(parts.map((part) => part.composition)))
  return {
    what: 'Solids of the mixture',
    formula: 'solids = mass − water − salt − acetic acid',
    numbers: list(parts, (one) =>
      Math.max(0, one.massG - one.waterG - one.saltG - acidG('acetic', one.acids.acetic ?? 0)),
    ),
    result: `${formatNumber(bodyPct, 1)} %`,
    source: 'Mass balance. Thickeners bind far more than their weight: try those',
  }
}

/** The working of a mixture's volume. */
export function volumeWorking(composition: Composition): Working {
  const { volumeMl, densityGPerMl } = propertiesOf(composition)
  const brineG = composition.waterG + composition.saltG
  const aceticG = acidG('acetic', composition.acids.acetic ?? 0)
  return {
    what: 'Volume',
    formula: 'brine / its density + acetic acid / 1.05 + the rest / 1.55',
    numbers: [
      { name: 'water and salt', value: `${formatNumber(brineG)} g` },
      { name: 'acetic acid', value: `${formatNumber(aceticG, 1)} g` },
      { name: 'sugar and solids', value: `${formatNumber(Math.max(0, composition.massG - brineG - aceticG))} g` },
    ],
    result: `${formatNumber(volumeMl)} mL at 20 °C, ${densityGPerMl.toFixed(3)} g/mL`,
    source: 'Brine: CRC Handbook, from memory; solids without trapped air',
  }
}

/** The working of a mixture's cost. */
export function blendCostWorking(
  parts: readonly { name: string; cost: Cost }[],
  { money, unpriced }: Cost,
  currency: string,
): Working {
  return {
    what: 'Cost',
    formula: 'Σ kilograms × price; of a lot what went into it, by weight of what was kept',
    numbers: parts
      .filter(({ cost }) => cost.money > 0)
      .map(({ name, cost }) => ({ name, value: `${formatNumber(cost.money, 2)} ${currency}` })),
    result: `${formatNumber(money, 2)} ${currency}${unpriced.length ? `, without ${unpriced.join(', ')}` : ''}`,
    source: 'Your own prices; what has none is not in it',
  }
}
