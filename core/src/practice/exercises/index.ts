import { ExerciseSchema, type Exercise } from '../exercise'
import { JARS } from './jars'
import { POTS } from './pots'
import { SALT } from './salt'
import { SUMMER } from './summer'

/** In the order in which they are offered: easy ones first, a summer last. */
const ORDER = [
  ...['first-jar', 'two-percent', 'three-films', 'weak-brine', 'bag-on-day-20', 'behind-in-the-cold', 'lying-meter'],
  ...['sour-outside', 'another-salt', 'frozen-crate', 'ready-or-lime', 'save-the-blend', 'fruit-after', 'cold-glass'],
  ...['four-sauces', 'recall', 'summer'],
]

/** Every exercise that ships with the application. */
export const EXERCISES: readonly Exercise[] = [...SALT, ...JARS, ...POTS, ...SUMMER]
  .map((text) => ExerciseSchema.parse(text))
  .sort((a, b) => ORDER.indexOf(a.id) - ORDER.indexOf(b.id))
