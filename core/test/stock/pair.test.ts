import { describe, expect, it } from 'vitest'
import { differencesOf, fittingPair } from '../../src'
import { notebook } from '../log/build'

describe('two lots that fit side by side', () => {
  const log = notebook()
  const recipeId = log.id()
  const old = log.mash(0, { style: 'brined', waterG: 900, saltBasis: 'brine' })
  const first = log.mash(20, { recipeId, cut: 'ground' })
  const second = log.mash(20.2, { recipeId, cut: 'coarse' }, { closure: 'cloth' })
  const lots = [...log.book().lots.values()]
  const ids = (pair: ReturnType<typeof fittingPair>) => pair?.map(({ id }) => id)

  it('are those of one recipe and one day; one that is given comes first; of one lot there is no pair', () => {
    expect(ids(fittingPair(lots))).toEqual([first, second])
    expect(ids(fittingPair(lots, second))).toEqual([second, first])
    expect(ids(fittingPair(lots, old))?.[0]).toBe(old)
    expect(fittingPair(lots.slice(0, 1))).toBeNull()
  })

  it('say what was made differently, and nothing else', () => {
    const [a, b] = fittingPair(lots)!
    expect(differencesOf(a, b)).toEqual([
      { what: 'cut', of: ['ground', 'coarse'] },
      { what: 'closure', of: ['airlock', 'cloth'] },
    ])
    expect(differencesOf(a, a)).toEqual([])
  })
})
