import { describe, expect, it } from 'vitest'
import {
  alongTheShelf,
  asksOf,
  blendAsks,
  calendarOf,
  judgeOf,
  topUpBrine,
  worstFirst,
  type Draft,
  type ForecastSummary,
} from '../../src'
import { day, notebook, START, titlesAt } from '../log/build'

const DAY_MS = 86_400_000
type Log = ReturnType<typeof notebook>

/** What a lot asks on a day, by title. */
const titles = (log: Log, lotId: string, onDay: number, summary?: ForecastSummary) =>
  titlesAt(log.book(), lotId, START + onDay * DAY_MS, summary)

describe('what a ferment asks for', () => {
  it('a closed lid wants burping once a day, and not again for twenty hours', () => {
    const log = notebook()
    const lotId = log.mash(0, {}, { closure: 'tight lid' })
    log.read(lotId, 1, 4.3)
    expect(titles(log, lotId, 2.9)).toEqual(['Burp'])
    log.write({ kind: 'chore', at: day(2.9), lotId, chore: 'burp' })
    expect(titles(log, lotId, 2.95)).toEqual([])
    expect(titles(log, lotId, 3.8)).toEqual(['Burp', 'Wipe the rim'])
  })

  it('an airlock never does', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 1, 4.3)
    expect(titles(log, lotId, 3)).toEqual([])
  })

  it('film: skim, then read the pH, then quiet', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 2, 4.2)
    log.read(lotId, 5, 3.9)
    log.write({ kind: 'sign', at: day(6), lotId, sign: 'white film' })
    expect(titles(log, lotId, 6.1)).toEqual(['Skim the white film'])
    log.write({ kind: 'chore', at: day(6.2), lotId, chore: 'skim' })
    expect(titles(log, lotId, 6.3)).toEqual(['Read pH after the film'])
    log.read(lotId, 6.4, 3.92)
    expect(titles(log, lotId, 6.5)).toEqual(['Taste it'])
  })

  it.each(['fuzzy growth', 'slime', 'putrid smell', 'pink colour'] as const)(
    '%s: discard, and nothing else is asked; a mistaken sign can be taken back',
    (sign) => {
      const log = notebook()
      const lotId = log.mash(0, {}, { closure: 'tight lid' })
      log.read(lotId, 1, 4.3)
      const entryId = log.write({ kind: 'sign', at: day(2), lotId, sign })
      expect(titles(log, lotId, 3)).toEqual([`Discard: ${sign}`])
      log.write({ kind: 'retract', at: day(2), replaces: entryId, reason: 'It was a seed.' })
      expect(titles(log, lotId, 2.9)).toEqual(['Burp'])
    },
  )

  it('salt-packed fruit that works out sour is asked for its cover on day 5, and not for its pH', () => {
    const log = notebook()
    const rows = [{ materialId: 'lemon', name: 'Lemon', massG: 2000, preparation: 'raw', seedsOut: false }]
    const lotId = log.mash(0, { style: 'salt-packed', saltPct: 10, saltG: 200, rows }, { closure: 'tight lid' })
    expect(titles(log, lotId, 4)).toEqual(['Turn the jar'])
    log.write({ kind: 'chore', at: day(4.9), lotId, chore: 'turn' })
    expect(titles(log, lotId, 5)).toEqual(['Check that it is covered'])
    log.write({ kind: 'sign', at: day(5), lotId, sign: 'not covered' })
    expect(titles(log, lotId, 5.1)).toEqual(['Top up: cover it with juice or brine'])
    log.write({ kind: 'chore', at: day(5.2), lotId, chore: 'top up' })
    log.write({ kind: 'chore', at: day(5.2), lotId, chore: 'cover check' })
    expect(titles(log, lotId, 5.3)).toEqual([])
  })

  it('above 4.6 past its time: discard; a cold one still in time: act', () => {
    const log = notebook()
    const warm = log.mash()
    log.read(warm, 1, 5.2, 24)
    log.read(warm, 4, 5.0, 24)
    expect(titles(log, warm, 4)).toEqual(['Discard'])
    const cold = log.mash()
    log.read(cold, 1, 5.2, 13)
    log.read(cold, 6, 4.9, 13)
    expect(titles(log, cold, 6)).toEqual(['Read pH: behind'])
  })

  it('a discarded or pressed lot asks for nothing', () => {
    const log = notebook()
    const gone = log.mash(0, {}, { closure: 'tight lid' })
    log.write({ kind: 'discard', at: day(2), lotId: gone, reason: 'Mould.' })
    const pressed = log.mash(0, {}, { closure: 'tight lid' })
    log.press(pressed, 2)
    expect([titles(log, gone, 3), titles(log, pressed, 3)]).toEqual([[], []])
  })
})

