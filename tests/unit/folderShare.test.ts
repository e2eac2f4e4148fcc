import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fold, mergeEntries, type Entry } from '@lactofer/core'
import { demoEntries } from '#demo/scenario'
import type { OwnLog, Pictured } from '~/link/exchange'
import { fileOf, FolderShare } from '~/link/folder'
import { lateId, NOW } from '../lateId'

/** Files of a folder as they lie on one device: name, bytes, when they last changed. */
type Files = Map<string, { bytes: Uint8Array<ArrayBuffer>; atMs: number }>
let clock = 0

/** A folder as the browser hands it over, on files in memory. */
function folderOn(files: Files, below = ''): FileSystemDirectoryHandle {
  const fileAt = (path: string) => ({
    kind: 'file',
    getFile: async () => {
      const { bytes, atMs } = files.get(path)!
      return new File([bytes], path.slice(below.length), { lastModified: atMs })
    },
    createWritable: async (options?: { keepExistingData: boolean }) => {
      let bytes = options?.keepExistingData ? (files.get(path)?.bytes ?? new Uint8Array()) : new Uint8Array()
      return {
        truncate: async (size: number) => void (bytes = bytes.slice(0, size)),
        write: async (said: Uint8Array<ArrayBuffer> | { position: number; data: string }) => {
          const [at, data] =
            said instanceof Uint8Array ? [0, said] : [said.position, new TextEncoder().encode(said.data)]
          bytes = new Uint8Array([...bytes.slice(0, at), ...data])
        },
        // As the browser does: the file is the old one until it is closed.
        close: async () => void files.set(path, { bytes, atMs: ++clock }),
      }
    },
  })
  return {
    kind: 'directory',
    async *entries() {
      for (const path of files.keys())
        if (path.startsWith(below) && !path.slice(below.length).includes('/'))
          yield [path.slice(below.length), fileAt(path)]
    },
    getFileHandle: async (name: string) => fileAt(below + name),
    getDirectoryHandle: async (name: string) => folderOn(files, `${below}${name}/`),
  } as unknown as FileSystemDirectoryHandle
}

/** A device with its own copy of the folder: something carries files to and fro, in any order. */
class FolderDevice {
  entries: Entry[] = []
  pictures = new Map<string, Pictured>()
  came: string[] = []
  readonly files: Files = new Map()
  private readonly share: FolderShare
  constructor(readonly id: string) {
    const log: OwnLog = {
      entries: async () => ({ entries: this.entries, newer: [] }),
      merge: async (file) => {
        const { added } = mergeEntries(this.entries, file.entries)
        this.entries = [...this.entries, ...added]
        return added.map((entry) => entry.id)
      },
      pictures: async () => [...this.pictures.keys()],
      picture: async (of) => this.pictures.get(of) ?? null,
      keepPicture: async (picture) => void this.pictures.set(picture.id, picture),
    }
    this.share = new FolderShare(folderOn(this.files), log, { id, name: id }, async (from) => void this.came.push(from))
  }
  exchange = () => this.share.exchange()
  get own(): string {
    return fileOf({ id: this.id, name: this.id })
  }
}
/** Carries what a device wrote to another. @param cut so much of it arrives. */
function carry(from: FolderDevice, to: FolderDevice, cut = 1) {
  for (const [name, { bytes }] of from.files)
    if (name === from.own || name.includes('/'))
      to.files.set(name, { bytes: bytes.slice(0, Math.ceil(bytes.length * cut)), atMs: ++clock })
}
const FACTS = demoEntries(NOW).map((entry): Entry => ({ ...entry, origin: 'maker' }))
const state = ({ entries }: FolderDevice) => {
  const { lots, forks, effective } = fold(entries)
  return { lots: [...lots.values()], forks, effective }
}
const devices = () => ['phone', 'tablet', 'laptop'].map((id) => new FolderDevice(id))

describe('devices that share a folder', () => {
  it('come to the same state in whatever order files arrive, torn ones too', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            who: fc.nat({ max: 2 }),
            count: fc.integer({ min: 1, max: 50 }),
            to: fc.nat({ max: 2 }),
            cut: fc.constantFrom(1, 1, 0.7, 0.2),
          }),
          { minLength: 4, maxLength: 12 },
        ),
        async (turns) => {
          const all = devices()
          let next = 0
          for (const { who, count, to, cut } of turns) {
            const [device, other] = [all[who]!, all[to]!]
            device.entries.push(...FACTS.slice(next, (next += count)))
            const of = device.entries.at(-1)
            if (of?.kind === 'reading') device.entries.push({ ...of, id: lateId(next), ph: 3.9, replaces: of.id })
            await device.exchange()
            if (other !== device) carry(device, other, cut)
            await other.exchange()
          }
          for (let round = 0; round < 3; round++)
            for (const from of all) {
              await from.exchange()
              for (const to of all) if (to !== from) carry(from, to)
            }
          for (const device of all) await device.exchange()
          for (const other of all) expect(state(other)).toEqual(state(all[0]!))
          // Nothing is written again that stands there already.
          for (const device of all) expect(await device.exchange()).toMatchObject({ came: 0, left: 0, damaged: [] })
        },
      ),
      { numRuns: 15 },
    )
  })

  it('a damaged line is named and does no harm; what was torn in one’s own file is cut off', async () => {
    const [phone, tablet] = devices() as [FolderDevice, FolderDevice]
    phone.entries = FACTS.slice(0, 6)
    await phone.exchange()
    carry(phone, tablet)
    const file = tablet.files.get(phone.own)!
    file.bytes[file.bytes.length - 20]! ^= 1
    expect(await tablet.exchange()).toMatchObject({
      came: 5,
      damaged: [{ file: phone.own, why: '1 of its lines cannot be read.' }],
    })
    carry(phone, tablet)
    expect(await tablet.exchange()).toMatchObject({ came: 1, damaged: [] })
    expect(tablet.came).toEqual(['phone', 'phone'])

    const own = phone.files.get(phone.own)!
    phone.files.set(phone.own, { bytes: own.bytes.slice(0, -5), atMs: ++clock })
    phone.entries.push(FACTS[6]!)
    await phone.exchange()
    carry(phone, tablet)
    expect(await tablet.exchange()).toMatchObject({ came: 1, damaged: [] })
    expect(tablet.entries).toEqual(phone.entries)
  })

  it('pictures go over whole or not at all; other files in the folder are let be', async () => {
    const [phone, tablet] = devices() as [FolderDevice, FolderDevice]
    for (let at = 0; at < 25; at++)
      phone.pictures.set(`P${at}`, { id: `P${at}`, type: 'image/png', bytes: new Uint8Array(300).fill(at) })
    phone.files.set('Shopping list.txt', { bytes: new Uint8Array([1]), atMs: 1 })
    phone.files.set('other.log', { bytes: new TextEncoder().encode('not ours\n'), atMs: 1 })
    expect(await phone.exchange()).toMatchObject({ more: true, damaged: [] })
    await phone.exchange()
    carry(phone, tablet, 0.5)
    await tablet.exchange()
    expect(tablet.pictures.size).toBe(0)
    carry(phone, tablet)
    while ((await tablet.exchange()).more);
    expect(tablet.pictures).toEqual(phone.pictures)
    expect(phone.files.get('other.log')!.bytes).toHaveLength(9)
  })
})
