import { readFileSync } from 'node:fs'
import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoEntries } from '#demo/scenario'
import {
  archivedMs,
  archiveName,
  archivePage,
  fold,
  hasUnknown,
  judgeOf,
  lotsIn,
  mergeEntries,
  mergeNewer,
  momentOf,
  parseJson,
  readFile,
  readWitness,
  receive,
  thinned,
  witnessHead,
  witnessLine,
  writeFile,
  type Entry,
} from '../../src'
import { notebook } from '../log/build'

const AT = '2026-05-04T09:00:00.000Z'
const DAY = 86_400_000
const demo = demoEntries(Date.parse(AT))
const reading = demo.find((entry) => entry.kind === 'reading')!
const written = (change: object = {}) => JSON.stringify({ ...JSON.parse(writeFile(demo.slice(0, 3), AT)), ...change })
/** A kind of a version to come, about a lot that is here. */
const wish = { ...reading, id: demo[0]!.id.replace(/...$/, 'ZZZ'), kind: 'wish', deep: [{ lot: { why: 'mould' } }] }

describe('the open file', () => {
  it('comes back as it was written', () => {
    const photos = [{ id: demo[0]!.id, type: 'image/jpeg' as const, data: '/9j/4AAQ' }]
    expect(readFile(writeFile(demo, AT, photos))).toEqual({ version: 3, entries: demo, newer: [], photos, leftOut: 0 })
  })

  it.each([1, 2, 3])('of version %i is read as it was, and the log stands', (version) => {
    const text = readFileSync(new URL(`../../../tests/fixtures/file-v${version}.json`, import.meta.url), 'utf8')
    const { entries, newer } = readFile(text)
    const raw = JSON.parse(text) as { version: number; entries: Entry[] }
    expect([raw.version, newer]).toEqual([version, []])
    expect(entries).toEqual(raw.entries)
    expect(fold(entries).lots.size).toBeGreaterThan(8)
  })

  it.each([
    ['cut off', writeFile(demo, AT).slice(0, -40), /not JSON, or it was cut off/],
    ['foreign', '{"recipes":[]}', /not a Lactofer log/],
    ['deep', `${'['.repeat(100_000)}${']'.repeat(100_000)}`, /nested deeper/],
    [
      'with something that is no picture',
      written({ photos: [{ id: demo[0]!.id, type: 'text/html', data: 'PGI+' }] }),
      /Picture 1 of the file is not valid at "type"/,
    ],
    ['with a bad entry', written({ entries: [demo[0], { ...demo[1], name: '' }] }), /Entry 2 of .* at "name"/],
    ['with a kind unknown here and a bad id', written({ entries: [{ ...wish, id: 'x' }] }), /Entry 1 of the file/],
  ])('is refused when it is %s', (_, text, sentence) => {
    expect(() => readFile(text)).toThrow(sentence)
  })

  it('refuses an entry that was changed under its id', () => {
    expect(() => mergeEntries(demo, [{ ...demo[0]!, by: 'Somebody' } as Entry])).toThrow(/other content/)
  })

  it('never lets a field reach into what all objects share', () => {
    const made = parseJson('{"__proto__":{"bad":1},"\\u005f_proto__":{"bad":1},"a":[{"__proto__":{"bad":1}}]}')
    expect([({} as { bad?: number }).bad, JSON.stringify(made)]).toEqual([undefined, '{"a":[{}]}'])
  })
})

