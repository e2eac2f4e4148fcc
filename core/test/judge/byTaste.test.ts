import { describe, expect, it } from 'vitest'
import {
  asksOf,
  dueLook,
  isByTaste,
  judgeOf,
  lotCaseOf,
  lookAgainBy,
  mayTaste,
  releaseChecks,
  type Draft,
  type Kit,
  type ForecastSummary,
} from '../../src'
import { caseOf, day, KEPT_COLD, notebook, START, standsAt } from '../log/build'

/* Lots of which no pH was ever read. */

const DAY_MS = 86_400_000
const NOSE: Kit = { sour: 'nose and tongue', scale: false }
/** A forecast that says no more than how likely it passed in its time and stands under 4.6, from packing on. */
const foretold = (chance: number): ForecastSummary => ({
  ...{ flags: [], gasPerDay: 0, burpEveryH: null, gasSentence: '' },
  passes: { early: null, typical: null, late: null, lateOfThose: null, missed: 1 },
  ready: { early: null, typical: null, late: null, lateOfThose: null, missed: 1 },
  crossing: {
    liquid: { earlyH: 50, likelyH: 60, mostH: 75, lateH: 80 },
    blended: { earlyH: 50, likelyH: 60, mostH: 75, lateH: 80 },
  },
  under: { hours: [0, 2000], chances: [chance, chance] },
})
function mash(seen: object = { bubbles: 2, sour: 3 }, atDay = 2) {
  const log = notebook()
  const lotId = log.mash(0)
  log.read(lotId, 0, undefined, 20)
  log.write({ kind: 'sense', at: day(atDay), lotId, seen } as Draft)
  return { log, lotId }
}
const call = (lotId: string, at: number, likely?: number) =>
  ({ kind: 'decide', at: day(at), lotId, decision: 'ready', reason: '', ...(likely && { likely }) }) as Draft

