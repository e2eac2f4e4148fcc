import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { judgeSign, levelOfSign, SIGN_KINDS, type SignId } from '../../src'

const young = { day: 3, ph: 4.3, fell: true }
const old = { day: 14, ph: 3.7, fell: true }

/** The table of signs (common practice), row by row: what is seen, what is answered, the level. */
describe('the level of every sign', () => {
  it.each([
    ['white film', ['flat', 'clean'], old, 'act'],
    ['white film', ['flat', 'clean'], young, 'ask'],
    ['white film', ['flat', 'boozy'], old, 'ask'],
    ['white film', ['furry', 'clean'], old, 'discard'],
    ['white film', ['wrinkled', 'clean'], old, 'act'],
    ['white film', ['islands', 'clean'], old, 'ask'],
    ['squeezed', ['holds', 'clean'], old, 'fine'],
    ['squeezed', ['firm', 'clean'], young, 'fine'],
    ['squeezed', ['mush', 'clean'], old, 'ask'],
    ['squeezed', ['holds', 'foul'], old, 'discard'],
    ['squeezed', ['holds', 'unsure'], old, 'ask'],
    ['fuzzy growth', ['furry', 'white'], old, 'discard'],
    ['fuzzy growth', ['furry', 'coloured'], old, 'discard'],
    ['fuzzy growth', [], old, 'discard'],
    ['pink colour', ['patches'], old, 'discard'],
    ['pink colour', ['own'], old, 'fine'],
    ['slime', ['ropes'], young, 'discard'],
    ['putrid smell', ['foul'], young, 'discard'],
    ['cloud', ['runs', 'clean'], young, 'fine'],
    ['sediment', ['runs'], old, 'fine'],
    ['foam', ['clean'], young, 'fine'],
    ['foam', ['boozy'], old, 'act'],
    ['no bubbles', [], young, 'fine'],
    ['no bubbles', [], { day: 3, ph: 5.1, fell: null }, 'ask'],
    ['soft', ['clean'], old, 'ask'],
    ['not covered', ['day'], young, 'act'],
    ['not covered', ['longer', 'unsure'], young, 'ask'],
    ['bag ballooned', ['clean'], young, 'act'],
    ['bag ballooned', ['clean'], { day: 3, ph: 5.2, fell: false }, 'ask'],
    ['floaters', ['day', 'flat'], young, 'act'],
    ['specks', ['lid', 'flat'], old, 'ask'],
    ['specks', ['lid', 'furry'], old, 'discard'],
    ['bubbles', [], young, 'fine'],
    ['calm', [], old, 'fine'],
    ['tight lid', ['clean'], young, 'act'],
    ['tight lid', ['foul'], young, 'discard'],
    ['blue garlic', ['garlic', 'flat'], old, 'fine'],
    ['blue garlic', ['also', 'flat'], old, 'ask'],
    ['blue garlic', ['garlic', 'furry'], old, 'discard'],
    ['salt crystals', ['melts', 'flat'], old, 'fine'],
    ['salt crystals', ['stays', 'flat'], old, 'ask'],
  ] as const)('%s %j', (sign, answers, context, level) => {
    expect(judgeSign(sign, answers, context).level).toBe(level)
  })

  const anyAnswers = fc
    .constantFrom(...SIGN_KINDS)
    .chain((kind) =>
      fc.tuple(
        fc.constant(kind.id),
        fc.tuple(...kind.questions.map((question) => fc.constantFrom(...question.answers.map(({ id }) => id)))),
      ),
    )

  it('what cannot be told is never cleared; fur, rot and rope are always thrown away; nothing doubtful is tasted', () => {
    fc.assert(
      fc.property(anyAnswers, fc.constantFrom(young, old), ([sign, answers], context) => {
        const { level, action, holds } = judgeSign(sign as SignId, answers as string[], context)
        const said = answers as string[]
        if (said.some((answer) => ['furry', 'foul', 'ropes', 'coloured'].includes(answer)))
          expect([level, holds]).toEqual(['discard', true])
        else if (said.every((answer) => answer === 'unsure') && said.length) expect(level).not.toBe('fine')
        if (level !== 'fine') expect(action).not.toMatch(/(?<!not )\btaste/i)
      }),
    )
  })

  it('a sign recorded before there were questions keeps its meaning', () => {
    expect([
      levelOfSign({ sign: 'slime' }),
      levelOfSign({ sign: 'foam' }),
      levelOfSign({ sign: 'slime', level: 'fine' }),
    ]).toEqual(['discard', 'fine', 'fine'])
  })
})
