import { expect, it, vi } from 'vitest'
import type { Style } from '../../src/library/style'

/** A style nobody ferments: pears in brine in a bag, judged by acid, refilled. One row of data and nothing else. */
const INVENTED = {
  id: 'pear-bag',
  name: 'Bagged pears',
  what: 'pears under brine in a bag',
  ferments: true,
  judgedBy: 'acid',
  lie: 'in brine',
  usualCut: 'whole',
  vesselShapes: ['bag'],
  place: 'Under the stairs',
  refills: true,
  basis: 'everything',
  saltPct: { low: 2, usual: 3, high: 4 },
  liquid: 'brine',
  fillLimit: 0.6,
  fillLeast: 0.2,
  fillRising: 0.5,
  closures: ['sealed bag'],
  days: { low: 9, high: 20, words: 'nine days' },
  chores: [
    {
      chore: 'vent',
      title: 'Squint at the bag',
      why: 'It may be round.',
      fromDay: 1,
      toDay: 9,
      everyH: 20,
      level: 'ask',
    },
  ],
  checks: ['sound', 'seal'],
  voidShare: null,
  yields: { low: 0.5, typical: 0.6, high: 0.7 },
  cautions: ['Invented.'],
} as const satisfies Style

vi.mock('../../src/library/styleTable', async (original) => {
  const table = await original<typeof import('../../src/library/styleTable')>()
  return { ...table, STYLES: [...table.STYLES, INVENTED] }
})

it('a style is one row of data: an invented one goes from plan to packed lot, and is asked for, judged and forecast', async () => {
  const core = await import('../../src')
  const { notebook, START } = await import('../log/build')
  const style = INVENTED.id as never
  const rows = [{ materialId: 'pear', name: 'Pear', massG: 1000, preparation: 'raw' as const, seedsOut: false }]
  const figures = core.planFigures(core.fold([]), { style, rows, waterG: 500, saltPct: 3, saltBasis: 'everything' })!
  expect(figures.fillLimit, 'much fruit: it rises more').toBe(0.5)
  expect(figures.dose.ofEverythingPct).toBeCloseTo(3, 6)

  const log = notebook()
  const lotId = log.mash(0, { style, rows, waterG: 500, saltG: figures.dose.saltG }, { closure: 'sealed bag' })
  const book = log.book()
  const lot = book.lots.get(lotId)!
  expect(lot).toMatchObject({ state: 'fermenting', kind: 'ferment' })
  const later = START + 10 * core.DAY_MS
  expect(core.judgeOf(book)(lot.id, START + core.DAY_MS)?.state, 'judged by its acid').not.toBe('ready')
  const titles = core.asksOf(book, core.judgeOf(book), lot, START + 2 * core.DAY_MS).map(({ title }) => title)
  expect(titles).toContain('Squint at the bag')
  expect(core.asksOf(book, core.judgeOf(book), lot, later).map(({ title }) => title)).toContain('Draw off and refill')
  expect(core.structureOfLot(book, lot), 'whole pieces in brine').toMatchObject({ brine: true, tauH: 120 })
  expect(core.fermentCaseOf(book, lot)?.batch.structure.brine).toBe(true)
  expect(core.compositionOf(book, lotId)?.massG).toBeCloseTo(1500 + figures.dose.saltG, 6)
})
