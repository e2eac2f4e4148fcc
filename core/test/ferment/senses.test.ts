import { describe, expect, it } from 'vitest'
import {
  ANY_OFFSET,
  COLUMNS,
  DRAWS,
  forecastFerment,
  gasFigure,
  hiddenBatch,
  lotCaseOf,
  memberOf,
  normals,
  offsetFrom,
  integrateMember,
  SENSE_QUESTIONS,
  SENSE_SCALES,
  SHOWN,
  sourFigure,
  stepChance,
  stepOf,
  type Batch,
  type Sensed,
  type SenseQuestion,
  type TemperaturePlan,
} from '../../src'
import { notebook, START } from '../log/build'

const log = notebook()
const lotId = log.mash(0)
log.read(lotId, 0, undefined, 21)
const believed = lotCaseOf(log.book(), log.book().lots.get(lotId)!, START)!
const told = (sensed: Sensed[], members = 150) =>
  forecastFerment({ ...believed, sensed, allowed: { liquid: 96, blended: 96 } }, { days: 10, members })
const seen = (question: SenseQuestion, ...looks: [day: number, step: number][]): Sensed => ({
  ...{ question, offset: ANY_OFFSET },
  seen: looks.map(([day, step]) => ({ hour: 24 * day, step })),
})
/** Titratable acid of the all-median member, % as lactic, in steps of an hour. */
function runTypical(batch: Batch, temperature: TemperaturePlan) {
  const hours = Float64Array.from({ length: 500 }, (_, hour) => hour)
  const rows = new Float64Array(hours.length * COLUMNS)
  integrateMember(memberOf(batch, new Float64Array(DRAWS)), temperature, hours, rows, 0)
  const at = (shown: (typeof SHOWN)[number], hour: number) => rows[hour * COLUMNS + SHOWN.indexOf(shown)]!
  return Array.from(hours, (hour) => ({
    day: hour / 24,
    acidPct: batch.medium.acidPct + 0.009008 * (at('lactic', hour) + at('acetic', hour)),
  }))
}
const underOn = (day: number, ...sensed: Sensed[]) => {
  const { hours, under } = told(sensed)
  return under![hours.findIndex((hour) => hour >= 24 * day)]!
}

describe('what eyes and tongue tell', () => {
  it('the chances of all steps sum to one, each threshold splits in half, and higher figures never favour lower steps', () => {
    for (const question of SENSE_QUESTIONS) {
      const { steps, thresholds } = SENSE_SCALES[question]
      for (let figure = -4; figure < 9; figure += 0.37)
        expect(steps.reduce((sum, _, step) => sum + stepChance(question, step, figure), 0)).toBeCloseTo(1, 6)
      for (const [index, threshold] of thresholds.entries()) {
        const upTo = (figure: number) =>
          steps.slice(0, index + 1).reduce((sum, _, step) => sum + stepChance(question, step, figure), 0)
        // But for taps that went beside it.
        expect(upTo(threshold)).toBeCloseTo(0.49 + (0.02 * (index + 1)) / steps.length, 5)
        expect(upTo(threshold + 0.5)).toBeLessThan(upTo(threshold))
      }
    }
  })

  it('steps of sourness of a mash at 22 °C come on about days 2, 2.5, 3.5 and 7 (a prototype of the rules)', () => {
    const room = { points: [{ hour: 0, tempC: 22 }] }
    const typical = runTypical(believed.batch, room)
    const days = [0.25, 0.45, 0.7, 1].map((pct) => typical.find(({ acidPct }) => acidPct >= pct)!.day)
    for (const [index, day] of [2, 2.5, 3.5, 7].entries())
      expect(Math.abs(days[index]! - day)).toBeLessThan(0.3 * day + 0.3)
  })

  it('sourer and gassier is likelier to have passed; flat and mild is not; a swollen lid is no question', () => {
    const sour = underOn(3.5, seen('sour', [0, 0], [3, 2]), seen('bubbles', [2, 2], [3, 3]))
    const mild = underOn(3.5, seen('sour', [0, 0], [3, 0]), seen('bubbles', [2, 2], [3, 3]))
    const flat = underOn(3.5, seen('bubbles', [1, 0], [2, 0], [3, 0]))
    expect(sour).toBeGreaterThan(0.9)
    expect(mild).toBeLessThan(sour - 0.1)
    expect(flat).toBeLessThan(0.3)
    expect(flat).toBeLessThan(mild - 0.4)
    expect(SENSE_QUESTIONS).not.toContain('lid')
  })

  it('is the same every time, narrows the band, and two looks at once are one: the later', () => {
    const looks = [seen('sour', [0, 0], [3, 2]), seen('bubbles', [2, 2], [3, 3])]
    expect(told(looks).under).toEqual(told(looks).under)
    const twice = [seen('sour', [0, 0], [2.9, 4], [3, 2]), looks[1]!]
    expect(told(twice).under).toEqual(told(looks).under)
    const width = (sensed: Sensed[]) => {
      const { hours, blended } = told(sensed)
      const at = hours.indexOf(72)
      return blended.high[at]! - blended.low[at]!
    }
    expect(width(looks)).toBeLessThan(width([seen('bubbles', [0.5, 0])]))
  })

  it('a tongue is learned: who says "very sour" where others say "a hint" is found out', () => {
    const figures = [0.3, 0.4, 0.6, 0.8].map(sourFigure)
    const noise = normals(5)
    const known = figures.flatMap((figure) =>
      Array.from({ length: 4 }, () => ({ figure, step: stepOf('sour', figure, 0.8, noise()) })),
    )
    const { mean, sd } = offsetFrom('sour', known)
    expect(mean).toBeGreaterThan(0.45)
    expect(sd).toBeLessThan(ANY_OFFSET.sd)
    expect(offsetFrom('sour', [])).toEqual(ANY_OFFSET)
  })

  it('a hidden batch shows what it makes: nothing when dead, gas without acid when yeast', () => {
    const dead = hiddenBatch('dead', believed, 3)
    expect(dead.figure('bubbles', 60)).toBe(gasFigure(0))
    expect(dead.figure('sour', 60)).toBeCloseTo(sourFigure(believed.batch.medium.acidPct), 4)
    const yeast = hiddenBatch('yeast', believed, 3)
    expect(yeast.figure('bubbles', 120)).toBeGreaterThan(Math.log(15))
    expect(yeast.figure('sour', 120)).toBeLessThan(sourFigure(0.7))
  })
})
