import { BlobReader, configure, ZipReader, type Entry as ZipEntry, type FileEntry } from '@zip.js/zip.js'
import {
  ARCHIVE_VERSION,
  FILE_VERSION,
  IN_ARCHIVE,
  InvalidInput,
  LARGEST_PICTURE,
  LONGEST_LINE,
  parseJson,
  pictureName,
  readFile,
  readManifest,
  receiver,
  type ArchivedPicture,
  type LogFile,
  type Manifest,
} from '@lactofer/core'
import { seal, sealOf } from './seal'

configure({ useWebWorkers: false })

/** A log that came in as a file, read and found whole; nothing of it is taken in yet. */
export interface ReadLog extends Pick<LogFile, 'version' | 'entries' | 'newer' | 'leftOut'> {
  writtenAt: string | null
  pictureIds: readonly string[]
  /** One picture, read when it is asked for. */
  picture: (id: string) => Promise<Blob>
}

const UNCHANGED = 'Nothing was changed.'
const CUT_OFF = `This archive was cut off or damaged. ${UNCHANGED}`
const MANIFEST_LIMIT = 400_000_000
/** A file of entries that is no archive is read at once: as large as that it cannot be. Bytes. */
const TEXT_LIMIT = 450_000_000

/** Files of an archive by name. */
async function filesOf(blob: Blob): Promise<Map<string, FileEntry>> {
  const entries: ZipEntry[] = await new ZipReader(new BlobReader(blob)).getEntries().catch(() => {
    throw new InvalidInput(CUT_OFF)
  })
  return new Map(entries.flatMap((entry) => (entry.directory ? [] : [[entry.filename, entry] as const])))
}

/** What is written to the one end is read from the other, at the reader's pace; a failure ends both. */
function passage() {
  let control!: ReadableStreamDefaultController<Uint8Array>
  let wanted: () => void = () => undefined
  const readable = new ReadableStream<Uint8Array>({
    start: (controller) => void (control = controller),
    pull: () => wanted(),
    cancel: () => wanted(),
  })
  const writable = new WritableStream<Uint8Array>({
    async write(piece) {
      control.enqueue(piece.slice())
      if ((control.desiredSize ?? 0) <= 0) await new Promise<void>((resolve) => (wanted = resolve))
    },
  })
  return { readable, writable, close: () => control.close(), fail: (error: unknown) => control.error(error) }
}

/** The bytes of a file in an archive, in pieces; never more than `limit`, whatever the archive says of their number. */
async function* piecesOf(file: FileEntry, limit: number): AsyncGenerator<Uint8Array> {
  const { readable, writable, close, fail } = passage()
  const stop = new AbortController()
  // What goes wrong on the way comes out at the reader's end.
  void file.getData(writable, { checkSignature: true, signal: stop.signal }).then(close, fail).catch(fail)
  const reader = readable.getReader()
  let size = 0
  try {
    for (;;) {
      const { done, value } = await reader.read().catch(() => {
        throw new InvalidInput(CUT_OFF)
      })
      if (done) return
      size += value.length
      if (size > limit) throw new InvalidInput(`This archive is larger inside than it says. ${UNCHANGED}`)
      yield value
    }
  } finally {
    stop.abort()
    await reader.cancel().catch(() => undefined)
  }
}

async function textOf(file: FileEntry | undefined, limit: number): Promise<string> {
  if (!file) throw new InvalidInput(`This is a zip file, but not an archive of Lactofer. ${UNCHANGED}`)
  const decoder = new TextDecoder()
  let text = ''
  for await (const piece of piecesOf(file, limit)) text += decoder.decode(piece, { stream: true })
  return text + decoder.decode()
}

function parseLine(line: string): unknown {
  try {
    return parseJson(line)
  } catch (error) {
    throw error instanceof InvalidInput ? new InvalidInput(CUT_OFF) : error
  }
}

/** The entries of an archive, held to the manifest's count and checksum. */
async function entriesOf(file: FileEntry | undefined, { entries: said, logVersion }: Manifest) {
  if (!file) throw new InvalidInput(CUT_OFF)
  const sealed = seal()
  const decoder = new TextDecoder()
  const received = receiver(logVersion)
  let count = 0
  let rest = ''
  for await (const piece of piecesOf(file, Infinity)) {
    sealed.add(piece)
    const lines = (rest + decoder.decode(piece, { stream: true })).split('\n')
    rest = lines.pop() ?? ''
    count += lines.length
    if (rest.length > LONGEST_LINE || count > said.count) throw new InvalidInput(CUT_OFF)
    for (const line of lines) received.take(parseLine(line))
  }
  if (rest || count !== said.count || sealed.hex() !== said.sha256) throw new InvalidInput(CUT_OFF)
  return received
}

/** A picture of an archive, held to its size and checksum. */
async function pictureOf(file: FileEntry | undefined, picture: ArchivedPicture): Promise<Blob> {
  if (!file) throw new InvalidInput(CUT_OFF)
  const parts: Uint8Array[] = []
  for await (const piece of piecesOf(file, Math.min(LARGEST_PICTURE, picture.size))) {
    parts.push(piece)
  }
  const blob = new Blob(parts as BlobPart[], { type: picture.type })
  if ((await sealOf(new Uint8Array(await blob.arrayBuffer()))) !== picture.sha256) throw new InvalidInput(CUT_OFF)
  return blob
}

async function readZip(blob: Blob): Promise<ReadLog> {
  const files = await filesOf(blob)
  const manifest = readManifest(await textOf(files.get(IN_ARCHIVE.manifest), MANIFEST_LIMIT))
  const { entries, newer } = await entriesOf(files.get(IN_ARCHIVE.entries), manifest)
  const pictures = new Map(manifest.photos.map((picture) => [picture.id, picture]))
  const picture = (id: string): Promise<Blob> => {
    const said = pictures.get(id)
    if (!said) throw new InvalidInput(CUT_OFF)
    return pictureOf(files.get(pictureName(said)), said)
  }
  // All of it is looked at before anything is taken in.
  for (const id of pictures.keys()) await picture(id)
  return {
    ...{ entries, newer, picture, writtenAt: manifest.writtenAt, leftOut: 0, pictureIds: [...pictures.keys()] },
    version: Math.max(manifest.logVersion, manifest.version > ARCHIVE_VERSION ? FILE_VERSION + 1 : 1),
  }
}

/** An open file: all in one text, pictures in base 64. */
async function readText(blob: Blob): Promise<ReadLog> {
  if (blob.size > TEXT_LIMIT)
    throw new InvalidInput(`This file is larger than any log without its pictures. ${UNCHANGED}`)
  const { version, entries, newer, photos, leftOut } = readFile(await blob.text())
  const pictures = new Map(photos.map((photo) => [photo.id, photo]))
  return {
    ...{ version, entries, newer, leftOut, writtenAt: null, pictureIds: [...pictures.keys()] },
    picture(id) {
      const { data = '', type = '' } = pictures.get(id) ?? {}
      const bytes = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))
      return Promise.resolve(new Blob([bytes], { type }))
    },
  }
}

/**
 * Reads a log from a file, an archive or an open file, and holds it to its checksums. Nothing is written.
 * @throws InvalidInput with a plain sentence when it is refused.
 */
export async function readLog(blob: Blob): Promise<ReadLog> {
  const start = new Uint8Array(await blob.slice(0, 2).arrayBuffer())
  // "PK": every zip begins with it.
  return start[0] === 0x50 && start[1] === 0x4b ? readZip(blob) : readText(blob)
}
