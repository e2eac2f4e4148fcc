import { appendFile, readdir, readFile } from 'node:fs/promises'
import type { BrowserContext, Page } from '@playwright/test'
import { demoEntries } from '#demo/scenario'
import { writeFile, type Entry } from '@lactofer/core'
import { Chaos } from '../../scripts/chaosRun.mjs'
import { logIn, newProfile, startBrowser, startServer } from '../../scripts/killable.mjs'
import { servePlain } from '../../scripts/plainFiles.mjs'
import { makeStatic } from '../../scripts/static.mjs'
import { day, notebook } from '../../core/test/log/build'
import { expect, field, figure, openDemo, openLog, pick, saved, showFile, takeIn, test, turnTo, visit } from './steps'

/* What is promised in docs/trust.md, through the real interface. */

/** A small log of the maker's own, some days old. */
function ownLog(): { entries: Entry[]; lotId: string } {
  const log = notebook()
  const lotId = log.mash()
  log.read(lotId, 3, 3.9)
  return { entries: log.entries, lotId }
}

/** Waits until what was typed stands in the database of begun forms. */
const isKept = (page: Page, words: string) =>
  expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<string>((resolve) => {
            const open = indexedDB.open('lactofer-drafts')
            open.onsuccess = () => {
              const all = open.result.transaction('drafts').objectStore('drafts').getAll()
              all.onsuccess = () => {
                open.result.close()
                resolve(JSON.stringify(all.result))
              }
            }
          }),
      ),
    )
    .toContain(words)

// A short version of `npm run chaos`, which has every disaster and many kills.
test(
  'killed amid its work in two tabs: nothing confirmed is lost, nothing is there twice, a begun form is kept, and an emptied folder is mended',
  { tag: '@long' },
  async () => {
    const chaos = await Chaos.begin(4290, 5)
    for (const page of chaos.pages) await chaos.read(page)
    const page = () => chaos.pages[0]!
    const name = () => field(page(), 'Name on the tape')
    const toPlan = () => page().goto(chaos.url('/plan'))
    await toPlan()
    await name().fill('Half typed')
    await isKept(page(), 'Half typed')
    await chaos.killAmid((page: Page) => chaos.read(page))
    await chaos.disaster('its folder emptied')
    await toPlan()
    await expect(name()).toHaveValue('Half typed')
    await chaos.end()
    expect(chaos.findings).toEqual([])
    expect(chaos.confirmed.length).toBeGreaterThanOrEqual(2)
  },
)

