import { describe, expect, it } from 'vitest'
import { disagreementsOf, fold, judgeOf, settleFork, type Draft } from '../../src'
import { day, notebook } from '../log/build'

const NOW = Date.parse(day(12))

describe('what does not go together', () => {
  /** A ripe jar, and its last reading. */
  function ripe() {
    const log = notebook()
    const lotId = log.mash()
    log.read(lotId, 2, 4.4)
    log.read(lotId, 6, 3.7)
    const last = log.read(lotId, 10, 3.7)
    /** Devices that do not know of each other correct it. */
    const correct = (...phs: number[]) =>
      phs.map((ph) => log.write({ kind: 'reading', at: day(10), lotId, ph, tempC: 21, replaces: last } as Draft))
    const forkOf = () => {
      const [open] = disagreementsOf(log.book())
      if (open?.what !== 'fork') throw new Error('Nothing is said twice.')
      return open.fork
    }
    const settle = (id: string) => {
      const right = log.entries.find((entry) => entry.id === id)!
      for (const draft of settleFork(forkOf(), right, day(12))) log.write(draft)
    }
    return { log, lotId, last, correct, forkOf, settle }
  }

  it('of two readings of one moment the worse counts, nothing is made of the jar, and one press settles it', () => {
    const { log, lotId, correct, forkOf, settle } = ripe()
    const judged = () => judgeOf(log.book())(lotId, NOW)!
    expect(judged()).toMatchObject({ state: 'ready', make: 'pass' })
    const [, tablet] = correct(5.2, 3.65)
    // The later one counts, and stands at 3.65: the other says that it rose.
    const unsettled = judged()
    expect(unsettled).toMatchObject({ state: 'discard', make: 'stop' })
    expect(unsettled.reasons.map(({ code }) => code)).toContain('not settled')
    expect(forkOf()).toMatchObject({ said: [{ ph: 3.65 }, { ph: 5.2 }] })
    settle(tablet!)
    expect(disagreementsOf(log.book())).toEqual([])
    expect(judged()).toMatchObject({ state: 'ready', make: 'pass' })
  })

  it('what is made of such a jar is held too', () => {
    const { log, lotId, correct } = ripe()
    const base = log.press(lotId, 11)
    expect(judgeOf(log.book())(base, NOW)?.make).not.toBe('stop')
    correct(3.72, 3.6)
    expect(judgeOf(log.book())(base, NOW)).toMatchObject({ make: 'stop' })
  })

  it.each(['the correction later', 'the retraction later'])(
    'a fact that one took back and another corrected is settled either way: %s',
    (order) => {
      for (const right of ['correction', 'retraction']) {
        const { log, lotId, last, correct, settle } = ripe()
        const takeBack = () => log.write({ kind: 'retract', at: day(10), replaces: last, reason: 'Wrong jar.' })
        const before = order === 'the correction later' ? takeBack() : undefined
        const [correction] = correct(4.1)
        const retraction = before ?? takeBack()
        settle(right === 'correction' ? correction! : retraction)
        const phs = log
          .book()
          .lots.get(lotId)!
          .readings.map(({ ph }) => ph)
        expect(phs).toEqual(right === 'correction' ? [4.4, 3.7, 4.1] : [4.4, 3.7])
        expect(disagreementsOf(log.book())).toEqual([])
      }
    },
  )

  it('one code on two lots until one is given another, and the printed one still finds it; bottles sold twice', () => {
    const log = notebook()
    const [phone, tablet] = [log.mash(0, { code: 'LF-01' }), log.mash(1, { code: 'lf-01' })]
    expect(disagreementsOf(log.book())).toMatchObject([{ what: 'code', lots: [{ id: phone }, { id: tablet }] }])
    log.write({ kind: 'recode', at: day(2), lotId: tablet, code: 'LF-02' })
    expect(disagreementsOf(log.book())).toEqual([])
    expect(log.book().lots.get(tablet)).toMatchObject({ code: 'LF-02', formerCodes: ['lf-01'] })

    log.press(phone, 5)
    log.press(phone, 6)
    expect(disagreementsOf(log.book())).toMatchObject([{ what: 'overdrawn', lot: { id: phone } }])
  })

  it('a correction of another lot is told until it is taken back', () => {
    const log = notebook()
    const [lotId, other] = [log.mash(), log.mash()]
    const read = log.read(lotId, 3, 4.4)
    const wrong = log.write({ kind: 'reading', at: day(3), lotId: other, ph: 3.2, tempC: 21, replaces: read } as Draft)
    expect(disagreementsOf(log.book())).toMatchObject([{ what: 'refused', entry: { id: wrong } }])
    log.write({ kind: 'retract', at: day(3), replaces: wrong, reason: 'Of another jar.' })
    expect(disagreementsOf(fold([...log.entries].reverse()))).toEqual([])
  })
})
