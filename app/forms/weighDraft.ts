import { z } from '@lactofer/core'
import {
  CLOSURE_NAMES,
  PACKING_CHECKS,
  startWeighIn,
  vesselMark,
  WeighInSchema,
  type EntryOf,
  type PackingCheck,
  type WeighIn,
} from '@lactofer/core'
import { formOfIntended } from './planForm'

/** One vessel at packing: empty, then full, on the scale. */
export const FillingSchema = z.object({
  vesselId: z.string(),
  mark: z.string(),
  tareG: z.number().nullable(),
  grossG: z.number().nullable(),
  hot: z.boolean(),
})
export type Filling = z.infer<typeof FillingSchema>

/** A weigh-in on its way, with the packing that ends it: kept in the browser at every step. `null` before it began. */
export const WeighDraftSchema = z
  .object({
    planId: z.string(),
    weigh: WeighInSchema,
    fillings: z.array(FillingSchema),
    closure: z.enum(CLOSURE_NAMES).nullable(),
    called: z.string().default(''),
    place: z.string(),
    done: z.array(z.enum(PACKING_CHECKS.map((check) => check.id) as [PackingCheck, ...PackingCheck[]])),
  })
  .nullable()
export type WeighDraft = NonNullable<z.infer<typeof WeighDraftSchema>>

/** A weigh-in that begins: what was said of the packing with the plan is not asked again. */
export function freshWeighIn(plan: EntryOf<'plan'>, done: readonly PackingCheck[]): WeighDraft {
  const { closure, called, place } = formOfIntended(plan)
  return {
    ...{ planId: plan.id, weigh: startWeighIn(plan), fillings: [] },
    ...{ closure, called, place, done: [...done] },
  }
}

/** What is in a vessel by the scale; `null` until both weights are there. */
export const netG = ({ tareG, grossG }: Filling): number | null =>
  tareG === null || grossG === null ? null : grossG - tareG

/** What is in each vessel: by the scale, or its share of what is left by its size. `totalG` is what was weighed in. */
export function massesOf(
  fillings: readonly Filling[],
  totalG: number,
  capacityOf: (vesselId: string) => number,
): number[] {
  const nets = fillings.map(netG)
  const restG = Math.max(0, totalG - nets.reduce<number>((sum, net) => sum + (net ?? 0), 0))
  const openMl = fillings.reduce(
    (sum, { vesselId }, index) => (nets[index] === null ? sum + capacityOf(vesselId) : sum),
    0,
  )
  return fillings.map(
    ({ vesselId }, index) => nets[index] ?? (openMl > 0 ? (restG * capacityOf(vesselId)) / openMl : 0),
  )
}

/** Sentence for a vessel whose weights cannot be. */
export const fillingProblem = (filling: Filling): string | null => {
  const net = netG(filling)
  return net !== null && net <= 0 ? 'Full weighs no more than empty. Check which was which.' : null
}

/** Vessels as they are before anything is in them. @param tareOf what a vessel weighs empty, where that is known. */
export const emptyFillings = (vesselIds: readonly string[], tareOf: (id: string) => number | undefined): Filling[] =>
  vesselIds.map((vesselId, index) => ({
    vesselId,
    mark: vesselMark(index, vesselIds.length),
    tareG: tareOf(vesselId) ?? null,
    grossG: null,
    hot: false,
  }))

/** The vessels as they are packed. @param massG what was weighed in, shared out over those that were not weighed. */
export function packedVessels(
  fillings: readonly Filling[],
  massG: number,
  capacityMl: (id: string) => number,
): EntryOf<'pack'>['vessels'] {
  const masses = massesOf(fillings, massG, capacityMl)
  return fillings.map(({ vesselId, mark, hot, tareG }, index) => ({
    vesselId,
    mark,
    hot,
    massG: masses[index] ?? 0,
    ...(tareG !== null && { tareG }),
  }))
}

/** One more step, for the salt that is still missing. */
export const withMoreSalt = (state: WeighIn, missingG: number): WeighIn => ({
  ...state,
  at: state.steps.length,
  steps: [
    ...state.steps,
    {
      kind: 'salt',
      row: null,
      name: 'Salt, the rest',
      plannedG: missingG,
      takenG: null,
      state: 'waits',
      how: 'added',
    },
  ],
})