/** It was lost five times of five without the gate: one kill tells. `.ci/nightly` has more. */
const KILLS = Number(process.env.KILLS ?? 1)
test('killed while two writing transactions on two stores are held open: the store is there', async () => {
  const server = await startServer(4291)
  const profile = await newProfile()
  const address = 'http://127.0.0.1:4291'
  /** Keeps every writing transaction of the log half written, its first megabytes on the disk, until the kill. */
  const hold = (context: BrowserContext) =>
    context.addInitScript(() => {
      const heldWrites: Record<string, number> = {}
      Object.assign(globalThis, { heldWrites })
      const { transaction } = IDBDatabase.prototype
      const { commit } = IDBTransaction.prototype
      IDBTransaction.prototype.commit = function () {
        if (!sessionStorage.getItem('hold')) commit.call(this)
      }
      const write = (store: IDBObjectStore, time = 0) => {
        const key = `held-${time}`
        const value = { [String(store.keyPath)]: key, held: 'x'.repeat(200_000) }
        const put = store.keyPath === null ? store.put(value, key) : store.put(value)
        put.onsuccess = () => {
          heldWrites[store.name] = (heldWrites[store.name] ?? 0) + 1
          write(store, (time + 1) % 100)
        }
      }
      IDBDatabase.prototype.transaction = function (names: string | string[], mode, options) {
        const held = transaction.call(this, names, mode, options)
        if (mode === 'readwrite' && sessionStorage.getItem('hold')) write(held.objectStore([names].flat()[0]!))
        return held
      }
    })
  const { entries, lotId } = ownLog()
  let browser = await startBrowser(profile)
  const first = await browser.context.newPage()
  await first.goto(`${address}/logbook`)
  await takeIn(first, writeFile(entries, day(9)))
  await browser.kill()
  for (let time = 1; time <= KILLS + 1; time++) {
    await new Promise((resolve) => setTimeout(resolve, 1200))
    browser = await startBrowser(profile)
    await hold(browser.context)
    const page = await browser.context.newPage()
    await visit(page, `${address}/logbook`)
    // Both were laid beside each other: had the database come up empty, the files would have brought it back by now.
    await page.getByText('at the start it held 3 of your entries').waitFor()
    expect(await page.getByText('brought back').count(), `after ${time - 1} kills`).toBe(0)
    expect((await logIn(page)).length, `after ${time - 1} kills`).toBe(3)
    if (time > KILLS) break
    await visit(page, `${address}/ferment/${lotId}`)
    await field(page, 'Temperature').fill('21')
    await page.evaluate(() => sessionStorage.setItem('hold', 'yes'))
    // One writes entries, the other choices.
    await page.getByRole('button', { name: 'Record the reading' }).click()
    await page.getByRole('button', { name: /^Units:/ }).click()
    // Some megabytes of what the gate lets through are on the disk by then.
    await page.waitForFunction(() =>
      Object.values((globalThis as unknown as { heldWrites: Record<string, number> }).heldWrites).some(
        (many) => many > 20,
      ),
    )
    await browser.kill()
  }
  await browser.kill()
  await server.stop()
})

/** A page of a context of its own, offline shell and all, on plain files that can be taken away. */
async function withShell(page: Page, address: string) {
  const context = await page.context().browser()!.newContext({ baseURL: address, serviceWorkers: 'allow' })
  const own = await context.newPage()
  await own.goto('/')
  await own.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  await own.reload()
  return own
}

test(
  'a static build on plain files: with them gone every page opens, the forecast, the solver and the label work; a newer one waits for a yes and keeps a begun form',
  { tag: '@long' },
  async ({ page: starter }, testInfo) => {
    const folder = await makeStatic(testInfo.outputPath('static'))
    let stop = await servePlain(folder, 4292)
    const page = await withShell(starter, 'http://127.0.0.1:4292')
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    page.on('console', (message) => {
      if (/Content Security Policy/.test(message.text())) errors.push(message.text())
    })
    await openDemo(page)
    await stop()
    for (const path of ['plan', 'ferment', 'press', 'blend', 'bottle', 'cellar', 'library', 'recipes', 'logbook', '']) {
      await visit(page, `/${path}`)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    }
    await expect(page.getByText('Instruments are away.')).toBeVisible()
    await page.locator('[data-lot="BPL-06"]').click()
    await expect(figure(page, 'forecast')).toBeVisible({ timeout: 60_000 })
    const lotOf = async (row: string) => {
      await visit(page, '/cellar')
      await field(page, 'Find by code, name or place').fill(row)
      await page.locator(`[data-row^="${row}"] a`).first().click()
      await page.locator('[data-chosen]').waitFor()
      return new URL(page.url()).searchParams.get('lot')
    }
    await visit(page, `/blend/${await lotOf('PS-07')}`)
    await expect(figure(page, 'correction')).toBeVisible({ timeout: 60_000 })
    await visit(page, `/label/${await lotOf('PS-06-')}`)
    await field(page, 'Address lines').fill('Brackwater Pepper Loft\nSaltby Quay')
    expect((await saved(page, 'Labels as PDF')).subarray(0, 4).toString()).toBe('%PDF')
    await visit(page, '/plan')
    await field(page, 'Name on the tape').fill('Half typed')

    // The server is back, with another build.
    await appendFile(`${folder}/sw.js`, '\n// newer\n')
    stop = await servePlain(folder, 4292)
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
    await expect(page.getByText('A newer Lactofer is ready.')).toBeVisible()
    await expect(field(page, 'Name on the tape')).toHaveValue('Half typed')
    await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Take it now' }).click()])
    await expect(field(page, 'Name on the tape')).toHaveValue('Half typed')
    await expect(page.getByText('A newer Lactofer is ready.')).toBeHidden()
    expect(errors).toEqual([])
    await page.context().close()
    await stop()
  },
)