describe('what a newer version wrote', () => {
  it('is kept: unknown kinds whole, unknown fields with their entry, however deep; and goes out as it came', () => {
    const taste = { ...reading, taste: { sour: 4, umami: 3 }, mood: 'calm' }
    const { entries, newer } = readFile(written({ entries: [taste, wish] }))
    expect([entries, newer.map(({ entry }) => entry)]).toEqual([[taste], [wish]])
    expect([hasUnknown(taste), hasUnknown(reading)]).toEqual([true, false])
    const out = JSON.parse(writeFile(entries, AT, [], newer)) as { entries: unknown[] }
    expect(out.entries).toEqual([taste, wish])
  })

  it('never blocks: values of a known kind, another head, pictures of another type', () => {
    const odd = { ...reading, ph: 'sour' }
    const { writtenAt: _, ...head } = JSON.parse(written()) as Record<string, unknown>
    const text = JSON.stringify({ ...head, version: 9, entries: [odd, { id: 'a-1' }, demo[0]], photos: [{ id: 'p' }] })
    const file = readFile(text)
    expect(file.newer).toEqual([
      { id: odd.id, version: 9, entry: odd },
      { id: 'a-1', version: 9, entry: { id: 'a-1' } },
    ])
    expect([file.entries, file.leftOut]).toEqual([[demo[0]], 1])
    // What goes out says the version that its newest entry needs, so that it comes in again.
    expect(readFile(writeFile(file.entries, AT, [], file.newer)).newer).toEqual(file.newer)
  })

  it('merges by content: the fuller stays, in any order; said otherwise it is kept beside, never called tampered with', () => {
    const fuller = { ...reading, mood: 'calm' } as Entry
    expect(mergeEntries([reading], [fuller])).toMatchObject({ added: [], fuller: [fuller], known: 0 })
    expect(mergeEntries([fuller], [reading])).toMatchObject({ added: [], fuller: [], known: 1 })
    const otherwise = { ...reading, by: 'Somebody' } as Entry
    expect(mergeEntries([reading], [otherwise], true)).toMatchObject({ added: [], otherwise: [otherwise] })
    const one = { id: 'a', version: 9, entry: { id: 'a', x: 1 } }
    const more = { id: 'a', version: 9, entry: { id: 'a', x: 1, y: 2 } }
    const later = { id: 'a', version: 10, entry: { id: 'a' } }
    const last = (order: readonly { id: string; version: number; entry: { id: string } }[]) => {
      let here: ReturnType<typeof mergeNewer> = []
      for (const next of order) here = [...mergeNewer(here, [next]), ...here].slice(0, 1)
      return here[0]
    }
    fc.assert(
      fc.property(fc.shuffledSubarray([one, more, later, one], { minLength: 4 }), (order) => {
        expect(last(order)).toEqual(later)
      }),
    )
    expect(mergeNewer([one], [more])).toEqual([more])
    expect(mergeNewer([more], [one])).toEqual([])
  })

  it('keeps the lot it speaks of, and what was made of it, from sale until it can be read', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 4, 3.5)
    log.read(lotId, 6, 3.45)
    const received = receive({ ...wish, lotId }, 4)
    const newer = 'newer' in received ? [received.newer] : []
    const rule = (book: ReturnType<typeof fold>) =>
      judgeOf(book)(lotId, Date.parse(AT))?.reasons.map(({ code }) => code)
    expect(rule(fold(log.entries))).not.toContain('newer entry')
    expect(rule(fold(log.entries, { newer }))).toContain('newer entry')
  })
})

describe('a clock that was wrong', () => {
  it('is dated ahead: set aside until its time, a corrected date counts; nothing else is touched', () => {
    const log = notebook()
    const lotId = log.mash()
    const now = Date.parse(log.entries.at(-1)!.at) + 3 * DAY
    const ahead = log.write({ kind: 'reading', at: momentOf(now + 300 * DAY), lotId, ph: 4.9 })
    const book = (entries = log.entries, at = now) => fold(entries, { untilMs: at + DAY })
    const phs = (of: ReturnType<typeof fold>) => of.lots.get(lotId)!.readings.map(({ ph }) => ph)
    expect([phs(book()), book().ahead.map(({ id }) => id)]).toEqual([[], [ahead]])
    expect(phs(book(log.entries, now + 300 * DAY))).toEqual([4.9])
    log.write({ kind: 'reading', at: momentOf(now - DAY), lotId, ph: 4.9, replaces: ahead })
    expect([phs(book()), book().ahead]).toEqual([[4.9], []])
    // A correction that is dated ahead counts for nothing yet; what it corrects stands, and holds its lot.
    const codes = () => judgeOf(book())(lotId, now)!.reasons.map(({ code }) => code)
    expect(codes()).not.toContain('not settled')
    log.write({ kind: 'reading', at: momentOf(now + 9 * DAY), lotId, ph: 4.1, replaces: ahead })
    expect([phs(book()), book().ahead.length, book().forks.length]).toEqual([[4.9], 1, 1])
    expect(codes()).toContain('not settled')
  })
})

