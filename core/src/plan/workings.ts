import { formatNumber } from '../units/number'
import type { Row } from '../log/contents'
import { RAW_NEEDED } from '../ferment/rawShare'
import type { Working } from '../working'
import type { PlanFigures } from './figures'

const grams = (value: number) => `${formatNumber(value)} g`

/** The working of what starts a plan. */
export function startWorking({ raw, startLog10, composition, startWords }: PlanFigures): Working {
  return {
    what: 'What starts it',
    formula: 'raw share = raw produce / produce; living = Σ mass × count × what survives',
    numbers: [
      {
        name: 'raw share',
        value:
          raw === null
            ? 'no produce'
            : `${formatNumber(100 * raw)} %, at least ${formatNumber(100 * RAW_NEEDED)} % starts on its own`,
      },
      {
        name: 'counts',
        value:
          'raw 10³·⁵ a gram; frozen a tenth, dried a hundredth, cooked a ten-thousandth of it; kept brine and whey 10⁷',
      },
      { name: 'everything', value: grams(composition.massG) },
    ],
    result:
      startLog10 === null
        ? startWords
        : `10^${startLog10.toFixed(1)} a gram, a factor of ten either way: ${startWords}`,
    source: 'Half raw: common practice. Counts: judgement',
  }
}

/** The working of what a plan gives. @param bottleMl what a bottle holds, mL. */
export function yieldWorking(
  { style, composition, properties, baseG, sauceMl }: PlanFigures,
  bottleMl: number,
): Working {
  const { low, typical, high } = style.yields
  return {
    what: 'What you get',
    formula: 'base = share × everything; bottles = base / density / bottle',
    numbers: [
      { name: 'everything', value: grams(composition.massG) },
      {
        name: `share of it, ${style.name.toLowerCase()}`,
        value: `${formatNumber(100 * low)} to ${formatNumber(100 * high)} %, typically ${formatNumber(100 * typical)} %`,
      },
      { name: 'density', value: `${properties.densityGPerMl.toFixed(3)} g/mL` },
      { name: 'bottle', value: `${formatNumber(bottleMl)} mL` },
    ],
    result: `${grams(baseG.low)} to ${grams(baseG.high)}, ${formatNumber(sauceMl.low)} to ${formatNumber(sauceMl.high)} mL`,
    source: 'Shares: judgement; they depend on press, sieve and patience',
  }
}

/** The working of a plan's cost. */
export function costWorking(
  rows: readonly Row[],
  { cost, dose }: PlanFigures,
  priceOf: (row: Row) => number | null,
): Working {
  return {
    what: 'Cost',
    formula: 'Σ kilograms bought × price',
    numbers: [
      ...rows.flatMap((row) => {
        const price = priceOf(row)
        return price === null
          ? []
          : [
              {
                name: row.name,
                value: `${formatNumber((row.boughtG ?? row.massG) / 1000, 3)} kg × ${formatNumber(price, 2)}`,
              },
            ]
      }),
      { name: 'salt', value: `${formatNumber(dose.saltG / 1000, 3)} kg` },
    ],
    result: formatNumber(cost.known, 2),
    source: 'Your own prices; what has none is not in it',
  }
}
