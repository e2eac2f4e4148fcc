import fc from 'fast-check'
import { createStorage } from 'unstorage'
import memory from 'unstorage/drivers/memory'
import { describe, expect, it } from 'vitest'
import { fold, mergeEntries, type Entry } from '@lactofer/core'
import { demoEntries } from '#demo/scenario'
import { Rooms, type Answer } from '../../server/link/rooms'
import { RoomShare, type OwnLog, type Pictured, type RoomMemory, type Wire } from '~/link/exchange'
import { newSecret, roomOf, type Room } from '~/link/seal'
import { NOW } from '../lateId'

/** Facts of three devices: the demo's, as if they were a maker's, dealt out, with corrections on all sides. */
const FACTS = demoEntries(NOW).map((entry): Entry => ({ ...entry, origin: 'maker' }))

class Lost extends Error {}

/** A device: its log, what it remembers, and a way to the room that is cut off where `chance` says so. */
class TestDevice {
  entries: Entry[] = []
  pictures = new Map<string, Pictured>()
  cut = false
  constructor(
    readonly id: string,
    private readonly room: Room,
    private readonly rooms: Rooms,
    private readonly chance: () => number,
  ) {}

  private asking = () => ({ room: this.room.number, token: this.room.token, nowMs: NOW })
  private wire: Wire = {
    list: async (seen) => ({ ...(await this.over(this.rooms.list(this.asking(), seen))), nowMs: NOW }),
    take: async (name) => new Uint8Array(await this.over(this.rooms.take(this.asking(), name))),
    leave: async (name, parcel) => void (await this.over(this.rooms.leave(this.asking(), name, parcel))),
  }
  /** What was asked may arrive although the answer never does. */
  private async over<T>(answer: Promise<Answer<T>>): Promise<T> {
    const { value, refusal } = (await answer) as { value: T; refusal?: { message: string } }
    if (refusal) throw new Error(refusal.message)
    if (this.cut && this.chance() < 0.3) throw new Lost()
    return value
  }
  private held = new Map<string, { ids: readonly string[]; picture: string | null }>()
  private known = { parcels: new Set<string>(), entries: new Set<string>(), pictures: new Set<string>() }
  private recall() {
    for (const set of Object.values(this.known)) set.clear()
    for (const [name, { ids, picture }] of this.held) {
      this.known.parcels.add(name)
      for (const id of ids) this.known.entries.add(id)
      if (picture) this.known.pictures.add(picture)
    }
  }
  private memory: RoomMemory = {
    ...this.known,
    remember: async (name, held) => {
      this.held.set(name, held)
      this.recall()
    },
    forget: async (names) => {
      for (const name of names) this.held.delete(name)
      this.recall()
    },
  }
  private log: OwnLog = {
    entries: async () => ({ entries: this.entries, newer: [] }),
    merge: async (file) => {
      const { added } = mergeEntries(this.entries, file.entries)
      this.entries = [...this.entries, ...added]
      return added.map(({ id }) => id)
    },
    pictures: async () => [...this.pictures.keys()],
    picture: async (id) => this.pictures.get(id) ?? null,
    keepPicture: async (picture) => void this.pictures.set(picture.id, picture),
  }
  private sharing?: RoomShare
  private get share() {
    const { room, wire, memory, log, id } = this
    return (this.sharing ??= new RoomShare({ room, wire, memory, log }, { id, name: `The ${id}` }))
  }
  exchange = () => this.share.exchange(NOW)
  waiting = () => this.share.waiting()
  refused = () => this.share.refused().sort()
}

async function workshop(chance: () => number = () => 1) {
  const secret = newSecret()
  const storage = createStorage({ driver: memory() })
  const room = (await roomOf(secret))!
  const device = async (id: string) => new TestDevice(id, (await roomOf(secret))!, new Rooms(() => storage), chance)
  return { room, storage, devices: await Promise.all(['phone', 'tablet', 'laptop'].map(device)) }
}
const state = ({ entries }: TestDevice) => {
  const { lots, forks, effective } = fold(entries)
  return { lots: [...lots.values()], forks, effective }
}

