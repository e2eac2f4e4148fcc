import type { Level, State } from '@lactofer/core'

/** Where a lot stands: its mark and its word, the same on every page. */
export const STAND_WORDS: Record<State, { level: Level; word: string }> = {
  ready: { level: 'fine', word: 'Ready' },
  working: { level: 'fine', word: 'On its way' },
  ask: { level: 'ask', word: 'Ask' },
  act: { level: 'act', word: 'Act' },
  discard: { level: 'discard', word: 'Discard' },
}
