import { proxy } from 'comlink'
import { asker } from './lazyWorker'
import type { Photo } from '~/db/journal'
import type { ArchiveApi, Preview, TakenIn, Written } from './archive.worker'

export type { Preview, TakenIn, Written }

const ask = asker<ArchiveApi>(() => new Worker(new URL('./archive.worker.ts', import.meta.url), { type: 'module' }))

/** Writes an archive into a file of a chosen folder, or into one that comes back. */
export const writeArchive: (...asked: Parameters<ArchiveApi['write']>) => Promise<Written> = (...asked) =>
  ask((worker) => worker.write(...asked))

/** Keeps where a long log may begin, worked out from all of it. @param untilMs what is dated later is set aside. */
export const makeCheckpoint = (untilMs: number): Promise<void> => ask((worker) => worker.checkpoint(untilMs))

/** Reads a file and says what it would bring; nothing of it is taken in. */
export const lookAtLog = (file: Blob): ReturnType<ArchiveApi['look']> => ask(async (worker) => worker.look(file))

/** Takes in what was looked at last. @param keepPicture keeps one picture in every place it belongs. */
export const takeLog = (keepPicture: (photo: Photo) => Promise<void>): ReturnType<ArchiveApi['take']> =>
  ask(async (worker) => worker.take(proxy(keepPicture)))
