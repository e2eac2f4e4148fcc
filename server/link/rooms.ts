import { createHash, timingSafeEqual } from 'node:crypto'
import type { Storage } from 'unstorage'
import type { Refusal } from '../guard'

/*
 * Rooms where the devices of a workshop leave sealed parcels for each other. The server knows a room's number and what
 * it cannot open. Who may enter is told by a token: the room's number is its hash, so that nothing has to be kept, and
 * who knows the number alone cannot make it.
 */

/** Limits. A parcel holds a thousand entries or one reduced picture; a room a log of years. Judgement. */
export const LIMITS = {
  parcelBytes: 4_000_000,
  parcelsInRoom: 20_000,
  rooms: 1000,
  /** Rooms that were closed are remembered, so that who was put out is told. */
  closed: 10_000,
  /** Per room: a first device may hand over years at once. */
  writesPerMinute: 3000,
  readsPerMinute: 12_000,
} as const

const MINUTE_MS = 60_000
const NUMBER = /^[0-9a-f]{64}$/
/** A parcel's name: whether it holds entries or a picture, so that pictures follow later; and the hash of it. */
const PARCEL = /^[ep][0-9a-f]{64}$/
const hashOf = (bytes: Uint8Array | string) => createHash('sha256').update(bytes).digest('hex')

/** What was asked of a room: done, or why not. */
export type Answer<T> = { value: T; refusal?: undefined } | { refusal: Refusal }
const refused = (status: Refusal['status'], message: string): { refusal: Refusal } => ({ refusal: { status, message } })

/** Who asks, and when. */
export interface Asking {
  room: string
  token: string | undefined
  nowMs: number
}

/** What lies in a room: the names of all parcels (`null` where the asker knows them), and a tag of them. */
export interface Listed {
  tag: string
  parcels: string[] | null
}

/** What was asked of a room within a minute, and how many parcels lay in it as that was last counted. */
interface Count {
  sinceMs: number
  reads: number
  writes: number
  parcels: number | null
}

/** The rooms of a server, in whatever store stands behind it; several servers may share one. */
export class Rooms {
  private readonly counts = new Map<string, Count>()

  constructor(private readonly store: () => Storage) {}

  /** What lies in a room. @param seen the tag of what the asker was told last. */
  async list(asking: Asking, seen?: string): Promise<Answer<Listed>> {
    const refusal = await this.mayAsk(asking, 'reads')
    if (refusal) return { refusal }
    const parcels = (await this.parcels(asking.room)).sort()
    const tag = hashOf(parcels.join())
    return { value: { tag, parcels: tag === seen ? null : parcels } }
  }

  /** One parcel, as it was brought. */
  async take(asking: Asking, name: string): Promise<Answer<Uint8Array>> {
    const refusal = await this.mayAsk(asking, 'reads')
    if (refusal) return { refusal }
    const raw = PARCEL.test(name) ? await this.store().getItemRaw<Uint8Array>(`parcels:${asking.room}:${name}`) : null
    return raw ? { value: raw } : refused(404, 'There is no such parcel in this room.')
  }

  /** Leaves a parcel. Its name is the hash of what is in it: the same one twice is one, a changed one is none. */
  async leave(asking: Asking, name: string, parcel: Uint8Array): Promise<Answer<{ known: boolean }>> {
    const refusal = await this.mayAsk(asking, 'writes')
    if (refusal) return { refusal }
    if (parcel.length > LIMITS.parcelBytes) return refused(413, `A parcel has at most ${LIMITS.parcelBytes} bytes.`)
    if (!PARCEL.test(name) || hashOf(parcel) !== name.slice(1))
      return refused(422, 'What came is not what its name says: the parcel was changed or cut off on its way.')
    const store = this.store()
    const key = `parcels:${asking.room}:${name}`
    if (await store.hasItem(key)) return { value: { known: true } }
    if (!(await store.hasItem(`rooms:${asking.room}`))) {
      if ((await store.getKeys('rooms')).length >= LIMITS.rooms) return refused(507, 'This server has no room left.')
      await store.setItem(`rooms:${asking.room}`, { sinceMs: asking.nowMs })
    }
    const count = this.counts.get(asking.room)!
    count.parcels ??= (await this.parcels(asking.room)).length
    if (count.parcels >= LIMITS.parcelsInRoom) return refused(507, 'This room is full. A member has to clear it.')
    await store.setItemRaw(key, parcel)
    count.parcels++
    return { value: { known: false } }
  }

  /**
   * Takes all parcels out of a room. @param close nobody enters it from then on: its members have a new one. One that
   * never was is not closed.
   */
  async clear(asking: Asking, close = false): Promise<Answer<{ cleared: number }>> {
    const refusal = await this.mayAsk(asking, 'writes')
    if (refusal) return { refusal }
    const store = this.store()
    // Closed first: what is brought meanwhile would lie there for ever.
    if (close && (await store.hasItem(`rooms:${asking.room}`))) {
      if ((await store.getKeys('closed')).length >= LIMITS.closed)
        return refused(507, 'No room can be closed here now.')
      await store.setItem(`closed:${asking.room}`, { sinceMs: asking.nowMs })
    }
    const parcels = await this.parcels(asking.room)
    for (const name of parcels) await store.removeItem(`parcels:${asking.room}:${name}`)
    await store.removeItem(`rooms:${asking.room}`)
    this.counts.delete(asking.room)
    return { value: { cleared: parcels.length } }
  }

  /** Why somebody may not read or write in a room; each time counts. */
  private async mayAsk(asking: Asking, what: 'reads' | 'writes'): Promise<Refusal | null> {
    const refusal = this.refusalOf(asking, what)
    if (refusal) return refusal
    return (await this.store().hasItem(`closed:${asking.room}`))
      ? { status: 410, message: 'This room was closed by a member. Scan the new code.' }
      : null
  }

  private async parcels(room: string): Promise<string[]> {
    const keys = await this.store().getKeys(`parcels:${room}`)
    return keys.map((key) => key.split(':').at(-1)!).filter((name) => PARCEL.test(name))
  }

  /** Why somebody is no member; nothing is looked up for it. */
  stranger({ room, token }: Asking): Refusal | null {
    if (!NUMBER.test(room)) return { status: 404, message: 'There is no such room.' }
    const number = Buffer.from(hashOf(token ?? ''), 'hex')
    return token && timingSafeEqual(number, Buffer.from(room, 'hex'))
      ? null
      : { status: 403, message: 'Only members of this room may do this.' }
  }

  /** Why somebody may not enter, or not now. */
  private refusalOf(asking: Asking, what: 'reads' | 'writes'): Refusal | null {
    const refusal = this.stranger(asking)
    if (refusal) return refusal
    const { room, nowMs } = asking
    let count = this.counts.get(room)
    if (!count || nowMs - count.sinceMs >= MINUTE_MS) {
      if (this.counts.size > LIMITS.rooms) this.counts.clear()
      this.counts.set(room, (count = { sinceMs: nowMs, reads: 0, writes: 0, parcels: null }))
    }
    count[what]++
    const most = what === 'reads' ? LIMITS.readsPerMinute : LIMITS.writesPerMinute
    return count[what] > most ? { status: 429, message: 'Too much at once. Try again in a minute.' } : null
  }
}
