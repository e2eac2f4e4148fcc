import { wrap, type Remote } from 'comlink'
import type { FreeVessel, VesselChoice } from '@lactofer/core'
import type { VesselApi } from './vessels.worker'

export interface VesselQuestion { volumeMl: number, free: readonly FreeVessel[], limit: number, least: number }
export interface VesselAnswer { choices: VesselChoice[], problem: string | null }

let remote: Remote<VesselApi> | undefined

/** Asks the worker; it is started with the first question. */
export async function askForVessels(question: VesselQuestion): Promise<VesselAnswer> {
  remote ??= wrap<VesselApi>(new Worker(new URL('./vessels.worker.ts', import.meta.url), { type: 'module' }))
  return remote.choose(question)
}