describe('devices that share a room', () => {
  it('come to the same state, however often each of them is cut off on the way', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat({ max: 2 }), fc.integer({ min: 1, max: 60 })), { minLength: 4, maxLength: 12 }),
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
        async (turns, chances) => {
          const { devices } = await workshop(() => chances.next().value!)
          let next = 0
          for (const [who, count] of turns) {
            const device = devices[who]!
            device.entries.push(...FACTS.slice(next, (next += count)))
            // Somebody corrects what they have.
            const of = device.entries.at(-1)
            if (of && of.kind === 'reading')
              device.entries.push({
                ...of,
                id: `01ZZ${who}${String(next).padStart(21, '0')}`,
                ph: 3.9,
                replaces: of.id,
              })
            device.cut = true
            await device.exchange().catch((error: unknown) => expect(error).toBeInstanceOf(Lost))
          }
          for (const device of devices) device.cut = false
          for (const device of [...devices, ...devices]) await device.exchange()
          const [first, ...others] = devices.map(state)
          for (const other of others) expect(other).toEqual(first)
        },
      ),
      { numRuns: 12 },
    )
  })

  it('pass nothing on twice, and the demo never', async () => {
    const { devices } = await workshop()
    const [phone, tablet] = devices as [TestDevice, TestDevice]
    phone.entries = [...FACTS.slice(0, 5), ...demoEntries(NOW).slice(5, 9)]
    expect(await phone.exchange()).toMatchObject({ came: 0, left: 5 })
    expect(await tablet.exchange()).toMatchObject({ came: 5, left: 0 })
    expect(await phone.exchange()).toMatchObject({ came: 0, left: 0 })
  })

  it('a parcel that no member made is refused and named', async () => {
    const { devices, storage, room } = await workshop()
    const [phone, tablet] = devices as [TestDevice, TestDevice]
    phone.entries = FACTS.slice(0, 3)
    await phone.exchange()
    const rooms = new Rooms(() => storage)
    const asking = { room: room.number, token: room.token, nowMs: NOW }
    const elsewhere = (await roomOf(newSecret()))!
    for (const from of [elsewhere, room]) {
      const { name, parcel } = await from.seal('entries', new Uint8Array([1, 2, 3, 4, 5]))
      await rooms.leave(asking, name, parcel)
    }
    const refusals = [
      'A parcel holds something that cannot be read here.',
      'A parcel was not made by a member of this room.',
    ]
    expect(await tablet.exchange()).toMatchObject({ came: 3 })
    expect(tablet.refused()).toEqual(refusals)
    // What was damaged where it lay is refused, and taken in once it is as it was.
    const { parcels } = ((await rooms.list(asking)) as { value: { parcels: string[] } }).value
    phone.entries = FACTS.slice(0, 6)
    await phone.exchange()
    const last = ((await rooms.list(asking)) as { value: { parcels: string[] } }).value.parcels.find(
      (name) => !parcels.includes(name),
    )!
    const key = `parcels:${room.number}:${last}`
    const whole = (await storage.getItemRaw<Uint8Array>(key))!
    await storage.setItemRaw(key, whole.slice(0, -7))
    const laptop = devices[2]!
    expect(await laptop.exchange()).toMatchObject({ came: 3 })
    expect(laptop.refused()).toContain('A parcel was changed or cut off on its way.')
  })

  it('a member that takes back what others have under another word changes nothing, and is named', async () => {
    const { devices } = await workshop()
    const [phone, tablet] = devices as [TestDevice, TestDevice]
    phone.entries = FACTS.slice(0, 3)
    const reading = FACTS.find(({ kind }) => kind === 'reading')!
    tablet.entries = [...FACTS.slice(0, 3), reading]
    await tablet.exchange()
    phone.entries.push({ ...reading, by: 'Somebody else' })
    await phone.exchange()
    expect(phone.refused()).toHaveLength(1)
    expect(phone.entries.at(-1)).toMatchObject({ by: 'Somebody else' })
  })

  it('pictures follow, each once', async () => {
    const { devices } = await workshop()
    const [phone, tablet] = devices as [TestDevice, TestDevice]
    for (let at = 0; at < 11; at++)
      phone.pictures.set(`P${at}`, { id: `P${at}`, type: 'image/jpeg', bytes: new Uint8Array(3000).fill(at) })
    expect(await phone.exchange()).toMatchObject({ more: true })
    expect(await phone.waiting()).toEqual({ entries: 0, pictures: 3 })
    while ((await phone.exchange()).more);
    while ((await tablet.exchange()).more);
    expect(tablet.pictures).toEqual(phone.pictures)
  })

  it('a cleared room is filled again by whoever comes next, and nothing comes twice', async () => {
    const { devices, storage, room } = await workshop()
    const [phone, tablet, laptop] = devices as [TestDevice, TestDevice, TestDevice]
    phone.entries = FACTS.slice(0, 5)
    await phone.exchange()
    tablet.entries = FACTS.slice(5, 9)
    await tablet.exchange()
    await new Rooms(() => storage).clear({ room: room.number, token: room.token, nowMs: NOW })
    expect(await tablet.exchange()).toMatchObject({ left: 9 })
    expect(await phone.exchange()).toMatchObject({ came: 4, left: 0 })
    expect(await laptop.exchange()).toMatchObject({ came: 9, left: 0 })
  })
})