test('storage that is denied, missing or full is said in a sentence, and planning works all the same', async ({
  browser,
  baseURL,
}) => {
  const ways: [string, () => void, RegExp][] = [
    [
      'denied',
      () => {
        const no = () => {
          throw new DOMException('denied', 'SecurityError')
        }
        for (const name of ['indexedDB', 'localStorage']) Object.defineProperty(window, name, { get: no })
        navigator.storage.getDirectory = () => Promise.reject(new DOMException('denied', 'SecurityError'))
      },
      /This browser lets Lactofer keep nothing|has no place where a log could be kept/,
    ],
    [
      'missing',
      () => Object.defineProperty(window, 'indexedDB', { value: undefined }),
      /This browser has no place where a log could be kept/,
    ],
    [
      'not opened',
      () => {
        IDBFactory.prototype.open = () => {
          throw new DOMException('The user denied permission to access the database.', 'InvalidStateError')
        }
      },
      /This browser lets Lactofer keep nothing/,
    ],
  ]
  for (const [what, spoil, sentence] of ways) {
    const context = await browser.newContext({ baseURL })
    await context.addInitScript(spoil)
    const page = await context.newPage()
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await visit(page, '/plan')
    await expect(page.getByRole('alert').filter({ hasText: sentence }), what).toBeVisible()
    await pick(page, 'Add an ingredient', 'Fresno chilli')
    await field(page, 'Fresno chilli, weight').fill('1000')
    await expect(figure(page, 'salt')).toHaveText('40.0 g')
    await expect(page.getByText('Nothing is lost')).toHaveCount(0)
    expect(errors, what).toEqual([])
    await context.close()
  }
})

/** A file of the built application that goes with the rules: the table of styles, known by a sentence of it. */
async function fileOfRules(): Promise<string> {
  const folder = '.output/public/_nuxt'
  const files = (await readdir(folder)).filter((name) => name.endsWith('.js') && !name.includes('.worker-'))
  const texts = await Promise.all(files.map((name) => readFile(`${folder}/${name}`, 'utf8')))
  const [found, ...more] = files.filter((_, at) => texts[at]?.includes('Mould starts above the liquid'))
  if (!found || more.length)
    throw new Error(`Of the files of the page ${more.length + (found ? 1 : 0)} hold the table of styles`)
  return found
}

test('an empty log fetches nothing to read it by; where that cannot be fetched it is said, and the log is there once it can', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL, serviceWorkers: 'block' })
  let [fetched, away] = [0, false]
  await context.route(`**/_nuxt/${await fileOfRules()}`, async (route) => {
    fetched++
    await (away ? route.abort() : route.continue())
  })
  const page = await context.newPage()
  await visit(page, '/')
  await expect(page.getByRole('heading', { name: 'No jar on the shelf yet' })).toBeVisible()
  expect(fetched).toBe(0)
  await page.getByRole('button', { name: 'Look around with the demo' }).click()
  await expect(page.locator('[data-lot="BPL-01"]')).toBeVisible()
  expect(fetched).toBe(1)
  away = true
  await page.reload()
  await expect(page.getByRole('alert').filter({ hasText: 'A part of Lactofer could not be fetched' })).toBeVisible()
  away = false
  await page.reload()
  await expect(page.locator('[data-lot="BPL-01"]')).toBeVisible()
  await context.close()
})

