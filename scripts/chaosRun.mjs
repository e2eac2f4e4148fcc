// One run of chaos: a maker works in two tabs while the browser is killed at random moments and the server comes and
// goes. What was confirmed has to be there afterwards, once.
import { readFileSync, readdirSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { filesBelow, logIn, newProfile, placesOf, startBrowser, startServer } from './killable.mjs'

const PAGES = ['/', '/plan', '/ferment', '/press', '/blend', '/bottle', '/cellar', '/library', '/recipes', '/logbook']
const LOG = 'tests/fixtures/file-v3.json'
/** A browser that was killed is let rest before it opens again, ms: its files are closed by then. */
const REST_MS = 1200

/** A maker at work in two tabs of one profile. */
export class Chaos {
  /** Notes of entries that were confirmed, and of all that were tried. */
  confirmed = []
  tried = new Set()
  findings = []
  kills = 0
  served = true
  /** @type {import('@playwright/test').Page[]} */
  pages = []

  static async begin(port, seed, say = () => undefined) {
    const chaos = new Chaos()
    Object.assign(chaos, { port, seed, say, chance: xoroshiro128plus(seed), profile: await newProfile() })
    chaos.server = await startServer(port)
    await chaos.open()
    await chaos.pages[0].goto(chaos.url('/logbook'))
    await chaos.pages[0].locator('input[type=file]').first().setInputFiles(LOG)
    await chaos.pages[0].getByRole('button', { name: 'Take it in' }).click()
    await chaos.pages[0].getByText(/new entries taken in/).waitFor()
    // The offline shell is there before the server may go.
    await chaos.pages[0].evaluate(() => navigator.serviceWorker.ready.then(() => true))
    chaos.before = (await logIn(chaos.pages[0])).length
    return chaos
  }

  url = (path) => `http://127.0.0.1:${this.port}${path}`
  pick = (low, high) => uniformInt(this.chance, low, high)
  found(problem) {
    this.findings.push(`seed ${this.seed}: ${problem}`)
    this.say(problem)
  }

  async open() {
    this.browser = await startBrowser(this.profile)
    const { context } = this.browser
    this.pages = [context.pages()[0] ?? (await context.newPage()), await context.newPage()]
    for (const page of this.pages) {
      page.setDefaultTimeout(30_000)
      page.on('pageerror', ({ message }) => this.found(`an error on the page: ${message}`))
      await page.goto(this.url('/')).catch(() => this.found('a page did not open'))
      await page
        .locator('main h1')
        .first()
        .waitFor()
        .catch(() => this.found('a page stayed blank'))
    }
  }

  /** Records a reading with a note of its own; confirmed once the form is empty again. */
  async read(page) {
    const note = `n${this.seed}-${this.tried.size}`
    await this.toLot(page)
    await page.getByLabel('Temperature', { exact: true }).fill(`${this.pick(15, 26)}`)
    await page.getByLabel('Note', { exact: true }).fill(note)
    this.tried.add(note)
    await page.getByRole('button', { name: 'Record the reading' }).click()
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll('label')].find((label) => label.textContent.trim() === 'Note')?.control?.value ===
        '',
    )
    this.confirmed.push(note)
  }
  /** Types without confirming, and leaves. */
  async begin(page) {
    await this.toLot(page)
    await page.getByLabel('Note', { exact: true }).fill(`begun ${this.pick(0, 1e6)}`)
    if (this.pick(0, 1)) await wait(this.pick(0, 700))
    await this.walk(page)
  }
  async toLot(page) {
    await page
      .getByRole('link', { name: /^Ferment/ })
      .first()
      .click()
    await page.waitForURL('**/ferment')
    const lots = page.locator('main a[href^="/ferment/"]')
    await lots.first().waitFor()
    await lots.nth(this.pick(0, (await lots.count()) - 1)).click()
    await this.openForm(page)
  }
  /** The whole of the reading's form. */
  async openForm(page) {
    const more = page.locator('details', { has: page.getByLabel('Note', { exact: true }) })
    await more.waitFor()
    if (!(await more.evaluate((details) => details.open))) await more.locator('summary').click()
  }
  async walk(page) {
    const path = PAGES[this.pick(0, PAGES.length - 1)]
    const link = page.locator(`header a[href="${path}"]`).first()
    if (await link.isVisible()) await link.click()
    await page.locator('main h1').first().waitFor()
  }
  async reload(page) {
    await page.reload()
    await page.locator('main h1').first().waitFor()
  }
  async serve() {
    if (this.served) await this.server.stop()
    else this.server = await startServer(this.port)
    this.served = !this.served
  }

  /** Kills the browser at a random moment of whatever is being done, and opens it again. */
  async killAmid(act) {
    const page = this.pages[this.pick(0, 1)]
    const other = this.pages[this.pick(0, 1)]
    const doing = [act(page).catch(() => undefined)]
    if (other !== page && this.pick(0, 1)) doing.push(this.begin(other).catch(() => undefined))
    await wait(this.pick(0, 1500))
    await this.browser.kill()
    await Promise.all(doing)
    this.kills++
    await this.reopen()
  }
  async reopen() {
    await wait(REST_MS)
    await this.open()
    await this.check('after a kill')
  }

  /** Everything that was confirmed is there, once; nothing is there twice. */
  async check(when) {
    const [page] = this.pages
    // What is brought back comes within a moment of the start.
    let missing = []
    let log = []
    for (let tries = 0; tries < 40; tries++) {
      log = await logIn(page).catch(() => [])
      const notes = new Set(log.map(({ note }) => note))
      missing = this.confirmed.filter((note) => !notes.has(note))
      if (!missing.length && log.length >= this.before) break
      await wait(200)
    }
    if (missing.length) this.found(`${when}: ${missing.length} of ${this.confirmed.length} confirmed entries lost`)
    if (log.length < this.before) this.found(`${when}: ${log.length} entries, ${this.before} and more were there`)
    const notes = log.map(({ note }) => note).filter(Boolean)
    if (new Set(notes).size < notes.length || new Set(log.map(({ id }) => id)).size < log.length)
      this.found(`${when}: an entry is there twice`)
    if (await page.getByText('No jar on the shelf yet').isVisible()) this.found(`${when}: the log came up empty`)
  }

  /** So many actions, one in fifteen of them with a kill in its midst. */
  async run(actions) {
    for (let done = 0; done < actions; done++) {
      const page = this.pages[this.pick(0, 1)]
      const dice = this.pick(0, 99)
      const act = [
        [50, () => this.read(page)],
        [65, () => this.begin(page)],
        [80, () => this.walk(page)],
        [87, () => this.reload(page)],
        [93, () => this.serve()],
        [100, () => this.killAmid((one) => (this.pick(0, 3) ? this.read(one) : this.begin(one)))],
      ].find(([until]) => dice < until)[1]
      await act().catch((error) => this.found(`stuck: ${error.message.replaceAll('\n', ' ').slice(0, 300)}`))
    }
    if (!this.served) await this.serve()
    await this.check('at the end')
  }

  /** Something happens to the files while the browser is closed; then everything has to be there again. */
  async disaster(what) {
    await this.browser.end()
    DISASTERS[what](placesOf(this.profile, this.port))
    await this.open()
    await this.check(what)
  }

  async end() {
    await this.browser.kill()
    await this.server.stop()
  }
}

/** The files of the second copy. */
const witnesses = ({ files }) =>
  filesBelow(files).filter(
    (path) => statSync(path).size > 20 && readFileSync(path).subarray(0, 16).toString() === 'lactofer-witness',
  )

export const DISASTERS = {
  'the database deleted': ({ database }) => rmSync(database, { recursive: true }),
  'its folder emptied': ({ database }) => filesBelow(database).forEach((path) => rmSync(path)),
  'its MANIFEST damaged': ({ database }) => {
    for (const name of readdirSync(database).filter((one) => one.startsWith('MANIFEST')))
      writeFileSync(join(database, name), Buffer.alloc(200, 0x5a))
  },
  'the last line of a file torn': (places) => {
    const files = witnesses(places)
    if (!files.length) throw new Error('There is no second copy.')
    for (const path of files) truncateSync(path, statSync(path).size - 9)
  },
  'the second copy deleted': ({ files }) => rmSync(files, { recursive: true }),
}
