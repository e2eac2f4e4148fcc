import type { ExerciseText } from '../exercise'
import { exercise, PLACES, pressedBase } from './steps'

/* Exercises about what comes after the jar: pots, bottles, and bottles called back. */

const RED = '#c22a1b'
const PLUM = '#7a3350'
const PEAR = '#d9c24a'
/** What is done in the pot is what the exercise is about: its base went as it should. */
const SOUND: NonNullable<ExerciseText['hidden']>[number] = { of: '*', kinds: ['growth x1.3'] }
const BENCH_KIT = { sour: 'bench meter', scale: true } as const

/** A base of a red mash; a cup of vinegar takes it under 4.6 from the first hour, so that nothing is in doubt of it. */
const redBase = (code: string, day: number, { saltPct = 4, vinegarG = 280 } = {}) =>
  pressedBase(
    {
      ...{ code, name: 'Quay red', color: RED, day, saltPct, vesselId: 'jar-5000' },
      rows: [
        ['fresno', 'Fresno', 3600 - vinegarG],
        ...(vinegarG ? [['white-vinegar', 'White vinegar', vinegarG] as const] : []),
      ],
    },
    `${code}B`,
    3700,
  )

/** A lot of a pot, as an exercise writes it down. */
const pot = (code: string, name: string, color: string, day: number, parts: readonly object[], cooked: boolean) => ({
  day,
  entry: { kind: 'blend', lotId: `$${code}`, code, name, color, parts, cooked },
})
const part = (code: string, name: string, massG: number) => ({ lotId: `$${code}`, name, massG })
const stuff = (materialId: string, name: string, massG: number) => ({ materialId, name, massG })

const bottles = (code: string, of: string, name: string, color: string, day: number, count: number) => ({
  day,
  entry: {
    ...{ kind: 'bottle', lotId: `$${code}`, code, name, color, fromLotId: `$${of}`, bottleMl: 150, count },
    ...{ usedG: count * 158, treatment: 'live-cold', bestBefore: '2027-06-01', store: 'cold', place: 'Fridge' },
  },
})
const sold = (code: string, day: number, count: number, to: string) => ({
  day,
  entry: { kind: 'send', lotId: `$${code}`, count, to, how: 'sold', unreleased: true },
})

export const POTS: readonly ExerciseText[] = [
  exercise({
    id: 'save-the-blend',
    title: 'Thin, salty and weak',
    story:
      'Last month’s red base runs like water, was salted with a heavy hand, and is hardly sour. It should be a sauce by Saturday.',
    task: 'blend',
    todo: 'Make a sauce of it that may be kept in the cold: under 3 % salt, and sour enough.',
    ...{ minutes: 8, days: 3, kit: BENCH_KIT, places: PLACES },
    hidden: [{ of: '*', kinds: ['stuck at 4.3'] }],
    before: redBase('R-1', -30, { saltPct: 5.5, vinegarG: 360 }),
    about:
      'Salt is taken down by what has none and brings body; acid is put in by weight and read a day later. A splash by taste is neither.',
  }),
  exercise({
    id: 'four-sauces',
    title: 'Four sauces from one base',
    story:
      'One red base for the quay market: plain, with plum, with pear, and one with roasted carrot. There is just enough of it.',
    task: 'blend',
    todo: 'Plan all four before the first is poured, try them small, and pour.',
    ...{ minutes: 12, days: 3, kit: BENCH_KIT, places: PLACES },
    hidden: [SOUND],
    before: redBase('R-2', -25),
    about:
      'Fruit and carrot bring pH up, each by its own amount. A trial of a hundred grams tells which of the four needs the vinegar.',
  }),
  exercise({
    id: 'fruit-after',
    title: 'Fruit after fermenting',
    story:
      'The pot holds a live base with a third of fresh pear, blended this morning. A friend brought sixty pretty bottles with tight caps, for the shelf at the quay.',
    task: 'bottle',
    todo: 'Bottle it so that nobody gets hurt.',
    ...{ minutes: 6, days: 3, kit: BENCH_KIT, places: PLACES },
    hidden: [SOUND],
    before: [
      ...redBase('R-3', -25),
      pot(
        'P-3',
        'Pear sauce',
        PEAR,
        -0.1,
        [
          part('R-3B', 'Quay red base', 1600),
          stuff('pear', 'Pear', 1000),
          stuff('white-vinegar', 'White vinegar', 250),
        ],
        false,
      ),
    ],
    about:
      'Sugar and living yeast in a closed bottle make gas for weeks. Cold only slows it. It is kept cold with a lid that vents, or heated so that nothing lives.',
  }),
  exercise({
    id: 'cold-glass',
    title: 'Hot fill, cold glass',
    story:
      'The sauce simmered and stands at 88 °C. The bottles were washed this morning and stand in the cold passage.',
    task: 'bottle',
    todo: 'Fill it hot for the shelf, and measure the last bottle.',
    ...{ minutes: 5, days: 3, kit: BENCH_KIT, places: PLACES, glassC: 9 },
    hidden: [SOUND],
    before: [
      ...redBase('R-4', -25),
      pot(
        'P-4',
        'Quay red sauce',
        RED,
        -1.2,
        [part('R-4B', 'Quay red base', 2200), stuff('white-vinegar', 'White vinegar', 500)],
        true,
      ),
    ],
    about:
      'Glass takes heat. A pot at 88 °C in a bottle of 9 °C is a bottle at some seventy, and the last one is colder still. Only what was measured in it counts.',
  }),
  exercise({
    id: 'recall',
    title: 'The recall in ten minutes',
    story:
      'A customer writes: her bottle of Plum Smoke pushed its cap off. You remember that one of the two mashes had been slow. What else did it go into, and where is it?',
    task: 'recall',
    todo: 'Find every bottle that holds some of the slow mash, R-5, and write the recall down.',
    ...{ minutes: 10, days: 1, kit: BENCH_KIT, places: PLACES, recall: 'R-5' },
    hidden: [{ of: 'R-5', kinds: ['growth x0.7'] }, SOUND],
    before: [
      ...redBase('R-5', -60, { vinegarG: 0 }),
      ...redBase('R-6', -58),
      pot(
        'Q-1',
        'Quay Red',
        RED,
        -40,
        [part('R-5B', 'Base R-5', 900), part('R-6B', 'Base R-6', 900), stuff('white-vinegar', 'White vinegar', 400)],
        false,
      ),
      pot(
        'Q-2',
        'Plum Smoke',
        PLUM,
        -39,
        [part('R-5B', 'Base R-5', 1200), stuff('plum', 'Plum', 500), stuff('white-vinegar', 'White vinegar', 350)],
        false,
      ),
      pot(
        'Q-3',
        'Pear Spark',
        PEAR,
        -38,
        [part('R-6B', 'Base R-6', 1100), stuff('pear', 'Pear', 400), stuff('white-vinegar', 'White vinegar', 300)],
        false,
      ),
      bottles('Q-1A', 'Q-1', 'Quay Red', RED, -37, 13),
      bottles('Q-2A', 'Q-2', 'Plum Smoke', PLUM, -36, 12),
      bottles('Q-3A', 'Q-3', 'Pear Spark', PEAR, -36, 11),
      sold('Q-1A', -30, 8, 'Quay market'),
      sold('Q-2A', -30, 6, 'Quay market'),
      sold('Q-2A', -20, 3, 'The boat shed kitchen'),
      sold('Q-3A', -29, 7, 'Quay market'),
    ],
    about:
      'A mash goes into more sauces than one remembers. The log walks forward from the mash, not back from the bottle that was complained about.',
  }),
]
