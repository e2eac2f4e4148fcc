import { asker } from './lazyWorker'
import type { PhotoApi } from './photo.worker'

const ask = asker<PhotoApi>(() => new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' }))

/** Reduces a picture off the main thread; `null` when it is no picture this browser can read. */
export const reducePhoto = (file: Blob): Promise<Blob | null> => ask((worker) => worker.reduce(file))
