import type { ExerciseText } from '../exercise'
import { exercise, packed, PLACES, POCKET, read } from './steps'

/* Exercises about a jar that stands there: look, measure, decide. */

const RED = '#c22a1b'
const GREEN = '#7d9a3c'
const YELLOW = '#e0b02f'

const cayenne = (massG: number) => ['cayenne', 'Cayenne', massG] as const

export const JARS: readonly ExerciseText[] = [
  exercise({
    id: 'three-films',
    title: 'Three films',
    story:
      'You were away for two weeks. Three jars of red mash stand under cloth on the bench, and something white lies on each of them.',
    task: 'keep',
    todo: 'Look at all three, and decide about each.',
    ...{ minutes: 6, days: 10, kit: POCKET, places: PLACES },
    hidden: [
      { of: 'F-1|F-2|F-3', kinds: ['model'], film: -4.6, mould: -2.6 },
      { of: '*', kinds: ['model', 'growth x1.3'], film: -4.4 },
    ],
    before: ['F-1', 'F-2', 'F-3'].flatMap((code, index) => [
      ...packed({
        ...{ code, name: `Red mash ${index + 1}`, color: RED, day: -15, closure: 'cloth', vesselId: 'jar-2000' },
        ...{ rows: [cayenne(1300)], saltPct: 4, saltG: 52 },
      }),
      read(code, -12),
      read(code, -11),
      read(code, -10),
    ]),
    about:
      'Film yeast lies flat and is skimmed; what stands up like fur is mould, and reaches deeper than it shows. Film eats acid: after skimming, the pH decides.',
  }),
  exercise({
    id: 'lying-meter',
    title: 'Is the meter lying?',
    story:
      'The pocket meter lay dry over the winter. The mash was packed three days ago, and this morning the meter shows a nice low figure.',
    task: 'keep',
    todo: 'Find out whether the mash is sour, and bring it to the press, or not.',
    ...{ minutes: 6, days: 20, kit: POCKET, places: PLACES, meterOff: { low: -0.5, high: -0.25 } },
    hidden: [{ of: 'M-1', kinds: ['stalled at 4.8', 'stalled at 4.8', 'model', 'growth x0.7'] }],
    before: [
      ...packed({ code: 'M-1', name: 'Cayenne mash', color: RED, day: -3, rows: [cayenne(2000)], saltPct: 4 }),
      read('M-1', 0),
    ],
    about:
      'A meter is worth what its buffers say. Two buffers take three minutes; a meter that is off by half a pH makes a stalled batch look done.',
  }),
  exercise({
    id: 'behind-in-the-cold',
    title: 'Behind at 13 °C',
    story:
      'Six days ago a mash of cayenne and fennel went to the cold corner, because the bench was full. It moves slowly.',
    task: 'keep',
    todo: 'Leave it, move it, or give it up: decide while there is time.',
    ...{ minutes: 5, days: 24, kit: POCKET, places: PLACES },
    hidden: [{ of: 'C-1', kinds: ['model', 'growth x0.7', 'late start', 'stalled at 4.8'] }],
    before: [
      ...packed({
        ...{ code: 'C-1', name: 'Cayenne and fennel', color: RED, day: -6, place: 'Cold corner', saltPct: 5 },
        rows: [cayenne(1700), ['fennel', 'Fennel bulb', 300]],
      }),
      { day: -6, entry: { kind: 'reading', lotId: '$C-1', tempC: 13 } },
      read('C-1', -3),
      read('C-1', 0),
    ],
    about:
      'Cold slows the bacteria you want more than time allows. Warmth helps while the clock runs; once it has run out, nothing does, the fridge least of all.',
  }),
  exercise({
    id: 'bag-on-day-20',
    title: 'The bag on day 20',
    story: 'Lemon drop chillies were sealed in a bag twenty days ago and forgotten. The bag stands tight like a drum.',
    task: 'keep',
    todo: 'Find out what the bag is telling you.',
    ...{ minutes: 4, days: 12, kit: POCKET, places: PLACES },
    hidden: [{ of: 'B-1', kinds: ['model', 'model', 'growth x0.7', 'yeast', 'stalled at 4.8'] }],
    sights: [{ of: 'B-1', fromDay: -12, sign: 'bag ballooned', answers: ['clean'], until: 'vent' }],
    before: packed({
      ...{ code: 'B-1', name: 'Lemon drop in a bag', color: YELLOW, day: -20, style: 'bag', closure: 'sealed bag' },
      ...{ vesselId: 'bag-2000', rows: [['lemon-drop', 'Lemon drop', 900]], saltPct: 4, saltG: 36 },
    }),
    about:
      'A tight bag shows gas, and gas is no proof of acid. Vent it, read it ground, and let the pH and the time decide.',
  }),
  exercise({
    id: 'sour-outside',
    title: 'Sour outside',
    story:
      'Whole aji peppers lie in brine since nine days. The brine is as sour as you like it, and a friend wants to press today.',
    task: 'keep',
    todo: 'Press when it is right to press.',
    ...{ minutes: 6, days: 30, kit: POCKET, places: PLACES },
    hidden: [{ of: 'W-1', kinds: ['pieces x2', 'pieces x3', 'pieces x6', 'model'] }],
    before: [
      ...packed({
        ...{ code: 'W-1', name: 'Whole aji in brine', color: YELLOW, day: -9, style: 'brined', waterG: 1100 },
        ...{ rows: [['aji-yellow', 'Yellow aji', 1200]], saltPct: 3.2, saltG: 76, weight: 'weight' },
        more: { cut: 'whole' },
      }),
      read('W-1', -6, 'liquid'),
      read('W-1', -2, 'liquid'),
      read('W-1', 0, 'liquid'),
    ],
    about:
      'The liquid is sour first, and the inside of a whole pepper last. Only a ground sample speaks for all of it.',
  }),
  exercise({
    id: 'frozen-crate',
    title: 'Half the crate is frozen',
    story:
      'Half of the peppers came frozen, the other half was roasted. They were ground together yesterday evening. Nothing moves.',
    task: 'keep',
    todo: 'See that it starts, or see in time that it does not.',
    ...{ minutes: 5, days: 18, kit: POCKET, places: PLACES },
    hidden: [{ of: 'Z-1', kinds: ['model', 'model', 'growth x0.7', 'dead'] }],
    before: [
      ...packed({
        ...{ code: 'Z-1', name: 'Red mash from the freezer', color: RED, day: -0.6, saltPct: 4 },
        rows: [
          ['sweet-red', 'Sweet red pepper', 1000, 'frozen'],
          ['cayenne', 'Cayenne', 700, 'roasted'],
        ],
      }),
      read('Z-1', 0),
    ],
    about:
      'Heat and frost leave few bacteria alive. Such a batch wants brine of a good one, or something raw, on the first day; whether it wakes up, the clock decides.',
  }),
  exercise({
    id: 'ready-or-lime',
    title: 'Ready, or only lime?',
    story: 'A green salsa with plenty of lime stood at pH 4.1 when it was packed. After three days it reads the same.',
    task: 'keep',
    todo: 'Say when it has fermented, and press it then.',
    ...{ minutes: 5, days: 16, kit: POCKET, places: PLACES },
    hidden: [{ of: 'S-1', kinds: ['model', 'late start', 'dead', 'growth x0.7'] }],
    before: [
      ...packed({
        ...{ code: 'S-1', name: 'Green salsa with lime', color: GREEN, day: -3, style: 'chop', saltPct: 2.5 },
        rows: [
          ['green-tomato', 'Green tomato', 1100],
          ['cubanelle', 'Cubanelle', 500],
          ['shallot', 'Shallot', 200],
          ['lime-juice', 'Lime juice', 90],
        ],
        targetPh: 3.9,
      }),
      read('S-1', -3),
      read('S-1', 0),
    ],
    about:
      'A low pH from the first day is the lime, not the ferment. Ready is what has fallen, or has bubbled and come to rest; a jar in which nothing happened is a raw salsa.',
  }),
]
