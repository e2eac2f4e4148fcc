import { describe, expect, it } from 'vitest'
import { forecastFerment, tasteWords, type Course, type FermentForecast, type Flag } from '@lactofer/core'
import { forecastWords } from '~/components/ferment/forecastWords'
import { changeOf, freshTrial, trialWords, whenWords, type Trial } from '~/components/ferment/trials'
import { tellSpan } from '~/clock/moments'
import { at, batch } from '../../core/test/ferment/foods'

const START = Date.parse('2026-03-02T08:00:00.000Z')
const DAY = 86_400_000
const asItIs: Omit<Trial, 'name'> = { tempC: 21, saltPct: 3.9, starterPct: 0, coldDay: 0, swingC: 0, cut: 'ground' }

describe('what the forecast says', () => {
  const { learned: _draws, ...forecast } = forecastFerment(at(21, batch('pepper', 4)), { days: 21, members: 100 })
  const flagged = (flag: Flag): Omit<FermentForecast, 'learned'> => ({
    ...forecast,
    flag,
    why: 'The newest pH is odd.',
  })

  it('tells when 4.6 is passed and when it is ready, each with its span', () => {
    const says = forecastWords(forecast, START, START + DAY)
    expect([says.level, says.sentence]).toEqual([
      'fine',
      expect.stringMatching(/^4\.6 is expected by .+ \(.+\)\. Ready by .+ \(.+\)\.$/),
    ])
    expect(forecastWords(forecast, START, START + 4 * DAY).sentence).toMatch(/^Ready by/)
    expect(forecastWords(forecast, START, START + 20 * DAY).sentence).toBe(
      'By the forecast it may be ready: two readings a day apart decide.',
    )
  })

  it('when it is distrusted no date is told, only what to check; behind still tells it; a rise only asks', () => {
    const distrusted = forecastWords(flagged('distrust'), START, START + DAY)
    expect(distrusted.sentence).toBe(
      'The newest pH is odd. No date is told until it fits: calibrate the meter, check the salt and the temperature, read again.',
    )
    expect(distrusted.sentence).not.toMatch(/Ready|expected|March/)
    expect(forecastWords(flagged('behind'), START, START + DAY)).toMatchObject({
      level: 'act',
      word: 'Behind',
      sentence: expect.stringMatching(/Ready by/),
    })
    expect(forecastWords(flagged('rise'), START, START + DAY)).toEqual({
      level: 'ask',
      word: 'It rose',
      sentence: 'The newest pH is odd.',
    })
  })

  it('says so when the target lies past what is shown', () => {
    const short: Course = {
      ...forecast,
      passes: { early: 40, typical: 60, late: 90 },
      ready: { early: 300, typical: null, late: null },
    }
    expect(forecastWords({ ...forecast, ...short }, START, START).sentence).toMatch(
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
    const first = freshTrial(asItIs, [])
    const second = freshTrial(asItIs, [first])
    expect([first.name, second.name, freshTrial(asItIs, [second]).name]).toEqual(['Way A', 'Way B', 'Way A'])
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
    const days = Number(/on day (\d+\.\d)\.$/.exec(trialWords(quick, slow!, 6))![1])
    expect(days).toBeGreaterThan(2)
    expect(days).toBeLessThan(6)
    expect(trialWords(undefined, slow!, 6)).toBe('Working it out …')
  })

  it('a taste in words leaves out what was not tasted', () => {
    expect(tasteWords({ sour: 3, 'raw onion': 0 })).toBe('sour 3, raw onion 0')
  })
})
