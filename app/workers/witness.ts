import { inPractice } from '~/db/loft'
import { lazyWorker } from './lazyWorker'
import type { WitnessApi } from './witness.worker'

/** The worker that keeps the second copy: the browser's private files can be written in step there only. */
export const witness = lazyWorker<WitnessApi>(
  () => new Worker(new URL('./witness.worker.ts', import.meta.url), { type: 'module' }),
)

/** Whether there is a second copy: this browser has private files that can be written from here. Practice has none. */
export const hasPrivateFiles = (): boolean =>
  !inPractice && 'storage' in navigator && 'getDirectory' in navigator.storage && 'locks' in navigator
