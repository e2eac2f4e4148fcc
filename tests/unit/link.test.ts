import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createStorage } from 'unstorage'
import folder from 'unstorage/drivers/fs-lite'
import memory from 'unstorage/drivers/memory'
import redis from 'unstorage/drivers/redis'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { LIMITS, Rooms, type Answer, type Listed } from '../../server/link/rooms'
import { BadParcel, newSecret, roomOf } from '~/link/seal'
import { wireTo } from '~/link/wire'
import type { Told } from '~/db/links'
import { clockWords, linkWords, refusalWords } from '~/words/linkWords'

const place = mkdtempSync(join(tmpdir(), 'rooms-'))
/** Debian's Redis, with nothing in it. */
const REDIS_PORT = 4196
const server = spawn('redis-server', ['--port', String(REDIS_PORT), '--save', '', '--dir', place], { stdio: 'ignore' })
afterAll(() => {
  server.kill('SIGKILL')
  rmSync(place, { recursive: true })
})

const bytes = (text: string) => new TextEncoder().encode(text)
const words = (found: Uint8Array) => new TextDecoder().decode(found)
const status = (answer: Answer<unknown>) => answer.refusal?.status

/** A room of a fresh secret, and who may enter it. */
async function member(nowMs = 0) {
  const secret = newSecret()
  const room = (await roomOf(secret))!
  return { secret, room, asking: { room: room.number, token: room.token, nowMs } }
}

describe('what is sealed', () => {
  it('only a member opens it, and only as it was made', async () => {
    const { secret, room } = await member()
    const { name, parcel } = await room.seal('entries', bytes('pH 3.62'))
    const tablet = (await roomOf(secret))!
    expect([tablet.number, words(await tablet.open(name, parcel))]).toEqual([room.number, 'pH 3.62'])
    expect(name).toBe(`e${createHash('sha256').update(parcel).digest('hex')}`)
    expect(words(parcel)).not.toContain('3.62')
    // The same words twice are two parcels: nobody sees that they are the same.
    expect((await room.seal('entries', bytes('pH 3.62'))).name).not.toBe(name)

    const named = (changed: Uint8Array, kind = 'e') => `${kind}${createHash('sha256').update(changed).digest('hex')}`
    const bent = parcel.map((byte, at) => (at === parcel.length - 1 ? byte ^ 1 : byte))
    const short = parcel.slice(0, -1)
    const stranger = (await member()).room
    for (const [opener, called, changed, why] of [
      [room, name, bent, /changed or cut off/],
      [room, name, short, /changed or cut off/],
      // Renamed to what it is now it is still nobody's.
      [room, named(bent), bent, /not made by a member/],
      [room, named(short), short, /not made by a member/],
      [room, named(parcel.slice(0, 5)), parcel.slice(0, 5), /not made by a member/],
      [stranger, name, parcel, /not made by a member/],
      // Nor is it a picture because somebody calls it one.
      [room, named(parcel, 'p'), parcel, /not made by a member/],
    ] as const) {
      const opened = opener.open(called, changed)
      await expect(opened).rejects.toThrow(BadParcel)
      await expect(opened).rejects.toThrow(why)
    }
  })

  it.each(['', 'short', 'https://loft.example', `${newSecret()}x`])('“%s” is no secret', async (text) => {
    expect(await roomOf(text)).toBeNull()
  })
})

