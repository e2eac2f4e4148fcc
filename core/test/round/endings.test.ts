import { describe, expect, it } from 'vitest'
import {
  asksOf,
  DraftSchema,
  inVessels,
  judgeOf,
  judgeSign,
  refusalOf,
  SENSE_QUESTIONS,
  SENSE_SCALES,
  SIGN_KINDS,
  SOUR_TOOLS,
  uniforms,
  type Draft,
  type Kit,
  type Lot,
  type ForecastSummary,
} from '../../src'
import { day, notebook, START } from '../log/build'

/* Random lots through what the interface lets a maker do: none ever stands where it cannot end. */

const DAY_MS = 86_400_000
const STEPS = 14
const JAR = { vesselId: 'jar-3000', mark: '', hot: false }
const nowhere = { early: null, typical: null, late: null, lateOfThose: null, missed: 1 }
const foretold = (chance: number): ForecastSummary => ({
  ...{ flags: [], gasPerDay: 0, burpEveryH: null, gasSentence: '', passes: nowhere, ready: nowhere },
  crossing: {
    liquid: { earlyH: 50, likelyH: 60, mostH: 75, lateH: 80 },
    blended: { earlyH: 50, likelyH: 60, mostH: 75, lateH: 80 },
  },
  under: { hours: [0, 3000], chances: [chance, chance] },
})

/** What a maker may do to a lot, drawn at random; some of it may go into another. */
function actionOf(chance: () => number, lot: Lot, intoLotId: string, at: string): Draft {
  const one = <T>(of: readonly T[]): T => of[Math.floor(chance() * of.length)]!
  const lotId = lot.id
  const base = { at, lotId }
  const jar = one(inVessels(lot))
  switch (Math.floor(chance() * 11)) {
    case 0:
      return { ...base, kind: 'reading', ph: 3.4 + 2 * chance(), tempC: 4 + 30 * chance() } as Draft
    case 1: {
      const question = one(SENSE_QUESTIONS)
      const step = Math.floor(chance() * SENSE_SCALES[question].steps.length)
      return { ...base, kind: 'sense', seen: { [question]: step } } as Draft
    }
    case 2: {
      const sign = one(SIGN_KINDS)
      const answers = sign.questions.map((question) => one(question.answers).id)
      const { level, holds } = judgeSign(sign.id, answers, { day: 3, ph: null, fell: null })
      return { ...base, kind: 'sign', sign: sign.id, answers, level, holds } as Draft
    }
    case 3:
      return { ...base, kind: 'decide', decision: 'cold', place: 'Fridge', tempC: 4, reason: '' } as Draft
    case 4:
      return { ...base, kind: 'decide', decision: 'warm', place: 'Bench', tempC: 20, reason: '' } as Draft
    case 5:
      return { ...base, kind: 'decide', decision: 'ready', reason: 'I say so.', likely: 0.99 } as Draft
    case 6: {
      const mark = one([...'bcdefgh'])
      const massG = jar.massG * chance()
      return { ...base, kind: 'share', from: jar.mark, vesselId: 'jar-1000', mark, massG } as Draft
    }
    case 7:
      return { ...base, kind: 'add', rows: [], waterG: 300 * chance(), saltG: 9, reason: 'topped up' } as Draft
    case 8: {
      const whole = lot.vessels.length > 1
      const row = { materialId: 'lot', lotId, name: 'Some', massG: jar.massG * (whole ? 1 : chance()) }
      const raw = { preparation: 'raw', seedsOut: false, ended: whole ? [jar.mark] : [] }
      return { kind: 'add', at, lotId: intoLotId, rows: [{ ...row, ...raw }], waterG: 0, saltG: 0, reason: '' } as Draft
    }
    case 9: {
      const marks = lot.vessels.length > 1 ? { marks: [jar.mark] } : {}
      return {
        ...base,
        kind: 'use',
        massG: Math.min(jar.massG, lot.leftG),
        how: 'frozen',
        to: 'freezer',
        ...marks,
      } as Draft
    }
    default:
      return { ...base, kind: 'use', massG: 5 + 200 * chance(), how: 'eaten', to: 'kitchen' } as Draft
  }
}

describe('no lot without a way out', () => {
  it('40 random lots: what asks has a next step, and all of it can be eaten, given or thrown away at any moment', () => {
    const stuck: string[] = []
    for (let seed = 1; seed <= 40; seed++) {
      const chance = uniforms(seed)
      const kit: Kit = { sour: SOUR_TOOLS[seed % SOUR_TOOLS.length]!, scale: seed % 2 === 0 }
      const ahead = foretold([0.999, 0.6, 0.1][seed % 3]!)
      const log = notebook()
      const lotId = log.mash(0, ...(seed % 5 ? [] : [{ saltG: 240 }, { vessels: [{ ...JAR, massG: 2240 }] }]))
      const other = log.mash(0)
      let atDay = 0
      for (let step = 0; step < STEPS; step++) {
        atDay += 0.2 + 3 * chance()
        const book = log.book()
        const draft = actionOf(chance, book.lots.get(lotId)!, other, day(atDay))
        const judge = judgeOf(book, () => ahead)
        if (!DraftSchema.safeParse(draft).success || refusalOf(book, judge, draft) !== null) continue
        log.write(draft)
        const lot: Lot = log.book().lots.get(lotId)!
        if (lot.state !== 'fermenting') break
        const nowMs = START + (atDay + 0.01) * DAY_MS
        const judged = judgeOf(log.book(), () => ahead)
        const judgement = judged(lotId, nowMs)!
        const asks = asksOf(log.book(), judged, lot, nowMs, ahead, undefined, kit)
        const why = `${seed}/${step} ${kit.sour}: ${judgement.reasons[0]?.code}`
        if (['ask', 'act', 'discard'].includes(judgement.state) && asks.length === 0) stuck.push(`${why}: no next step`)
        const all = {
          kind: 'use',
          at: day(atDay + 0.02),
          lotId,
          massG: lot.leftG,
          how: 'given',
          to: 'Neighbour',
        } as Draft
        const held = inVessels(lot).reduce((sum, { massG }) => sum + massG, 0)
        if (Math.abs(held - lot.leftG) > 0.02 * lot.madeG) stuck.push(`${why}: ${held} g in jars, ${lot.leftG} g left`)
        if (refusalOf(log.book(), judged, all) !== null) stuck.push(`${why}: cannot be given away`)
      }
      // Both ends close it, and nothing asks for it any more.
      const left = log.book().lots.get(lotId)!
      if (left.state !== 'fermenting') continue
      const end: Draft =
        seed % 2
          ? ({ kind: 'use', at: day(atDay + 1), lotId, massG: left.leftG, how: 'eaten', to: 'kitchen' } as Draft)
          : ({ kind: 'discard', at: day(atDay + 1), lotId, reason: 'Enough.', massG: Math.round(left.leftG) } as Draft)
      log.write(end)
      const lot = log.book().lots.get(lotId)!
      const nowMs = START + (atDay + 2) * DAY_MS
      const asks = asksOf(
        log.book(),
        judgeOf(log.book(), () => ahead),
        lot,
        nowMs,
        ahead,
        undefined,
        kit,
      )
      if (!['used up', 'discarded'].includes(lot.state) || asks.length) stuck.push(`${seed}: ${lot.state} at the end`)
    }
    expect(stuck).toEqual([])
  })
})
