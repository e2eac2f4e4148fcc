import { z } from 'zod'
import { STORES, TREATMENTS, USUAL_REFERENCE, wayOf, type Lot } from '@lactofer/core'

const amount = z.number().nullable()

/**
 * A run of bottles while it is prepared: anything may still be missing. It stays in the browser until it is recorded.
 */
export const RunFormSchema = z.object({
  treatment: z.enum(TREATMENTS),
  store: z.enum(STORES),
  formatId: z.string(),
  count: amount,
  partMl: amount,
  lossMl: amount,
  code: z.string(),
  bestBefore: z.string(),
  place: z.string(),
  retained: amount,
  testBottle: z.boolean(),
  netG: z.array(z.number()),
  referenceId: z.string(),
  refC: amount,
  zC: amount,
  minutes: amount,
  highestPh: amount,
  source: z.string(),
  altitudeM: amount,
  fillC: amount,
  glassC: amount,
  wantedC: amount,
})
export type RunForm = z.infer<typeof RunFormSchema>

/** An empty run for a blend: cooked sauces are filled hot, others kept cold. */
export function freshRun(lot: Lot | undefined, formatId: string): RunForm {
  const treatment = lot?.made.kind === 'blend' && lot.made.cooked ? 'cooked-hot-fill' : 'live-cold'
  return {
    treatment,
    store: wayOf(treatment).store,
    formatId,
    count: null,
    partMl: 0,
    lossMl: 0,
    code: '',
    bestBefore: '',
    place: 'Cellar',
    retained: 0,
    testBottle: treatment === 'live-cold',
    netG: [],
    referenceId: USUAL_REFERENCE.id,
    refC: 93.3,
    zC: 8.9,
    minutes: null,
    highestPh: 4.1,
    source: '',
    altitudeM: 0,
    fillC: 88,
    glassC: 22,
    wantedC: 82,
  }
}
