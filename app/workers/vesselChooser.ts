import { wrap, type Remote } from 'comlink'
import type { VesselAnswer, VesselApi, VesselQuestion } from './vessels.worker'

export type { VesselAnswer, VesselQuestion }

let remote: Remote<VesselApi> | undefined

/** Asks the worker; it is started with the first question. */
export async function askForVessels(question: VesselQuestion): Promise<VesselAnswer> {
  remote ??= wrap<VesselApi>(new Worker(new URL('./vessels.worker.ts', import.meta.url), { type: 'module' }))
  return remote.choose(question)
}