describe('the second copy', () => {
  const file = (entries: readonly Entry[], database = 'lactofer') =>
    witnessHead(database) + entries.map((entry) => witnessLine(entry, 3)).join('')

  it('gives back every line, knows a torn last one and a damaged one, and names its database', () => {
    const whole = file(demo.slice(0, 9))
    expect(readWitness(whole, 'lactofer')).toEqual({
      lines: demo.slice(0, 9).map((entry) => ({ id: entry.id, version: 3, entry })),
      torn: false,
      damaged: 0,
    })
    expect(readWitness(whole, 'practice')).toBeNull()
    const torn = readWitness(whole.slice(0, -7), 'lactofer')!
    expect([torn.lines.length, torn.torn, torn.damaged]).toEqual([8, true, 0])
    const damaged = readWitness(whole.replace('"kind"', '"kinb"'), 'lactofer')!
    expect([damaged.lines.length, damaged.torn, damaged.damaged]).toEqual([8, false, 1])
  })

  it('cut anywhere, gives what was whole before the cut and nothing else', () => {
    const some = demo.slice(0, 6)
    const whole = file(some)
    fc.assert(
      fc.property(fc.integer({ min: witnessHead('lactofer').length, max: whole.length }), (cut) => {
        const found = readWitness(whole.slice(0, cut), 'lactofer')!
        const ends = some.map((_, index) => file(some.slice(0, index + 1)).length)
        expect(found.lines.map(({ id }) => id)).toEqual(
          some.slice(0, ends.filter((end) => end <= cut).length).map(({ id }) => id),
        )
        expect(found.damaged).toBe(0)
      }),
    )
  })
})

describe('archives', () => {
  it('are thinned to the newest of 7 days, 4 weeks and 12 months; other files are never touched', () => {
    const now = Date.parse('2026-11-27T20:00:00.000Z')
    // Two a day for two years.
    const names = Array.from({ length: 1460 }, (_, index) => archiveName(momentOf(now - index * 12 * 3_600_000)))
    const gone = new Set(thinned([...names, 'lactofer-notes.zip', 'holiday.jpg'], now))
    const left = names.filter((name) => !gone.has(name))
    expect(gone.has('holiday.jpg') || gone.has('lactofer-notes.zip')).toBe(false)
    const days = left.map((name) => name.slice(9, 19))
    expect(days.slice(0, 7)).toEqual([27, 26, 25, 24, 23, 22, 21].map((date) => `2026-11-${String(date)}`))
    // Sundays of the three weeks before, and the last of each month before.
    expect(days.slice(7)).toEqual([
      ...['2026-11-15', '2026-11-08', '2026-10-31', '2026-09-30', '2026-08-31', '2026-07-31', '2026-06-30'],
      ...['2026-05-31', '2026-04-30', '2026-03-31', '2026-02-28', '2026-01-31', '2025-12-31'],
    ])
    expect(thinned(left, now)).toEqual([])
    expect(thinned([names[1000]!], now)).toEqual([])
    expect(archivedMs(names[0]!)).toBe(now)
  })

  it('show every lot and every line of it on a plain page; what was typed is text there', () => {
    const log = notebook()
    const lotId = log.mash(0, { name: '<img src=x onerror=alert(1)>' })
    log.write({ kind: 'reading', at: AT, lotId, ph: 3.9, note: '"&<b>', photos: [reading.id] })
    const page = (entries: readonly Entry[]) =>
      [...archivePage(fold(entries), { writtenAt: AT, world: 'metric', picture: (id) => `photos/${id}.jpg` })].join('')
    expect(page(log.entries)).not.toMatch(/<img src=x|<b>/)
    expect(page(log.entries)).toContain(`photos/${reading.id}.jpg`)
    const all = page(demo)
    for (const lot of fold(demo).lots.values()) expect(all).toContain(`id="${lot.id}"`)
    expect(demo.filter((entry) => lotsIn(entry).length > 0).length).toBeGreaterThan(100)
  })
})
