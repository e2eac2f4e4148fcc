import { afterAll, expect, it, vi } from 'vitest'
import { demoEntries } from '#demo/scenario'
import { allEntries } from '~/db/journal'
import {
  fill,
  found,
  forget,
  giveFile,
  heading,
  holdsValue,
  isGone,
  openAt,
  openWith,
  part,
  pick,
  press,
  reads,
  row,
  savedFiles,
  sees,
  seesNot,
  touch,
  visit,
} from './application'

/* Pages beside a lot's own: today, settings, library, recipes, the loft, quick questions, the bench of blends. */

afterAll(forget)
const demo = () => demoEntries(Date.now())

it('a chore is one tap, undone by another; taking the demo out leaves the maker’s own entries', async () => {
  await openWith(demo(), '/')
  await press('Burp, BPL-02: done')
  await sees('BPL-02: burp recorded.')
  await isGone('button[aria-label="Burp, BPL-02: done"]')
  await press('Undo')
  await press('Burp, BPL-02: done')
  await isGone('button[aria-label="Burp, BPL-02: done"]')
  await visit('/logbook')
  await press('Take it out')
  await sees(/of your own entries spoke of its lots; they are kept/)
  await sees(/[1-9]\d* entries in this browser, 0 lots\./)
  expect((await allEntries()).map(({ kind }) => kind)).toEqual(['chore', 'retract', 'chore'])
})

it('what is chosen in the settings holds on every page; a wrong name gets a sentence', async () => {
  await openWith(demo(), '/settings')
  await fill('Your name in the log', '  ')
  await press('Keep it')
  await sees('A name of 1 to 40 letters stands beside each entry.')
  await fill('Your name in the log', 'Wren')
  await press('Keep it')
  await seesNot('A name of 1 to 40 letters stands beside each entry.')
  await touch('Nov 28, 5:30 PM')
  await reads('now', /^[A-Z][a-z]{2} \d{1,2}, 20\d\d \d{1,2}:\d\d [AP]M$/)
  await touch('Dark')
  await vi.waitFor(() => expect(document.documentElement.dataset.theme).toBe('dark'))
  await visit('/')
  await heading(/^[A-Z][a-z]+day [A-Z][a-z]+ \d{1,2}$/)
  await press('Burp, BPL-02: done')
  await sees('BPL-02: burp recorded.')
  expect((await allEntries()).at(-1)).toMatchObject({ by: 'Wren' })
})

it('recipes: versions, started again, side by side, out to a file and back; a bad file changes nothing', async () => {
  await openWith(demo(), '/plan')
  await pick('Start from a recipe', 'Quay red mash, version 2')
  await holdsValue('Carrot, weight', '1200')
  await fill('Carrot, weight', '1500')
  await press('Save as a recipe')
  const dialog = await part('dialog', 'Save as a recipe')
  await fill('Name of the recipe', '<b>Quay</b>', dialog)
  await press('Save the recipe', dialog)
  await sees('A name is plain text: take out < and >.', dialog)
  await fill('Name of the recipe', 'Quay red mash', dialog)
  await press('Save the recipe', dialog)
  await visit('/recipes')
  await sees('Version 3')
  const compare = await part('region', 'Side by side')
  await sees('335 g, roasted', await row(/^Carrot/, compare)) // 1 200 of 3 580
  await sees('387 g, roasted', await row(/^Carrot/, compare)) // 1 500 of 3 880
  await press('Export Quay red mash')
  const text = (await savedFiles()).at(-1)!
  const script = '"name": "<script>alert(1)</script>"'
  await giveFile('Import a recipe', 'bad.json', text.replace('"name": "Quay red mash"', script))
  await sees('The recipe cannot be read at "name": A name is plain text: take out < and >. Nothing was changed.')
  await giveFile('Import a recipe', 'odd.json', text.replace('"versions"', '"surprise": 1, "versions"'))
  await sees('holds a field Lactofer does not know: "surprise"')
  await giveFile('Import a recipe', 'good.json', text)
  await sees('Quay red mash (from file)')
})

it('quick questions are answered and explained; an exercise goes out as a file, and a broken one is refused', async () => {
  await openWith([], '/rehearse/questions')
  await press('Answer')
  await sees('Type a number.')
  await fill(/Your answer/, '0.1')
  await press('Answer')
  await sees('Not so')
  await sees(/g for every 100 g/)
  await press('Next')
  await sees('2 of 8')
  await visit('/rehearse')
  await press('As a file', await found('[data-exercise="first-jar"]'))
  const text = (await savedFiles()).at(-1)!
  await giveFile('An exercise file', 'broken.json', text.slice(0, 50))
  await sees(/not JSON, or it was cut off/)
  const own = text.replace('"first-jar"', '"my-own"').replace('"The first jar"', '"My own jar"')
  await giveFile('An exercise file', 'own.json', own)
  await sees('My own jar', await found('[data-exercise="my-own"]'))
  await openAt('/rehearse')
  await found('[data-exercise="my-own"]')
})
