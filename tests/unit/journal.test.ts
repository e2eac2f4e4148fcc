import { beforeEach, describe, expect, it } from 'vitest'
import { demoEntries } from '#demo/scenario'
import type { Entry, FilePhoto } from '@lactofer/core'
import { allEntries, append, bindOld, journal, merge, replaceDemo } from '~/db/journal'

const demo = demoEntries(Date.parse('2026-05-04T09:00:00.000Z'))
const own = demo
  .slice(0, 5)
  .map((entry, index): Entry => ({ ...entry, id: `${entry.id.slice(0, 20)}00000${index}`, origin: 'maker' }))
const ids = async () => (await allEntries()).map((entry) => entry.id).sort()
const fileOf = (entries: readonly Entry[], photos: FilePhoto[] = []) => ({ entries: [...entries], photos })
const idsOf = (entries: readonly Entry[]) => entries.map((entry) => entry.id).sort()

beforeEach(() => Promise.all([journal.entries.clear(), journal.photos.clear(), journal.volumes.clear()]))

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
    expect(await merge(fileOf([...own, ...demo]))).toEqual({ added: demo.length, known: own.length })
    expect(await merge(fileOf(demo))).toEqual({ added: 0, known: demo.length })
    expect(await ids()).toEqual(idsOf([...own, ...demo]))
  })

  it('binds what is old once there is much of it: the same entries, still merged by id, the demo left loose', async () => {
    const many = Array.from({ length: 5200 }, (_, index): Entry => ({
      ...own[index % 5]!,
      id: `${own[0]!.id.slice(0, 20)}${String(index).padStart(6, '0')}`,
    }))
    await journal.entries.bulkAdd(many)
    await replaceDemo(demo)
    await bindOld()
    expect([await journal.volumes.count(), await journal.entries.count()]).toEqual([4, 1200 + demo.length])
    expect(await ids()).toEqual(idsOf([...many, ...demo]))
    expect(await merge(fileOf(many.slice(0, 10)))).toEqual({ added: 0, known: 10 })
    await replaceDemo([])
    expect(await ids()).toEqual(idsOf(many))
  })

  it('binds a long file as it comes in', async () => {
    const many = Array.from({ length: 2600 }, (_, index): Entry => ({
      ...own[index % 5]!,
      id: `${own[0]!.id.slice(0, 20)}${String(index).padStart(6, '0')}`,
    }))
    expect(await merge(fileOf([...many, ...demo]))).toEqual({ added: 2600 + demo.length, known: 0 })
    expect([await journal.volumes.count(), await journal.entries.count()]).toEqual([3, 500 + demo.length])
    expect(await ids()).toEqual(idsOf([...many, ...demo]))
    expect(await merge(fileOf(many))).toEqual({ added: 0, known: 2600 })
  })

  it('refuses a file that changed a fact, and takes in nothing of it', async () => {
    await append(own)
    await expect(merge(fileOf([...demo, { ...own[2]!, by: 'Somebody' } as Entry], [picture]))).rejects.toThrow(
      /other content/,
    )
    expect(await ids()).toEqual(idsOf(own))
    expect(await journal.photos.count()).toBe(0)
  })

  const picture: FilePhoto = { id: own[0]!.id, type: 'image/png', data: 'iVBORw0KGgo=' }
  it('keeps the pictures of a file, each once and never over one that is here', async () => {
    await merge(fileOf(own, [picture]))
    await merge(fileOf(own, [{ ...picture, data: 'AAAA' }]))
    const [kept] = await journal.photos.toArray()
    expect([kept!.id, kept!.blob.type, kept!.blob.size]).toEqual([picture.id, 'image/png', 8])
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
