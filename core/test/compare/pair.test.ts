import { describe, expect, it } from 'vitest'
import { daysOf, differencesOf, fasterOf, firstSeen, fittingPair, type Draft } from '../../src'
import { day, notebook } from '../log/build'

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
    // Of years of lots the newest are laid beside each other; one that is given finds its partner however old.
    const years = Array.from({ length: 3000 }, (_, at) => ({ ...lots[0]!, id: `OLD-${at}`, startedMs: at }))
    expect(ids(fittingPair([...years, ...lots]))).toEqual([first, second])
    expect(ids(fittingPair([...years, ...lots], 'OLD-7'))?.[0]).toBe('OLD-7')
  })

  it('say what was made differently, and nothing else', () => {
    const [a, b] = fittingPair(lots)!
    expect(differencesOf(a, b)).toEqual([
      { what: 'cut', of: ['ground', 'coarse'] },
      { what: 'closure', of: ['airlock', 'cloth'] },
    ])
    expect(differencesOf(a, a)).toEqual([])
  })

  it('tell which went down faster where the readings leave no doubt, and that they do not tell where they do', () => {
    const own = notebook()
    const [one, other] = [own.mash(0), own.mash(20)]
    const faster = () => fasterOf(own.book(), [own.book().lots.get(one)!, own.book().lots.get(other)!])
    expect(faster()).toBeNull()
    own.read(one, 1, 5)
    own.read(one, 3, 4.2)
    own.read(other, 22, 5.1)
    // The other was over the line on its day 2, when this one may have been under or not.
    expect(faster()).toMatchObject({ passings: [{ low: 1, high: 3 }, null], first: null })
    own.read(other, 24, 4.7)
    expect(faster()?.first).toBe(0)
    own.read(other, 26, 4.3)
    const told = {
      passings: [
        { low: 1, high: 3 },
        { low: 4, high: 6 },
      ],
      first: 0,
    }
    expect(faster()).toMatchObject(told)

    // Pieces lie: what their liquid shows is not what they are.
    const brined = own.mash(40, { style: 'brined', waterG: 900, saltBasis: 'brine', cut: 'coarse' })
    own.write({ kind: 'reading', at: day(41), lotId: brined, ph: 4.1, of: 'liquid' } as Draft)
    const beside = fasterOf(own.book(), [own.book().lots.get(one)!, own.book().lots.get(brined)!])
    expect(beside).toMatchObject({ passings: [{ low: 1, high: 3 }, null], unread: [false, true], first: null })
  })

  it('line up day by day what was seen and tasted of each, and say what showed first where; no pH is wanted', () => {
    const see = (lotId: string, at: number, seen: object, photos: string[] = []) =>
      log.write({ kind: 'sense', at: day(at), lotId, seen, ...(photos.length && { photos }) } as Draft)
    const [one, other] = [log.id(), log.id()]
    see(first, 20, { sour: 0 })
    see(first, 22.5, { bubbles: 2, sour: 2 }, [one])
    see(second, 23.5, { bubbles: 1 }, [other])
    log.write({ kind: 'sign', at: day(26.3), lotId: second, sign: 'white film' } as Draft)
    const pair = [first, second].map((id) => log.book().lots.get(id)!)
    expect(firstSeen(pair[0]!, pair[1]!)).toEqual([
      { what: 'bubbles', days: [2, 3] },
      { what: 'sour', days: [2, null] },
      { what: 'film', days: [null, 6] },
    ])
    const days = daysOf(log.book(), pair)
    expect(days.map((one) => one.day)).toEqual([0, 2, 3, 6])
    expect(days[1]!.of.map(({ seen, photos }) => [seen, photos])).toEqual([
      [{ bubbles: 2, sour: 2 }, [one]],
      [{}, []],
    ])
    expect(days.flatMap(({ of }) => of).every(({ acidity }) => acidity.length === 0)).toBe(true)
  })
})
