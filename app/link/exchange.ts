import {
  InvalidInput,
  MINUTE_MS,
  momentOf,
  readFile,
  writeFile,
  type Entry,
  type LogFile,
  type NewerEntry,
} from '@lactofer/core'
import { packed, unpacked, type ParcelHead } from './parcelText'
import { BadParcel, kindOfParcel, type ParcelKind, type Room } from './seal'

/*
 * Devices pass on the same entries: what one has and the room does not is left there, what the room has and one does
 * not know is taken in. Nothing else happens, and it may be cut off anywhere: the next time goes on from there.
 */

/** So many entries go into one parcel. */
const IN_A_PARCEL = 1000
/** So many parcels of entries are merged at once: the page works out everything anew after each merge. */
const AT_ONCE = 20
/** So many pictures go one way in one exchange: entries do not wait for them. */
const PICTURES = 8
/** A parcel has at most so many bytes; the server holds to the same. */
export const PARCEL_BYTES = 4_000_000
/** What was refused is looked at again after so long: it may have been cut off on its way only. */
const AGAIN_MS = 5 * MINUTE_MS

type Bytes = Uint8Array<ArrayBuffer>

/** The way to a room. */
export interface Wire {
  /** Names of all parcels, `null` where they are those that the tag names; and what time it is there. */
  list: (seen: string) => Promise<{ tag: string; parcels: string[] | null; nowMs: number }>
  take: (name: string) => Promise<Bytes>
  leave: (name: string, parcel: Bytes) => Promise<void>
}

/** What is in a parcel: the ids of its entries, or of its picture. */
export interface Held {
  ids: readonly string[]
  picture: string | null
}

/** What this device remembers of a room. */
export interface RoomMemory {
  /** Names of parcels that were opened or left by this device, and what lies in them. */
  parcels: ReadonlySet<string>
  entries: ReadonlySet<string>
  pictures: ReadonlySet<string>
  /** @param came what was new here of it, and who left it; `null` where this device did. */
  remember: (name: string, held: Held, came: { head: ParcelHead; ids: string[] } | null) => Promise<void>
  /** They do not lie in the room any more. */
  forget: (names: readonly string[]) => Promise<void>
}

/** A picture with its type. */
export interface Pictured {
  id: string
  type: string
  bytes: Bytes
}

/** The log of this device. */
export interface OwnLog {
  entries: () => Promise<{ entries: readonly Entry[]; newer: readonly NewerEntry[] }>
  /** Takes entries in; those that are here already are known. @returns ids of what was new. */
  merge: (file: Pick<LogFile, 'version' | 'entries' | 'newer'>) => Promise<string[]>
  pictures: () => Promise<readonly string[]>
  picture: (id: string) => Promise<Pictured | null>
  keepPicture: (picture: Pictured) => Promise<void>
}

/** Who leaves parcels. */
export interface Device {
  id: string
  name: string
}

/** What an exchange came to. */
export interface Exchanged {
  /** Entries that were new here, and that were left for others. */
  came: number
  left: number
  /** There is more to do: pictures, as a rule. */
  more: boolean
  /** What time the server has, ms. */
  serverMs: number
}

/** A parcel of entries that was opened. */
interface Opened {
  name: string
  head: ParcelHead
  file: LogFile
}
const NOT_READ = 'A parcel holds something that cannot be read here.'
const idsOf = (entries: readonly Entry[], newer: readonly NewerEntry[]) => [...entries, ...newer].map(({ id }) => id)
/** What was refused is a parcel, or something of this log that is too large for one. */
const isParcel = (name: string) => /^[ep][0-9a-f]{64}$/.test(name)
const refusalOf = (error: unknown): string => {
  if (error instanceof BadParcel || error instanceof InvalidInput) return error.message
  throw error
}

/** What this device shares with a room. */
export class RoomShare {
  private seen = ''
  private there: readonly string[] = []
  private readonly refusals = new Map<string, { why: string; againMs: number }>()

  constructor(
    private readonly of: { room: Room; wire: Wire; memory: RoomMemory; log: OwnLog },
    private readonly device: Device,
  ) {}

  /**
   * One exchange: first what the others left, then what the room does not have yet, then some pictures.
   * @throws what the wire throws when it is cut off; what was done until then is kept.
   */
  async exchange(nowMs: number): Promise<Exchanged> {
    const serverMs = await this.look()
    const { memory } = this.of
    const waits = (name: string) => !memory.parcels.has(name) && !((this.refusals.get(name)?.againMs ?? 0) > nowMs)
    const open = this.there.filter(waits)
    const named = (kind: ParcelKind) => open.filter((name) => kindOfParcel(name) === kind)
    const came = await this.takeEntries(named('entries'), nowMs)
    let left = 0
    const { entries, newer } = await this.own()
    for (let from = 0; from < Math.max(entries.length, newer.length); from += IN_A_PARCEL) {
      const to = from + IN_A_PARCEL
      left += await this.leaveEntries(entries.slice(from, to), newer.slice(from, to), nowMs)
    }
    const coming = named('picture')
    for (const name of coming.slice(0, PICTURES)) await this.attempt(name, nowMs, () => this.takePicture(name))
    const { pictures } = await this.own()
    for (const id of pictures.slice(0, PICTURES)) await this.leavePicture(id, nowMs)
    return { came, left, more: Math.max(pictures.length, coming.length) > PICTURES, serverMs }
  }
  /** How much of this log does not lie in the room yet. */
  async waiting(): Promise<{ entries: number; pictures: number }> {
    const { entries, newer, pictures } = await this.own()
    return { entries: entries.length + newer.length, pictures: pictures.length }
  }
  /** Why parcels were refused, each as often as it was. */
  refused = (): string[] => [...this.refusals.values()].map(({ why }) => why)

