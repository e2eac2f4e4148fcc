import { lazyWorker } from './lazyWorker'
import type { VesselAnswer, VesselApi, VesselQuestion } from './vessels.worker'

export type { VesselAnswer, VesselQuestion }

const worker = lazyWorker<VesselApi>(
  () => new Worker(new URL('./vessels.worker.ts', import.meta.url), { type: 'module' }),
)

/** Asks which vessels to fill. */
export const askForVessels = (question: VesselQuestion): Promise<VesselAnswer> => worker().choose(question)
