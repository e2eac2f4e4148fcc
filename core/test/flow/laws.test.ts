import { expect, it } from 'vitest'
import { fold, judgeOf, type Entry, type Judgement } from '../../src'
import { drawStory, type Story } from '../judge/histories'

/* Laws of what travels with a portion, over random histories of jars, draws, pours and additions. */

const SEEDS = Array.from({ length: 25 }, (_, index) => 501 + index)
const START_MS = Date.parse('2026-03-02T08:00:00.000Z')
const HOUR_MS = 3_600_000
const endMs = ({ hours }: Story) => START_MS + hours.at(-1)! * HOUR_MS
const STATES = ['ready', 'working', 'ask', 'act', 'discard']
const MAKES = ['pass', 'ask', 'stop']
const stateOf = (of: Judgement | null) => STATES.indexOf(of?.state ?? 'ready')
const makeOf = (of: Judgement | null) => MAKES.indexOf(of?.make ?? 'pass')

type Verdicts = Map<string, Judgement | null>
/** How every lot of a log stands at a moment. */
function verdictsOf(entries: readonly Entry[], ids: Iterable<string>, atMs: number): Verdicts {
  const judge = judgeOf(fold(entries))
  return new Map([...ids].map((id) => [id, judge(id, atMs)]))
}
const plain = (verdicts: Verdicts) =>
  [...verdicts].map(([id, of]) => [id.slice(-2), of?.state, of?.make, of?.reasons.map(({ code }) => code).sort()])
const eachStory = (law: (story: Story, ids: string[], seed: number) => void) => {
  for (const seed of SEEDS) {
    const story = drawStory(seed)
    law(story, [...story.world.keys()], seed)
  }
}
/** One more entry at the end of a story. */
const more = (story: Story, draft: object, hoursBefore = 50): Entry =>
  ({
    ...{ id: '01ARZ3NDEKTSV4RRFFQ7000000', by: 'Bench', origin: 'maker' },
    at: new Date(endMs(story) - hoursBefore * HOUR_MS).toISOString(),
    ...draft,
  }) as unknown as Entry
function noneMilder(before: Verdicts, after: Verdicts, what: string, measures = [stateOf, makeOf]): void {
  for (const [id, was] of before)
    for (const measure of measures) {
      const sentence = `${what}: ${id.slice(-2)} was ${was?.state}/${was?.make}, is ${after.get(id)?.state}/${after.get(id)?.make}`
      expect(measure(after.get(id) ?? null), sentence).toBeGreaterThanOrEqual(measure(was))
    }
}

it('any order of questions, arrival and repeats, other ids and another date: the same answer', () => {
  eachStory((story, ids) => {
    const { entries } = story
    const first = plain(verdictsOf(entries, ids, endMs(story)))
    expect(plain(verdictsOf(entries, [...ids].reverse(), endMs(story))).reverse()).toEqual(first)
    expect(plain(verdictsOf([...entries].reverse().concat(entries), ids, endMs(story)))).toEqual(first)
    const DAYS_MS = 1000 * 24 * HOUR_MS
    const moved = JSON.parse(JSON.stringify(entries).replaceAll('01ARZ3', '01BRZ3')) as Entry[]
    for (const entry of moved) {
      entry.at = new Date(Date.parse(entry.at) + DAYS_MS).toISOString()
      const { instrument } = entry as Extract<Entry, { kind: 'reading' }>
      for (const key of ['calibratedAt', 'checkedAt'] as const)
        if (instrument?.[key]) instrument[key] = new Date(Date.parse(instrument[key]) + DAYS_MS).toISOString()
    }
    const renamed = ids.map((id) => id.replace('01ARZ3', '01BRZ3'))
    expect(plain(verdictsOf(moved, renamed, endMs(story) + DAYS_MS))).toEqual(first)
  })
})