describe('what a blend asks for', () => {
  it('its finished pH, from a day after blending until it is read', () => {
    const log = notebook()
    const lotId = log.id()
    log.write({
      kind: 'blend',
      at: day(0),
      lotId,
      code: 'S-1',
      name: 'Sauce',
      color: '#c22a1b',
      cooked: false,
      parts: [{ materialId: 'white-vinegar', name: 'Vinegar', massG: 100 }],
    } as Draft)
    const asked = (onDay: number) =>
      blendAsks(judgeOf(log.book()), log.book().lots.get(lotId)!, START + onDay * DAY_MS).length
    expect([asked(0.5), asked(1.1)]).toEqual([0, 1])
    log.read(lotId, 0.5, 2.4)
    expect(asked(1.1)).toBe(1)
    log.read(lotId, 1.05, 2.4)
    expect(asked(1.1)).toBe(0)
  })
})

it('the most pressing stands first, equals keep their order', () => {
  const ask = (level: 'discard' | 'act' | 'ask' | 'fine', title: string) => ({
    key: title,
    lotId: 'x',
    level,
    code: 'read the pH' as const,
    title,
    why: '',
    go: 'ferment' as const,
    dueMs: null,
  })
  expect(
    worstFirst([ask('fine', 'a'), ask('act', 'b'), ask('discard', 'c'), ask('act', 'd'), ask('ask', 'e')])
      .map(({ title }) => title)
      .join(''),
  ).toBe('cbdea')
})

