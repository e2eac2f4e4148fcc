import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { workshopCertificate } from '../../scripts/workshop/certificate.mjs'

const DAY_MS = 86_400_000
const NOW = Date.parse('2026-11-25T12:00:00Z')
const place = mkdtempSync(join(tmpdir(), 'certificates-'))
afterAll(() => rmSync(place, { recursive: true }))
const made = (days = 0, names = ['192.168.1.5', 'loft.local']) => workshopCertificate(place, names, NOW + days * DAY_MS)

it('certificates are kept, renewed before they end, and made anew for another address; the root stays', async () => {
  const first = await made()
  expect(first.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/)
  for (const name of ['root.key', 'server.json']) expect(statSync(join(place, name)).mode & 0o77, name).toBe(0)
  expect(await made(100)).toEqual(first)
  expect(await made(0, ['loft.local'])).toEqual(first)

  const moved = await made(1, ['192.168.1.9', 'loft.local'])
  expect(moved.cert).not.toBe(first.cert)
  expect(moved.fingerprint).toBe(first.fingerprint)
  const renewed = await made(340, ['192.168.1.9'])
  expect(renewed.cert).not.toBe(moved.cert)
  expect(renewed.fingerprint).toBe(first.fingerprint)
  // Near the end of ten years there is another root, which every device has to trust.
  expect((await made(3600)).fingerprint).not.toBe(first.fingerprint)
})

it('what is damaged is not taken for a certificate', async () => {
  await made(3600)
  const key = readFileSync(join(place, 'root.key'), 'utf8')
  writeFileSync(join(place, 'root.key'), key.slice(0, 90))
  await expect(made(3600)).rejects.toThrow()
})
