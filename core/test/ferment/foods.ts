import { CUTS, structureOf, type Batch, type Cut, type FermentCase, type Lie, type PhReading } from '../../src'

/**
 * Foods of the case table: hexose, citric, malic (mmol/kg), buffer (mmol/kg and pH), start pH, water %; log10 of
 * group H raw.
 */
const FOODS = {
  pepper: [250, 12, 4, 14, 5.2, 88, 3.5],
  tomato: [145, 19, 3, 7, 4.4, 94, 3.5],
  salsa: [165, 17, 3, 9, 4.5, 92, 4],
  cabbage: [180, 5, 8, 17, 6.0, 92, 4],
} as const

/** A batch of one food. @param saltPct of the weight. */
export function batch(
  food: keyof typeof FOODS,
  saltPct: number,
  { lie = 'in its juice' as Lie, cut = CUTS[0] as Cut, startPh = FOODS[food][4] as number } = {},
): Batch {
  const [hexose, citric, malic, buffer, , water, rawH] = FOODS[food]
  return {
    medium: {
      hexose,
      citric,
      malic,
      buffer,
      startPh,
      startPhSpread: 0.06,
      acidPct: 0.13,
      saltPct: (100 * saltPct) / (saltPct + water),
      fruitShare: 0,
    },
    structure: structureOf(lie, cut),
    living: { rawH, rawP: 2.5, starterLog10: null },
  }
}

/** A case at a steady temperature. Readings as [day, pH, sd]. */
export const at = (
  tempC: number,
  of: Batch,
  readings: readonly (readonly [day: number, ph: number, sd?: number])[] = [],
  targetPh = 3.8,
): FermentCase => ({
  batch: of,
  temperature: { points: [{ hour: 0, tempC }] },
  targetPh,
  readings: readings.map(([day, ph, sd = 0.05]): PhReading => ({ hour: day * 24, ph, sd, of: 'blended' })),
})
