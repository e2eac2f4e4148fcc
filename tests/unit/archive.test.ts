import { describe, expect, it } from 'vitest'
import { demoEntries } from '#demo/scenario'
import { InvalidInput, type Entry } from '@lactofer/core'
import { readLog } from '~/archive/readArchive'
import { writeArchive } from '~/archive/writeArchive'
import { mutants } from '../mutants'

const AT = '2026-05-04T09:00:00.000Z'
const demo = demoEntries(Date.parse(AT))
const wish = { id: 'W-1', version: 4, entry: { id: 'W-1', kind: 'wish' } }
const pictures = new Map(
  demo.slice(0, 5).map(({ id }, index) => [id, new Blob([new Uint8Array(3000).fill(index)], { type: 'image/jpeg' })]),
)

async function archive(entries: readonly Entry[], newer = [wish]): Promise<Uint8Array<ArrayBuffer>> {
  const pieces: Uint8Array<ArrayBuffer>[] = []
  const target = new WritableStream<Uint8Array<ArrayBuffer>>({ write: (piece) => void pieces.push(piece.slice()) })
  const picture = (id: string) => Promise.resolve(pictures.get(id))
  const source = { entries, newer, pictureIds: [...pictures.keys()], picture }
  await writeArchive(source, target, { writtenAt: AT, world: 'metric' })
  return new Uint8Array(await new Blob(pieces).arrayBuffer())
}

describe('an archive', () => {
  it('gives everything back from the file alone: entries, those of a newer version, pictures', async () => {
    const log = await readLog(new Blob([await archive(demo)]))
    expect([log.entries, log.newer, log.writtenAt, log.version]).toEqual([demo, [wish], AT, 4])
    for (const [id, blob] of pictures) {
      const picture = await log.picture(id)
      expect([picture.type, await picture.arrayBuffer()]).toEqual([blob.type, await blob.arrayBuffer()])
    }
  })

  it('is refused whole when a byte of it is not as it was written, or it was cut off', async () => {
    const bytes = await archive(demo.slice(0, 40))
    // Seeded: 60 files, each damaged in one way; what is still read must be what was written.
    let refused = 0
    for (const { bytes: mutant } of mutants(bytes, 60, 7)) {
      const log = await readLog(new Blob([mutant])).catch((error: unknown) => {
        expect(error).toBeInstanceOf(InvalidInput)
        return null
      })
      expect(log?.entries ?? demo.slice(0, 40)).toEqual(demo.slice(0, 40))
      if (!log) refused++
    }
    expect(refused).toBeGreaterThan(30)
  })

  it('streams: of 60 pictures of 300 kB never more than two are under way, and all come back', async () => {
    const SIZE = 300_000
    const ids = Array.from({ length: 60 }, (_, index) => `01K${String(index).padStart(23, '0')}`)
    const bytesOf = (id: string) => new Uint8Array(SIZE).fill(Number(id.slice(-4)))
    const pieces: Uint8Array<ArrayBuffer>[] = []
    let [written, asked, most] = [0, 0, 0]
    const target = new WritableStream<Uint8Array<ArrayBuffer>>({
      write(piece) {
        written += piece.length
        pieces.push(piece.slice())
      },
    })
    const picture = (id: string) => {
      asked++
      most = Math.max(most, asked - Math.floor(written / SIZE))
      return Promise.resolve(new Blob([bytesOf(id)], { type: 'image/webp' }))
    }
    await writeArchive({ entries: [], newer: [], pictureIds: ids, picture }, target, { writtenAt: AT, world: 'us' })
    expect(asked).toBe(60)
    expect(most).toBeLessThanOrEqual(2)
    const log = await readLog(new Blob(pieces))
    expect(log.pictureIds).toEqual(ids)
    expect(new Uint8Array(await (await log.picture(ids[40]!)).arrayBuffer())).toEqual(bytesOf(ids[40]!))
  })
})