test('archives go to a chosen folder by themselves, once a day and after a release; one of them restores all into an empty browser; what was erased stays erased', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL })
  await context.addInitScript(() => {
    // A folder of the private files stands in for one that is chosen: the browser's own list cannot be worked here.
    Object.assign(window, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('Backups', { create: true }),
    })
  })
  const page = await context.newPage()
  // One that was begun stands there empty until it is written: left in the middle, it is cleared away by the next.
  const archives = () =>
    page.evaluate(async () => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Backups', { create: true })
      const names: string[] = []
      for await (const [name, file] of folder.entries()) {
        if (file.kind === 'file' && (await (file as FileSystemFileHandle).getFile()).size > 0) names.push(name)
      }
      return names
    })
  const { entries, lotId } = ownLog()
  await openLog(page, [...entries, ...demoEntries(Date.parse(day(9)))], 9)
  await visit(page, '/')
  await expect(page.getByText(/\d+ entries and no archive yet: in this browser only\./)).toBeHidden()
  await visit(page, '/logbook')
  await page.getByRole('button', { name: 'Choose a folder …' }).click()
  await expect(page.getByText(/One a day and one after every release go to the folder/)).toBeVisible()
  await expect.poll(archives).toHaveLength(1)

  // The next day brings a reading, and with it an archive.
  await turnTo(page, Date.parse(day(10)))
  await visit(page, `/ferment/${lotId}`)
  await field(page, 'pH').fill('3.72')
  await page.getByRole('button', { name: 'Record the reading' }).click()
  await expect(field(page, 'pH')).toHaveValue('')
  await page.clock.runFor(40_000)
  await expect.poll(archives).toHaveLength(2)

  // The file alone, in another browser.
  await visit(page, '/logbook')
  const before = await page.getByText(/\d+ entries in this browser/).innerText()
  const archive = await saved(page, 'Save an archive')
  const empty = await (await browser.newContext({ baseURL })).newPage()
  await empty.goto('/logbook')
  await takeIn(empty, archive, 'log.zip')
  await expect(empty.getByText(/\d+ entries in this browser/)).toHaveText(before)

  // Erased in one tab while another holds its part of the second copy.
  const beside = await empty.context().newPage()
  await beside.goto('/plan')
  await field(beside, 'Name on the tape').fill('Not to come back')
  await expect(beside.getByRole('heading', { level: 1 })).toBeVisible()
  await empty.getByRole('button', { name: 'Erase this log …' }).click()
  await empty.getByRole('button', { name: 'Erase it all' }).click()
  await expect(empty.getByText('Type "erase" to go on; nothing was erased.')).toBeVisible()
  await field(empty, 'Type "erase"').fill('erase')
  await empty.getByRole('button', { name: 'Erase it all' }).click()
  await expect(empty.getByText('0 entries in this browser, 0 lots.')).toBeVisible()
  await expect(beside.getByText('The log was erased in another tab.')).toBeVisible()
  await beside.reload()
  await expect(field(beside, 'Name on the tape')).toHaveValue('')
  await empty.reload()
  await expect(empty.getByText('0 entries in this browser, 0 lots.')).toBeVisible()
  await expect(empty.getByText('brought back')).toHaveCount(0)
})

