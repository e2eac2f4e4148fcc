import { configure, ZipWriter } from '@zip.js/zip.js'
import {
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  archivePage,
  fold,
  IN_ARCHIVE,
  pictureName,
  PictureTypeSchema,
  versionOf,
  type ArchivedPicture,
  type Entry,
  type Manifest,
  type NewerEntry,
  type UnitWorld,
} from '@lactofer/core'
import { seal, sealOf } from './seal'

// It runs in a worker of our own; workers of its own would be fetched from where our policy lets none come from.
configure({ useWebWorkers: false })

/** What goes into an archive. Pictures are fetched one at a time: all of them together may not fit into memory. */
export interface ArchiveSource {
  entries: readonly Entry[]
  newer: readonly NewerEntry[]
  pictureIds: readonly string[]
  picture: (id: string) => Promise<Blob | undefined>
}

/** So many characters are gathered before they are handed on. */
const CHUNK = 200_000

/** Text in parts as a stream of bytes; `seen` is shown each piece on its way. */
function streamOf(parts: Iterable<string>, seen: (bytes: Uint8Array) => void = () => undefined): ReadableStream {
  const iterator = parts[Symbol.iterator]()
  const encoder = new TextEncoder()
  return new ReadableStream({
    pull(controller) {
      let text = ''
      while (text.length < CHUNK) {
        const next = iterator.next()
        if (next.done) break
        text += next.value
      }
      if (!text) return controller.close()
      const bytes = encoder.encode(text)
      seen(bytes)
      controller.enqueue(bytes)
    },
  })
}

function* linesOf({ entries, newer }: ArchiveSource): Generator<string> {
  for (const entry of entries) yield `${JSON.stringify(entry)}\n`
  for (const { entry } of newer) yield `${JSON.stringify(entry)}\n`
}

/** Writes the pictures, each as it is: they are compressed already. Returns what the manifest says of them. */
async function writePictures(zip: ZipWriter<unknown>, source: ArchiveSource): Promise<ArchivedPicture[]> {
  const written: ArchivedPicture[] = []
  for (const id of source.pictureIds) {
    const blob = await source.picture(id)
    const type = PictureTypeSchema.safeParse(blob?.type)
    if (!blob || !type.success) continue
    const bytes = new Uint8Array(await blob.arrayBuffer())
    const picture = { id, type: type.data, size: bytes.length, sha256: await sealOf(bytes) }
    await zip.add(pictureName(picture), streamOfBytes(bytes), { level: 0 })
    written.push(picture)
  }
  return written
}

const streamOfBytes = (bytes: Uint8Array): ReadableStream =>
  new ReadableStream({
    start(controller) {
      if (bytes.length) controller.enqueue(bytes)
      controller.close()
    },
  })

/** Writes an archive, streamed from end to end. Returns its manifest. */
export async function writeArchive(
  source: ArchiveSource,
  target: WritableStream,
  { writtenAt, world }: { writtenAt: string; world: UnitWorld },
): Promise<Manifest> {
  const zip = new ZipWriter(target, { lastModDate: new Date(writtenAt) })
  const sealed = seal()
  await zip.add(IN_ARCHIVE.entries, streamOf(linesOf(source), sealed.add))
  const photos = await writePictures(zip, source)
  const paths = new Map(photos.map((picture) => [picture.id, pictureName(picture)]))
  const page = archivePage(fold(source.entries), { writtenAt, world, picture: (id) => paths.get(id) })
  await zip.add(IN_ARCHIVE.page, streamOf(page))
  const manifest: Manifest = {
    ...{ format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, logVersion: versionOf(source.newer), writtenAt },
    entries: { count: source.entries.length + source.newer.length, sha256: sealed.hex() },
    photos,
  }
  await zip.add(IN_ARCHIVE.manifest, streamOf([JSON.stringify(manifest, null, 1)]))
  await zip.close()
  return manifest
}
