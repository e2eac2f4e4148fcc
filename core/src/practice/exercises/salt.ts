import type { ExerciseText } from '../exercise'
import { exercise, packed, PLACES, POCKET } from './steps'

/* Exercises about salt and a start: what goes into the jar. */

const RED = '#c22a1b'

export const SALT: readonly ExerciseText[] = [
  exercise({
    id: 'first-jar',
    title: 'The first jar',
    story:
      'Two kilograms of fresh cayenne, washed and stemmed; fine sea salt; a 3 L jar with an airlock. The bench stands at 21 °C.',
    task: 'salt',
    todo: 'Plan a mash, weigh it in, pack it, and bring it to the press.',
    ...{ minutes: 10, days: 21, kit: POCKET, places: PLACES },
    hidden: [{ of: '*', kinds: ['model', 'model', 'growth x0.7', 'growth x1.3'] }],
    before: [],
    about:
      'Weigh the salt, keep the air out, read early, and press on two readings that agree: that is the whole of it.',
  }),
  exercise({
    id: 'two-percent',
    title: '“2 %”',
    story:
      'A card from the drawer says: “900 g of cubanelle in pieces, water to cover (about 900 g), 2 % salt.” It does not say of what.',
    task: 'salt',
    todo: 'Pack it in a 3 L jar so that the salt holds, and keep it until it is done.',
    ...{ minutes: 8, days: 21, kit: POCKET, places: PLACES },
    hidden: [{ of: '*', kinds: ['model', 'growth x1.3', 'growth x0.7'] }],
    before: [],
    about:
      'Two percent of the water, of the peppers, of the brine or of everything are four different jars. What counts is what stands in all of it once it has evened out.',
  }),
  exercise({
    id: 'another-salt',
    title: 'The spoon of another salt',
    story:
      'Yesterday somebody helped: five level tablespoons, as you said. The log has them as fine sea salt, 90 g. On the table stands the box of flakes.',
    task: 'keep',
    todo: 'Find out what is in the jar, and put it right if it wants it.',
    ...{ minutes: 5, days: 18, kit: POCKET, places: PLACES },
    hidden: [{ of: 'H-1', kinds: ['model', 'growth x1.3'], saltTimes: 0.4 }],
    before: packed({
      ...{ code: 'H-1', name: 'Helper’s mash', color: RED, day: -1, rows: [['fresno', 'Fresno', 2200]], saltPct: 4 },
      ...{ saltG: 90, more: { saltSaid: '5 tbsp', saltBetweenG: { low: 36, high: 100 } } },
    }),
    about: 'A spoon of flakes holds less than half of a spoon of fine salt. By weight they are the same.',
  }),
  exercise({
    id: 'weak-brine',
    title: 'The brine that ends at 1.2 %',
    story:
      'This morning a 2.4 % brine went over the same weight of carrots and peppers. It tastes right: the brine, that is.',
    task: 'keep',
    todo: 'See it through to the press.',
    ...{ minutes: 5, days: 24, kit: POCKET, places: PLACES },
    hidden: [{ of: 'K-1', kinds: ['model', 'growth x0.7', 'growth x1.3'] }],
    before: packed({
      ...{
        code: 'K-1',
        name: 'Carrot and pepper in brine',
        color: '#d8702a',
        day: -0.1,
        style: 'brined',
        waterG: 1000,
      },
      ...{ saltPct: 1.2, saltG: 24, weight: 'weight', vesselId: 'jar-3000' },
      rows: [
        ['carrot', 'Carrot', 500],
        ['sweet-red', 'Sweet red pepper', 500],
      ],
    }),
    about: 'Brine and produce even out. What you taste on the first day is twice of what you will have on the third.',
  }),
]
