import { proxy } from 'comlink'
import type { Aim, FrontierPoint, MixAnswer, MixSet } from '@lactofer/core'
import type { BlendApi } from './blend.worker'
import { asker } from './lazyWorker'

const ask = asker<BlendApi>(() => new Worker(new URL('./blend.worker.ts', import.meta.url), { type: 'module' }))

/** Asks for amounts that meet the targets; the solver is loaded with the first question. */
export const askForMix = (set: MixSet): Promise<MixAnswer> => ask(async (worker) => worker.solve(set))

/** How two properties pull against each other; `null` when it was cancelled or asked anew meanwhile. */
export const askForFrontier = (
  set: MixSet,
  index: number,
  aims: readonly [Aim, Aim],
  points: number,
  progress: (share: number) => void,
): Promise<FrontierPoint[] | null> => ask((worker) => worker.frontier(set, index, aims, points, proxy(progress)))
export const cancelFrontier = (): Promise<void> => ask((worker) => worker.cancel())
