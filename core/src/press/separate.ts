import { InvalidInput, within } from '../invalid'
import { ofMass, otherSolidsG, type Composition } from '../composition/composition'
import { HEAT_IN_SOLIDS, strainingKeeps } from '../heat/scoville'
import { exactly, mapRange, type Range } from '../working'

/** How a ferment is pressed. */
export const PRESS_METHODS = ['whole', 'sieve', 'cloth', 'draw'] as const
export type PressMethod = typeof PRESS_METHODS[number]

/** Dry solids in the wet pulp that a method leaves, as a fraction. Judgement, from handling. */
const PULP_DRYNESS: Record<PressMethod, Range> = {
  whole: exactly(0),
  sieve: { low: 0.18, typical: 0.25, high: 0.35 },
  cloth: { low: 0.25, typical: 0.32, high: 0.4 },
  draw: exactly(0),
}

/** Weights at the press, g. */
export interface PressWeights { inG: number, baseG: number, pulpG: number, seedsG: number }

/** What became of the weights. `missingG` is what does not add up: drips, spoons, the sieve. */
export interface PressBalance { missingG: number, missingPct: number, yieldPct: number, sentence: string }

/** Balances the press. @throws InvalidInput when more came out than went in (by over 1 %, or 5 g). */
export function pressBalance({ inG, baseG, pulpG, seedsG }: PressWeights): PressBalance {
  within(inG, 1, 1e6, 'What went in, in grams,')
  for (const [mass, name] of [[baseG, 'base'], [pulpG, 'pulp'], [seedsG, 'seeds']] as const) within(mass, 0, 1e6, `The ${name} in grams`)
  const missingG = inG - baseG - pulpG - seedsG
  if (missingG < -Math.max(5, 0.01 * inG)) {
    throw new InvalidInput(`More came out than went in: ${Math.round(-missingG)} g too much. Check the tare of the bowl.`)
  }
  const missingPct = 100 * missingG / inG
  return {
    missingG, missingPct, yieldPct: 100 * baseG / inG,
    sentence: missingPct > 5
      ? `${Math.round(missingG)} g (${missingPct.toFixed(1)} %) are not accounted for. Weigh the pulp again before it is thrown out.`
      : 'The weights add up.',
  }
}

/** Base and pulp that one pressing leaves. */
export interface Pressed { base: Composition, pulp: Composition, solidsThrownOut: Range }

/** Liquid drawn off, and nothing else: no solids of the pieces, and the part of the heat that is not in them. */
function drawn(ferment: Composition, { baseG }: PressWeights): Pressed {
  const liquidG = ferment.massG - otherSolidsG(ferment)
  const share = liquidG > 0 ? Math.min(1, baseG / liquidG) : 0
  const part = (value: number) => value * share
  const base: Composition = {
    ...ferment, massG: baseG, waterG: part(ferment.waterG), saltG: part(ferment.saltG), sidMmol: part(ferment.sidMmol),
    acids: Object.fromEntries(Object.entries(ferment.acids).map(([id, mmol]) => [id, part(mmol)])),
    sugarG: mapRange(ferment.sugarG, part), heat: mapRange(ferment.heat, heat => heat * (1 - HEAT_IN_SOLIDS) * share),
  }
  return { base, pulp: ofMass(ferment, 0), solidsThrownOut: exactly(0) }
}

/**
 * Splits a ferment into base and pulp. Pulp holds part of the skins and seeds, the rest of it is liquid of the same make-up;
 * heat stays mostly with the solids. Water, salt, acid, sugar and heat are conserved between base and pulp; losses leave as base.
 */
export function separate(ferment: Composition, method: PressMethod, weights: PressWeights): Pressed {
  const { inG, baseG, pulpG, seedsG } = weights
  if (method === 'draw') return drawn(ferment, weights)
  const whole = ofMass(ferment, inG)
  const outG = method === 'whole' ? seedsG : pulpG + seedsG
  const solidsG = otherSolidsG(whole)
  const dryness = PULP_DRYNESS[method]
  const thrown = (fraction: number) => solidsG > 0 ? Math.min(0.95, outG * fraction / solidsG) : 0
  const solidsThrownOut = mapRange(dryness, thrown)
  const r = solidsThrownOut.typical
  const wetOut = Math.max(0, outG - r * solidsG)
  const liquidG = inG - solidsG
  const liquidOut = liquidG > 0 ? Math.min(1, wetOut / liquidG) : 0
  const heatOut = (thrownShare: number) => 1 - strainingKeeps(thrownShare) + (1 - HEAT_IN_SOLIDS) * liquidOut
  const part = (massG: number, liquid: number, heat: Range): Composition => ({
    ...whole, massG, waterG: whole.waterG * liquid, saltG: whole.saltG * liquid, sidMmol: whole.sidMmol * liquid,
    acids: Object.fromEntries(Object.entries(whole.acids).map(([id, mmol]) => [id, mmol * liquid])),
    sugarG: mapRange(whole.sugarG, grams => grams * liquid), heat,
  })
  // More thrown out means less heat kept: the ends of the range cross over.
  const baseHeat = { low: whole.heat.low * (1 - heatOut(solidsThrownOut.high)), typical: whole.heat.typical * (1 - heatOut(r)), high: whole.heat.high * (1 - heatOut(solidsThrownOut.low)) }
  const pulpHeat = { low: whole.heat.low - baseHeat.low, typical: whole.heat.typical - baseHeat.typical, high: whole.heat.high - baseHeat.high }
  const base = part(inG - outG, 1 - liquidOut, baseHeat)
  return { base: ofMass(base, baseG), pulp: part(outG, liquidOut, pulpHeat), solidsThrownOut }
}

