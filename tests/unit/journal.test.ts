import { readFileSync } from 'node:fs'
import Dexie from 'dexie'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, watch } from 'vue'
import { demoEntries } from '#demo/scenario'
import { readFile, type Entry } from '@lactofer/core'
import { adoptNewer, allEntries, append, bindOld, journal, Journal, keepPhotos, merge, replaceDemo } from '~/db/journal'
import { keepCheckpoint } from '~/db/checkpoint'
import { lacksCheckpoint, logStart } from '~/db/logStart'
import { drafts } from '~/db/drafts'
import { useLog } from '~/composables/useLog'

const demo = demoEntries(Date.parse('2026-05-04T09:00:00.000Z'))
const own = demo
  .slice(0, 5)
  .map((entry, index): Entry => ({ ...entry, id: `${entry.id.slice(0, 20)}00000${index}`, origin: 'maker' }))
const ids = async () => (await allEntries()).map((entry) => entry.id).sort()
const fileOf = (entries: readonly Entry[]) => ({ version: 3, entries: [...entries], newer: [] })
const counts = async (entries: readonly Entry[]) => {
  const { added, known } = await merge(fileOf(entries))
  return { added: added.length, known }
}
const idsOf = (entries: readonly Entry[]) => entries.map((entry) => entry.id).sort()

/** So many entries of the maker's, with ids in order. */
const manyOf = (length: number) =>
  Array.from({ length }, (_, index): Entry => ({
    ...own[index % 5]!,
    id: `${own[0]!.id.slice(0, 20)}${String(index).padStart(6, '0')}`,
  }))

beforeEach(() =>
  Promise.all([
    journal.entries.clear(),
    journal.photos.clear(),
    journal.volumes.clear(),
    journal.newer.clear(),
    journal.checkpoints.clear(),
  ]),
)

describe('the journal', () => {
  it('appends all or none: one bad entry leaves nothing half saved', async () => {
    await expect(append([own[0]!, { ...own[1]!, at: 'yesterday' } as Entry])).rejects.toThrow()
    expect(await ids()).toEqual([])
    await append(own)
    await expect(append([demo[7]!, own[0]!])).rejects.toThrow()
    expect(await ids()).toEqual(idsOf(own))
  })

  it('merges by id, safe to repeat', async () => {
    await append(own)
    expect(await counts([...own, ...demo])).toEqual({ added: demo.length, known: own.length })
    expect(await counts(demo)).toEqual({ added: 0, known: demo.length })
    expect(await ids()).toEqual(idsOf([...own, ...demo]))
  })

  it('binds what is old once there is much of it: the same entries, still merged by id, the demo left loose', async () => {
    const many = manyOf(5200)
    await journal.entries.bulkAdd(many)
    await replaceDemo(demo)
    await bindOld()
    expect([await journal.volumes.count(), await journal.entries.count()]).toEqual([4, 1200 + demo.length])
    expect(await ids()).toEqual(idsOf([...many, ...demo]))
    expect(await counts(many.slice(0, 10))).toEqual({ added: 0, known: 10 })
    await replaceDemo([])
    expect(await ids()).toEqual(idsOf(many))
  })

  it('binds a long file as it comes in', async () => {
    const many = manyOf(2600)
    expect(await counts([...many, ...demo])).toEqual({ added: 2600 + demo.length, known: 0 })
    expect([await journal.volumes.count(), await journal.entries.count()]).toEqual([3, 500 + demo.length])
    expect(await ids()).toEqual(idsOf([...many, ...demo]))
    expect(await counts(many)).toEqual({ added: 0, known: 2600 })
  })

  it('begins at a checkpoint of its volumes, and without one as soon as a volume is another', async () => {
    await append(own)
    await keepCheckpoint(Infinity)
    expect(await logStart()).toBeNull()
    const many = manyOf(2600)
    await merge(fileOf(many))
    await keepCheckpoint(Infinity)
    const start = await logStart()
    expect(idsOf(start!.beside)).toEqual(idsOf(await journal.entries.toArray()))
    expect(start!.checkpoint.entries.length).toBeGreaterThan(0)
    expect(await lacksCheckpoint()).toBe(false)
    // One that is damaged is none: the log is whole without it.
    await journal.checkpoints.toCollection().modify({ text: '{"entries":[' })
    expect(await logStart()).toBeNull()
    await keepCheckpoint(Infinity)
    expect(await logStart()).not.toBeNull()
    await merge({ version: 4, entries: [{ ...many[3]!, mood: 'calm' } as unknown as Entry], newer: [] })
    expect([await logStart(), await lacksCheckpoint()]).toEqual([null, true])
  })

  it('refuses a file that changed a fact, and takes in nothing of it', async () => {
    await append(own)
    await expect(merge(fileOf([...demo, { ...own[2]!, by: 'Somebody' } as Entry]))).rejects.toThrow(/other content/)
    expect(await ids()).toEqual(idsOf(own))
  })

  it('keeps what a newer version wrote, fills in what it says more, bound or loose, and adopts it once it can', async () => {
    const many = manyOf(2600)
    await merge(fileOf(many))
    const more = [many[3]!, many[2500]!].map((entry) => ({ ...entry, mood: 'calm' }) as unknown as Entry)
    const otherwise = { ...many[7]!, by: 'Somebody' } as Entry
    const wish = { id: 'W-1', version: 4, entry: { id: 'W-1', kind: 'wish' } }
    const merged = await merge({ version: 4, entries: [...more, otherwise], newer: [wish] })
    expect(merged.newer.map(({ id }) => id).sort()).toEqual([many[7]!.id, 'W-1'].sort())
    const now = new Map((await allEntries()).map((entry) => [entry.id, entry]))
    expect([now.size, now.get(many[7]!.id)]).toEqual([2600, many[7]])
    expect(more.map(({ id }) => now.get(id))).toEqual(more)

    await journal.newer.bulkPut([{ id: demo[9]!.id, version: 3, entry: { ...demo[9]! } }])
    expect(await adoptNewer()).toBe(1)
    expect((await ids()).includes(demo[9]!.id)).toBe(true)
    expect((await journal.newer.toArray()).map(({ id }) => id).sort()).toEqual([many[7]!.id, 'W-1'].sort())
  })

  it('keeps each picture once and never over one that is here', async () => {
    const picture = (text: string) => ({ id: own[0]!.id, origin: 'maker' as const, blob: new Blob([text]) })
    await keepPhotos([picture('12345678')])
    await keepPhotos([picture('1')])
    expect((await journal.photos.toArray()).map(({ blob }) => blob.size)).toEqual([8])
  })

  it("takes the demo out, or puts a new one in its place, and never touches the maker's own", async () => {
    await append(own)
    await replaceDemo(demo)
    await replaceDemo(demo)
    expect((await allEntries()).length).toBe(own.length + demo.length)
    await replaceDemo([])
    expect(await ids()).toEqual(idsOf(own))
  })
})

