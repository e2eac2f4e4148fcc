import { InvalidInput, within } from '../invalid'
import { ofMass, otherSolidsG, sharesOf, type Composition } from '../composition/composition'
import { HEAT_IN_SOLIDS, strainingKeeps } from '../pungency/scoville'
import { exactly, mapRange, type Range } from '../working'

/**
 * How a ferment is pressed. `scrape` blends it fine and scrapes it through a sieve; `sieve` and `cloth` let it drip or
 * wring it out; `drain` lets the liquid run off and chops the pieces; `draw` takes liquid only and leaves the rest
 * fermenting.
 */
export const PRESS_METHODS = ['whole', 'scrape', 'sieve', 'cloth', 'drain', 'draw'] as const
export type PressMethod = (typeof PRESS_METHODS)[number]

/** Dry solids in the wet pulp that a method leaves, as a fraction. Judgement, from handling. */
const PULP_DRYNESS: Record<PressMethod, Range> = {
  whole: exactly(0),
  scrape: { low: 0.2, typical: 0.28, high: 0.38 },
  sieve: { low: 0.18, typical: 0.25, high: 0.35 },
  cloth: { low: 0.25, typical: 0.32, high: 0.4 },
  drain: { low: 0.12, typical: 0.2, high: 0.3 },
  draw: exactly(0),
}
/**
 * Share of the solids that a method can hold back at most: what is blended fine and scraped goes through, but for seeds
 * and skins. Judgement.
 */
const HELD_BACK: Record<PressMethod, Range> = {
  whole: exactly(0.95),
  scrape: { low: 0.2, typical: 0.35, high: 0.5 },
  sieve: exactly(0.95),
  cloth: exactly(0.95),
  drain: exactly(0.95),
  draw: exactly(0.95),
}
/** Dry solids in seeds that were picked out wet. Judgement. */
const SEED_DRYNESS: Range = { low: 0.3, typical: 0.5, high: 0.7 }

/**
 * Weights at the press, g. `brineG` is liquid that was let off before and kept apart, `spiltG` liquid that ran over,
 * `boardG` pieces that stayed on board and knife.
 */
export interface PressWeights {
  inG: number
  baseG: number
  pulpG: number
  seedsG: number
  brineG?: number | undefined
  spiltG?: number | undefined
  boardG?: number | undefined
}

/** How a base came out, as anybody sees. */
export const CAME_OUT = ['pours', 'thick', 'sticks'] as const
export type CameOut = (typeof CAME_OUT)[number]

/** Solids of a base that comes out so, percent; the words overlap as they do in talk. Judgement. */
const BODY_OF: Record<CameOut, { low: number; high: number }> = {
  pours: { low: 0, high: 9 },
  thick: { low: 7, high: 13 },
  sticks: { low: 11, high: 100 },
}

/** What became of the weights. `missingG` is what does not add up: drips, spoons, the sieve. */
export interface PressBalance {
  missingG: number
  missingPct: number
  yieldPct: number
  sentence: string
}

/** Balances the press. @throws InvalidInput when more came out than went in (by over 1 %, or 5 g). */
export function pressBalance(weights: PressWeights): PressBalance {
  const { inG, baseG, pulpG, seedsG, brineG = 0, spiltG = 0, boardG = 0 } = weights
  within(inG, 1, 1e6, 'What went in, in grams,')
  for (const [mass, name] of [
    [baseG, 'base'],
    [pulpG, 'pulp'],
    [seedsG, 'seeds'],
    [brineG, 'brine'],
    [spiltG, 'liquid that ran over'],
    [boardG, 'rest on the board'],
  ] as const)
    within(mass, 0, 1e6, `The ${name} in grams`)
  const missingG = inG - baseG - pulpG - seedsG - brineG - spiltG - boardG
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
  spilt: Composition
  board: Composition
  lost: Composition
  solidsThrownOut: Range
  /** How it came out does not fit these weights. */
  odd: boolean
}

/**
 * What goes one way at the press: so much of the mass, of the liquid (a share), and of the heat (a share that is not
 * known exactly).
 */
interface Stream {
  massG: number
  liquid: number
  pungency: Range
}

/** A stream out of a whole, and the rest. More heat gone means less of it left: the ends of the range cross over. */
function divide(whole: Composition, { massG, liquid, pungency }: Stream): { out: Composition; rest: Composition } {
  const part = (mass: number, share: number, kept: Range): Composition => ({
    ...whole,
    massG: mass,
    waterG: whole.waterG * share,
    saltG: whole.saltG * share,
    sidMmol: whole.sidMmol * share,
    acids: Object.fromEntries(Object.entries(whole.acids).map(([id, mmol]) => [id, mmol * share])),
    sugarG: mapRange(whole.sugarG, (grams) => grams * share),
    pungency: {
      low: whole.pungency.low * kept.low,
      typical: whole.pungency.typical * kept.typical,
      high: whole.pungency.high * kept.high,
    },
  })
  return {
    out: part(massG, liquid, pungency),
    rest: part(whole.massG - massG, 1 - liquid, {
      low: 1 - pungency.high,
      typical: 1 - pungency.typical,
      high: 1 - pungency.low,
    }),
  }
}

const liquidIn = (whole: Composition) => whole.massG - otherSolidsG(whole)

