import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  compositionOf,
  contentComposition,
  exactly,
  historyOf,
  inVessels,
  mix,
  ranOver,
  saltAt,
  type AcidId,
  type Composition,
  type Content,
} from '../../src'
import { day, notebook, standsAt, START } from '../log/build'

/* What goes in, runs over and is split: nothing is made, nothing is lost, and ranges hold the truth. */

const grams = (max: number) => fc.double({ min: 1, max, noNaN: true })
const row = (materialId: string, massG: number, more: object = {}) => ({
  ...{ materialId, name: materialId, massG, preparation: 'raw' as const, seedsOut: false },
  ...more,
})
const putIn = fc.record({
  whey: grams(200),
  limes: grams(200),
  waterG: grams(500),
  saltG: grams(40),
  lost: grams(300),
})
type PutIn = typeof putIn extends fc.Arbitrary<infer T> ? T : never

const contentOf = ({ whey, limes, waterG, saltG }: PutIn): Content => ({
  rows: [row('whey', whey), row('lime-juice', limes)],
  waterG,
  saltG,
})
/** All that is counted of a mixture, by name. */
const counted = ({ massG, waterG, saltG, sidMmol, sugarG, acids }: Composition) => ({
  ...{ massG, waterG, saltG, sidMmol, sugar: sugarG.typical },
  ...(['lactic', 'citric', 'malic'] as AcidId[]).reduce((all, id) => ({ ...all, [id]: acids[id] ?? 0 }), {}),
})
function expectSame(found: Composition, wanted: Composition) {
  const [a, b] = [counted(found), counted(wanted)]
  for (const key of Object.keys(a) as (keyof typeof a)[])
    expect(Math.abs(a[key] - b[key]), key).toBeLessThan(1e-6 * Math.max(1, Math.abs(b[key])))
}

