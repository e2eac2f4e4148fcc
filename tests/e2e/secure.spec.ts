import { execFileSync, spawn } from 'node:child_process'
import { mkdirSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:https'
import { join } from 'node:path'
import { chromiumPath } from '../../scripts/steps.mjs'
import { keptRoot, makeServerCertificate } from '../../scripts/workshop/certificate.mjs'
import { expect, expectAccessible, figure, test } from './steps'
import { joinRoom, linkServer, openRoom, place } from './workshop'

/* What a phone needs to open it at all: a secure page, by the workshop's own certificate. */

const [PORT, FIRST] = [4186, 4187]
/** What was written since, once it says that it is open. */
async function openWorkshop(folder: string) {
  const env = {
    ...process.env,
    ...{ PORT: String(PORT), WORKSHOP_PLAIN_PORT: String(FIRST), WORKSHOP_ADDRESS: `https://127.0.0.1:${PORT}` },
    ...{ WORKSHOP_FOLDER: folder, NUXT_LINK_FOLDER: place('rooms') },
  }
  const child = spawn('node', ['scripts/start.mjs', '--workshop'], { env, stdio: ['ignore', 'pipe', 'inherit'] })
  process.on('exit', () => child.kill('SIGKILL'))
  let said = ''
  child.stdout.on('data', (piece: Buffer) => (said += piece.toString()))
  await expect.poll(() => said).toContain('Listening')
  const stop = () => new Promise((resolve) => child.once('exit', resolve) && child.kill('SIGKILL'))
  return { said, stop }
}

test('the workshop over https: untrusted it is not opened, trusted it is whole, and its root vouches for nothing else', async ({
  playwright,
}) => {
  const [home, folder] = [place('home'), place('certificates')]
  const list = join(home, '.pki/nssdb')
  mkdirSync(list, { recursive: true })
  const certutil = (...args: string[]) => execFileSync('certutil', ['-d', `sql:${list}`, ...args], { stdio: 'ignore' })
  certutil('-N', '--empty-password')
  const workshop = await openWorkshop(folder)
  const address = `https://127.0.0.1:${PORT}`
  const launch = () =>
    playwright.chromium.launch({
      executablePath: chromiumPath(),
      // A name of the internet that leads here, as a liar on the network would have it.
      args: ['--no-sandbox', '--disable-gpu', '--host-resolver-rules=MAP shop.example 127.0.0.1'],
      env: { ...process.env, HOME: home },
    })

  let browser = await launch()
  await expect((await browser.newPage()).goto(address)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/)
  let page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  await page.goto(`http://127.0.0.1:${FIRST}`)
  await expect(page.getByRole('listitem')).toHaveCount(3)
  await expectAccessible(page)
  const fingerprint = await page.getByRole('code').first().innerText()
  expect(workshop.said).toContain(fingerprint)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Fetch it' }).click(),
  ])
  const root = join(home, 'root.crt')
  await download.saveAs(root)
  await browser.close()

  // Trusted, as the second step says: in the browser's own list.
  certutil('-A', '-t', 'C,,', '-n', 'workshop', '-i', root)
  browser = await launch()
  page = await browser.newPage()
  await page.goto(address)
  expect(await page.evaluate(() => [isSecureContext, 'serviceWorker' in navigator, 'locks' in navigator])).toEqual([
    ...[true, true, true],
  ])
  const code = await openRoom(page, address)
  expect(code.startsWith(`${address}/join#`)).toBe(true)
  await expect(figure(page, 'fingerprint')).toHaveText(fingerprint)
  const phone = await (await browser.newContext()).newPage()
  await joinRoom(phone, code, 'Phone')
  await expect(figure(phone, 'link')).toContainText('All here')

  // With its key, somebody could vouch for what is local, and for nothing else.
  const kept = await keptRoot(folder, Date.now())
  for (const [name, port, trusted] of [
    ['127.0.0.1', 4188, true],
    ['shop.example', 4189, false],
  ] as const) {
    const server = createServer(await makeServerCertificate(kept, [name], Date.now()), (_request, answer) => {
      answer.end('Here.')
    }).listen(port)
    const visit = (await browser.newPage()).goto(`https://${name}:${port}`)
    if (trusted) expect((await visit)?.status()).toBe(200)
    else await expect(visit).rejects.toThrow(/ERR_CERT/)
    server.close()
  }
  await browser.close()

  // Started again, it is the same; with a file that is none it says so and does not start.
  await workshop.stop()
  const again = await openWorkshop(folder)
  expect(again.said).toContain(fingerprint)
  await again.stop()
  writeFileSync(join(home, 'half.pem'), 'x')
  const start =
    (...args: string[]) =>
    () =>
      execFileSync('node', ['scripts/start.mjs', '--workshop', ...args], { stdio: 'pipe', encoding: 'utf8' })
  expect(start('--cert', join(home, 'half.pem'))).toThrow(/needs both/)
  expect(start('--cert', 'none.pem', '--key', 'none.key')).toThrow(/There is no file none.pem/)
})

test('over plain http it says what is missing, opens nothing and keeps nothing', async ({ playwright }) => {
  const server = await linkServer(4190, { NUXT_HOSTS: 'loft.example' })
  const browser = await playwright.chromium.launch({
    executablePath: chromiumPath(),
    args: ['--no-sandbox', '--disable-gpu', '--host-resolver-rules=MAP loft.example 127.0.0.1'],
  })
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  await page.goto('http://loft.example:4190/plan')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('This page is not served securely')
  await expect(page.getByRole('region', { name: 'What is missing' })).toContainText('second copy')
  await expectAccessible(page)
  expect(await page.evaluate(() => indexedDB.databases())).toEqual([])
  expect(errors).toEqual([])
  await browser.close()
  await server.stop()
})
