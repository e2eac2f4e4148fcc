import { wrap, type Remote } from 'comlink'
import type { PhotoApi } from './photo.worker'

let remote: Remote<PhotoApi> | undefined

/** Reduces a picture in a worker; `null` when it is no picture this browser can read. */
export async function reducePhoto(file: Blob): Promise<Blob | null> {
  remote ??= wrap<PhotoApi>(new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' }))
  return remote.reduce(file)
}
