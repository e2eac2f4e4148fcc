import { asker } from './lazyWorker'
import type { VesselAnswer, VesselApi, VesselQuestion } from './vessels.worker'

export type { VesselAnswer, VesselQuestion }

const ask = asker<VesselApi>(() => new Worker(new URL('./vessels.worker.ts', import.meta.url), { type: 'module' }))

/** Asks which vessels to fill. */
export const askForVessels = (question: VesselQuestion): Promise<VesselAnswer> =>
  ask((worker) => worker.choose(question))
