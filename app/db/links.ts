import Dexie, { type Table } from 'dexie'
import type { Device } from '~/link/exchange'
import { gate } from './gate'
import { inLoft } from './loft'
import { watched } from './opening'

/* What this device knows of the others of its workshop: a database of its own, so that the log does not hang on it. */

/** The two ways to the others. */
export type Way = 'room' | 'folder'

/** How a way stands, as it was last told. */
export interface Told {
  /** `asks`: the browser wants a yes before it opens the folder again. `closed`: a member took the room away. */
  state: 'shared' | 'away' | 'closed' | 'refused' | 'asks'
  /** Why not, in a sentence; empty where it is shared, or the server is away. */
  why: string
  /** What of this log has not been left for the others yet. */
  entries: number
  pictures: number
  /** Why what others left was refused. */
  refused: string[]
  /** How far this device's clock is ahead of the server's, ms; `null` where nobody told. */
  aheadMs: number | null
}

/** What is switched on, by what it is. */
interface Joined {
  key: 'device' | Way | `told ${Way}`
  value: unknown
}
/** A parcel of a room that was opened or left here, and what lies in it. */
export interface KnownParcel {
  name: string
  room: string
  ids: readonly string[]
  picture: string | null
}
/** What came at once from another device. */
export interface Came {
  number?: number
  /** The device's name, and when it left this, ms. */
  from: string
  atMs: number
  /** How many entries, and the ids of the last of them. */
  count: number
  ids: string[]
}

class Links extends Dexie {
  declare joined: Table<Joined, string>
  declare parcels: Table<KnownParcel, string>
  declare came: Table<Came, number>

  constructor() {
    super(inLoft('lactofer-link'), watched())
    this.version(1).stores({ joined: 'key', parcels: 'name, room', came: '++number' })
    gate(this, 'joined')
  }
}
export const links = new Links()

const of = async <T>(key: Joined['key']): Promise<T | null> => ((await links.joined.get(key))?.value as T) ?? null
const put = (key: Joined['key'], value: unknown) => links.joined.put({ key, value })

/** This device as the others know it; `null` before anything was switched on. */
export const ownDevice = (): Promise<Device | null> => of<Device>('device')
export const keepDevice = (device: Device): Promise<unknown> => put('device', device)

/** The secret of the room this device is in; the folder it shares through. */
export const ownSecret = (): Promise<string | null> => of<string>('room')
export const linkFolder = (): Promise<FileSystemDirectoryHandle | null> => of<FileSystemDirectoryHandle>('folder')

/** How a way stands; `null` where it is off, or was not tried yet. */
export const toldOf = (way: Way): Promise<Told | null> => of<Told>(`told ${way}`)
/** Writes down how a way stands, where that changed. */
export async function tell(way: Way, told: Told): Promise<void> {
  if (JSON.stringify(await toldOf(way)) !== JSON.stringify(told)) await put(`told ${way}`, told)
}

/** Switches a way on, in the place of the one of its kind before. */
export const switchOn = (way: Way, value: string | FileSystemDirectoryHandle): Promise<void> =>
  links.transaction('rw', links.joined, links.parcels, async () => {
    await links.joined.delete(`told ${way}`)
    await put(way, value)
    if (way === 'room') await links.parcels.clear()
  })

/** Switches a way off: nothing is sent or fetched any more. What came stays. */
export const switchOff = (way: Way): Promise<void> =>
  links.transaction('rw', links.joined, links.parcels, async () => {
    await links.joined.bulkDelete([way, `told ${way}`])
    if (way === 'room') await links.parcels.clear()
  })

/** So many times something came are remembered, and so many ids of each. */
const REMEMBERED = 200
const NAMED = 20

/** Writes down what came from whom. */
export const keepCame = ({ from, atMs, ids }: Omit<Came, 'count'>): Promise<void> =>
  links.transaction('rw', links.came, async () => {
    await links.came.add({ from, atMs, count: ids.length, ids: ids.slice(-NAMED) })
    const old = await links.came.orderBy('number').reverse().offset(REMEMBERED).primaryKeys()
    await links.came.bulkDelete(old)
  })

/** What came last, newest first. */
export const lastCame = (): Promise<Came[]> => links.came.orderBy('number').reverse().toArray()