test('without a folder Today says what this browser alone holds; dated ahead is asked about; a newer version is kept, and holds a lot back', async ({
  guarded: page,
}) => {
  const { entries, lotId } = ownLog()
  const last = entries.at(-1)!
  const idOf = (end: string) => last.id.slice(0, -3) + end
  const ahead = { ...last, id: idOf('ZZ1'), at: day(300), ph: 4.9 } as Entry
  const wish = { ...last, id: idOf('ZZ2'), kind: 'wish' } as unknown as Entry
  const chores = [4, 5].map((at, index): Entry => ({
    ...{ id: idOf(`ZY${index}`), at: day(at), by: 'Bench', origin: 'maker' },
    ...{ kind: 'chore', lotId, chore: 'burp' },
  }))
  await openLog(page, [...entries, ...chores, ahead], 9)
  await visit(page, '/')
  const backup = page.getByRole('region', { name: 'Backup' })
  await expect(backup).toContainText('6 entries and no archive yet: in this browser only.')
  await saved(page, 'Save an archive')
  await expect(backup).toBeHidden()
  const asked = page.getByRole('region', { name: 'Dated ahead' })
  await expect(asked).toContainText('1 entry is dated more than a day ahead')
  await visit(page, `/ferment/${lotId}`)
  await expect(page.getByText(/Behind|pH rose/)).toHaveCount(0)
  await visit(page, '/')
  await field(asked, 'It was on').fill('10/03/2026 10:00')
  await field(asked, 'It was on').press('Enter')
  await asked.getByRole('button', { name: 'Count it then' }).click()
  await expect(asked).toBeHidden()
  // A day and a half after the archive there is one entry that is nowhere else.
  await turnTo(page, Date.parse(day(10.5)))
  await visit(page, '/')
  await expect(backup).toContainText(/1 entry since [A-Z][a-z]+day: in this browser only\./)
  await visit(page, `/ferment/${lotId}`)
  await expect(page.getByText('4.90').first()).toBeVisible()

  await visit(page, '/logbook')
  await showFile(page, writeFile([...entries, wish], day(9)))
  await expect(figure(page, 'preview')).toContainText('1 entry cannot be read by this version')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText(/1 of a newer version kept as they are/)).toBeVisible()
  await expect(page.getByText(/1 entry cannot be read by this version; they/).first()).toBeVisible()
  const out = JSON.parse((await saved(page, 'Entries as a file')).toString()) as { entries: unknown[] }
  expect(out.entries).toContainEqual(wish)
  await visit(page, `/ferment/${lotId}`)
  await page.getByText('Why: facts and rules').click()
  await expect(page.getByText(/of a newer version speaks of it/).first()).toBeVisible()
})

test('an older tab steps aside when the store moves on, its form saved', async ({ guarded: page }) => {
  await visit(page, '/plan')
  await field(page, 'Name on the tape').fill('Half typed')
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        const request = indexedDB.open('lactofer', 990)
        request.onsuccess = () => resolve(request.result.close())
      }),
  )
  await expect(page.getByText(/A newer Lactofer was opened in another tab/)).toBeVisible()
  await expect(field(page, 'Name on the tape')).toHaveValue('Half typed')
  await page.reload()
  await expect(page.getByText(/was opened by a newer Lactofer/)).toBeVisible()
  await expect(field(page, 'Name on the tape')).toHaveValue('Half typed')
})

test('the server answers its own pages only: foreign origins and hosts, other content, too long, too deep, unknown', async ({
  request,
  baseURL,
}) => {
  const command = '/api/bench/command'
  const json = { 'content-type': 'application/json' }
  const tare = JSON.stringify({ do: 'tare' })
  const status = async (data: string, headers: Record<string, string>) =>
    (await request.post(command, { data, headers })).status()
  expect(await status(tare, { ...json, origin: baseURL! })).toBe(200)
  expect(await status(tare, { ...json, origin: 'http://peppers.example' })).toBe(403)
  expect(await status(tare, { ...json, origin: 'null' })).toBe(403)
  expect(await status(tare, { ...json, 'sec-fetch-site': 'same-site' })).toBe(403)
  expect(await status(tare, { 'content-type': 'text/plain' })).toBe(415)
  expect(await status(tare, { ...json, host: 'peppers.example' })).toBe(421)
  expect(await status(JSON.stringify({ do: 'place', probe: 'nobody', tempC: 4 }), json)).toBe(404)
  expect(await status(`{"do":"tare","x":"${'y'.repeat(20_000)}"}`, json)).toBe(413)
  expect(await status('['.repeat(400), json)).toBe(400)
  for (const path of ['/api/nothing', '/api/bench/nothing']) {
    const answer = await request.get(path)
    expect([answer.status(), (await answer.json()).error]).toEqual([404, true])
  }
  expect((await request.get(command)).status()).toBe(405)
  for (const path of ['/', '/icon.svg', '/sw.js']) {
    const headers = (await request.get(path)).headers()
    expect(headers['content-security-policy'], path).toContain("object-src 'none'")
    expect(headers['x-content-type-options'], path).toBe('nosniff')
    expect(headers['strict-transport-security'], path).toBeUndefined()
  }
})