describe('the round', () => {
  const calm: ForecastSummary = {
    flags: [],
    passes: { early: 0, typical: 0, late: 0, lateOfThose: 0, missed: 0 },
    ready: { early: 0, typical: 0, late: 0, lateOfThose: 0, missed: 0 },
    gasPerDay: 1,
    burpEveryH: 60,
    gasSentence: '',
    crossing: {
      liquid: { earlyH: 0, likelyH: 0, mostH: 0, lateH: 0 },
      blended: { earlyH: 0, likelyH: 0, mostH: 0, lateH: 0 },
    },
    under: null,
  }

  it('burps by the gas that is forecast, passes over what was skipped, slows in the cold, and waits where more time was given', () => {
    const log = notebook()
    const lotId = log.mash(0, {}, { closure: 'tight lid' })
    log.read(lotId, 1, 4.3)
    log.write({ kind: 'chore', at: day(1), lotId, chore: 'burp' })
    expect([titles(log, lotId, 2.5), titles(log, lotId, 2.5, calm)]).toEqual([['Burp'], []])
    expect(titles(log, lotId, 1.3, { ...calm, burpEveryH: 6 })).toEqual(['Burp'])
    log.write({ kind: 'chore', at: day(2.5), lotId, chore: 'burp', skipped: 'It hissed by itself.' })
    expect(titles(log, lotId, 2.6)).toEqual([])
    log.write({
      kind: 'decide',
      at: day(2.6),
      lotId,
      decision: 'cold',
      place: 'Cellar',
      tempC: 6,
      reason: 'Sour enough.',
    })
    // In the cold its quiet round asks, ten days on: it takes the rim along.
    expect(titles(log, lotId, 3.7)).toEqual([])
    expect(titles(log, lotId, 12.7)).toContain('Look it over')
    for (const [at, ph] of [
      [3.7, 3.6],
      [5, 3.59],
    ] as const)
      log.read(lotId, at, ph, 6)
    expect(titles(log, lotId, 5.1)).toContain('Ready to press')
    log.write({ kind: 'decide', at: day(5.1), lotId, decision: 'wait', until: day(9), reason: 'Rounder.' })
    expect(titles(log, lotId, 5.2)).not.toContain('Ready to press')
  })

  it('a forecast that does not fit asks for a reading and hides ready', () => {
    const log = notebook()
    const lotId = log.mash()
    for (const [at, ph] of [
      [2, 4.2],
      [3.7, 3.6],
      [5, 3.59],
    ] as const)
      log.read(lotId, at, ph)
    expect(titles(log, lotId, 5.1)).toContain('Ready to press')
    expect(titles(log, lotId, 5.1, { ...calm, flags: [{ code: 'distrust', chance: 0.99 }] })).toEqual(
      expect.arrayContaining(['Read pH again: it does not fit']),
    )
    expect(titles(log, lotId, 5.1, { ...calm, flags: [{ code: 'distrust', chance: 0.99 }] })).not.toContain(
      'Ready to press',
    )
  })

  it('nothing doubtful is ever to be tasted', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 2, 4.2)
    log.read(lotId, 4, 3.6)
    expect(titles(log, lotId, 4.1)).toContain('Taste it')
    log.write({ kind: 'sign', at: day(4.1), lotId, sign: 'specks', answers: ['unsure'], level: 'ask', holds: true })
    expect(titles(log, lotId, 4.2)).toEqual(['Look again'])
  })

  it('tops up with the strength that is inside', () => {
    const log = notebook()
    const lotId = log.mash(0, { style: 'brined', waterG: 1000, saltG: 35 })
    const brine = topUpBrine(log.book(), log.book().lots.get(lotId)!)!
    // 35 g of salt in 1 000 g of water and the 1 700 g that the peppers bring: what was poured is twice as strong.
    expect(brine.strengthPct).toBeCloseTo((100 * 35) / (35 + 1000 + 0.85 * 2000), 1)
    expect(brine.saltG / brine.massG).toBeCloseTo(brine.strengthPct / 100, 9)
  })

  it('chores follow closure, weight and cut; the first burp is due after one interval; a cover check stays until it is done', () => {
    const log = notebook()
    const pieces = { style: 'brined', waterG: 1500, saltG: 90 }
    const [bare, held] = [
      log.mash(0, pieces, { closure: 'tight lid' }),
      log.mash(0, pieces, { closure: 'plate', weight: 'bag of brine' }),
    ]
    expect(titles(log, bare, 0.1)).not.toContain('Burp')
    expect(titles(log, bare, 1.5)).toEqual(expect.arrayContaining(['Burp', 'Press down', 'Is everything covered?']))
    expect(titles(log, held, 2.5)).toContain('Look for film')
    expect(titles(log, held, 2.5)).not.toContain('Press down')
    expect(titles(log, bare, 4)).toContain('Is everything covered?')
    log.write({ kind: 'chore', at: day(4), lotId: bare, chore: 'cover check' })
    expect(titles(log, bare, 4.1)).not.toContain('Is everything covered?')
  })

  it('one walk: place by place, code by code, and the calendar keeps its ids', () => {
    const log = notebook()
    const [first, other] = [
      log.mash(0, { code: 'A-2' }, { closure: 'tight lid', place: 'Bench' }),
      log.mash(0, { code: 'A-1' }, { closure: 'tight lid', place: 'Loft' }),
    ]
    const third = log.mash(0, { code: 'A-1b' }, { closure: 'tight lid', place: 'Bench' })
    const lots = () => [...log.book().lots.values()]
    const nowMs = START + 2 * DAY_MS
    const walk = alongTheShelf(
      lots().flatMap((lot) => asksOf(log.book(), judgeOf(log.book()), lot, nowMs)),
      lots(),
    ).map(({ lotId }) => lotId)
    expect([...new Set(walk)]).toEqual([third, first, other])
    const burps = () =>
      calendarOf(
        log.book(),
        lots().filter(({ id }) => id === first),
        nowMs,
      ).filter(({ uid }) => uid.includes('-burp-'))
    const before = burps()
    expect(
      calendarOf(log.book(), lots(), nowMs, new Map([[first, { ...calm, burpEveryH: 7.123 }]])).every(({ startMs }) =>
        Number.isInteger(startMs),
      ),
    ).toBe(true)
    expect(new Set(before.map(({ uid }) => uid)).size).toBe(before.length)
    log.write({ kind: 'chore', at: day(2), lotId: first, chore: 'burp' })
    const known = new Map(before.map((event) => [event.uid, event]))
    const moved = burps().filter(({ uid }) => known.has(uid))
    expect(moved.length).toBeGreaterThan(5)
    for (const event of moved) expect(event.sequence).toBeGreaterThan(known.get(event.uid)!.sequence)
    log.write({ kind: 'discard', at: day(2.1), lotId: first, reason: 'Fuzz.' })
    expect(burps().every(({ cancelled }) => cancelled)).toBe(true)
    expect(
      calendarOf(
        log.book(),
        lots().filter(({ id }) => id === first),
        nowMs + 15 * DAY_MS,
      ),
    ).toEqual([])
  })
})
