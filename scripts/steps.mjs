import { spawn, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

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
 * Runs a command beside others: its output is shown when it ends, so that two do not mix; ends this process when it
 * fails.
 */
export function runBeside(what, command, args) {
  const started = Date.now()
  const said = []
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] })
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part))
    child.on('error', (error) => said.push(Buffer.from(`${error.message}\n`)))
    child.on('close', (status) => {
      console.log(`\n── ${what}\n${Buffer.concat(said)}── ${what}: ${Math.round((Date.now() - started) / 1000)} s`)
      if (status !== 0) {
        console.error(`\n${what} failed.`)
        process.exit(status || 1)
      }
      resolve()
    })
  })
}

/** Debian's Chromium without a window, which starts and draws faster; the whole browser where that is not there. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

/** The browser that tests and pictures use: the one that is named, else the first that is installed. */
export const chromiumPath = () => process.env.CHROMIUM ?? CHROMIUMS.find((path) => existsSync(path)) ?? CHROMIUMS[0]

/** Installs Debian's Chromium when it is missing; a sentence and an end when it cannot be. Returns its path. */
export function needChromium() {
  if (existsSync(chromiumPath())) return chromiumPath()
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const apt = (...args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args]
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    return spawnSync(command, rest, { stdio: 'inherit', env }).status === 0
  }
  const install = (name) => apt('install', '-y', '--no-install-recommends', name, 'fonts-liberation')
  console.log('── Chromium is missing: installing it with apt-get')
  // Not every release of Debian has the one without a window.
  const installed = apt('update') && (install('chromium-headless-shell') || install('chromium'))
  if (!installed || !existsSync(chromiumPath())) {
    console.error(
      'Chromium could not be installed. Install it by hand (Debian: apt-get install chromium), or name one: CHROMIUM=/path/to/chromium npm test',
    )
    process.exit(1)
  }
  return chromiumPath()
}