describe('stores of earlier versions', () => {
  const STORES: Record<string, string>[] = [
    { entries: 'id, at, kind, origin', drafts: 'key', choices: 'key' },
    { photos: 'id, origin', forecasts: 'lotId' },
    { volumes: '++number' },
  ]
  it.each([1, 2, 3])('of version %i opens with all that was in it', async (version) => {
    const { entries } = readFile(readFileSync(`tests/fixtures/file-v${version}.json`, 'utf8'))
    const name = `store-${version}`
    const old = new Dexie(name)
    STORES.slice(0, version).forEach((stores, index) => old.version(index + 1).stores(stores))
    await old.table('entries').bulkAdd(entries.slice(5))
    await old.table('drafts').add({ key: `plan-${version}`, value: { name: 'Moon' } })
    await old.table('choices').add({ key: 'world', value: 'us' })
    if (version > 1) await old.table('photos').add({ id: entries[0]!.id, blob: new Blob(['x']), origin: 'maker' })
    if (version > 2) await old.table('volumes').add({ text: JSON.stringify(entries.slice(0, 5)) })
    old.close()

    const now = new Journal(name)
    const bound = (await now.volumes.toArray()).flatMap(({ text }) => JSON.parse(text) as Entry[])
    expect(idsOf([...bound, ...(await now.entries.toArray())])).toEqual(idsOf(entries.slice(version > 2 ? 0 : 5)))
    expect(await now.choices.toArray()).toEqual([{ key: 'world', value: 'us' }])
    expect(await now.photos.count()).toBe(version > 1 ? 1 : 0)
    expect(await drafts.get(`plan-${version}`)).toEqual({ key: `plan-${version}`, value: { name: 'Moon' } })
    expect(now.tables.map((table) => table.name).sort()).toEqual([
      'checkpoints',
      'choices',
      'entries',
      'newer',
      'photos',
      'volumes',
    ])
    now.close()
  })

  it('has one gate: every writing transaction takes the common store along', async () => {
    await journal.open()
    const begun = vi.spyOn(Object.getPrototypeOf(journal.backendDB()) as IDBDatabase, 'transaction')
    const fresh = new Journal('gated')
    await fresh.transaction('rw', fresh.entries, () => fresh.entries.bulkAdd(own))
    await fresh.photos.put({ id: own[1]!.id, origin: 'maker', blob: new Blob(['x']) })
    await fresh.newer.clear()
    await fresh.entries.count()
    const taken = begun.mock.calls.filter(([, mode]) => mode === 'readwrite').map(([names]) => [names].flat())
    fresh.close()
    expect(taken.length).toBeGreaterThan(2)
    expect(taken.every((names) => names.includes('choices'))).toBe(true)
  })
})

describe('the log of a page', () => {
  it('has what it appended at once, before it is read back, and once after', async () => {
    const scope = effectScope()
    const log = scope.run(() => useLog(() => false))!
    await append(own.slice(0, 3))
    await log.openAll()
    await vi.waitFor(() => expect(log.entries.value).toHaveLength(3))
    const seen: (readonly string[])[] = []
    scope.run(() => watch(log.entries, (now) => seen.push(idsOf(now ?? [])), { flush: 'sync' }))
    await append([own[3]!])
    expect(idsOf(log.entries.value!)).toEqual(idsOf(own.slice(0, 4)))
    await append([own[4]!])
    expect(idsOf(log.entries.value!)).toEqual(idsOf(own))
    // Read back it is as it was: nothing is gone for a moment, nothing there twice.
    await journal.entries.update(own[0]!.id, { by: 'Read back' })
    await vi.waitFor(() => expect(log.entries.value!.some(({ by }) => by === 'Read back')).toBe(true))
    expect(seen.map((there) => there.length).sort()).toEqual(seen.map((there) => there.length))
    expect(seen.every((there) => new Set(there).size === there.length)).toBe(true)
    expect(idsOf(log.entries.value!)).toEqual(idsOf(own))
    scope.stop()
  })
})
