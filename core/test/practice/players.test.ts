import { describe, expect, it } from 'vitest'
import { debriefOf } from '../../src'
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
      const scores = PLAYED.flatMap((id) => [1, 2].map((seed) => playOnce(exerciseOf(id), player, seed)))
      const sum = (of: (score: (typeof scores)[number]) => number) => scores.reduce((all, score) => all + of(score), 0)
      return {
        unsafe: sum(({ unsafe }) => unsafe),
        wasted: sum(({ wastedG }) => wastedG) / sum(({ soundG }) => soundG),
      }
    })
    const [book, thumb, chance] = fares
    expect(book!.unsafe).toBe(0)
    expect(book!.wasted).toBeLessThanOrEqual(0.02)
    expect(thumb!.unsafe).toBeGreaterThan(5)
    expect(chance!.unsafe).toBeGreaterThan(5)
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
