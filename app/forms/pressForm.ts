import { z } from '@lactofer/core'
import {
  CAME_OUT,
  InvalidInput,
  ofMass,
  pressBalance,
  PRESS_METHODS,
  propertiesOf,
  separate,
  spoonsG,
  type CameOut,
  type Composition,
  type Draft,
  type Library,
  type PressMethod,
} from '@lactofer/core'

const massG = z.number().nullable()
/** Thinned with the brine that was let off it. */
export const OWN_BRINE = 'own brine'

/** A press while it is weighed; it stays in the browser until it is recorded. */
export const PressFormSchema = z.object({
  lotId: z.string(),
  method: z.enum(PRESS_METHODS),
  inG: massG,
  baseG: massG,
  pulpG: massG,
  seedsG: massG,
  brineG: massG,
  spiltG: massG.default(0),
  boardG: massG.default(0),
  /** How the base came out; empty while nobody said. */
  cameOut: z.enum(['', ...CAME_OUT]).default(''),
  /** What thins it, by the spoon: its own brine, or a material. */
  thinWith: z.string().default(OWN_BRINE),
  thinSpoons: z.number().int().min(0).max(400).default(0),
  code: z.string(),
  keepPulp: z.boolean(),
  keepBrine: z.boolean(),
  /** The jars that are pressed, of a lot in several. */
  marks: z.array(z.string()).default([]),
})
export type PressForm = z.infer<typeof PressFormSchema>

export const freshPress = (): PressForm => ({
  lotId: '',
  method: 'sieve',
  inG: null,
  baseG: null,
  pulpG: 0,
  seedsG: 0,
  brineG: 0,
  spiltG: 0,
  boardG: 0,
  cameOut: '',
  thinWith: OWN_BRINE,
  thinSpoons: 0,
  code: '',
  keepPulp: false,
  keepBrine: true,
  marks: [],
})

/** What was weighed in and out, g. */
export type PressWeights = ReturnType<typeof weightsOf> & object

/** The weights, once all of them are known. */
export function weightsOf({ inG, baseG, pulpG, seedsG, brineG, method, ...rest }: PressForm) {
  if (inG === null || baseG === null || pulpG === null || seedsG === null || brineG === null) return null
  const [spiltG, boardG] = method === 'drain' ? [rest.spiltG, rest.boardG] : [0, 0]
  if (spiltG === null || boardG === null) return null
  return { inG, baseG, pulpG, seedsG, brineG, spiltG, boardG }
}

/** The balance of what was weighed, or why there is none. */
export function balanceOf(weights: PressWeights) {
  try {
    return { ...pressBalance(weights), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message }
    throw error
  }
}
export type Balance = ReturnType<typeof balanceOf>

/** What base, pulp, seeds, brine, board and loss carry away of a ferment. */
export function pressedOf(composition: Composition, method: PressMethod, weights: PressWeights, cameOut?: CameOut) {
  const pressed = separate(composition, method, weights, cameOut)
  const { base, pulp, seeds, brine, spilt, board, lost, solidsThrownOut, odd } = pressed
  const streams: [string, Composition][] = [
    ['base', base],
    ['pulp', pulp],
    ['seeds', seeds],
    ['brine', brine],
    ['ran over', spilt],
    ['board', board],
    ['lost', lost],
  ]
  return {
    ...propertiesOf(base),
    ...{ base, brine, solidsThrownOut, odd },
    was: propertiesOf(ofMass(composition, 1000)),
    streams: streams.filter(([, part]) => part.massG >= 0.5),
    wholeHeat: streams.reduce((sum, [, part]) => sum + part.pungency.typical, 0),
  }
}
export type Pressed = ReturnType<typeof pressedOf>

/** What was stirred into a base by the spoon, as it is put in; nothing where no spoon was, or no brine is kept. */
export function thinDrafts(
  { thinSpoons }: PressForm,
  liquid: { id: string; composition: Composition } | null,
  { at, lotId, brineLotId, name }: Draft & { kind: 'press' },
  library: Library,
): Draft[] {
  const own = liquid?.id === OWN_BRINE
  if (!liquid || thinSpoons === 0 || (own && !brineLotId)) return []
  const { low, typical, high } = spoonsG(liquid.composition, thinSpoons)
  const put = { kind: 'add', at, lotId, reason: 'Thinned at the press.' } as const
  const said = `${thinSpoons} tbsp`
  const betweenG = { low, high }
  if (liquid.id === 'water')
    return [{ ...put, rows: [], saltG: 0, waterG: typical, waterSaid: said, waterBetweenG: betweenG }]
  const raw = { preparation: 'raw', seedsOut: false } as const
  const row = own
    ? { materialId: 'lot', lotId: brineLotId, name: `${name}, brine`.slice(0, 80) }
    : { materialId: liquid.id, name: library.materialOrUnknown(liquid.id).name }
  return [{ ...put, waterG: 0, saltG: 0, rows: [{ ...row, ...raw, massG: typical, said, betweenG }] }]
}

/** More than the lot holds by this much is a wrong tare. */
const TARE = 1.1

/**
 * What is wrong with the weights.
 * @param leftG what the lot holds. @param unbalanced what the balance says against them.
 */
export function weightsProblem(form: PressForm, leftG: number, unbalanced: string | null): string | null {
  if (!weightsOf(form)) return 'Every weight is needed; write 0 where there was none.'
  if (form.baseG === 0) return 'No base came out: weigh it.'
  if ((form.inG ?? 0) > leftG * TARE) return 'This is more than the lot holds. Check the tare.'
  return unbalanced
}
