import { describe, expect, it } from 'vitest'
import { chainOf, fold, type Draft, type Entry } from '../../src'
import { day, notebook } from './build'

/** A jar with one reading of pH 4.5, and what is said over it. */
function readJar() {
  const log = notebook()
  const lotId = log.mash()
  const first = log.read(lotId, 3, 4.5)
  const say = (draft: object) => log.write({ at: day(3), ...draft } as Draft)
  const correct = (replaces: string, ph: number, more: object = {}) =>
    say({ kind: 'reading', lotId, ph, tempC: 21, replaces, ...more })
  const takeBack = (replaces: string) => say({ kind: 'retract', replaces, reason: 'Wrong jar.' })
  /** The pH that counts, whichever way round the entries come, and what else was said of it. */
  const told = () => {
    const read = ({ lots, forks, refused }: ReturnType<typeof fold>) => ({
      ph: lots.get(lotId)!.readings.map(({ ph }) => ph),
      others: forks.flatMap(({ said: [, ...others] }) => others.map((one) => ('ph' in one ? one.ph : one.kind))),
      refused: refused.length,
    })
    const there = read(log.book())
    expect(read(fold([...log.entries].reverse()))).toEqual(there)
    return there
  }
  return { log, lotId, first, correct, takeBack, told }
}

describe('corrections of one fact', () => {
  it('two that do not know of each other: the later counts, the other is kept until one is taken back', () => {
    const { first, correct, takeBack, told } = readJar()
    const phone = correct(first, 3.9)
    const tablet = correct(first, 4.7)
    expect(told()).toEqual({ ph: [4.7], others: [3.9], refused: 0 })
    takeBack(tablet)
    expect(told()).toEqual({ ph: [3.9], others: [], refused: 0 })
    takeBack(phone)
    expect(told()).toEqual({ ph: [4.5], others: [], refused: 0 })
    takeBack(first)
    expect(told()).toEqual({ ph: [], others: [], refused: 0 })
  })

  it('a chain has one winner, however long it is and wherever it forks', () => {
    const { first, correct, told } = readJar()
    const once = correct(first, 4.1)
    correct(first, 4.2)
    correct(once, 4.3)
    expect(told()).toEqual({ ph: [4.3], others: [4.2], refused: 0 })
  })

  it('what is taken back brings back what stood before it, and so does taking that back', () => {
    const { first, correct, takeBack, told } = readJar()
    const correction = correct(first, 4.1)
    const back = takeBack(correction)
    expect(told().ph).toEqual([4.5])
    takeBack(back)
    expect(told().ph).toEqual([4.1])
  })

  it('one takes the fact back while another corrects it: the later counts, and it is told', () => {
    const { first, correct, takeBack, told } = readJar()
    correct(first, 4.1)
    const back = takeBack(first)
    expect(told()).toEqual({ ph: [], others: [4.1], refused: 0 })
    takeBack(back)
    expect(told()).toEqual({ ph: [4.1], others: [], refused: 0 })
  })

  it('taking back every version of a fact leaves nothing of it, and nothing to settle', () => {
    const { log, first, correct, takeBack, told } = readJar()
    const lastId = correct(correct(first, 4.1), 4.2)
    const last = log.entries.find(({ id }) => id === lastId)!
    for (const { id } of chainOf(log.entries, last)) takeBack(id)
    expect(told()).toEqual({ ph: [], others: [], refused: 0 })
  })

  it('one of another lot, or of another kind, says nothing and is told; corrections of it neither', () => {
    const { log, lotId, first, correct, told } = readJar()
    const other = log.mash()
    const wrong = correct(first, 3.2, { lotId: other })
    correct(wrong, 3.3)
    log.write({ kind: 'chore', at: day(3), lotId, chore: 'burp', replaces: first } as Draft)
    expect(told()).toEqual({ ph: [4.5], others: [], refused: 3 })
    expect(log.book().lots.get(other)!.readings).toEqual([])
  })

  it('a wrong clock is no last word: what was written far ahead waits', () => {
    const { log, first, told } = readJar()
    const late = { ...log.entries.at(-1)!, ph: 3.2, replaces: first, id: '01ZZZZZZZZZZZZZZZZZZZZZZZZ' } as Entry
    const book = fold([...log.entries, late], { untilMs: Date.parse(day(30)) })
    expect(book.lots.get((late as { lotId: string }).lotId)!.readings.map(({ ph }) => ph)).toEqual(told().ph)
    expect(book.ahead).toEqual([late])
  })
})