describe.each([
  ['in memory', () => memory()],
  ['in a folder', () => folder({ base: join(place, 'rooms') })],
  ['in Redis', () => redis({ url: `redis://127.0.0.1:${REDIS_PORT}`, base: 'lactofer' })],
])('rooms %s', (_where, driver) => {
  const storage = createStorage({ driver: driver() })
  const rooms = new Rooms(() => storage)

  it('keep what members leave until one of them clears it; the same twice is one', async () => {
    const { room, asking } = await member()
    const { name, parcel } = await room.seal('entries', bytes('a jar'))
    const names = async (of: Rooms) => ((await of.list(asking)) as { value: Listed }).value.parcels
    expect(await names(rooms)).toEqual([])
    expect(await rooms.leave(asking, name, parcel)).toEqual({ value: { known: false } })
    expect(await rooms.leave(asking, name, parcel)).toEqual({ value: { known: true } })
    // Another server on the same store.
    const other = new Rooms(() => storage)
    expect(await names(other)).toEqual([name])
    const { tag } = ((await other.list(asking)) as { value: Listed }).value
    expect(await rooms.list(asking, tag), 'nothing new').toEqual({ value: { tag, parcels: null } })
    const taken = await other.take(asking, name)
    expect(words(await room.open(name, new Uint8Array((taken as { value: Uint8Array }).value)))).toBe('a jar')
    expect(status(await rooms.take(asking, `e${'f'.repeat(64)}`))).toBe(404)
    expect(await rooms.clear(asking)).toEqual({ value: { cleared: 1 } })
    expect(await names(rooms)).toEqual([])
    // Closed, nobody enters it any more, on any server.
    await rooms.leave(asking, name, parcel)
    await rooms.clear(asking, true)
    for (const one of [rooms, other]) {
      expect(status(await one.list(asking))).toBe(410)
      expect(status(await one.take(asking, name))).toBe(410)
      expect(status(await one.leave(asking, name, parcel))).toBe(410)
    }
  })

  it('a stranger with the number reads nothing and leaves nothing; what was changed on its way is refused', async () => {
    const { room, asking } = await member()
    const { name, parcel } = await room.seal('entries', bytes('a jar'))
    await rooms.leave(asking, name, parcel)
    for (const token of [undefined, '', room.number, (await member()).room.token]) {
      const stranger = { ...asking, token }
      expect(status(await rooms.list(stranger))).toBe(403)
      expect(status(await rooms.take(stranger, name))).toBe(403)
      expect(status(await rooms.leave(stranger, name, parcel))).toBe(403)
      expect(status(await rooms.clear(stranger))).toBe(403)
    }
    for (const number of ['..', '../rooms', room.number.slice(1), ''])
      expect(status(await rooms.list({ ...asking, room: number }))).toBe(404)
    expect(status(await rooms.leave(asking, name, parcel.slice(1)))).toBe(422)
    expect(status(await rooms.leave(asking, '../../x', parcel))).toBe(422)
    expect(status(await rooms.leave(asking, name, new Uint8Array(LIMITS.parcelBytes + 1)))).toBe(413)
    expect(await rooms.list(asking)).toMatchObject({ value: { parcels: [name] } })
  })
})

it('too much at once waits for the next minute', async () => {
  const storage = createStorage({ driver: memory() })
  const rooms = new Rooms(() => storage)
  const { asking } = await member(1000)
  for (let turn = 0; turn < LIMITS.readsPerMinute; turn++) await rooms.list({ ...asking, nowMs: 2000 })
  expect(status(await rooms.list({ ...asking, nowMs: 3000 }))).toBe(429)
  expect(status(await rooms.list({ ...asking, nowMs: 62_000 }))).toBeUndefined()
})

it('the server keeps nothing but numbers and what it cannot read', async () => {
  const storage = createStorage({ driver: folder({ base: join(place, 'kept') }) })
  const rooms = new Rooms(() => storage)
  const { room, asking, secret } = await member()
  const { name, parcel } = await room.seal('entries', bytes('Cayenne mash'))
  await rooms.leave(asking, name, parcel)
  const kept = await Promise.all(
    (await storage.getKeys()).map(async (key) => `${key} ${String(await storage.getItemRaw(key))}`),
  )
  for (const secretThing of ['Cayenne', secret, room.token]) expect(kept.join('\n')).not.toContain(secretThing)
  expect(readdirSync(join(place, 'kept')).sort()).toEqual(['parcels', 'rooms'])
})

it('how the others stand is said in a word and a sentence; a clock that is off too', () => {
  const told: Told = { state: 'shared', why: '', entries: 0, pictures: 0, refused: [], aheadMs: null }
  const said = (change: Partial<Told>) => {
    const { short, sentence } = linkWords({ ...told, ...change })
    return [short, sentence]
  }
  expect(said({})).toEqual(['All here', 'All here.'])
  expect(said({ pictures: 2 })).toEqual(['All here', 'All here; 2 pictures waiting.'])
  expect(said({ state: 'away', entries: 3 })).toEqual(['3 waiting', '3 entries waiting, the server is away.'])
  expect(said({ state: 'away' })).toEqual(['Away', 'Nothing waiting, the server is away.'])
  expect(said({ state: 'asks', why: 'Say yes.', entries: 1, pictures: 1 })).toEqual([
    '1 waiting',
    'Say yes. 1 entry and 1 picture waiting.',
  ])
  expect(linkWords(null).level).toBe('fine')
  expect(refusalWords(['a', 'b', 'a'])).toEqual(['2 times: a', 'b'])
  expect([null, 0, 119_000, -170_000].map(clockWords).join('')).toBe('')
  expect(clockWords(11 * 60_000)).toContain('11 minutes ahead of the server')
  expect(clockWords(-3 * 3_600_000)).toContain('3 hours behind the server')
})

it('a server that is down, or something that answers in its place, is no refusal', async () => {
  const { room } = await member()
  const asked = async (status: number, body: string) => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(body, { status })))
    return wireTo(room)
      .list('')
      .catch((error: Error) => error.name)
      .finally(() => vi.unstubAllGlobals())
  }
  expect(await asked(410, '{"message":"closed"}')).toBe('Refused')
  expect(await asked(503, '{"message":"busy"}')).toBe('Away')
  expect(await asked(404, '<html>')).toBe('Away')
  expect(await asked(200, '{"tag":1}')).toBe('Away')
})
