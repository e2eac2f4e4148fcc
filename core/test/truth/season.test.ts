import { describe, expect, it } from 'vitest'
import { liveBySenses } from './bySenses'
import { liveSeason } from './season'

/* A few lives; `npm run seasons` lives many, and docs/checks.md has their table. */

describe('hidden batches under the advice of the application', () => {
  it.each([
    ['stalled at 4.8', 'bench'],
    ['stalled at 4.8', 'strips'],
    ['dead', 'once a week'],
    ['late start', 'pocket'],
    ['yeast', 'bench'],
  ] as const)('%s, read by %s: what stood above 4.6 too long is never pressed', (kind, maker) => {
    expect(liveSeason(kind, maker, 8003)).toMatchObject({ unsafe: false })
  })

  it('by eye and tongue alone a healthy one is told within its days, one that stalls never is', () => {
    const few = { members: 120, lastDay: 9 }
    expect(liveBySenses(8002, 'none', { ...few, only: 'growth x1.3' })).toMatchObject({
      ended: 'likely',
      wrong: false,
      above: false,
    })
    const stalled = liveBySenses(8002, 'none', { ...few, only: 'stalled at 4.8' })
    expect(stalled.ended).not.toBe('likely')
    expect(stalled.askedForStrip).toBe(true)
  })

  it('what the model knows is pressed and released; what stalls is thrown away', () => {
    expect(liveSeason('model', 'bench', 8001)).toMatchObject({ ended: 'pressed', released: true, sound: true })
    expect(liveSeason('stalled at 4.8', 'pocket', 8001)).toMatchObject({ ended: 'discarded', pastHalf: true })
  })
})
