import { describe, expect, it } from 'vitest'
import { asksOf, blendAsks, worstFirst, type Draft } from '../../src'
import { day, notebook, START } from '../log/build'

const DAY_MS = 86_400_000
type Log = ReturnType<typeof notebook>

/** What a lot asks on a day, by title. */
const titles = (log: Log, lotId: string, onDay: number) => asksOf(log.book().lots.get(lotId)!, START + onDay * DAY_MS).map(ask => ask.title)

describe('what a ferment asks for', () => {
  it('a closed lid wants burping once a day, and not again for twenty hours', () => {
    const log = notebook()
    const lotId = log.mash(0, {}, { closure: 'tight lid' })
    log.read(lotId, 1, 4.5)
    expect(titles(log, lotId, 3)).toEqual(['Burp'])
    log.write({ kind: 'chore', at: day(3), lotId, chore: 'burp' })
    expect(titles(log, lotId, 3.5)).toEqual([])
    expect(titles(log, lotId, 4)).toEqual(['Burp'])
  })

  it('an airlock never does', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 1, 4.5)
    expect(titles(log, lotId, 3)).toEqual([])
  })

  it('film: skim, then read the pH, then quiet', () => {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 5, 3.9)
    log.write({ kind: 'sign', at: day(6), lotId, sign: 'white film' })
    expect(titles(log, lotId, 6.1)).toEqual(['Skim the white film'])
    log.write({ kind: 'chore', at: day(6.2), lotId, chore: 'skim' })
    expect(titles(log, lotId, 6.3)).toEqual(['Read pH after the film'])
    log.read(lotId, 6.4, 3.92)
    expect(titles(log, lotId, 6.5)).toEqual([])
  })

  it.each(['fuzzy growth', 'slime', 'putrid smell', 'pink colour'] as const)('%s: discard, and nothing else is asked; a mistaken sign can be taken back', (sign) => {
    const log = notebook()
    const lotId = log.mash(0, {}, { closure: 'tight lid' })
    log.read(lotId, 1, 4.4)
    const entryId = log.write({ kind: 'sign', at: day(2), lotId, sign })
    expect(titles(log, lotId, 3)).toEqual([`Discard: ${sign}`])
    log.write({ kind: 'retract', at: day(2), replaces: entryId, reason: 'It was a seed.' })
    expect(titles(log, lotId, 3)).toEqual(['Burp'])
  })

  it('salt-packed fruit is asked for its cover on day 5, and never for its pH', () => {
    const log = notebook()
    const lotId = log.mash(0, { style: 'salt-packed', saltPct: 10 }, { closure: 'tight lid' })
    expect(titles(log, lotId, 4)).toEqual(['Turn the jar'])
    log.write({ kind: 'chore', at: day(4.9), lotId, chore: 'turn' })
    expect(titles(log, lotId, 5)).toEqual(['Check that it is covered'])
    log.write({ kind: 'sign', at: day(5), lotId, sign: 'not covered' })
    expect(titles(log, lotId, 5.1)).toEqual(['Cover it: add juice or brine'])
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
    log.write({ kind: 'blend', at: day(0), lotId, code: 'S-1', name: 'Sauce', color: '#c22a1b', cooked: false, parts: [{ materialId: 'white-vinegar', name: 'Vinegar', massG: 100 }] } as Draft)
    const asked = (onDay: number) => blendAsks(log.book().lots.get(lotId)!, START + onDay * DAY_MS).length
    expect([asked(0.5), asked(1.1)]).toEqual([0, 1])
    log.read(lotId, 0.5, 2.4)
    expect(asked(1.1)).toBe(1)
    log.read(lotId, 1.05, 2.4)
    expect(asked(1.1)).toBe(0)
  })
})

it('the most pressing stands first, equals keep their order', () => {
  const ask = (level: 'discard' | 'act' | 'ask' | 'fine', title: string) => ({ lotId: 'x', level, title, why: '', go: 'ferment' as const })
  expect(worstFirst([ask('fine', 'a'), ask('act', 'b'), ask('discard', 'c'), ask('act', 'd'), ask('ask', 'e')]).map(({ title }) => title).join('')).toBe('cbdea')
})
