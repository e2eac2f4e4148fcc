import type { DateWriting } from '~/clock/moments'
import { asker } from './lazyWorker'
import type { LabelJob, PaperApi, PaperJob, ShownLabel } from './paper.worker'

export type { LabelJob, PaperJob, ShownLabel } from './paper.worker'

const ask = asker<PaperApi>(() => new Worker(new URL('./paper.worker.ts', import.meta.url), { type: 'module' }))

/** Sets a label as it will be printed. */
export const setLabel = (job: LabelJob): Promise<ShownLabel> => ask((worker) => worker.set(job))

/** Makes a PDF. */
export const printPaper = (job: PaperJob, dates: DateWriting): Promise<Uint8Array> =>
  ask((worker) => worker.print(job, dates))
