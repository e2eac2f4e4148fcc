import { test } from 'vitest'
import { expectAsBefore, figuresBefore } from '../before'
import { balanceFigures } from './beforeCases'

test('the compiled charge balance gives the figures of the one before it (its own, kept)', () => {
  expectAsBefore(balanceFigures(), figuresBefore(new URL('./balance.before.txt', import.meta.url)))
})