/** Liquid and nothing else: none of the solids, and of the heat the part that is not in them. */
function liquidStream(whole: Composition, massG: number): Stream {
  const liquid = liquidIn(whole) > 0 ? Math.min(1, massG / liquidIn(whole)) : 0
  return { massG, liquid, pungency: exactly((1 - HEAT_IN_SOLIDS) * liquid) }
}

/** Share of a whole's solids in what is thrown or picked out wet, by how dry it is. */
function solidsOut(whole: Composition, massG: number, dryness: Range, most: Range): Range {
  const solidsG = otherSolidsG(whole)
  const share = (end: keyof Range) => (solidsG > 0 ? Math.min(most[end], (massG * dryness[end]) / solidsG) : 0)
  return { low: share('low'), typical: share('typical'), high: share('high') }
}

/**
 * The same share, narrowed by how the rest came out: a base that sticks lost few of its solids, one that pours many.
 * @param restG what is left once `massG` are out. `odd` where no share of these weights comes out so.
 */
function narrowed(
  { low, typical, high }: Range,
  whole: Composition,
  restG: number,
  cameOut: CameOut | undefined,
): { solids: Range; odd: boolean } {
  const body = sharesOf(whole).bodyPct
  // Sugar and what else is dissolved stays in the liquid: its share of the body does not change.
  const dissolved = body - (100 * otherSolidsG(whole)) / Math.max(1e-9, whole.massG)
  const solidsPct = (100 * otherSolidsG(whole)) / Math.max(1e-9, restG)
  if (!cameOut || high - low < 1e-9 || !(solidsPct > 0)) return { solids: { low, typical, high }, odd: false }
  const shareAt = (bodyPct: number) => 1 - (bodyPct - dissolved) / solidsPct
  const from = shareAt(BODY_OF[cameOut].high)
  const to = shareAt(BODY_OF[cameOut].low)
  const clamp = (share: number) => Math.min(high, Math.max(low, share))
  const ends = { low: clamp(from), high: clamp(to) }
  return {
    solids: { ...ends, typical: Math.min(ends.high, Math.max(ends.low, typical)) },
    odd: from > high || to < low,
  }
}

/** What goes out wet with a share of the solids; the rest of it is liquid of the same make-up. */
function wetStream(whole: Composition, massG: number, solids: Range): Stream {
  const solidsG = otherSolidsG(whole)
  const liquid = liquidIn(whole) > 0 ? Math.min(1, Math.max(0, massG - solids.typical * solidsG) / liquidIn(whole)) : 0
  return {
    massG,
    liquid,
    pungency: mapRange(solids, (share) => Math.min(1, 1 - strainingKeeps(share) + (1 - HEAT_IN_SOLIDS) * liquid)),
  }
}

/**
 * Splits a ferment into base, pulp, seeds, brine kept apart, what ran over, what stayed on the board, and what was
 * lost. Brine and what ran over are liquid alone; pulp and seeds hold part of the solids and liquid of the same
 * make-up; heat stays mostly with the solids. Mass, water, salt, acid, sugar and typical heat are conserved between
 * all of them.
 * @param cameOut how the base came out: it narrows what share of the solids went with the pulp.
 */
export function separate(
  ferment: Composition,
  method: PressMethod,
  { inG, baseG, pulpG: weighedPulpG, seedsG, brineG = 0, spiltG = 0, boardG = 0 }: PressWeights,
  cameOut?: CameOut,
): Pressed {
  const none = ofMass(ferment, 0)
  if (method === 'draw')
    return {
      ...{ pulp: none, seeds: none, brine: none, spilt: none, board: none, lost: none },
      base: divide(ferment, liquidStream(ferment, baseG)).out,
      solidsThrownOut: exactly(0),
      odd: false,
    }
  const whole = ofMass(ferment, inG)
  const pulpG = method === 'whole' ? 0 : weighedPulpG
  const brine = divide(whole, liquidStream(whole, brineG))
  const spilt = divide(brine.rest, liquidStream(brine.rest, spiltG))
  const pieces = ofMass(spilt.rest, Math.max(0, spilt.rest.massG - boardG))
  const seedSolids = solidsOut(pieces, seedsG, SEED_DRYNESS, exactly(0.95))
  const seeds = divide(pieces, wetStream(pieces, seedsG, seedSolids))
  const { solids, odd } = narrowed(
    solidsOut(seeds.rest, pulpG, PULP_DRYNESS[method], HELD_BACK[method]),
    seeds.rest,
    seeds.rest.massG - pulpG,
    cameOut,
  )
  const pulp = divide(seeds.rest, wetStream(seeds.rest, pulpG, solids))
  const thrown = (end: keyof Range) => Math.min(0.95, seedSolids[end] + solids[end])
  return {
    base: ofMass(pulp.rest, Math.min(baseG, pulp.rest.massG)),
    pulp: pulp.out,
    seeds: seeds.out,
    brine: brine.out,
    spilt: spilt.out,
    board: ofMass(spilt.rest, Math.min(boardG, spilt.rest.massG)),
    lost: ofMass(pulp.rest, Math.max(0, pulp.rest.massG - baseG)),
    solidsThrownOut: { low: thrown('low'), typical: thrown('typical'), high: thrown('high') },
    odd,
  }
}