it('a bad fact, water and low-acid produce make nothing milder', () => {
  eachStory((story, ids, seed) => {
    const before = verdictsOf(story.entries, ids, endMs(story))
    const lotId = ids[seed % ids.length]!
    const after = (draft: object) => verdictsOf([...story.entries, more(story, { lotId, ...draft })], ids, endMs(story))
    const mould = { kind: 'sign', sign: 'fuzzy growth', answers: ['furry'], level: 'discard', holds: true }
    noneMilder(before, after(mould), `mould, ${seed}`)
    noneMilder(before, after({ kind: 'reading', ph: 5.6, of: 'blended' }), `pH 5.6, ${seed}`, [makeOf])
    if (story.world.get(lotId)!.kind === 'bottles') return
    const put = { kind: 'add', rows: [], waterG: 0, saltG: 0, reason: '' }
    const carrot = { materialId: 'carrot', name: 'Carrot', massG: 500, preparation: 'raw', seedsOut: false }
    noneMilder(before, after({ ...put, waterG: 400 }), `water, ${seed}`)
    noneMilder(before, after({ ...put, rows: [carrot] }), `carrots, ${seed}`)
  })
})

it('two halves put in at one moment are the whole', () => {
  eachStory((story, ids) => {
    const halves = story.entries.flatMap((entry): Entry[] => {
      if (entry.kind !== 'add') return [entry]
      const half = {
        ...entry,
        rows: entry.rows.map((row) => ({ ...row, massG: row.massG / 2 })),
        ...{ waterG: entry.waterG / 2, saltG: entry.saltG / 2 },
      }
      return [half, { ...half, id: `${entry.id}0` }]
    })
    expect(plain(verdictsOf(halves, ids, endMs(story)))).toEqual(plain(verdictsOf(story.entries, ids, endMs(story))))
  })
})

it('throwing away, eating or ending one portion changes no other', () => {
  eachStory((story, ids, seed) => {
    const lotId = ids[seed % ids.length]!
    const others = ids.filter((id) => id !== lotId)
    const before = plain(verdictsOf(story.entries, others, endMs(story)))
    const jar = story.world.get(lotId)!.vessels.find(({ until }) => until === Infinity)
    const ends = [
      { kind: 'discard', reason: 'Gone.' },
      ...(jar ? [{ kind: 'use', massG: 10, how: 'eaten', to: 'Home', marks: [jar.mark] }] : []),
    ]
    for (const end of ends) {
      const entries = [...story.entries, more(story, { lotId, ...end }, 0)]
      expect(plain(verdictsOf(entries, others, endMs(story)))).toEqual(before)
    }
  })
})

it('time alone makes no discard, hold or check milder', () => {
  eachStory((story, ids, seed) => {
    let before = verdictsOf(story.entries, ids, endMs(story))
    for (const days of [0.5, 1, 2, 4, 8, 16, 40, 200]) {
      const after = verdictsOf(story.entries, ids, endMs(story) + days * 24 * HOUR_MS)
      const held = new Map([...before].filter(([, of]) => of?.make === 'stop' && stateOf(of) >= STATES.indexOf('ask')))
      noneMilder(held, after, `${days} days, ${seed}`)
      before = after
    }
  })
})

it('what is taken back is as if it had never been said', () => {
  eachStory((story, ids, seed) => {
    const candidates = story.entries.filter(
      ({ id, kind, replaces }) =>
        ['reading', 'sign', 'add', 'discard', 'use'].includes(kind) &&
        !replaces &&
        !story.entries.some((other) => other.replaces === id),
    )
    const entry = candidates[seed % Math.max(1, candidates.length)]
    if (!entry) return
    const retract = more(story, { kind: 'retract', replaces: entry.id, reason: 'It was not so.' }, 0)
    const never = story.entries.filter((other) => other !== entry)
    expect(plain(verdictsOf([...story.entries, retract], ids, endMs(story)))).toEqual(
      plain(verdictsOf(never, ids, endMs(story))),
    )
  })
})