describe('what is put in, runs over and is split', () => {
  it('is conserved: mass, water, salt, charge, sugar and acids, in any order', () => {
    fc.assert(
      fc.property(fc.array(putIn, { minLength: 1, maxLength: 4 }), fc.boolean(), (changes, brined) => {
        const log = notebook()
        const style = brined ? { style: 'brined', waterG: 1500, saltBasis: 'brine' } : {}
        const lotId = log.mash(0, style)
        const start = { rows: [row('cayenne', 2000)], waterG: brined ? 1500 : 0, saltG: 80 }
        let wanted = contentComposition(log.book(), start)!
        let inG = wanted.massG
        changes.forEach((change, index) => {
          const content = contentOf(change)
          log.write({ kind: 'add', at: day(index + 1), lotId, ...content, reason: 'more' })
          log.write({ kind: 'overflow', at: day(index + 1.5), lotId, massG: change.lost })
          const more = contentComposition(log.book(), content)!
          const before = mix([wanted, more])
          wanted = ranOver(before, change.lost, brined)
          inG += more.massG - change.lost
          // What ran over holds water, salt and nothing below zero.
          expect(before.saltG - wanted.saltG).toBeGreaterThan(0)
          expect(wanted.waterG).toBeGreaterThan(0)
        })
        const book = log.book()
        expectSame(compositionOf(book, lotId)!, wanted)
        expect(wanted.massG).toBeCloseTo(inG, 6)
        expect(book.lots.get(lotId)!.leftG).toBeCloseTo(inG, 6)
        expect(inVessels(book.lots.get(lotId)!).reduce((sum, { massG }) => sum + massG, 0)).toBeCloseTo(
          inG + 2080 - (2080 + (brined ? 1500 : 0)),
          6,
        )
      }),
      { numRuns: 60, seed: 17 },
    )
  })

  it('jars split from a bowl hold together what the bowl and their additions held', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), putIn, (share, more) => {
        const log = notebook()
        const bowl = { rows: [row('cayenne', 1500), row('tomato', 900)], waterG: 200, saltG: 60 }
        const bowlId = log.mash(0, { ...bowl, bowl: true })
        // A bowl is never packed itself: only what is taken of it.
        log.entries.splice(1, 1)
        const jar = (part: number, extra: Content) =>
          log.mash(0, {
            ...extra,
            rows: [row('lot', 2660 * part, { lotId: bowlId, name: 'Bowl' }), ...extra.rows],
          })
        const [a, b] = [jar(share, contentOf(more)), jar(1 - share, { rows: [], waterG: 0, saltG: 0 })]
        const book = log.book()
        expectSame(
          mix([compositionOf(book, a)!, compositionOf(book, b)!]),
          mix([contentComposition(book, bowl)!, contentComposition(book, contentOf(more))!]),
        )
        expect(book.lots.get(bowlId)!.leftG).toBeLessThan(1e-6)
      }),
      { numRuns: 40, seed: 18 },
    )
  })

  it('salt of a lot said by cup and spoon holds the true one, wherever the amounts lie', () => {
    const ends = (typical: number, by: number) => ({ low: typical / by, high: typical * by })
    const drawn = fc.record({
      at: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
    })
    fc.assert(
      fc.property(
        putIn,
        fc.double({ min: 1.05, max: 2, noNaN: true }),
        drawn,
        fc.boolean(),
        (more, by, { at }, brined) => {
          const log = notebook()
          const water = brined ? 1500 : 0
          const between = (grams: number) => ({ betweenG: ends(grams, by) })
          const lotId = log.mash(0, {
            ...(brined && { style: 'brined', waterG: water, saltBasis: 'brine' }),
            rows: [row('cayenne', 2000, between(2000))],
            saltBetweenG: ends(80, by),
          })
          log.write({
            ...{ kind: 'overflow', at: day(0.5), lotId, massG: more.lost },
            betweenG: ends(more.lost, by),
          })
          log.write({
            ...{ kind: 'add', at: day(1), lotId, ...contentOf(more), reason: '' },
            rows: [row('whey', more.whey, between(more.whey))],
            waterBetweenG: ends(more.waterG, by),
            saltBetweenG: ends(more.saltG, by),
          })
          const book = log.book()
          const lies = (typical: number, index: number) => typical / by + at[index]! * (typical * by - typical / by)
          const [packed, later] = [
            { rows: [row('cayenne', lies(2000, 0))], waterG: water, saltG: lies(80, 1) },
            { rows: [row('whey', lies(more.whey, 2))], waterG: lies(more.waterG, 3), saltG: lies(more.saltG, 4) },
          ].map((content) => contentComposition(book, content)!)
          const truth = mix([ranOver(packed!, lies(more.lost, 2), brined), later!])
          const salt = saltAt(historyOf(book, book.lots.get(lotId)!), START + 2 * 86_400_000)!
          const truePct = (100 * truth.saltG) / truth.massG
          expect(truePct).toBeGreaterThanOrEqual(salt.lowPct - 1e-9)
          expect(truePct).toBeLessThanOrEqual(salt.highPct + 1e-9)
        },
      ),
      { numRuns: 100, seed: 19 },
    )
  })

  it('a jar of a bowl is as unsure as the bowl was', () => {
    const log = notebook()
    const bowlId = log.mash(0, {
      ...{ bowl: true, saltG: 48, saltSaid: '3 tbsp', saltBetweenG: { low: 35, high: 65 } },
    })
    log.entries.splice(1, 1)
    const jar = { materialId: 'lot', lotId: bowlId, name: 'Bowl', massG: 1024, preparation: 'raw', seedsOut: false }
    const lotId = log.mash(0, { rows: [jar], saltG: 0 })
    const salt = saltAt(historyOf(log.book(), log.book().lots.get(lotId)!), START + 1000)!
    expect(salt.saltPct).toBeCloseTo((100 * 48) / 2048, 1)
    expect(salt.lowPct).toBeLessThan(1.8)
    expect(salt.highPct).toBeGreaterThan(3)
    expect(standsAt(log.book(), lotId, START + 3_600_000).codes).toContain('may be weak')
  })

  it('what is in a jar counts only what came while it stood: put in, taken and ended in any order', () => {
    const log = notebook()
    const jar = (mark: string) => ({ vesselId: 'jar-1000', mark, massG: 1000, hot: false })
    const lotId = log.mash(0, {}, { vessels: [jar('a'), jar('b')] })
    const masses = () => inVessels(log.book().lots.get(lotId)!).map(({ massG }) => Math.round(massG))
    log.write({ kind: 'add', at: day(1), lotId, rows: [], waterG: 200, saltG: 0, reason: 'both' })
    expect(masses()).toEqual([1100, 1100])
    log.write({ kind: 'use', at: day(2), lotId, massG: 1100, how: 'eaten', to: 'own kitchen', marks: ['a'] })
    log.write({ kind: 'add', at: day(3), lotId, rows: [], waterG: 50, saltG: 0, reason: 'the one left' })
    log.write({ kind: 'use', at: day(4), lotId, massG: 300, how: 'frozen', to: 'freezer' })
    expect(masses()).toEqual([850])
    log.write({ kind: 'discard', at: day(5), lotId, reason: 'Mould', marks: ['b'] })
    expect(log.book().lots.get(lotId)!.state).toBe('discarded')
  })

  it('the judge asks where the low end is too weak, until the salt is read', () => {
    const log = notebook()
    const lotId = log.mash(0, { saltG: 50, saltSaid: '3 tbsp', saltBetweenG: { low: 35, high: 65 } })
    log.read(lotId, 1, 4.4)
    const at = START + 1.1 * 86_400_000
    expect(standsAt(log.book(), lotId, at).codes).toContain('may be weak')
    expect(standsAt(log.book(), lotId, at).sentence).toMatch(/not all of it was weighed/)
    for (const saltPct of [2.3, 2.9]) {
      log.write({ kind: 'reading', at: day(1.05), lotId, saltPct })
      expect(standsAt(log.book(), lotId, at).codes).not.toContain('may be weak')
      log.entries.pop()
    }
    // What was weighed has no range.
    const weighed = log.mash(0, { saltG: 50 })
    const salt = saltAt(historyOf(log.book(), log.book().lots.get(weighed)!), at)!
    expect(exactly(salt.lowPct)).toEqual({ low: salt.saltPct, typical: salt.saltPct, high: salt.saltPct })
  })

  it('jars end one by one, and the lot with the last of them; what was read in an eaten jar is gone with it', () => {
    const log = notebook()
    const jar = (mark: string) => ({ vesselId: 'jar-1000', mark, massG: 1040, hot: mark === 'a' })
    const lotId = log.mash(0, {}, { vessels: [jar('a'), jar('b')] })
    log.write({ kind: 'reading', at: day(3), lotId, ph: 3.7, marks: ['a'] })
    log.write({ kind: 'use', at: day(9), lotId, massG: 1040, how: 'eaten', to: 'own kitchen', marks: ['a'] })
    const half = log.book().lots.get(lotId)!
    expect([half.state, half.vessels.map(({ mark }) => mark), half.readings.length, half.hot]).toEqual([
      'fermenting',
      ['b'],
      0,
      false,
    ])
    expect(half.leftG).toBeCloseTo(1040, 6)
    log.write({ kind: 'use', at: day(12), lotId, massG: 300, how: 'frozen', to: 'freezer' })
    expect(log.book().lots.get(lotId)!.state).toBe('fermenting')
    log.write({ kind: 'use', at: day(20), lotId, massG: 740, how: 'given', to: 'Neighbour' })
    expect(log.book().lots.get(lotId)!.state).toBe('used up')
  })
})
