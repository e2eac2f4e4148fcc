import type { Page } from '@playwright/test'
import { FILE_VERSION, fold, writeFile, type Entry } from '@lactofer/core'
import { witnessHead, witnessLine } from '@lactofer/core/witness'
import { lateId } from '../lateId'
import { pastLoft } from '../pastLofts'
import { expect, expectAccessible, field, figure, openDemo, takeIn, test, visit } from './steps'
import { device, Front, joinAddress, joinRoom, linkServer, openRoom, sameOnAll, startRedis } from './workshop'

/* One workshop, many devices: sealed parcels over servers that come and go. */

/** Chances that are the same each time. */
function chances(seed: number) {
  let state = seed
  return () => (state = (state * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31
}
const DEVICES = ['phone', 'tablet', 'laptop'] as const
/** Facts of three devices: two lofts of each, one of another in common, and corrections of that one on all sides. */
function facts(): Entry[][] {
  const now = Date.now()
  const shared = pastLoft(now, 40, 'S')
  const readings = shared.filter((entry) => entry.kind === 'reading')
  return DEVICES.map((by, who) => [
    ...shared,
    ...pastLoft(now, 60, 'ABC'[who]!),
    ...readings.slice(0, 25).map((reading, at): Entry => {
      const head = { id: lateId(1000 * who + at), by, origin: 'maker', at: reading.at, replaces: reading.id } as const
      return (at + who) % 5 === 0
        ? { ...head, kind: 'retract', reason: 'Wrong jar.' }
        : { ...reading, ...head, ph: 3.5 + who / 10 }
    }),
  ])
}
const state = (entries: readonly Entry[]) => {
  const { lots, forks, effective } = fold(entries)
  return { lots: [...lots.values()], forks, effective }
}

test(
  'three devices cut off at random, their server killed, then two servers on one Redis: the same facts and the same state on all',
  { tag: '@long' },
  async ({ browser }) => {
    const chance = chances(7)
    const front = new Front(4180, chance)
    let server = await linkServer(4181)
    front.servers = [4181]
    const asked: string[] = []
    const pages = await Promise.all(
      facts().map(async (entries) => {
        const page = await device(browser, front.url, entries)
        page.context().on('request', (request) => asked.push(request.url()))
        return page
      }),
    )
    const [phone, tablet, laptop] = pages as [Page, Page, Page]
    expect(
      asked.filter((url) => url.includes('/api/link')),
      'nothing is sent before it is switched on',
    ).toEqual([])

    const address = await openRoom(phone)
    front.cut = 0.3
    for (const [at, page] of [tablet, laptop].entries()) {
      // The page itself may be cut off too: then it is asked for again, as anybody would.
      await expect(() => joinRoom(page, address, DEVICES[at + 1]!)).toPass({ timeout: 60_000 })
      await phone.context().setOffline(chance() < 0.5)
    }
    await server.stop()
    front.hangUp()
    await expect(figure(laptop, 'link')).toContainText(/waiting/)
    server = await linkServer(4181)
    await phone.context().setOffline(false)
    for (let turn = 0; turn < 3; turn++) {
      front.hangUp()
      const one = pages[Math.floor(chance() * 3)]!
      await one.context().setOffline(chance() < 0.5)
      // Cut off for a moment, wherever the exchange stands then.
      await one.waitForTimeout(300)
    }
    front.cut = 0
    for (const page of pages) await page.context().setOffline(false)
    const { logs, tookMs } = await sameOnAll(pages)
    const [first, ...others] = logs as [Entry[], ...Entry[][]]
    expect(first.length).toBeGreaterThan(500)
    const right = state(first)
    expect(right.forks.length).toBeGreaterThan(10)
    for (const other of others) expect(state(other)).toEqual(right)
    const description = `${first.length} entries, alike on three devices ${tookMs} ms after the last was back`
    test.info().annotations.push({ type: 'measured', description })
    for (const page of pages) await expect(figure(page, 'room')).toContainText('All here')

    // Two servers, one store, and nothing in it yet: whoever comes first lays it out anew.
    const redis = await startRedis(4184)
    const both = await Promise.all([4182, 4183].map((port) => linkServer(port, { NUXT_LINK_REDIS: redis.url })))
    front.servers = [4182, 4183]
    await server.stop()
    front.hangUp()
    const more = pastLoft(Date.now(), 120, 'G')
    const late = await device(browser, front.url, more)
    await joinRoom(late, address, 'the second tablet')
    const after = await sameOnAll([...pages, late])
    expect(after.logs[0]!.length).toBe(first.length + more.length)
    await expect(phone.getByRole('region', { name: 'From the others' })).toContainText('the second tablet')
    await Promise.all(both.map((one) => one.stop()))
    redis.stop()
    front.stop()
  },
)

/** Writes an entry: a vessel of one's own, on the library's page that is open. */
async function addVessel(page: Page, name: string) {
  const form = page.getByRole('form', { name: 'A vessel of yours' })
  await field(form, 'Vessel name').fill(name)
  await field(form, 'Holds, to the brim').fill('4 l')
  await field(form, 'Weighs empty').fill('310')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('button', { name: `Change ${name}` })).toBeVisible()
}

test('a code lets in, a new one puts out; strangers read and write nothing; what waits is said', async ({
  browser,
}) => {
  const server = await linkServer(4185)
  const url = 'http://127.0.0.1:4185'
  const [laptop, phone] = (await Promise.all([0, 1].map(() => device(browser, url)))) as [Page, Page]
  await openDemo(laptop)
  const asked = laptop.waitForRequest(/\/api\/link\//)
  const address = await openRoom(laptop)
  await expectAccessible(laptop)
  const room = /\/api\/link\/([0-9a-f]{64})/.exec((await asked).url())![1]!
  expect(address, 'the server never sees what stands behind the #').toMatch(/\/join#[\w-]{43}$/)

  // A bad code, a code that is cut off, none.
  await phone.goto('/join')
  await expect(phone.getByRole('alert')).toContainText('There is no code in this address')
  await phone.goto(address.slice(0, -3))
  await phone.getByRole('button', { name: 'Join' }).click()
  await expect(phone.getByRole('alert')).toContainText('This code cannot be read')
  await phone.setViewportSize({ width: 390, height: 844 })
  await joinRoom(phone, address, 'Phone')
  await expect(figure(phone, 'link')).toContainText('All here')
  await expectAccessible(phone)

  // The demo is nobody's memory: it went nowhere. What is logged on one is on the other within seconds.
  await visit(laptop, '/plan')
  await laptop.getByRole('textbox', { name: 'Name on the tape' }).fill('Half typed')
  await visit(phone, '/library')
  await phone.getByRole('button', { name: 'Vessels and closures' }).click()
  await addVessel(phone, 'Blue tub')
  await expect(laptop.getByRole('textbox', { name: 'Name on the tape' })).toHaveValue('Half typed')
  await visit(laptop, '/devices')
  const others = laptop.getByRole('region', { name: 'From the others' })
  await expect(others).toContainText('Phone')
  await expect(others).toContainText('Blue tub')
  await expect(others).toContainText('1 entry')

  // Who knows the number of the room and has no key.
  for (const token of [undefined, room, 'x'.repeat(64)])
    for (const [path, method] of [
      ['', 'GET'],
      ['', 'DELETE'],
      [`/e${'0'.repeat(64)}`, 'GET'],
      [`/e${'0'.repeat(64)}`, 'PUT'],
    ] as const) {
      const headers = { ...(token && { authorization: `Bearer ${token}` }), 'content-type': 'application/octet-stream' }
      const body = method === 'PUT' ? { body: 'x' } : {}
      const { status } = await fetch(`${url}/api/link/${room}${path}`, { method, headers, ...body })
      expect(status).toBe(403)
    }

  // The server away: what is logged waits, and says so.
  await phone.context().setOffline(true)
  await addVessel(phone, 'Red tub')
  await expect(figure(phone, 'link')).toContainText('1 entry waiting, the server is away')
  await phone.context().setOffline(false)
  await expect(figure(phone, 'link')).toContainText('All here')

  // Put out: the old code opens nothing any more, and the phone says so.
  await laptop.getByRole('button', { name: 'Put a device out …' }).click()
  await laptop.getByRole('button', { name: 'Make a new code' }).click()
  await expect(figure(phone, 'link')).toContainText('closed by a member')
  await addVessel(phone, 'Grey tub')
  await expect(figure(phone, 'link')).toContainText('1 entry waiting')
  await expect(laptop.locator('[data-join-code]')).toBeVisible()
  expect(await joinAddress(laptop)).not.toBe(address)
  await laptop.getByRole('button', { name: 'Leave' }).click()
  await expect(laptop.getByRole('button', { name: 'Open a room' })).toBeVisible()
  await server.stop()
})

test('a folder that something carries about: a file of one’s own, the others’ taken in, a torn one named', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL: baseURL! })
  await context.addInitScript(() => {
    // A folder of the private files stands in for one that is chosen: the browser's own list cannot be worked here.
    Object.assign(window, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('Shared', { create: true }),
    })
  })
  const page = await context.newPage()
  const shared = pastLoft(Date.now(), 30, 'S')
  await visit(page, '/logbook')
  await takeIn(page, writeFile(shared.slice(0, 20), new Date().toISOString()))
  await visit(page, '/devices')
  await field(page, 'What it is called').fill('')
  await page.getByRole('button', { name: 'Choose a folder …' }).click()
  await expect(page.getByText('Say first what this device is called.')).toBeVisible()
  await field(page, 'What it is called').fill('Bench/tablet')
  await page.getByRole('button', { name: 'Choose a folder …' }).click()
  await expect(figure(page, 'folder')).toContainText('All here')
  const files = () =>
    page.evaluate(async () => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Shared')
      const found: [string, string][] = []
      for await (const [name, file] of folder.entries())
        if (file.kind === 'file') found.push([name, await (await (file as FileSystemFileHandle).getFile()).text()])
      return found
    })
  await expect.poll(async () => (await files()).length).toBe(1)
  const [[name, text]] = (await files()) as [[string, string]]
  expect(name).toMatch(/^lactofer Benchtablet [0-9a-f]{8}\.log$/)
  expect(text.trim().split('\n')).toHaveLength(21)

  // Another device's file arrives, its last line torn.
  const lines = shared.slice(20, 26).map((entry) => witnessLine(entry, FILE_VERSION))
  const put = (content: string) =>
    page.evaluate(async (said) => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Shared')
      const file = await (await folder.getFileHandle('lactofer Phone 12345678.log', { create: true })).createWritable()
      await file.write(said)
      await file.close()
    }, content)
  const head = witnessHead('link')
  await put(head + lines.join('').replace('"by"', '"bx"').slice(0, -9))
  const others = page.getByRole('region', { name: 'From the others' })
  await expect(others).toContainText('4 entries')
  await expect(page.getByRole('region', { name: 'A folder' })).toContainText('1 of its lines cannot be read.')
  await put(head + lines.join(''))
  await expect(others).toContainText('2 entries')
  await expect(page.getByRole('region', { name: 'A folder' })).not.toContainText('cannot be read')
  await page.getByRole('button', { name: 'No folder any more' }).click()
  await expect(page.getByRole('button', { name: 'Choose a folder …' })).toBeVisible()
  await context.close()
})
