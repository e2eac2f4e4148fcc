import { asker } from './lazyWorker'
import type { LinkApi } from './link.worker'

const ask = asker<LinkApi>(() => new Worker(new URL('./link.worker.ts', import.meta.url), { type: 'module' }))

/** One exchange with the other devices, over every way that is switched on. */
export const runLink = (nowMs: number): ReturnType<LinkApi['run']> => ask(async (worker) => worker.run(nowMs))

/** Takes all parcels out of this device's room. @returns why it could not be, or nothing. */
export const clearRoom = (close: boolean): Promise<string> => ask((worker) => worker.clear(close))
