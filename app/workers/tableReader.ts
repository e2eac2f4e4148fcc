import { wrap, type Remote } from 'comlink'
import type { TableApi } from './table.worker'

export type { OpenedTable, ReadTable } from './table.worker'

let remote: Remote<TableApi> | undefined

/** The worker that reads loggers' files; started with the first one. */
export function tableReader(): Remote<TableApi> {
  remote ??= wrap<TableApi>(new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' }))
  return remote
}
