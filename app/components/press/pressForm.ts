import { z } from 'zod'
import {
  InvalidInput,
  ofMass,
  pressBalance,
  PRESS_METHODS,
  propertiesOf,
  separate,
  type Composition,
  type PressMethod,
} from '@lactofer/core'

const massG = z.number().nullable()

/** A press while it is weighed; it stays in the browser until it is recorded. */
export const PressFormSchema = z.object({
  lotId: z.string(),
  method: z.enum(PRESS_METHODS),
  inG: massG,
  baseG: massG,
  pulpG: massG,
  seedsG: massG,
  brineG: massG,
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
  code: '',
  keepPulp: false,
  keepBrine: true,
  marks: [],
})

/** What was weighed in and out, g. */
export type PressWeights = ReturnType<typeof weightsOf> & object

/** The weights, once all of them are known. */
export function weightsOf({ inG, baseG, pulpG, seedsG, brineG }: PressForm) {
  if (inG === null || baseG === null || pulpG === null || seedsG === null || brineG === null) return null
  return { inG, baseG, pulpG, seedsG, brineG }
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

/** What base, pulp, seeds, brine and loss carry away of a ferment. */
export function pressedOf(composition: Composition, method: PressMethod, weights: PressWeights) {
  const { base, pulp, seeds, brine, lost, solidsThrownOut } = separate(composition, method, weights)
  const streams: [string, Composition][] = [
    ['base', base],
    ['pulp', pulp],
    ['seeds', seeds],
    ['brine', brine],
    ['lost', lost],
  ]
  return {
    ...propertiesOf(base),
    solidsThrownOut,
    was: propertiesOf(ofMass(composition, 1000)),
    streams: streams.filter(([, part]) => part.massG >= 0.5),
    wholeHeat: streams.reduce((sum, [, part]) => sum + part.heat.typical, 0),
  }
}
export type Pressed = ReturnType<typeof pressedOf>

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
