import { expose } from 'comlink'
import Dexie from 'dexie'
import { MINUTE_MS } from '@lactofer/core'
import { mayWrite } from '~/db/chosenFolder'
import { allEntries, allNewer, journal, keepPhotos, merge, ownPhotoIds } from '~/db/journal'
import { keepCame, linkFolder, links, ownDevice, ownSecret, tell, type Told } from '~/db/links'
import { linesOf } from '~/db/secondCopy'
import { writing } from '~/db/writing'
import { RoomShare, type Device, type OwnLog, type RoomMemory } from '~/link/exchange'
import { FolderShare } from '~/link/folder'
import { roomOf } from '~/link/seal'
import { Away, Refused, wireTo } from '~/link/wire'

/*
 * Passes entries and pictures on between this device's log and the others', over every way that is switched on: away
 * from the page, which is told what came by its own queries.
 */

/** What was taken in and belongs into the second copy, which the page writes: lines of entries, ids of pictures. */
interface Taken {
  lines: string
  pictures: string[]
}
let taken: Taken = { lines: '', pictures: [] }

/** Takes something in, never while all is erased, nor after: a device that was erased has joined nothing. */
const takeIn = <T>(work: () => Promise<T>): Promise<T> =>
  writing(async () => {
    if (!(await ownDevice())) throw new Error('This device has joined nothing.')
    return work()
  })

/** The log as it stands; read again once something was written to the database, in other windows too. */
let kept: ReturnType<OwnLog['entries']> | undefined
let photos: Promise<string[]> | undefined
Dexie.on('storagemutated', () => (kept = photos = undefined))

const log: OwnLog = {
  entries: () => (kept ??= Promise.all([allEntries(), allNewer()]).then(([entries, newer]) => ({ entries, newer }))),
  async merge(file) {
    const { added, fuller, newer } = await takeIn(() => merge(file))
    kept = undefined
    taken.lines += linesOf([...added, ...fuller], newer)
    return [...added, ...newer].map(({ id }) => id)
  },
  pictures: () => (photos ??= ownPhotoIds()),
  async picture(id) {
    const blob = (await journal.photos.get(id))?.blob
    return blob ? { id, type: blob.type, bytes: new Uint8Array(await blob.arrayBuffer()) } : null
  },
  async keepPicture({ id, type, bytes }) {
    await takeIn(() => keepPhotos([{ id, blob: new Blob([bytes], { type }), origin: 'maker' }]))
    photos = undefined
    taken.pictures.push(id)
  },
}

/** What is remembered of a room, read once. */
async function memoryOf(room: string): Promise<RoomMemory> {
  const parcels = new Set<string>()
  const entries = new Set<string>()
  const pictures = new Set<string>()
  async function read() {
    for (const known of [parcels, entries, pictures]) known.clear()
    for (const { name, ids, picture } of await links.parcels.where('room').equals(room).toArray()) {
      parcels.add(name)
      for (const id of ids) entries.add(id)
      if (picture) pictures.add(picture)
    }
  }
  await read()
  return {
    ...{ parcels, entries, pictures },
    async remember(name, { ids, picture }, came) {
      await links.parcels.put({ name, room, ids, picture })
      parcels.add(name)
      for (const id of ids) entries.add(id)
      if (picture) pictures.add(picture)
      if (came?.ids.length) await keepCame({ from: came.head.name, atMs: came.head.atMs, ids: came.ids })
    },
    async forget(names) {
      if (!names.length) return
      await links.parcels.bulkDelete([...names])
      await read()
    },
  }
}

/** What one run came to. */
export interface Ran {
  came: number
  /** Something is left to be done at once. */
  more: boolean
  /** A way could not be gone. */
  away: boolean
}
const NOTHING: Ran = { came: 0, more: false, away: false }
const SHARED: Told = { state: 'shared', why: '', entries: 0, pictures: 0, refused: [], aheadMs: null }

let room: { secret: string; device: string; wire: ReturnType<typeof wireTo>; share: RoomShare } | null
let folder: { handle: FileSystemDirectoryHandle; share: FolderShare } | null = null

async function openRoom(secret: string, device: Device) {
  const name = JSON.stringify(device)
  if (room?.secret === secret && room.device === name) return room
  const found = await roomOf(secret)
  if (!found) throw new Error('The code of the room cannot be read.')
  const wire = wireTo(found)
  const share = new RoomShare({ room: found, wire, memory: await memoryOf(found.number), log }, device)
  return (room = { secret, device: name, wire, share })
}

async function runRoom(device: Device, nowMs: number): Promise<Ran> {
  const secret = await ownSecret()
  if (!secret) return NOTHING
  const { share } = await openRoom(secret, device)
  let ran = NOTHING
  let told = SHARED
  try {
    const { came, more, serverMs } = await share.exchange(nowMs)
    ran = { came, more, away: false }
    // To the minute: how long the answer took changes nothing of what is told.
    told = { ...SHARED, aheadMs: Math.round((nowMs - serverMs) / MINUTE_MS) * MINUTE_MS }
  } catch (error) {
    if (!(error instanceof Away || error instanceof Refused)) throw error
    const state = error instanceof Away ? 'away' : error.status === 410 ? 'closed' : 'refused'
    ran = { ...NOTHING, away: true }
    told = { ...SHARED, state, why: error.message }
  }
  const { entries, pictures } = await share.waiting()
  // Switched off or changed meanwhile: what is told is of a room this device is no longer in.
  if ((await ownSecret()) === secret) await tell('room', { ...told, entries, pictures, refused: share.refused() })
  return ran
}

async function runFolder(device: Device, nowMs: number): Promise<Ran> {
  const handle = await linkFolder()
  if (!handle) return NOTHING
  if (!folder || !(await folder.handle.isSameEntry(handle))) {
    const tellCame = (from: string, ids: string[]) => keepCame({ from, atMs: nowMs, ids })
    folder = { handle, share: new FolderShare(handle, log, device, tellCame) }
  }
  try {
    if (!(await mayWrite(handle))) {
      const why = 'The browser wants a yes before it opens the folder again.'
      await tell('folder', { ...SHARED, state: 'asks', why })
      return { ...NOTHING, away: true }
    }
    const { came, more, damaged } = await folder.share.exchange()
    await tell('folder', { ...SHARED, refused: damaged.map(({ file, why }) => `${file}: ${why}`) })
    return { came, more, away: false }
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    await tell('folder', { ...SHARED, state: 'away', why: 'The folder cannot be reached.' })
    return { ...NOTHING, away: true }
  }
}

const api = {
  /** One exchange over every way that is switched on. */
  async run(nowMs: number): Promise<Ran & { taken: Taken }> {
    taken = { lines: '', pictures: [] }
    const device = await ownDevice()
    if (!device) return { ...NOTHING, taken }
    const ran = [await runRoom(device, nowMs), await runFolder(device, nowMs)]
    return {
      taken,
      came: ran[0]!.came + ran[1]!.came,
      more: ran.some(({ more }) => more),
      away: ran.some(({ away }) => away),
    }
  },
  /** Takes all parcels out of the room. @param close nobody enters it any more. @returns why not, or nothing. */
  async clear(close: boolean): Promise<string> {
    const secret = await ownSecret()
    const found = secret === null ? null : await roomOf(secret)
    try {
      if (found) await wireTo(found).clear(close)
      return ''
    } catch (error) {
      if (error instanceof Refused && error.status === 410) return ''
      if (error instanceof Away || error instanceof Refused) return error.message
      throw error
    }
  },
}
export type LinkApi = typeof api
expose(api)
