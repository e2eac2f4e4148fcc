import { expose } from 'comlink'
import {
  pictureFile,
  readPictureFile,
  readWitness,
  sealed,
  unsealed,
  witnessHead,
  type Witnessed,
} from '@lactofer/core/witness'
import { PASSING, privateFolder } from './privateFolder'

/*
 * The second copy, in the browser's private files: appended and flushed before anything is called recorded. One file a
 * tab, since a file can be written from one place only; whoever comes next writes on in a file that nobody holds.
 */

/** A file is not appended to any more from this size on, and smaller closed ones are folded into one. Bytes. */
const FULL = 1_000_000
/** So many closed small files are left lying. */
const LEFT = 4

const ENDING = '.log'
const ERASING = 'erasing'
const WHOLLY = { recursive: true }

/** What the files hold that the database does not, and the other way round. */
export interface Compared {
  /** Entries that only the files have. */
  missing: Witnessed[]
  /** Ids that only the database has. */
  unwitnessed: string[]
  /** Entries in the files, and lines that fail their checksum. */
  entries: number
  damaged: number
}

let database = ''
/** File names of the pictures that are whole, by id; read with the first question. */
let pictures: Map<string, string> | null = null
let own: { handle: FileSystemSyncAccessHandle; size: number } | null = null

const encoder = new TextEncoder()
const decoder = new TextDecoder()

const folder = (...path: string[]) => privateFolder(database, ...path)

async function namesIn(directory: FileSystemDirectoryHandle): Promise<string[]> {
  const names: string[] = []
  for await (const name of directory.keys()) names.push(name)
  return names.sort()
}

/** The file for writing, or `null` while another tab holds it. */
const holdFile = async (directory: FileSystemDirectoryHandle, name: string) =>
  (await directory.getFileHandle(name, { create: true })).createSyncAccessHandle().catch(() => null)

function bytesIn(handle: FileSystemSyncAccessHandle): Uint8Array {
  const bytes = new Uint8Array(handle.getSize())
  handle.read(bytes, { at: 0 })
  return bytes
}

const LINE_END = '\n'.charCodeAt(0)
/** Cuts a last line off that was not finished: nobody was told that it is recorded. */
function cutTorn(handle: FileSystemSyncAccessHandle, bytes: Uint8Array): void {
  const end = bytes.lastIndexOf(LINE_END) + 1
  if (end === bytes.length) return
  handle.truncate(end)
  handle.flush()
}

/** A small closed file that witnesses the database, ready to be written; `null` where it is none or another tab's. */
async function holdSmall(directory: FileSystemDirectoryHandle, name: string) {
  const handle = await holdFile(directory, name)
  if (!handle) return null
  const bytes = handle.getSize() < FULL ? bytesIn(handle) : null
  const text = bytes && decoder.decode(bytes)
  if (bytes && text?.startsWith(witnessHead(database))) {
    cutTorn(handle, bytes)
    return { handle, size: handle.getSize(), text }
  }
  handle.close()
  return null
}

const logsIn = async (directory: FileSystemDirectoryHandle): Promise<string[]> =>
  (await namesIn(directory)).filter((name) => name.endsWith(ENDING))

function writeAt(handle: FileSystemSyncAccessHandle, bytes: Uint8Array<ArrayBuffer>, at: number): void {
  if (handle.write(bytes, { at }) < bytes.length)
    throw new DOMException('The file could not be written to its end.', 'QuotaExceededError')
}

/** Writes at the end and flushes: when this returns it is on the disk. Where that fails the file is as it was. */
function append(to: { handle: FileSystemSyncAccessHandle; size: number }, text: string): void {
  const bytes = encoder.encode(text)
  try {
    writeAt(to.handle, bytes, to.size)
    to.handle.flush()
    to.size += bytes.length
  } catch (error) {
    to.handle.truncate(to.size)
    throw error
  }
}

/** Takes a file of its own: one that is closed and small, else a new one. */
async function takeFile(): Promise<void> {
  const directory = await folder()
  for (const name of await logsIn(directory)) if ((own = await holdSmall(directory, name))) return
  own = await newFile(directory)
}

async function newFile(directory: FileSystemDirectoryHandle): Promise<NonNullable<typeof own>> {
  const handle = await holdFile(directory, `${crypto.randomUUID()}${ENDING}`)
  if (!handle) throw new DOMException('A new file could not be opened.', 'NoModificationAllowedError')
  const file = { handle, size: 0 }
  append(file, witnessHead(database))
  return file
}

async function textOf(directory: FileSystemDirectoryHandle, name: string): Promise<string> {
  return (await (await directory.getFileHandle(name)).getFile()).text()
}

/** Every line of every file, each entry once. */
async function readAll(): Promise<{ lines: Map<string, Witnessed>; damaged: number }> {
  const directory = await folder()
  const lines = new Map<string, Witnessed>()
  let damaged = 0
  for (const name of await logsIn(directory)) {
    const file = readWitness(await textOf(directory, name), database)
    damaged += file?.damaged ?? 0
    for (const line of file?.lines ?? []) {
      const key = `${line.id} ${line.version}`
      const known = lines.get(key)
      if (!known || saysMore(line, known)) lines.set(key, line)
    }
  }
  return { lines, damaged }
}

/** Of two lines of one entry, the one that a newer version filled in is the longer. */
const saysMore = (line: Witnessed, than: Witnessed): boolean =>
  JSON.stringify(line.entry).length > JSON.stringify(than.entry).length

