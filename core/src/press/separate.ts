import { InvalidInput, within } from '../invalid'
import { ofMass, otherSolidsG, type Composition } from '../composition/composition'
import { HEAT_IN_SOLIDS, strainingKeeps } from '../heat/scoville'
import { exactly, mapRange, type Range } from '../working'

/**
 * How a ferment is pressed. `drain` lets the liquid run off and chops the pieces; `draw` takes liquid only and leaves
 * the rest fermenting.
 */
export const PRESS_METHODS = ['whole', 'sieve', 'cloth', 'drain', 'draw'] as const
export type PressMethod = (typeof PRESS_METHODS)[number]

/** Dry solids in the wet pulp that a method leaves, as a fraction. Judgement, from handling. */
const PULP_DRYNESS: Record<PressMethod, Range> = {
  whole: exactly(0),
  sieve: { low: 0.18, typical: 0.25, high: 0.35 },
  cloth: { low: 0.25, typical: 0.32, high: 0.4 },
  drain: { low: 0.12, typical: 0.2, high: 0.3 },
  draw: exactly(0),
}
/** Dry solids in seeds that were picked out wet. Judgement. */
const SEED_DRYNESS: Range = { low: 0.3, typical: 0.5, high: 0.7 }

/** Weights at the press, g. `brineG` is liquid that was let off before and kept apart. */
export interface PressWeights {
  inG: number
  baseG: number
  pulpG: number
  seedsG: number
  brineG?: number | undefined
}

/** What became of the weights. `missingG` is what does not add up: drips, spoons, the sieve. */
export interface PressBalance {
  missingG: number
  missingPct: number
  yieldPct: number
  sentence: string
}

/** Balances the press. @throws InvalidInput when more came out than went in (by over 1 %, or 5 g). */
export function pressBalance({ inG, baseG, pulpG, seedsG, brineG = 0 }: PressWeights): PressBalance {
  within(inG, 1, 1e6, 'What went in, in grams,')
  for (const [mass, name] of [
    [baseG, 'base'],
    [pulpG, 'pulp'],
    [seedsG, 'seeds'],
    [brineG, 'brine'],
  ] as const)
    within(mass, 0, 1e6, `The ${name} in grams`)
  const missingG = inG - baseG - pulpG - seedsG - brineG
  if (missingG < -Math.max(5, 0.01 * inG)) {
    throw new InvalidInput(
      `More came out than went in: ${Math.round(-missingG)} g too much. Check the tare of the bowl.`,
    )
  }
  const missingPct = (100 * missingG) / inG
  return {
    missingG,
    missingPct,
    yieldPct: (100 * baseG) / inG,
    sentence:
      missingPct > 5
        ? `${Math.round(missingG)} g (${missingPct.toFixed(1)} %) are not accounted for. Weigh the pulp again before it is thrown out.`
        : 'The weights add up.',
  }
}

/**
 * Everything that one pressing leaves. `lost` is what does not add up, taken to be like the base; together they are
 * what went in.
 */
export interface Pressed {
  base: Composition
  pulp: Composition
  seeds: Composition
  brine: Composition
  lost: Composition
  solidsThrownOut: Range
}

/**
 * What goes one way at the press: so much of the mass, of the liquid (a share), and of the heat (a share that is not
 * known exactly).
 */
interface Stream {
  massG: number
  liquid: number
  heat: Range
}

/** A stream out of a whole, and the rest. More heat gone means less of it left: the ends of the range cross over. */
function divide(whole: Composition, { massG, liquid, heat }: Stream): { out: Composition; rest: Composition } {
  const part = (mass: number, share: number, kept: Range): Composition => ({
    ...whole,
    massG: mass,
    waterG: whole.waterG * share,
    saltG: whole.saltG * share,
    sidMmol: whole.sidMmol * share,
    acids: Object.fromEntries(Object.entries(whole.acids).map(([id, mmol]) => [id, mmol * share])),
    sugarG: mapRange(whole.sugarG, (grams) => grams * share),
    heat: {
      low: whole.heat.low * kept.low,
      typical: whole.heat.typical * kept.typical,
      high: whole.heat.high * kept.high,
    },
  })
  return {
    out: part(massG, liquid, heat),
    rest: part(whole.massG - massG, 1 - liquid, { low: 1 - heat.high, typical: 1 - heat.typical, high: 1 - heat.low }),
  }
}

const liquidIn = (whole: Composition) => whole.massG - otherSolidsG(whole)

/** Liquid and nothing else: none of the solids, and of the heat the part that is not in them. */
function liquidStream(whole: Composition, massG: number): Stream {
  const liquid = liquidIn(whole) > 0 ? Math.min(1, massG / liquidIn(whole)) : 0
  return { massG, liquid, heat: exactly((1 - HEAT_IN_SOLIDS) * liquid) }
}

/**
 * What is thrown or picked out wet: `dryness` of it are solids, the rest is liquid of the same make-up; nine tenths
 * of the heat go with the solids.
 */
function wetStream(whole: Composition, massG: number, dryness: Range): Stream & { solids: Range } {
  const solidsG = otherSolidsG(whole)
  const solids = mapRange(dryness, (fraction) => (solidsG > 0 ? Math.min(0.95, (massG * fraction) / solidsG) : 0))
  const liquid = liquidIn(whole) > 0 ? Math.min(1, Math.max(0, massG - solids.typical * solidsG) / liquidIn(whole)) : 0
  return {
    massG,
    liquid,
    heat: mapRange(solids, (share) => Math.min(1, 1 - strainingKeeps(share) + (1 - HEAT_IN_SOLIDS) * liquid)),
    solids,
  }
}

/**
 * Splits a ferment into base, pulp, seeds, brine kept apart, and what was lost. Brine is liquid alone; pulp and
 * seeds hold part of the solids and liquid of the same make-up;
 * heat stays mostly with the solids. Mass, water, salt, acid, sugar and typical heat are conserved between all of them.
 */
export function separate(
  ferment: Composition,
  method: PressMethod,
  { inG, baseG, pulpG, seedsG, brineG = 0 }: PressWeights,
): Pressed {
  const none = ofMass(ferment, 0)
  if (method === 'draw')
    return {
      base: divide(ferment, liquidStream(ferment, baseG)).out,
      pulp: none,
      seeds: none,
      brine: none,
      lost: none,
      solidsThrownOut: exactly(0),
    }
  const whole = ofMass(ferment, inG)
  const brine = divide(whole, liquidStream(whole, brineG))
  const seedsOut = wetStream(brine.rest, seedsG, SEED_DRYNESS)
  const seeds = divide(brine.rest, seedsOut)
  const pulpOut = wetStream(seeds.rest, method === 'whole' ? 0 : pulpG, PULP_DRYNESS[method])
  const pulp = divide(seeds.rest, pulpOut)
  const thrown = (end: keyof Range) => Math.min(0.95, seedsOut.solids[end] + pulpOut.solids[end])
  return {
    base: ofMass(pulp.rest, Math.min(baseG, pulp.rest.massG)),
    pulp: pulp.out,
    seeds: seeds.out,
    brine: brine.out,
    lost: ofMass(pulp.rest, Math.max(0, pulp.rest.massG - baseG)),
    solidsThrownOut: { low: thrown('low'), typical: thrown('typical'), high: thrown('high') },
  }
}
