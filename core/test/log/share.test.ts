import { expect, it } from 'vitest'
import { fold, inVessels, judgeOf, piecesOf, refusalOf, type Draft } from '../../src'
import { day, notebook, START } from './build'

const DAY_MS = 86_400_000

it('a jar shared into two: the same lot, nothing lost; what was read before speaks for both, later for its own', () => {
  const log = notebook()
  const lotId = log.mash(0)
  log.read(lotId, 1, 4.2, 20, day(0.9))
  const share = { kind: 'share', at: day(2), lotId, from: '', vesselId: 'jar-1000', mark: 'b', massG: 800 } as Draft
  expect(refusalOf(log.book(), judgeOf(log.book()), { ...share, massG: 2080 } as Draft)).toMatch(/Only .* are in it/)
  log.write({ kind: 'add', at: day(1.5), lotId, rows: [], waterG: 100, saltG: 4, reason: 'topped up' } as Draft)
  log.write(share)
  const lot = () => log.book().lots.get(lotId)!
  expect(inVessels(lot()).map(({ mark, massG }) => [mark, Math.round(massG)])).toEqual([
    ['a', 1384],
    ['b', 800],
  ])
  const jars = (atDay: number) => judgeOf(log.book())(lotId, START + atDay * DAY_MS)!.jars
  expect(jars(2.5).map(({ read }) => read)).toEqual([true, true])
  log.write({ kind: 'discard', at: day(3), lotId, reason: 'film', marks: ['b'], massG: 800 } as Draft)
  expect(lot().leftG).toBeCloseTo(1384, 6)
  expect(lot().readings).toHaveLength(1)
  // Any order of arrival, any repeat.
  const again = fold([...log.entries].reverse().concat(log.entries)).lots.get(lotId)!
  expect(inVessels(again)).toEqual(inVessels(lot()))
})

it('some of a ferment that goes into another leaves the rest fermenting, ends its jars, and is traced', () => {
  const log = notebook()
  const vessels = ['a', 'b'].map((mark) => ({ vesselId: 'jar-1000', mark, massG: 1040, hot: false }))
  const from = log.mash(0, {}, { vessels })
  const into = log.mash(0.1)
  const row = { materialId: 'lot', lotId: from, name: 'Mash', massG: 1040, preparation: 'raw', seedsOut: false }
  const put = (massG: number) =>
    ({
      ...{ kind: 'add', at: day(3), lotId: into, rows: [{ ...row, massG, ended: ['b'] }], waterG: 0, saltG: 0 },
      reason: 'together',
    }) as Draft
  expect(refusalOf(log.book(), judgeOf(log.book()), put(3000))).toMatch(/^Only .* g are left of Mash\.$/)
  log.write(put(1040))
  const lots = log.book().lots
  expect(lots.get(from)).toMatchObject({ state: 'fermenting', leftG: 1040, vessels: [{ mark: 'a' }] })
  expect(lots.get(into)).toMatchObject({ madeG: 3120 })
  expect(lots.get(into)!.from).toMatchObject([{ lotId: from, massG: 1040 }])
  expect(lots.get(from)!.entries.map(({ kind }) => kind)).toContain('add')
})

it('preserved fruit is counted by the piece; what is ground is not', () => {
  const log = notebook()
  const lemons = { materialId: 'lemon', name: 'Lemon', massG: 1200, preparation: 'raw', seedsOut: false }
  const lotId = log.mash(0, { style: 'salt-packed', rows: [lemons], saltG: 120, saltPct: 10, cut: 'coarse' })
  const pieces = () => piecesOf(log.book(), log.book().lots.get(lotId)!)!
  const { left, pieceG } = pieces()
  expect(left * pieceG).toBeCloseTo(1200, -2)
  log.write({ kind: 'use', at: day(40), lotId, massG: 2 * pieceG, how: 'eaten', to: 'kitchen', pieces: 2 } as Draft)
  expect(pieces().left).toBe(left - 2)
  const ground = log.mash(0)
  expect(piecesOf(log.book(), log.book().lots.get(ground)!)).toBeNull()
})
