// A large log out and back through the built application: npm run archive -- [pictures] [entries]. Prints sizes, times
// and how much memory the browser's pages took at most. Run `npx nuxt build` first.
import { mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { longLog } from '../benchmarks/longLog.mjs'
import { newProfile, startBrowser, startServer } from './killable.mjs'

const [pictures = 5000, entries = 100_000] = process.argv.slice(2).map(Number)
const PORT = 4199
const SIZE = 300_000
const folder = join(tmpdir(), 'lactofer-archive-run')
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder)
const server = await startServer(PORT)

/** Resident memory of the processes that show pages, MB. */
const pagesMb = () =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .reduce((sum, pid) => {
      try {
        if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) return sum
        const kb = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0
        return Math.max(sum, Number(kb) / 1024)
      } catch {
        return sum
      }
    }, 0)

async function measured(what, work) {
  const before = pagesMb()
  let most = before
  const looking = setInterval(() => (most = Math.max(most, pagesMb())), 150)
  const started = Date.now()
  await work()
  clearInterval(looking)
  console.log(
    `${what}: ${((Date.now() - started) / 1000).toFixed(1)} s, memory ${before.toFixed(0)} MB before, ${most.toFixed(0)} MB at most (${(most - before).toFixed(0)} more)`,
  )
}

/** A browser of its own, on the logbook's page. */
async function onLogbook() {
  const browser = await startBrowser(await newProfile())
  const page = browser.context.pages()[0] ?? (await browser.context.newPage())
  page.setDefaultTimeout(1_200_000)
  const session = await browser.context.newCDPSession(page)
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder, eventsEnabled: true })
  await page.goto(`http://127.0.0.1:${PORT}/logbook`)
  await page.getByRole('heading', { name: 'Backup' }).waitFor()
  return { browser, page }
}
async function takeIn(page, path) {
  const session = await page.context().newCDPSession(page)
  const { root } = await session.send('DOM.getDocument')
  const { nodeId } = await session.send('DOM.querySelector', { nodeId: root.nodeId, selector: 'input[type=file]' })
  await session.send('DOM.setFileInputFiles', { nodeId, files: [path] })
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByText(/new entr(y|ies) taken in/).waitFor()
}
async function archiveOf(page) {
  await page.getByRole('button', { name: 'Save an archive' }).first().click()
  await page.getByText(/entries and \d+ pictures, /).waitFor()
  for (;;) {
    const [name] = readdirSync(folder).filter((one) => one.endsWith('.zip'))
    if (name) return join(folder, name)
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
}
/** Everything a page's log holds, as one checksum: entries in order of their ids, pictures by id and content. */
const sumOf = (page) =>
  page.evaluate(async () => {
    const database = await new Promise(
      (resolve) => (indexedDB.open('lactofer').onsuccess = ({ target }) => resolve(target.result)),
    )
    const all = (store, what = 'getAll', key) =>
      new Promise(
        (resolve) =>
          (database.transaction(store).objectStore(store)[what](key).onsuccess = ({ target }) =>
            resolve(target.result)),
      )
    const sorted = (value) =>
      Array.isArray(value)
        ? value.map(sorted)
        : value && typeof value === 'object'
          ? Object.fromEntries(
              Object.keys(value)
                .sort()
                .map((key) => [key, sorted(value[key])]),
            )
          : value
    const entries = [...(await all('entries')), ...(await all('volumes')).flatMap(({ text }) => JSON.parse(text))]
    entries.sort((a, b) => (a.id < b.id ? -1 : 1))
    const hex = async (bytes) => [...new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))].join(' ')
    const ids = await all('photos', 'getAllKeys')
    let pictures = ''
    for (const id of ids) pictures += id + (await hex(await (await all('photos', 'get', id)).blob.arrayBuffer()))
    const text = new TextEncoder()
    return [
      entries.length,
      ids.length,
      await hex(text.encode(JSON.stringify(sorted(entries)))),
      await hex(text.encode(pictures)),
    ].join(' | ')
  })

const first = await onLogbook()
const log = join(folder, 'log.json')
writeFileSync(
  log,
  JSON.stringify({
    format: 'lactofer-log',
    version: 3,
    writtenAt: new Date().toISOString(),
    entries: longLog(entries),
  }),
)
await measured(`${entries} entries taken in from JSON (${(statSync(log).size / 1e6).toFixed(0)} MB)`, () =>
  takeIn(first.page, log),
)
await first.page.evaluate(
  async ([count, size]) => {
    const database = await new Promise(
      (resolve) => (indexedDB.open('lactofer').onsuccess = ({ target }) => resolve(target.result)),
    )
    for (let number = 0; number < count; number++) {
      const bytes = new Uint8Array(size)
      for (let at = 0; at < size; at += 65_536) crypto.getRandomValues(bytes.subarray(at, at + 65_536))
      const id = `01K${String(number).padStart(23, '0')}`
      const writing = database.transaction(['photos', 'choices'], 'readwrite')
      writing.objectStore('photos').put({ id, origin: 'maker', blob: new Blob([bytes], { type: 'image/jpeg' }) })
      await new Promise((resolve) => (writing.oncomplete = resolve))
    }
    database.close()
  },
  [pictures, SIZE],
)
await first.page.reload()
await first.page.getByRole('heading', { name: 'Backup' }).waitFor()
let archive = ''
await measured(`${entries} entries and ${pictures} pictures into an archive`, async () => {
  archive = await archiveOf(first.page)
})
console.log(`${(statSync(archive).size / 1e6).toFixed(0)} MB`)
const before = await sumOf(first.page)
await first.browser.kill()

const second = await onLogbook()
await measured('out of the archive into an empty browser', () => takeIn(second.page, archive))
const after = await sumOf(second.page)
await second.browser.kill()
await server.stop()
rmSync(folder, { recursive: true, force: true })
console.log(before === after ? `equal: ${after.split(' | ').slice(0, 2).join(' entries, ')} pictures` : 'NOT EQUAL')
process.exit(before === after ? 0 : 1)
