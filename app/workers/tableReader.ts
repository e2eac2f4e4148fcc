import type { Remote } from 'comlink'
import { asker } from './lazyWorker'
import type { TableApi } from './table.worker'

export type { OpenedTable, ReadTable } from './table.worker'
export type TableReader = Remote<TableApi>

/** Asks the worker that reads loggers' files. */
export const askTableReader = asker<TableApi>(
  () => new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' }),
)
