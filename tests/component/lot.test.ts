import { afterAll, expect, it } from 'vitest'
import { fold } from '@lactofer/core'
import { demoEntries } from '#demo/scenario'
import { keepLastBackup } from '~/db/backupFolder'
import { allEntries } from '~/db/journal'
import { useBackup } from '~/stores/backup'
import { day, notebook, START } from '../../core/test/log/build'
import {
  fill,
  enter,
  forget,
  found,
  heading,
  holdsValue,
  isGone,
  openAt,
  openWith,
  part,
  pick,
  press,
  reads,
  sees,
  touch,
  visit,
} from './application'

/* The page of a lot: what is read, put in, ended and settled there. */

afterAll(forget)

const HOUR_MS = 3_600_000
const at = (days: number) => START + days * 24 * HOUR_MS
const inTwoJars = () => ({
  vessels: ['a', 'b'].map((mark) => ({ vesselId: 'jar-1000', mark, massG: 1040, hot: false })),
})
const lotOf = (code: string, log: ReturnType<typeof demoEntries>) =>
  [...fold(log).lots.values()].find((lot) => lot.code === code)!.id

/** Opens the press for a mash that is ready, on day 9. */
async function openPress() {
  const log = notebook()
  const lotId = log.mash(0)
  for (const [days, ph] of [
    [2, 4.2],
    [6, 3.6],
    [8, 3.6],
  ] as const)
    log.read(lotId, days, ph)
  await openWith(log.entries, `/press?lot=${lotId}`, at(9))
}

it('a jar that is simply eaten ends: jar by jar, some frozen, the rest given; nothing is in the way of writing it down', async () => {
  const log = notebook()
  const lotId = log.mash(0, {}, inTwoJars())
  await openWith(log.entries, `/ferment/${lotId}`, at(30))
  await press('Decide')
  const open = async () => {
    await press('Eaten, given, frozen …')
    return part('dialog', /^How it ends/)
  }
  const write = (dialog: HTMLElement) => press('Write it down', dialog)
  let dialog = await open()
  // Never read: what speaks against it is said, and the fact is taken all the same.
  await sees('Not proven', dialog)
  await write(dialog)
  await sees(/Mark the jars that end/, dialog)
  await touch('Jar a', dialog)
  await fill('How it was', 'sour and round', dialog)
  await write(dialog)
  await sees(/1.040 g eaten, jar a: own kitchen\. sour and round/)
  dialog = await open()
  await touch('Frozen', dialog)
  await touch('Only some of it', dialog)
  await fill('How much', '2 kg', dialog)
  await write(dialog)
  await sees(/Only .* g are left\./, dialog)
  await fill('How much', '1 cup', dialog)
  await write(dialog)
  await sees(/g frozen: freezer/)
  dialog = await open()
  await touch('Given to somebody', dialog)
  await write(dialog)
  await sees(/Say to whom/, dialog)
  await fill('To whom', 'Neighbour', dialog)
  await write(dialog)
  await sees(/given.*: Neighbour/)
  await visit('/')
  await heading()
  await isGone('[data-lot]')
})

it('a figure that is typed before the page was read back is not wiped by the lot it was opened for', async () => {
  await openPress()
  await fill('Base came out', '1400')
  await holdsValue('Went in', '2080')
  await holdsValue('Base came out', '1400')
})

it('more is not pressed than the lot holds', async () => {
  await openPress()
  await holdsValue('Went in', '2080')
  await fill('Went in', '2600')
  await fill('Base came out', '2000')
  await fill('Pulp left', '500')
  await press('Record the press')
  await sees('This is more than the lot holds. Check the tare.')
})

it('salted wrong: what to put in, whether it fits, and the log afterwards', async () => {
  const demo = demoEntries(Date.now())
  await openWith(demo, `/ferment/${lotOf('BPL-05', demo)}`)
  await press('Put in, or lost')
  await press('Salted wrong?')
  const dialog = await part('dialog', 'Salted wrong? BPL-05')
  await fill('Salt measured', '3', dialog)
  // 1 404 g from 3 to 3.85 %: 1 404 × 0.85 / 96.15 = 12.4 g.
  await sees('12.4 g of salt', await found('[data-remedy="salt"]', dialog))
  // Remembering starts with what was planned.
  await pick('What you know', 'I remember the grams')
  await holdsValue('Salt that went in', /^5\d(\.\d+)?$/, dialog)
  await pick('What you know', 'I remember the spoons')
  await fill('Spoons', '2', dialog)
  await pick('Which salt', 'another salt')
  await sees(/What a spoon of this salt weighs is not known/, dialog)
  await pick('Which salt', 'fine sea salt')
  await reads('salt-now', '2.39 %', dialog) // 33 g in 1 383 g
  await press('Done: I put it in', await found('[data-remedy="salt"]', dialog))
  await reads('salt', '3.85 %')
  await sees(/Put in: 21\.1 g salt\. Salt from 2\.39 to 3\.85 %/)
})

it('a reading of pH 14, or of tomorrow, is not taken, and stays; nor where the disk is full', async () => {
  const demo = demoEntries(Date.now())
  await openWith(demo, `/ferment/${lotOf('BPL-04', demo)}`)
  const before = (await allEntries()).length
  await fill('pH', '14')
  await sees('A pH here lies between 1.5 and 9.')
  await fill('Temperature', '20')
  await press('Record the reading')
  await sees('Mend the marked field, or empty it; nothing was recorded.')
  await fill('pH', '3.7')
  await enter('When', '01/01/2099 10:00')
  await sees('This lies in the future. Enter when it was done.')
  await press('Record the reading')
  await holdsValue('pH', '3.7')
  await enter('When', new Date().toLocaleString('en-GB').replace(',', '').slice(0, 16))
  const { add } = IDBObjectStore.prototype
  IDBObjectStore.prototype.add = () => {
    throw new DOMException('full', 'QuotaExceededError')
  }
  try {
    await press('Record the reading')
    await sees(/The disk of this device is full/)
    await holdsValue('pH', '3.7')
    expect(await allEntries()).toHaveLength(before)
  } finally {
    IDBObjectStore.prototype.add = add
  }
})

it('a meter is as old as its last calibration', async () => {
  const log = notebook()
  const lotId = log.mash(0)
  const points = [7, 4.01].map((ph) => ({ ph, millivolt: (7 - ph) * 58, tempC: 22 }))
  for (const [days, accepted] of [
    [1, true],
    [2, false],
    [3, true],
  ] as const)
    log.write({
      ...{ kind: 'calibrate', at: day(days), meter: 'Field meter', points, slopePct: 98, offsetMv: 1, accepted },
    })
  await openWith(log.entries, `/ferment/${lotId}`, at(3) + 2 * HOUR_MS)
  await sees('Field meter: calibrated 2 h ago', await part('form', 'Reading'))
})

it('an archive is due with a release, whatever the day', async () => {
  const own = demoEntries(Date.now()).map((entry) => ({ ...entry, origin: 'maker' as const }))
  const releases = own.filter(({ kind }) => kind === 'release').length
  const due = async (last: number) => {
    await openWith(own, '/logbook')
    await keepLastBackup({ atMs: Date.now(), entries: own.length - 1, pictures: 0, releases: last })
    await openAt('/logbook')
    await sees('Since then: 1 entry')
    return useBackup().due
  }
  expect(releases).toBeGreaterThan(0)
  expect([await due(releases), await due(releases - 1)]).toEqual([false, true])
})