/** Folds closed small files into one: the new one is written and flushed before an old one goes. */
async function foldFiles(): Promise<void> {
  const directory = await folder()
  const held: { name: string; handle: FileSystemSyncAccessHandle; text: string }[] = []
  for (const name of await logsIn(directory)) {
    const file = await holdSmall(directory, name)
    if (file) held.push({ name, ...file })
  }
  try {
    if (held.length < LEFT) return
    // The last piece of each is empty, or was not finished.
    const lines = new Set(held.flatMap(({ text }) => text.slice(witnessHead(database).length).split('\n').slice(0, -1)))
    const file = await newFile(directory)
    append(file, [...lines, ''].join('\n'))
    file.handle.close()
    for (const { name, handle } of held) {
      handle.close()
      await directory.removeEntry(name)
    }
  } finally {
    for (const { handle } of held) handle.close()
  }
}

/** Writes a whole file and flushes it. */
async function writeWhole(directory: FileSystemDirectoryHandle, name: string, bytes: Uint8Array<ArrayBuffer>) {
  const handle = await holdFile(directory, name)
  if (!handle) throw new DOMException('Another tab is writing this file.', 'NoModificationAllowedError')
  try {
    handle.truncate(0)
    writeAt(handle, bytes, 0)
    handle.flush()
  } finally {
    handle.close()
  }
}

async function wholePictures(): Promise<Map<string, string>> {
  if (pictures) return pictures
  pictures = new Map()
  const directory = await folder('pictures')
  for (const name of await namesIn(directory)) {
    const told = readPictureFile(name)
    const whole = told && (await (await directory.getFileHandle(name)).getFile()).size === told.bytes
    if (whole) pictures.set(told.id, name)
  }
  return pictures
}

function release(): void {
  own?.handle.close()
  own = null
}

const draftName = (key: string) => `${encodeURIComponent(key)}.txt`

/** One after the other, in the order they were asked. */
let last: Promise<unknown> = Promise.resolve()
function inTurn<Args extends unknown[], Answer>(work: (...args: Args) => Promise<Answer> | Answer) {
  return (...args: Args): Promise<Answer> => {
    const mine = last.then(() => work(...args))
    last = mine.catch(() => undefined)
    return mine
  }
}

const api = {
  /**
   * Opens the files that witness a database, and a file of its own. Tells whether all was to be erased and is not yet.
   */
  open: inTurn(async (name: string): Promise<{ erasing: boolean }> => {
    database = name
    const erasing = (await namesIn(await folder())).includes(ERASING)
    if (!erasing) await takeFile()
    return { erasing }
  }),
  /** Appends lines in one flush. */
  append: inTurn(async (text: string) => {
    own ??= await newFile(await folder())
    append(own, text)
  }),
  /** Compares what the files hold with the ids the database has. */
  compare: inTurn(async (ids: readonly string[]): Promise<Compared> => {
    const { lines, damaged } = await readAll()
    const here = new Set(ids)
    const found = new Set([...lines.values()].map(({ id }) => id))
    return {
      missing: [...lines.values()].filter(({ id }) => !here.has(id)),
      unwitnessed: ids.filter((id) => !found.has(id)),
      entries: found.size,
      damaged,
    }
  }),
  /** Folds closed files together, and removes an archive for the downloads that was last written before `beforeMs`. */
  fold: inTurn(async (beforeMs: number) => {
    await foldFiles()
    const directory = await folder()
    if (!(await namesIn(directory)).includes(PASSING)) return
    const { lastModified } = await (await directory.getFileHandle(PASSING)).getFile()
    if (lastModified < beforeMs) await directory.removeEntry(PASSING)
  }),
  /** Keeps a picture. */
  keepPicture: inTurn(async (id: string, blob: Blob) => {
    const name = pictureFile(id, blob.size, blob.type)
    await writeWhole(await folder('pictures'), name, new Uint8Array(await blob.arrayBuffer()))
    pictures?.set(id, name)
  }),
  /** Ids of the pictures that are whole. */
  pictures: inTurn(async () => [...(await wholePictures()).keys()]),
  picture: inTurn(async (id: string): Promise<Blob | null> => {
    const name = (await wholePictures()).get(id)
    if (!name) return null
    const file = await (await (await folder('pictures')).getFileHandle(name)).getFile()
    return new Blob([await file.arrayBuffer()], { type: readPictureFile(name)?.type ?? '' })
  }),
  /** A form that was begun: the text as it stands. */
  keepDraft: inTurn(async (key: string, text: string) =>
    writeWhole(await folder('drafts'), draftName(key), encoder.encode(sealed(text))),
  ),
  /** Every form that was begun, as its text stands. */
  drafts: inTurn(async (): Promise<{ key: string; text: string }[]> => {
    const directory = await folder('drafts')
    const found: { key: string; text: string }[] = []
    for (const name of await namesIn(directory)) {
      const text = unsealed(await textOf(directory, name))
      if (text !== null) found.push({ key: decodeURIComponent(name.replace(/\.txt$/, '')), text })
    }
    return found
  }),
  /** Lets its file go, so that all can be erased. */
  release: inTurn(release),
  /** Writes down that all is to be erased: whatever happens then, the next start finishes it. */
  beginErasing: inTurn(async () => {
    await (await folder()).getFileHandle(ERASING, { create: true })
  }),
  /** Removes everything that witnesses the database, and with it the word that it is to be erased. */
  erase: inTurn(async () => {
    release()
    pictures = null
    const all = await (await navigator.storage.getDirectory()).getDirectoryHandle('witness', { create: true })
    const directory = await folder()
    for (const name of await namesIn(directory)) if (name !== ERASING) await directory.removeEntry(name, WHOLLY)
    await all.removeEntry(database, WHOLLY)
  }),
}
export type WitnessApi = typeof api
expose(api)
