// A browser that can be killed the hard way, a server that comes and goes, and what lies on the disk behind them.
import { spawn } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { chromium } from '@playwright/test'
import { chromiumPath } from './steps.mjs'

const FLAGS = [
  ...['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
  ...[
    '--disable-component-update',
    '--disable-sync',
    '--headless',
    '--remote-debugging-port=0',
    '--window-size=1280,900',
  ],
]

// Every browser and server that is begun ends with this process.
process.setMaxListeners(200)

/** A folder for a browser's profile, gone when this process ends. */
export async function newProfile() {
  const profile = await mkdtemp(join(tmpdir(), 'lactofer-profile-'))
  process.on('exit', () => rmSync(profile, { recursive: true, force: true }))
  return profile
}

/** On a busy machine a browser may come up too late to be spoken to: then another is started. */
const STARTS = 3
/** A browser that was not there after so long is given up, ms. */
const PATIENCE_MS = 60_000

/** Starts a browser on a profile. `kill` ends its processes with SIGKILL, as a power cut would. */
export async function startBrowser(profile) {
  for (let start = 1; ; start++) {
    try {
      return await startOnce(profile)
    } catch (error) {
      if (start === STARTS) throw error
    }
  }
}
async function startOnce(profile) {
  const portFile = join(profile, 'DevToolsActivePort')
  rmSync(portFile, { force: true })
  const child = spawn(chromiumPath(), [...FLAGS, `--user-data-dir=${profile}`], { detached: true, stdio: 'ignore' })
  const kill = () => {
    try {
      process.kill(-child.pid, 'SIGKILL')
    } catch {
      // It is gone already.
    }
  }
  process.on('exit', kill)
  const untilMs = Date.now() + PATIENCE_MS
  const portOf = () => (existsSync(portFile) ? readFileSync(portFile, 'utf8').split('\n') : [])
  /** Its file has two lines once it is written whole. */
  while (portOf().length < 2) {
    if (Date.now() > untilMs) {
      kill()
      throw new Error('The browser did not start.')
    }
    await wait(50)
  }
  const address = `http://127.0.0.1:${portOf()[0]}`
  const browser = await chromium.connectOverCDP(address, { timeout: PATIENCE_MS }).catch((error) => {
    kill()
    throw error
  })
  const [context] = browser.contexts()
  if (!context) throw new Error('The browser has no window.')
  return {
    context,
    async kill() {
      kill()
      await browser.close().catch(() => undefined)
    },
    async end() {
      const gone = new Promise((resolve) => child.once('exit', resolve))
      const session = await browser.newBrowserCDPSession()
      await session.send('Browser.close').catch(() => undefined)
      await Promise.race([gone, wait(5000)])
      kill()
    },
  }
}

/** Starts the built application's server; `stop` ends it at once. @param settings more of its environment. */
export async function startServer(port, settings = {}) {
  const env = { ...process.env, PORT: String(port), NITRO_HOST: '127.0.0.1', NUXT_BENCH_PACE: '4', ...settings }
  const child = spawn('node', ['.output/server/index.mjs'], { env, stdio: 'ignore' })
  process.on('exit', () => child.kill('SIGKILL'))
  const health = () => fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null)
  for (let tries = 0; !(await health()) && tries < 100; tries++) await wait(100)
  return {
    stop: async () => {
      const gone = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGKILL')
      await gone
    },
  }
}

/** Folders of a profile that hold the databases of an address, and its private files. */
export function placesOf(profile, port) {
  const base = join(profile, 'Default')
  const database = join(base, 'IndexedDB', `http_127.0.0.1_${port}.indexeddb.leveldb`)
  return { database, files: join(base, 'File System') }
}

/** Every file below a folder. */
export const filesBelow = (folder) =>
  existsSync(folder)
    ? readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
    : []

/** The maker's entries in a page's log, read past the application. */
export const logIn = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const request = indexedDB.open('lactofer')
        request.onerror = () => reject(request.error)
        request.onsuccess = () => {
          const database = request.result
          if (!database.objectStoreNames.contains('entries')) return resolve([])
          const reading = database.transaction(['entries', 'volumes'])
          const loose = reading.objectStore('entries').getAll()
          const bound = reading.objectStore('volumes').getAll()
          reading.oncomplete = () => {
            database.close()
            const all = [...loose.result, ...bound.result.flatMap(({ text }) => JSON.parse(text))]
            resolve(all.filter(({ origin }) => origin === 'maker'))
          }
        }
      }),
  )