describe('by eye and tongue', () => {
  it.each([
    [0.995, 3, 'working', 'likely under', 'ask'],
    [0.7, 1.5, 'working', 'on its way by eye', 'stop'],
    [0.7, 3, 'ask', 'not told yet', 'stop'],
    // 20 °C allows 4.3 days.
    [0.995, 6, 'working', 'likely under', 'ask'],
    [0.7, 6, 'act', 'time over, not read', 'stop'],
    [0.15, 6, 'discard', 'unlikely under', 'stop'],
    [0.15, 3, 'ask', 'not told yet', 'stop'],
  ] as const)('%s on day %s: %s, %s; making is %s', (chance, onDay, state, code, make) => {
    const { log, lotId } = mash({ bubbles: 2, sour: 3 }, 1)
    const stands = standsAt(log.book(), lotId, START + onDay * DAY_MS, foretold(chance))
    expect(stands).toMatchObject({ state, make })
    expect(stands.reasons[0]).toMatchObject({ code })
    expect(stands.sentence).not.toMatch(/\bsafe\b/)
  })

  it('likely is what was so half a day before', () => {
    const { log, lotId } = mash()
    const rising = { ...foretold(0), under: { hours: [0, 72, 73, 2000], chances: [0, 0, 1, 1] } }
    const at = (hours: number) => standsAt(log.book(), lotId, START + hours * 3_600_000, rising).reasons[0]!.code
    expect([at(74), at(84), at(86)]).toEqual(['not told yet', 'not told yet', 'likely under'])
  })

  it('called ready it is marked for ever, without any forecast; so is what is made of it, and it is never for sale', () => {
    const { log, lotId } = mash()
    log.write(call(lotId, 3, 0.993))
    const stands = standsAt(log.book(), lotId, START + 5 * DAY_MS)
    expect(stands).toMatchObject({ state: 'ready', make: 'ask' })
    expect(stands.sentence).toMatch(/^Ready by taste, not measured/)
    const base = log.press(lotId, 5)
    const pot = log.id()
    log.write({
      ...{ kind: 'blend', at: day(5.1), lotId: pot, code: 'S-1', name: 'Sauce', color: '#c22a1b', cooked: false },
      parts: [
        { lotId: base, name: 'Base', massG: 1000 },
        { materialId: 'white-vinegar', name: 'Vinegar', massG: 300 },
      ],
      predictedPh: { low: 3.3, typical: 3.4, high: 3.5 },
    } as Draft)
    log.read(pot, 6.5, 3.4)
    const judge = judgeOf(log.book())
    for (const id of [base, pot]) {
      const judgement = judge(id, START + 7 * DAY_MS)!
      expect(judgement.reasons.some(isByTaste)).toBe(true)
      expect(judgement.make).toBe('ask')
    }
    const water = { kind: 'add', at: day(6), lotId: base, rows: [], waterG: 400, saltG: 0, reason: 'thinned' } as Draft
    log.write(water)
    expect(standsAt(log.book(), base, START + 6.5 * DAY_MS).codes).toContain('put in since')
    const checks = releaseChecks({
      ...caseOf(log.book(), pot, KEPT_COLD),
      label: { current: true, evidence: { atMs: START, by: 'Bench', what: 'printed' } },
    })
    expect(checks.some(({ verdict, sentence }) => verdict === 'stop' && /not measured/i.test(sentence))).toBe(true)
  })

  it('what is put in since the last taste, or a jar nobody tasted, is never likely; a top-up of brine changes nothing', () => {
    const put = (rows: object[], waterG: number) => {
      const { log, lotId } = mash()
      log.write({ kind: 'add', at: day(2.5), lotId, rows, waterG, saltG: 0, reason: 'put in' } as Draft)
      return { log, lotId, code: standsAt(log.book(), lotId, START + 3 * DAY_MS, foretold(0.999)).reasons[0]!.code }
    }
    const carrot = { materialId: 'carrot', name: 'Carrot', massG: 300, preparation: 'raw', seedsOut: false }
    const fresh = put([carrot], 0)
    expect([fresh.code, put([], 600).code, put([], 100).code]).toEqual(['not told yet', 'not told yet', 'likely under'])
    fresh.log.write({ kind: 'sense', at: day(2.9), lotId: fresh.lotId, seen: { sour: 3 } } as Draft)
    const tasted = standsAt(fresh.log.book(), fresh.lotId, START + 3 * DAY_MS, foretold(0.999))
    expect(tasted.reasons.map(({ code }) => code)).toContain('likely under')

    const log = notebook()
    const vessels = ['a', 'b'].map((mark) => ({ vesselId: 'jar-1000', mark, massG: 1040, hot: false }))
    const lotId = log.mash(0, {}, { vessels })
    log.read(lotId, 0, undefined, 20)
    const taste = (sour: number, mark: string, at: number) =>
      log.write({ kind: 'sense', at: day(at), lotId, seen: { sour }, marks: [mark] } as Draft)
    const code = () => standsAt(log.book(), lotId, START + 3 * DAY_MS, foretold(0.999)).reasons[0]!.code
    taste(3, 'a', 2.5)
    expect(code()).toBe('not told yet')
    taste(1, 'b', 2.4)
    expect(code()).toBe('likely under')
    // The forecast follows the mildest of them, whichever was tasted last.
    const { sensed } = lotCaseOf(log.book(), log.book().lots.get(lotId)!, START)!
    expect(sensed!.flatMap(({ seen }) => seen.map(({ step }) => step))).toEqual([1])
  })

  it('a pH lifts the mark; one above 4.6 is stronger than any tongue', () => {
    const { log, lotId } = mash()
    log.write(call(lotId, 3, 0.993))
    log.read(lotId, 3.5, 4.9)
    expect(standsAt(log.book(), lotId, START + 3.6 * DAY_MS, foretold(0.999)).reasons.some(isByTaste)).toBe(false)
    const other = mash()
    other.log.write(call(other.lotId, 3, 0.993))
    other.log.read(other.lotId, 3.5, 3.7)
    const now = standsAt(other.log.book(), other.lotId, START + 3.6 * DAY_MS, foretold(0.999))
    expect(now.passed).toBe(true)
    expect(now.reasons.some(isByTaste)).toBe(false)
  })

  it('a taste is asked for on the first day and once it bubbled, never at the end of its time unless it is likely', () => {
    const quiet = mash({ bubbles: 0 }, 1)
    const asks = (log: typeof quiet.log, lotId: string, onDay: number, chance: number) => {
      const nowMs = START + onDay * DAY_MS
      const judge = judgeOf(log.book(), () => foretold(chance))
      const lot = log.book().lots.get(lotId)!
      return {
        taste: mayTaste(log.book(), lot, judge(lotId, nowMs), nowMs),
        due: dueLook(log.book(), lot, judge(lotId, nowMs), nowMs),
        all: asksOf(log.book(), judge, lot, nowMs, foretold(chance), undefined, NOSE),
      }
    }
    expect(asks(quiet.log, quiet.lotId, 0.1, 0.5).due).toMatchObject({ questions: ['sour'], first: true })
    expect(asks(quiet.log, quiet.lotId, 2, 0.5)).toMatchObject({
      taste: false,
      due: { questions: ['bubbles', 'one mass'] },
    })
    const lively = mash({ bubbles: 2 }, 1)
    expect(asks(lively.log, lively.lotId, 2, 0.5).taste).toBe(true)
    expect(asks(lively.log, lively.lotId, 6, 0.5).taste).toBe(false)
    expect(asks(lively.log, lively.lotId, 6, 0.995).taste).toBe(true)
    lively.log.write({
      kind: 'sign',
      at: day(2),
      lotId: lively.lotId,
      sign: 'slime',
      level: 'ask',
      holds: true,
    } as Draft)
    expect(asks(lively.log, lively.lotId, 2.5, 0.995).taste).toBe(false)
    // Nobody without a meter is asked for a pH: a strip is named where only that would tell.
    const titles = asks(quiet.log, quiet.lotId, 6, 0.6).all.map(({ title }) => title)
    expect(titles).toContain('A strip would tell')
    expect(titles.join()).not.toMatch(/Read pH|Weigh/)
  })

  it('a jar kept cold is looked at again by a day, but for what was not measured', () => {
    const { log, lotId } = mash()
    log.write({ kind: 'decide', at: day(5), lotId, decision: 'cold', place: 'Fridge', tempC: 4, reason: '' } as Draft)
    const by = () => {
      const nowMs = START + 6 * DAY_MS
      return lookAgainBy(log.book(), log.book().lots.get(lotId)!, judgeOf(log.book())(lotId, nowMs))
    }
    expect(by()).toBeNull()
    log.read(lotId, 5.5, 3.7, 4)
    log.read(lotId, 3, 4.2, 20)
    expect(by()).toBe(START + (5.5 + 270) * DAY_MS)
  })
})
