import { z } from '../schema'
import { CHORES } from '../library/chores'
import { SIGN_IDS } from '../ferment/signKinds'
import { SOUR_TOOLS } from '../round/kit'
import { HIDDEN_KINDS } from '../truth/kinds'

/*
 * An exercise: what one finds on the first morning, what is hidden, and what it was about. Plain data, so that own
 * ones can be written and passed on as files.
 */

/** What an exercise file says it is. */
export const EXERCISE_FORMAT = 'lactofer-exercise'
export const EXERCISE_VERSION = 1

const words = z.string().trim().min(1).max(600)
const days = z.number().min(-200).max(200)
const code = z.string().trim().min(1).max(20)

/**
 * How a lot truly is, by its code; a luck of several kinds draws one a jar. `saltTimes` times the salt that the log
 * has; `film` and `mould` spores on the surface, log10 of the share covered at packing (-9: none to speak of).
 */
const HiddenSchema = z.object({
  /** Code of the lot; several with `|` between: luck picks which; `*` for all that are not named. */
  of: z.string().trim().min(1).max(200),
  /** Only this jar of it. */
  mark: z.string().max(4).optional(),
  kinds: z.array(z.enum(HIDDEN_KINDS)).min(1).max(12),
  saltTimes: z.number().min(0).max(4).default(1),
  film: z.number().min(-9).max(0).default(-6),
  mould: z.number().min(-9).max(0).default(-8),
})
export type Hidden = z.infer<typeof HiddenSchema>

/** Where things stand: degrees, half of the daily swing, and a hot spell. */
const PlaceSchema = z.object({
  name: words,
  tempC: z.number().min(-25).max(45),
  swingC: z.number().min(0).max(10).default(0),
  spell: z.object({ fromDay: days, toDay: days, addC: z.number().min(-20).max(20) }).optional(),
})
export type Place = z.infer<typeof PlaceSchema>

/** Something to be seen that does not follow from the jar itself: from a day on, in a lot. */
const SightSchema = z.object({
  of: code,
  mark: z.string().max(4).optional(),
  fromDay: days,
  sign: z.enum(SIGN_IDS),
  answers: z.array(z.string().max(40)).max(4),
  /** It is gone once this was done. */
  until: z.enum(CHORES).optional(),
})

/**
 * What was written down before the first morning, day 0. An entry without its moment: `$name` stands for an id of its
 * own, the same wherever the name stands. `read` a pH, as the instrument of the exercise would have shown it.
 */
const BeforeSchema = z.union([
  z.object({ day: days, entry: z.looseObject({ kind: z.string() }) }),
  z.object({
    day: days,
    read: z.object({ of: code, sample: z.enum(['liquid', 'blended']), mark: z.string().optional() }),
  }),
])

/** What has to be decided: it says which pages it is worked on, and what counts as its end. */
export const TASKS = ['keep', 'salt', 'blend', 'bottle', 'recall'] as const
export type Task = (typeof TASKS)[number]

export const ExerciseSchema = z.object({
  format: z.literal(EXERCISE_FORMAT),
  version: z.literal(EXERCISE_VERSION),
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{1,40}$/),
  title: words,
  /** What one stands before. It does not say what it is about. */
  story: words,
  /** What is to be done, in one sentence. */
  task: z.enum(TASKS),
  todo: words,
  /** How long it takes at the table, minutes. */
  minutes: z.number().int().min(3).max(12),
  /** It ends by itself after so many days. */
  days: z.number().min(0.5).max(150),
  kit: z.object({ sour: z.enum(SOUR_TOOLS), scale: z.boolean() }),
  /** What the meter shows more than there is, pH, somewhere between two ends, until it is calibrated. */
  meterOff: z.object({ low: z.number().min(-1).max(1), high: z.number().min(-1).max(1) }).optional(),
  places: z.array(PlaceSchema).min(1).max(12),
  hidden: z.array(HiddenSchema).max(40),
  sights: z.array(SightSchema).max(40).default([]),
  before: z.array(BeforeSchema).max(400),
  /** The lot that has to be called back, by its code. */
  recall: code.optional(),
  /** The empty glass a hot sauce is filled into, °C. */
  glassC: z.number().min(-20).max(110).default(20),
  /** What it was about: told afterwards. */
  about: words,
})
export type Exercise = z.infer<typeof ExerciseSchema>
/** An exercise as it is written down, usual things left out. */
export type ExerciseText = z.input<typeof ExerciseSchema>
