import type { ExerciseText } from '../exercise'
import { BENCH, COLD_CORNER, exercise, FRIDGE, packed, POCKET, WARM_SHELF, type Packed } from './steps'

/* A whole summer: twelve jars, a hot spell, and all that goes with them. */

const RED = '#c22a1b'
const GREEN = '#7d9a3c'
const YELLOW = '#e0b02f'
const ORANGE = '#d8702a'

const jar = (code: string, name: string, color: string, of: Partial<Packed> & Pick<Packed, 'rows'>): Packed => ({
  ...{ code, name, color, day: -1, saltPct: 4, vesselId: 'jar-2000' },
  ...of,
})
const mash = (materialId: string, name: string, massG = 1200) => ({ rows: [[materialId, name, massG] as const] })

const TWELVE: readonly Packed[] = [
  jar('SU-01', 'Fresno mash', RED, mash('fresno', 'Fresno')),
  jar('SU-02', 'Cayenne mash', RED, mash('cayenne', 'Cayenne')),
  jar('SU-03', 'Cherry pepper mash', RED, { ...mash('cherry-pepper', 'Cherry pepper'), place: 'Warm shelf' }),
  jar('SU-04', 'Habanero and mango', ORANGE, {
    rows: [
      ['habanero', 'Habanero', 600],
      ['mango', 'Mango', 500],
    ],
    place: 'Warm shelf',
  }),
  jar('SU-05', 'Jalapeño mash', GREEN, { ...mash('jalapeno', 'Jalapeño'), closure: 'loose lid' }),
  jar('SU-06', 'Serrano mash', GREEN, { ...mash('serrano', 'Serrano'), place: 'Cold corner' }),
  jar('SU-07', 'Yellow aji in brine', YELLOW, {
    ...{ rows: [['aji-yellow', 'Yellow aji', 700]], style: 'brined', waterG: 700, saltPct: 3, saltG: 43 },
  }),
  jar('SU-08', 'Carrot in brine', ORANGE, {
    ...{ rows: [['carrot', 'Carrot', 700]], style: 'brined', waterG: 700, saltPct: 3, saltG: 43, weight: 'weight' },
  }),
  jar('SU-09', 'Green tomato salsa', GREEN, {
    ...{
      rows: [
        ['green-tomato', 'Green tomato', 900],
        ['shallot', 'Shallot', 250],
      ],
      style: 'chop',
      saltPct: 2.5,
      saltG: 29,
    },
    targetPh: 3.9,
  }),
  jar('SU-10', 'Tomatillo salsa', GREEN, {
    ...{
      rows: [
        ['tomatillo', 'Tomatillo', 900],
        ['onion', 'Onion', 250],
      ],
      style: 'chop',
      saltPct: 2.5,
      saltG: 29,
    },
    targetPh: 3.9,
  }),
  jar('SU-11', 'Smoked jalapeño mash', '#6b3b22', {
    rows: [
      ['sweet-red', 'Sweet red pepper', 900],
      ['smoked-jalapeno', 'Smoked jalapeño', 40],
    ],
  }),
  jar('SU-12', 'Cubanelle in a crock', YELLOW, { ...mash('cubanelle', 'Cubanelle'), closure: 'cloth' }),
]

export const SUMMER: readonly ExerciseText[] = [
  exercise({
    id: 'summer',
    title: 'A whole summer',
    story:
      'Twelve jars were packed yesterday, on the bench, the warm shelf and in the cold corner. The radio speaks of a hot week.',
    task: 'keep',
    todo: 'Bring as many as you can to the press, and let nothing through that should not.',
    ...{ minutes: 12, days: 60, kit: POCKET },
    places: [
      { ...BENCH, spell: { fromDay: 6, toDay: 13, addC: 7 } },
      { ...WARM_SHELF, spell: { fromDay: 6, toDay: 13, addC: 7 } },
      COLD_CORNER,
      FRIDGE,
    ],
    hidden: [
      { of: 'SU-01|SU-02|SU-05', kinds: ['stalled at 4.8'] },
      { of: 'SU-03|SU-09', kinds: ['late start'] },
      { of: 'SU-04', kinds: ['model', 'yeast'] },
      { of: 'SU-07|SU-08', kinds: ['pieces x2', 'pieces x3'] },
      { of: 'SU-12', kinds: ['model'], film: -3.4 },
      { of: '*', kinds: ['model', 'growth x1.3', 'growth x0.7', 'stuck at 3.9'] },
    ],
    before: TWELVE.flatMap(packed),
    about:
      'Twelve jars are not kept in the head. A round a day of a few minutes finds the one that is behind while there is still time.',
  }),
]