  /** Sees what lies in the room. @returns what time it is there, ms. */
  private async look(): Promise<number> {
    const { tag, parcels, nowMs } = await this.of.wire.list(this.seen)
    if (parcels) {
      const now = new Set((this.there = parcels))
      await this.of.memory.forget([...this.of.memory.parcels].filter((name) => !now.has(name)))
      for (const name of this.refusals.keys()) if (isParcel(name) && !now.has(name)) this.refusals.delete(name)
      this.seen = tag
    }
    return nowMs
  }
  /** Does something with a parcel; one that is not as a member made it is refused, and named. */
  private async attempt<T>(name: string, nowMs: number, work: () => Promise<T>): Promise<T | null> {
    try {
      const done = await work()
      this.refusals.delete(name)
      return done
    } catch (error) {
      this.refusals.set(name, { why: refusalOf(error), againMs: nowMs + AGAIN_MS })
      return null
    }
  }
  private async opened(name: string) {
    const content = await this.of.room.open(name, await this.of.wire.take(name))
    return unpacked(content).catch(() => {
      throw new BadParcel(NOT_READ)
    })
  }
  private async openEntries(name: string): Promise<Opened> {
    const { head } = await this.opened(name)
    if (head.file === undefined) throw new BadParcel(NOT_READ)
    const file = readFile(head.file)
    return { name, head, file: { ...file, entries: file.entries.filter(({ origin }) => origin === 'maker') } }
  }
  private async takeEntries(names: readonly string[], nowMs: number): Promise<number> {
    let came = 0
    for (let from = 0; from < names.length; from += AT_ONCE) {
      const parcels: Opened[] = []
      for (const name of names.slice(from, from + AT_ONCE)) {
        const parcel = await this.attempt(name, nowMs, () => this.openEntries(name))
        if (parcel) parcels.push(parcel)
      }
      try {
        came += await this.takeIn(parcels)
      } catch (error) {
        refusalOf(error)
        // One of them changes what is here already: found by taking them one by one.
        for (const one of parcels) came += (await this.attempt(one.name, nowMs, () => this.takeIn([one]))) ?? 0
      }
    }
    return came
  }
  /** Merges what was opened. @returns how many entries were new. */
  private async takeIn(parcels: readonly Opened[]): Promise<number> {
    const fresh = new Set<string>()
    for (const version of new Set(parcels.map(({ file }) => file.version))) {
      const files = parcels.filter(({ file }) => file.version === version).map(({ file }) => file)
      const all = { entries: files.flatMap(({ entries }) => entries), newer: files.flatMap(({ newer }) => newer) }
      for (const id of await this.of.log.merge({ version, ...all })) fresh.add(id)
    }
    const came = fresh.size
    // Remembered only once it is in the log: cut off before, it is taken in again.
    for (const { name, head, file } of parcels) {
      const ids = idsOf(file.entries, file.newer)
      // What lies in two of them came with the first.
      const its = ids.filter((id) => fresh.delete(id))
      await this.of.memory.remember(name, { ids, picture: null }, { head, ids: its })
    }
    return came
  }
  private async takePicture(name: string): Promise<void> {
    const { head, picture } = await this.opened(name)
    if (!head.picture || !picture) throw new BadParcel(NOT_READ)
    const { log, memory } = this.of
    if (!(await log.pictures()).includes(head.picture.id)) await log.keepPicture({ ...head.picture, bytes: picture })
    await memory.remember(name, { ids: [], picture: head.picture.id }, { head, ids: [] })
  }

  /** What is here and does not lie in the room. */
  private async own() {
    const { log, memory } = this.of
    const { entries, newer } = await log.entries()
    const open = (id: string) => !memory.entries.has(id) && !this.refusals.has(id)
    return {
      entries: entries.filter(({ id, origin }) => origin === 'maker' && open(id)),
      newer: newer.filter(({ id }) => open(id)),
      pictures: (await log.pictures()).filter((id) => !memory.pictures.has(id) && !this.refusals.has(id)),
    }
  }
  /** Leaves a parcel. @returns whether it is small enough. */
  private async leave(said: Pick<ParcelHead, 'file' | 'picture'>, held: Held, nowMs: number, of?: Bytes) {
    const { id: device, name: called } = this.device
    const content = await packed({ device, name: called, atMs: nowMs, ...said }, of)
    const { name, parcel } = await this.of.room.seal(held.picture ? 'picture' : 'entries', content)
    if (parcel.length > PARCEL_BYTES) return false
    await this.of.wire.leave(name, parcel)
    await this.of.memory.remember(name, held, null)
    return true
  }
  private tooLarge(id: string): number {
    this.refusals.set(id, { why: 'Something of this log is too large to pass on.', againMs: Infinity })
    return 0
  }
  private async leaveEntries(entries: readonly Entry[], newer: readonly NewerEntry[], nowMs: number): Promise<number> {
    const ids = idsOf(entries, newer)
    const file = writeFile(entries, momentOf(nowMs), [], newer)
    if (await this.leave({ file }, { ids, picture: null }, nowMs)) return ids.length
    if (ids.length === 1) return this.tooLarge(ids[0]!)
    const [half, other] = [Math.ceil(entries.length / 2), Math.floor(newer.length / 2)]
    const first = await this.leaveEntries(entries.slice(0, half), newer.slice(0, other), nowMs)
    return first + (await this.leaveEntries(entries.slice(half), newer.slice(other), nowMs))
  }
  private async leavePicture(id: string, nowMs: number): Promise<void> {
    const picture = await this.of.log.picture(id)
    if (!picture) return
    const said = { picture: { id, type: picture.type } }
    if (!(await this.leave(said, { ids: [], picture: id }, nowMs, picture.bytes))) this.tooLarge(id)
  }
}
