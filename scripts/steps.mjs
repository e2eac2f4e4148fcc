import { spawn, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'

/** Runs a command with its output shown; ends this process with a clear sentence when it fails. */
export function run(what, command, args, env = {}) {
  const started = Date.now()
  console.log(`\n── ${what}`)
  const { status, error } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  if (error || status !== 0) {
    console.error(`\n${what} failed${error ? `: ${error.message}` : ''}.`)
    process.exit(status || 1)
  }
  console.log(`── ${what}: ${Math.round((Date.now() - started) / 1000)} s`)
}

/**
 * Runs a command. Beside others its output is shown when it ends, so that two do not mix. @returns whether it passed.
 */
export function runStage(what, command, args, { alone = false, env = {} } = {}) {
  const output = []
  if (alone) console.log(`\n── ${what}`)
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: alone ? 'inherit' : ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    })
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (part) => output.push(part))
    child.on('error', (error) => console.error(error.message))
    child.on('close', (status) => {
      if (!alone) console.log(`\n── ${what}\n${Buffer.concat(output)}`)
      resolve(status === 0)
    })
  })
}

/** Debian's Chromium without a window, which starts and draws faster; the whole browser where that is not there. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

/** The browser that tests and pictures use: the one that is named, else the first that is installed. */
export const chromiumPath = () => process.env.CHROMIUM ?? CHROMIUMS.find((path) => existsSync(path)) ?? CHROMIUMS[0]

const onPath = (program) => (process.env.PATH ?? '').split(':').some((folder) => existsSync(join(folder, program)))
/** What the tests need of the system, what tells that it is there, and Debian's packages that bring it. */
const NEEDED = [
  {
    what: 'Chromium',
    there: () => existsSync(chromiumPath()),
    // Not every release of Debian has the one without a window.
    packages: [
      ['chromium-headless-shell', 'fonts-liberation'],
      ['chromium', 'fonts-liberation'],
    ],
    byHand: 'Name one that is there: CHROMIUM=/path/to/chromium npm test',
  },
  { what: 'Redis', there: () => onPath('redis-server'), packages: [['redis-server']] },
  { what: 'certutil', there: () => onPath('certutil'), packages: [['libnss3-tools']] },
]

/** Installs what is missing; a sentence and an end when it cannot be. */
function need(needed) {
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const apt = (...args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args]
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    return spawnSync(command, rest, { stdio: 'inherit', env }).status === 0
  }
  const missing = needed.filter(({ there }) => !there())
  if (missing.length) apt('update')
  for (const { what, there, packages, byHand = '' } of missing) {
    console.log(`── ${what} is missing: installing it with apt-get`)
    if (packages.some((some) => apt('install', '-y', '--no-install-recommends', ...some)) && there()) continue
    console.error(`${what} could not be installed. Install it by hand (Debian: ${packages.at(-1)[0]}). ${byHand}`)
    process.exit(1)
  }
}
/** Installs everything that the tests need of the system. */
export const needAll = () => need(NEEDED)
/** Installs Debian's Chromium when it is missing. Returns its path. */
export function needChromium() {
  need(NEEDED.slice(0, 1))
  return chromiumPath()
}
