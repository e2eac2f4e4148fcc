import type { PracticeRun, Sampled } from '@lactofer/core'
import type { PracticeApi } from './practice.worker'
import { asker } from './lazyWorker'

const ask = asker<PracticeApi>(() => new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' }))

/** The world behind the practice loft, worked out beside the page. */
export const practiser = {
  looks: (run: PracticeRun, nowMs: number) => ask((worker) => worker.looks(run, nowMs)),
  change: (run: PracticeRun, nowMs: number) => ask((worker) => worker.change(run, nowMs)),
  sample: (run: PracticeRun, nowMs: number, lotId: string, mark: string, of: Sampled) =>
    ask((worker) => worker.sample(run, nowMs, lotId, mark, of)),
  strip: (run: PracticeRun, nowMs: number, lotId: string, mark: string, of: Sampled) =>
    ask((worker) => worker.strip(run, nowMs, lotId, mark, of)),
  taste: (run: PracticeRun, nowMs: number, lotId: string, mark: string) =>
    ask((worker) => worker.taste(run, nowMs, lotId, mark)),
  debrief: (run: PracticeRun, nowMs: number, offsetMs: number) => ask((worker) => worker.debrief(run, nowMs, offsetMs)),
}
