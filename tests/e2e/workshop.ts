import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { connect, createServer, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { writeFile, type Entry } from '@lactofer/core'
import { logIn, startServer } from '../../scripts/killable.mjs'
import { expect, takeIn } from './steps'

/* A workshop of several devices: browsers of their own, and servers that come and go behind one address. */

/** A folder of this machine that goes with the process. */
export function place(name: string): string {
  const folder = mkdtempSync(join(tmpdir(), `lactofer-${name}-`))
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }))
  return folder
}

/** Debian's Redis on a port, with nothing in it. */
export async function startRedis(port: number) {
  const child = spawn('redis-server', ['--port', String(port), '--save', '', '--dir', place('redis')], {
    stdio: 'ignore',
  })
  process.on('exit', () => child.kill('SIGKILL'))
  await expect
    .poll(
      () =>
        new Promise((resolve) =>
          connect(port)
            .once('connect', () => resolve(true))
            .once('error', resolve),
        ),
    )
    .toBe(true)
  return { url: `redis://127.0.0.1:${port}`, stop: () => child.kill('SIGKILL') }
}

/** A server whose rooms stand in a folder of their own, or where the settings say. */
export const linkServer = (port: number, settings: Record<string, string> = { NUXT_LINK_FOLDER: place('rooms') }) =>
  startServer(port, settings)

/** One address for several servers, that cuts lines off at random while it is told to. */
export class Front {
  servers: number[] = []
  /** How much of what is asked is cut off, 0 to 1. */
  cut = 0
  private turn = 0
  private readonly open = new Set<Socket>()
  private readonly listening
  constructor(
    private readonly port: number,
    chance: () => number,
  ) {
    this.listening = createServer((line) => {
      const to = this.servers[this.turn++ % this.servers.length]
      if (to === undefined || chance() < this.cut) return line.destroy()
      const server = connect(to, '127.0.0.1')
      for (const one of [line, server]) {
        this.open.add(one)
        one.on('error', () => one.destroy()).on('close', () => [line, server].forEach((end) => end.destroy()))
      }
      line.pipe(server).pipe(line)
      // Amid a question, or its answer.
      if (chance() < this.cut) setTimeout(() => line.destroy(), 200 * chance())
    }).listen(port, '127.0.0.1')
  }
  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }
  /** Every line that is open now ends. */
  hangUp() {
    for (const line of this.open) line.destroy()
    this.open.clear()
  }
  stop() {
    this.listening.close()
    this.hangUp()
  }
}

/** A device: a browser of its own, with some facts in its log. */
export async function device(browser: Browser, url: string, entries: readonly Entry[] = []): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: url, reducedMotion: 'reduce' })).newPage()
  await page.goto('/logbook')
  if (entries.length) await takeIn(page, writeFile(entries, new Date().toISOString()))
  return page
}
/** Opens a room. @returns the address its code leads to. */
export async function openRoom(page: Page, url = ''): Promise<string> {
  await page.goto(`${url}/devices`)
  await page.getByRole('button', { name: 'Open a room' }).click()
  return joinAddress(page)
}
/** The address of the code that is shown. */
export async function joinAddress(page: Page): Promise<string> {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.getByRole('button', { name: 'Copy the link' }).click()
  await expect(page.getByText('Copied.', { exact: false }).first()).toBeVisible()
  return page.evaluate(() => navigator.clipboard.readText())
}
export async function joinRoom(page: Page, address: string, name: string): Promise<void> {
  await page.goto(address)
  await page.getByRole('textbox', { name: 'What this device is called' }).fill(name)
  await page.getByRole('button', { name: 'Join' }).click()
  await expect(page).toHaveURL(/\/devices$/)
}

const byId = (entries: readonly Entry[]) => [...entries].sort((a, b) => (a.id < b.id ? -1 : 1))
/** Waits until every device has the same facts. @returns them, and how long it took, ms. */
export async function sameOnAll(pages: readonly Page[], most = 30_000) {
  const began = Date.now()
  const logs = async () => Promise.all(pages.map(async (page) => byId((await logIn(page)) as Entry[])))
  const ids = (log: Entry[]) => log.map(({ id }) => id).join()
  await expect.poll(async () => new Set((await logs()).map(ids)).size, { timeout: most, intervals: [300] }).toBe(1)
  return { logs: await logs(), tookMs: Date.now() - began }
}
