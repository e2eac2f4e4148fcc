import { expose } from 'comlink'
import {
  FILE_VERSION,
  InvalidInput,
  kindOf,
  mergeEntries,
  mergeNewer,
  photosOf,
  type Entry,
  type UnitWorld,
} from '@lactofer/core'
import { readLog, type ReadLog } from '~/archive/readArchive'
import { writeArchive } from '~/archive/writeArchive'
import { PASSING, privateFolder } from './privateFolder'
import { allEntries, allNewer, JOURNAL, journal, merge, ownPhotoIds, photoIds, type Photo } from '~/db/journal'
import { keepCheckpoint } from '~/db/checkpoint'

/** What an archive took in, and where it is where no folder was given. */
export interface Written {
  entries: number
  pictures: number
  /** The maker's own of them: what the next archive is compared with. */
  own: { entries: number; pictures: number; releases: number }
  bytes: number
  file: Blob | null
}

/** What a file would bring, before anything of it is taken in. */
export interface Preview {
  writtenAt: string | null
  version: number
  entries: { fresh: number; known: number; newer: number }
  pictures: { fresh: number; known: number; leftOut: number }
  /** Lots that are not here yet, as their tape says. */
  lots: { code: string; name: string }[]
  /** First and last moment of what is new. */
  from: string | null
  to: string | null
}

/** What was taken in. */
export interface TakenIn {
  added: number
  newer: number
  known: number
  pictures: number
  /** What is said more fully now than it was. */
  fuller: Entry[]
}

/** An answer, or the sentence of a refusal: classes do not cross. */
export type Answer<T> = { found: T; problem: null } | { found: null; problem: string }

/** The file that was looked at last, ready to be taken in. */
let waiting: ReadLog | null = null

async function answer<T>(work: () => Promise<T>): Promise<Answer<T>> {
  try {
    return { found: await work(), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { found: null, problem: error.message }
    throw error
  }
}

/** A file of the browser's own for an archive on its way to the downloads: memory stays small. */
async function passingFile(): Promise<FileSystemFileHandle | null> {
  if (!('storage' in navigator) || !('getDirectory' in navigator.storage)) return null
  // It lies with the second copy, so that erasing takes it along.
  const folder = await privateFolder(JOURNAL)
  return folder.getFileHandle(PASSING, { create: true })
}

/** A stream that counts, and is gathered in memory where there is no file for it. */
async function targetFor(file: FileSystemFileHandle | null) {
  const gathered: Uint8Array<ArrayBuffer>[] = []
  let bytes = 0
  const to = file ? await file.createWritable() : null
  const stream = new WritableStream<Uint8Array<ArrayBuffer>>({
    async write(piece) {
      bytes += piece.length
      if (to) await to.write(piece)
      else gathered.push(piece)
    },
    close: () => to?.close(),
    abort: (reason) => to?.abort(reason),
  })
  return { stream, bytes: () => bytes, blob: () => new Blob(gathered, { type: 'application/zip' }) }
}

async function write(writtenAt: string, world: UnitWorld, folder: FileSystemFileHandle | null): Promise<Written> {
  const file = folder ?? (await passingFile())
  const [entries, newer, pictureIds, ownIds] = await Promise.all([allEntries(), allNewer(), photoIds(), ownPhotoIds()])
  const own = entries.filter(({ origin }) => origin === 'maker')
  const picture = async (id: string) => (await journal.photos.get(id))?.blob
  const target = await targetFor(file)
  const manifest = await writeArchive({ entries, newer, pictureIds, picture }, target.stream, { writtenAt, world })
  return {
    entries: manifest.entries.count,
    pictures: manifest.photos.length,
    own: {
      entries: own.length,
      pictures: ownIds.length,
      releases: own.filter(({ kind }) => kind === 'release').length,
    },
    bytes: target.bytes(),
    file: folder ? null : file ? await file.getFile() : target.blob(),
  }
}

/** Lots that entries bring into being. */
const lotsMade = (entries: readonly Entry[]): Preview['lots'] =>
  entries.flatMap((entry) => (kindOf(entry).makes?.(entry) ?? []).map(({ code, name }) => ({ code, name })))

async function look(file: Blob): Promise<Preview> {
  waiting = null
  const log = await readLog(file)
  const [here, newerHere, photosHere] = await Promise.all([allEntries(), allNewer(), photoIds()])
  const merged = mergeEntries(here, log.entries, log.version > FILE_VERSION)
  const newer = mergeNewer(newerHere, log.newer)
  const photos = new Set(photosHere)
  const fresh = log.pictureIds.filter((id) => !photos.has(id))
  const moments = merged.added.map(({ at }) => at).sort()
  waiting = log
  return {
    ...{ writtenAt: log.writtenAt, version: log.version, lots: lotsMade(merged.added) },
    entries: { fresh: merged.added.length + merged.fuller.length, newer: newer.length, known: merged.known },
    pictures: { fresh: fresh.length, known: log.pictureIds.length - fresh.length, leftOut: log.leftOut },
    ...{ from: moments[0] ?? null, to: moments.at(-1) ?? null },
  }
}

/** Takes in what was looked at: pictures first, entries last and all at once. */
async function take(keepPicture: (photo: Photo) => Promise<void>): Promise<TakenIn> {
  if (!waiting) throw new InvalidInput('Choose the file once more. Nothing was changed.')
  const { picture, pictureIds, ...log } = waiting
  const here = new Set(await photoIds())
  const demo = new Set(log.entries.filter(({ origin }) => origin === 'demo').flatMap(photosOf))
  const fresh = pictureIds.filter((id) => !here.has(id))
  for (const id of fresh) await keepPicture({ id, blob: await picture(id), origin: demo.has(id) ? 'demo' : 'maker' })
  const { added, fuller, newer, known } = await merge(log)
  waiting = null
  return { added: added.length, newer: newer.length, known, pictures: fresh.length, fuller }
}

const api = {
  /** Writes an archive: into a file of the chosen folder, else into one of the browser's own, which comes back. */
  write,
  /** Works out and keeps where the log may begin. */
  checkpoint: keepCheckpoint,
  /** Reads a file, holds it to its checksums and says what it would bring. */
  look: (file: Blob) => answer(() => look(file)),
  /** Takes in what was looked at last. */
  take: (keepPicture: (photo: Photo) => Promise<void>) => answer(() => take(keepPicture)),
}
export type ArchiveApi = typeof api
expose(api)
