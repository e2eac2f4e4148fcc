import { describe, expect, it } from 'vitest'
import { debriefOf, scoreOf } from '../../src'
import { ByThumb } from './keepers'
import { Play } from './play'
import { exerciseOf, playOnce, PLAYERS } from './players'

/* A small run of `npm run players`; the large one stands in docs/checks.md. */

/** One seed of each that is quick to play; a summer is left to the large run. */
const PLAYED = [
  ...['three-films', 'weak-brine', 'bag-on-day-20', 'lying-meter', 'sour-outside', 'frozen-crate', 'two-percent'],
  ...['fruit-after', 'cold-glass', 'four-sauces', 'recall'],
]

describe('three players', () => {
  it('who follows the application lets nothing unsafe go and wastes nothing; the others do worse', () => {
    const fares = PLAYERS.map((player) => {
      const scores = PLAYED.flatMap((id) => playOnce(exerciseOf(id), player, 1))
      const sum = (of: (score: (typeof scores)[number]) => number) => scores.reduce((all, score) => all + of(score), 0)
      return {
        unsafe: sum(({ unsafe }) => unsafe),
        wasted: sum(({ wastedG }) => wastedG) / sum(({ soundG }) => soundG),
        released: scores.filter(({ released }) => released).length,
      }
    })
    const [book, thumb, chance] = fares
    expect(book!.unsafe).toBe(0)
    expect(book!.wasted).toBeLessThanOrEqual(0.02)
    // What it is asked to bottle it bottles: three exercises.
    expect(book!.released).toBe(3)
    expect(thumb!.unsafe).toBeGreaterThan(2)
    expect(chance!.unsafe).toBeGreaterThan(2)
  })

  it('what stands on the shelf was hot by a record, and no hotter than glass leaves it', () => {
    const unsafe = (treatment: string, measured: readonly [string, number][]) => {
      const play = new Play(exerciseOf('cold-glass'), 3)
      const pot = play.lotOf('P-4').id
      const points = (tempC: number) => [0, 3, 6, 9, 12].map((minute) => [minute, tempC])
      for (const [where, tempC] of measured)
        play.write({ kind: 'heat', lotId: pot, where, name: 'Probe', points: points(tempC) })
      play.nowMs += 60 * 60_000
      const lotId = play.newLot()
      const run = { lotId, fromLotId: pot, code: 'P-4A', name: 'Sauce', color: '#c22a1b', bottleMl: 150, count: 4 }
      play.write({ kind: 'bottle', ...run, usedG: 640, treatment, store: 'shelf', bestBefore: '2027-06-01' })
      play.write({ kind: 'send', lotId, count: 4, to: 'Quay market', how: 'sold', unreleased: true })
      return scoreOf(play.world).unsafe
    }
    const pot = ['pot', 95] as const
    expect(unsafe('cooked-hot-fill', [[...pot], ['last bottle', 85]])).toBe(0)
    expect(unsafe('cooked-hot-fill', [[...pot], ['last bottle', 78]])).toBe(1)
    expect(unsafe('cooked-hot-fill', [[...pot], ['last bottle', 99]]), 'no bottle is as hot').toBe(1)
    expect(unsafe('cooked-hot-fill', [['last bottle', 85]])).toBe(1)
    expect(unsafe('boiled-in-jar', [])).toBe(1)
    expect(unsafe('boiled-in-jar', [['jar in the water', 100]])).toBe(0)
  })

  it('good food thrown away: a debriefing says when a reading would have shown it, or that nothing stood against it', () => {
    const lost = (id: string, seed: number, days: number) => {
      const play = new Play(exerciseOf(id), seed)
      play.wait(days)
      for (const lot of play.open) play.discard(lot.id, 'Nobody knows.')
      const { score, earlier } = debriefOf(play.world)
      expect(score.wastedG).toBeGreaterThan(0)
      return earlier
    }
    expect(lost('ready-or-lime', 1, 0)).toMatch(/: it was good, and nothing that was logged stood against it\.$/)
    expect(lost('weak-brine', 2, 8)).toMatch(
      /^K-1: a ground sample would have read pH 4\.\d\d 2026-06-\d\d \d\d:\d\d, in time\.$/,
    )
  })

  it('a debriefing says what was true, what was known and what would have told', () => {
    const play = new Play(exerciseOf('lying-meter'), 1)
    const keeper = new ByThumb()
    while (play.day < play.exercise.days && play.open.length > 0) {
      keeper.round(play)
      play.tomorrow()
    }
    const { score, jars, decisions, earlier } = debriefOf(play.world)
    expect(score.unsafe).toBe(1)
    expect(jars[0]!.said).toBe('a batch that came to rest above 4.6')
    expect(jars[0]!.truth.at(-1)!.ph).toBeGreaterThan(4.6)
    expect(jars[0]!.band.every(({ low, high }) => low <= high)).toBe(true)
    const read = jars[0]!.observed.find(({ ph }) => ph !== null)!
    expect(read.after!).toBeLessThan(read.before!)
    const pressed = decisions.find(({ words }) => words.startsWith('Pressed'))!
    expect(pressed.dangers).toContain('above too long')
    expect(pressed.known!.state).toBe('discard')
    expect(earlier).toMatch(/M-1: a ground sample, read with a meter that was checked, would have read pH 4\.\d\d/)
  })
})
