import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { answered, DAY_MS, DECK, dueQuestions, isRight, luckOf, questionOf } from '../src'

describe('the deck of quick questions', () => {
  it('asks with fresh numbers, and every question has an answer that can be given', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.constantFrom(...DECK), (seed, kind) => {
        const question = { id: kind.id, ...kind.make(luckOf(seed)) }
        const { answer } = question
        if (answer.kind === 'number') {
          expect(Number.isFinite(answer.value) && answer.value > 0).toBe(true)
          // As it is shown, it is right.
          expect(isRight(question, Number(answer.value.toFixed(answer.decimals)))).toBe(true)
          expect(isRight(question, 2 * answer.value + 2 * answer.within + 1)).toBe(false)
        } else {
          const texts = answer.options.map(({ text }) => text)
          expect(new Set(texts).size).toBe(texts.length)
          expect(isRight(question, answer.right)).toBe(true)
          expect(texts.filter((_, at) => isRight(question, at))).toEqual([texts[answer.right]])
        }
        expect(question.ask + question.because).not.toMatch(/NaN|undefined|null/)
      }),
      { numRuns: 600 },
    )
  })

  it('the right one does not always stand in the same place', () => {
    const places = DECK.flatMap(({ id }) =>
      [1, 2, 3].map((seed) => {
        const { answer } = questionOf(id, {}, seed)!
        return answer.kind === 'choice' ? answer.right : -1
      }),
    ).filter((place) => place >= 0)
    expect(new Set(places).size).toBeGreaterThan(2)
  })

  it('what was got wrong returns sooner than what was right, with other numbers', () => {
    const [first, second] = [DECK[0]!.id, DECK[1]!.id]
    const one = questionOf(first, {}, 1)!
    const two = questionOf(second, {}, 1)!
    const right = one.answer.kind === 'number' ? one.answer.value : one.answer.right
    const wrong = two.answer.kind === 'number' ? -1 : -2
    const standings = answered(answered({}, one, right, 0), two, wrong, 0)
    expect(dueQuestions(standings, 1000)).toContain(second)
    expect(dueQuestions(standings, 1000)).not.toContain(first)
    expect(dueQuestions(standings, 1.1 * DAY_MS)).toContain(first)
    expect(questionOf(second, standings, 1)!.ask).not.toBe(two.ask)
    // Right again and again it comes ever later.
    let kept = standings
    for (let turn = 0; turn < 8; turn++) kept = answered(kept, one, right, 0)
    expect(kept[first]!.dueMs).toBe(35 * DAY_MS)
  })
})
