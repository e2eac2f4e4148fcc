import { test } from 'vitest'
import { expectAsBefore, figuresBefore } from '../before'
import { balanceFigures } from './beforeCases'

test('the compiled charge balance gives the figures of the one before it (its own, kept)', () => {
  // A row: pH, ionic strength (mol/kg), strong ions, charge left and its slope (mmol/kg).
  const ph = { within: 0.01 }
  const ions = { within: 0.005, share: 0.01 }
  const charge = { within: 0.5, share: 0.02 }
  const before = figuresBefore(new URL('./balance.before.txt', import.meta.url))
  expectAsBefore(balanceFigures(), before, [ph, ions, charge, charge, charge])
})
