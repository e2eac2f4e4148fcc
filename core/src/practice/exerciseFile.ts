import { z } from '../schema'
import { parseFile } from '../files/json'
import { InvalidInput } from '../invalid'
import { EXERCISE_FORMAT, EXERCISE_VERSION, ExerciseSchema, type Exercise } from './exercise'
import { beginRun } from './instruments'

/** What a file must say of itself before anything else of it is read. */
const HeadSchema = z.object({ format: z.literal(EXERCISE_FORMAT), version: z.number().int().min(1) })
/** Any morning does to see whether it begins. */
const TRIED_MS = Date.UTC(2026, 0, 1, 8)

/** An exercise as text, to be passed on. */
export const writeExercise = (exercise: Exercise): string => JSON.stringify(exercise, null, 1)

/**
 * Reads an exercise from a file and tries whether it begins.
 * @throws InvalidInput with a sentence: not JSON, no exercise, newer than this version, or what is wrong with it.
 */
export function readExercise(text: string): Exercise {
  const json = parseFile(text)
  const head = HeadSchema.safeParse(json)
  if (!head.success) throw new InvalidInput('This file is no exercise. Nothing was changed.')
  if (head.data.version > EXERCISE_VERSION)
    throw new InvalidInput('This exercise was written by a newer version. Update first; nothing was changed.')
  const read = ExerciseSchema.safeParse(json)
  if (!read.success) {
    const [issue] = read.error.issues
    throw new InvalidInput(`${issue?.path.join(', ')}: ${issue?.message}. Nothing was changed.`)
  }
  beginRun(read.data, 1, TRIED_MS)
  return read.data
}
