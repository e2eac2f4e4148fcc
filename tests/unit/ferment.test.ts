import { describe, expect, it } from 'vitest'
import { forecastFerment, tasteWords, type Course, type FlagCode } from '@lactofer/core'
import { forecastWords, type Known } from '~/words/forecastWords'
import { changeOf, freshScenario, scenarioWords, whenWords, type Scenario } from '~/forms/scenarios'
import { tellSpan } from '~/clock/moments'
import { at, batch } from '../../core/test/ferment/foods'

const START = Date.parse('2026-03-02T08:00:00.000Z')
const DAY = 86_400_000
const asItIs: Omit<Scenario, 'name'> = { tempC: 21, saltPct: 3.9, starterPct: 0, coldDay: 0, swingC: 0, cut: 'ground' }

const nowhere = { early: null, typical: null, late: null, lateOfThose: null, missed: 0 }

describe('what the forecast says', () => {
  const { learned: _draws, ...forecast } = forecastFerment(at(21, batch('pepper', 4)), { days: 21, members: 100 })
  /** As it is known so many days after packing, the newest reading with it. */
  const known = (days: number, more: Partial<Known> = {}): Known => ({
    ...{
      startMs: START,
      nowMs: START + days * DAY,
      stand: { state: 'working', passed: false },
      newestPh: null,
      targetPh: 3.8,
    },
    ...more,
  })
  const flagged = (...codes: FlagCode[]) => ({ ...forecast, flags: codes.map((code) => ({ code, chance: 0.82 })) })

  it('tells when 4.6 is passed and when it is ready, each with its span', () => {
    const says = forecastWords(forecast, known(1))!
    expect([says.level, says.sentence]).toEqual([
      'fine',
      expect.stringMatching(/^4\.6 is expected by .+ \(.+\)\. Ready by .+ \(.+\)\.$/),
    ])
    expect(forecastWords(forecast, known(4))!.sentence).toMatch(/^Ready by/)
    expect(forecastWords(forecast, known(20))!.sentence).toBe(
      'By the forecast it may be ready: two readings a day apart decide.',
    )
  })

  it('when it is distrusted no date is told, only what to check, and why; behind still tells it; film only asks', () => {
    const distrusted = forecastWords(flagged('distrust', 'dead'), known(1))!
    expect(distrusted.sentence).toBe(
      'By its readings nothing works in it yet (probably). No date is told until it fits: check the salt and the temperature, calibrate the meter, read again.',
    )
    expect(distrusted.sentence).not.toMatch(/Ready|expected|March/)
    expect(forecastWords(flagged('distrust'), known(1))!.sentence).toMatch(/^The newest pH does not fit/)
    expect(forecastWords(flagged('behind'), known(1))).toMatchObject({
      level: 'act',
      word: 'Behind',
      sentence: expect.stringMatching(/Ready by/),
    })
    expect(forecastWords(flagged('film', 'behind'), known(5))).toEqual({
      level: 'ask',
      word: 'Film?',
      sentence: 'By its readings something eats its acid (probably). Look for film or mould, and check the meter.',
    })
  })

  it('is never green beside a warning, says nothing of what is thrown away, and does not deny what was read', () => {
    for (const state of ['act', 'ask'] as const)
      expect(forecastWords(forecast, known(3, { stand: { state, passed: false } }))!.level).toBeNull()
    expect(forecastWords(forecast, known(3, { stand: { state: 'discard', passed: false } }))).toBeNull()
    expect(forecastWords(forecast, known(9, { stand: { state: 'ready', passed: true } }))).toBeNull()
    const never = { ...forecast, passes: nowhere, ready: nowhere }
    expect(forecastWords(never, known(9, { newestPh: 3.7, stand: { state: 'working', passed: true } }))!.sentence).toBe(
      'Its newest pH is at target: two readings a day apart decide.',
    )
  })

  it('says so when the target lies past what is shown', () => {
    const short: Course = {
      ...forecast,
      passes: { early: 40, typical: 60, late: 90, lateOfThose: 90, missed: 0 },
      ready: { early: 300, typical: null, late: null, lateOfThose: null, missed: 0.6 },
    }
    expect(forecastWords({ ...forecast, ...short }, known(0))!.sentence).toMatch(
      /The target is not reached in the time shown\.$/,
    )
    expect(whenWords(short.ready)).toBe('not within the time shown')
  })

  it('tells a span of one day as a day, and months only once', () => {
    expect([
      tellSpan(START, START + 3_600_000),
      tellSpan(START, START + 3 * DAY),
      tellSpan(START, START + 40 * DAY),
    ]).toEqual(['Mon 2 Mar', '2 to 5 Mar', '2 Mar to 11 Apr'])
  })
})

describe('other ways', () => {
  it('a fresh way differs in warmth alone, has a name of its own, and says only what differs', () => {
    const first = freshScenario(asItIs, [])
    const second = freshScenario(asItIs, [first])
    expect([first.name, second.name, freshScenario(asItIs, [second]).name]).toEqual(['Way A', 'Way B', 'Way A'])
    expect(changeOf(first, asItIs)).toEqual({ tempC: 23 })
    expect(changeOf({ ...first, ...asItIs }, asItIs)).toEqual({})
    expect(
      changeOf({ ...first, ...asItIs, starterPct: 2, coldDay: 3, swingC: 4, cut: 'fine', saltPct: 5 }, asItIs),
    ).toEqual({ starterShare: 0.02, coldDay: 3, swingC: 4, cut: 'fine', saltPct: 5 })
  })

  it('tells when a way is as sour as it would have been', () => {
    const [slow, quick] = [18, 23].map((tempC) =>
      forecastFerment(at(tempC, batch('pepper', 4)), { days: 21, members: 100 }),
    )
    const days = Number(/on day (\d+(?:\.\d)?)\.$/.exec(scenarioWords(quick, slow!, 6))![1])
    expect(days).toBeGreaterThan(2)
    expect(days).toBeLessThan(6)
    expect(scenarioWords(undefined, slow!, 6)).toBe('Working it out …')
  })

  it('a taste in words leaves out what was not tasted', () => {
    expect(tasteWords({ sour: 3, 'raw onion': 0 })).toBe('sour 3, raw onion 0')
  })
})
