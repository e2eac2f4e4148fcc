import { lazyWorker } from './lazyWorker'
import type { TableApi } from './table.worker'

export type { OpenedTable, ReadTable } from './table.worker'

/** The worker that reads loggers' files. */
export const tableReader = lazyWorker<TableApi>(
  () => new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' }),
)
