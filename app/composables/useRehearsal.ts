import { computed, ref, shallowRef } from 'vue'
import {
  answered,
  dueQuestions,
  EXERCISES,
  questionOf,
  readExercise,
  StandingsSchema,
  writeExercise,
  InvalidInput,
  type Exercise,
  type Question,
} from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { fared, keepOwn, keepStandings, keptStandings, ownExercises } from '~/db/practice'
import { beginExercise } from './beginExercise'
import { saveFile } from './saveFile'

/** The exercises there are, how they went, and a way to begin one. */
export function useRehearsal() {
  const own = shallowRef(ownExercises())
  const exercises = computed(() => [
    ...EXERCISES.map((exercise) => ({ exercise, own: false })),
    ...own.value.map((exercise) => ({ exercise, own: true })),
  ])
  const busy = ref(false)
  const problem = ref('')

  /** Lays it out and goes there. */
  async function begin(exercise: Exercise, seed?: number): Promise<void> {
    if (busy.value) return
    busy.value = true
    problem.value = ''
    try {
      await beginExercise(exercise, seed)
    } catch (error) {
      busy.value = false
      const said = error instanceof InvalidInput ? `${error.message} ` : ''
      problem.value = `${said}It could not be begun here. Your own log is as it was.`
    }
  }
  /** Takes an exercise out of a file; one of its name is replaced. */
  async function take(file: File): Promise<void> {
    problem.value = ''
    try {
      const exercise = readExercise(await file.text())
      if (EXERCISES.some(({ id }) => id === exercise.id))
        problem.value = `One that ships with Lactofer is called “${exercise.id}” already. Give yours another id.`
      else own.value = [...own.value.filter(({ id }) => id !== exercise.id), exercise]
      keepOwn(own.value)
    } catch (error) {
      problem.value = error instanceof InvalidInput ? error.message : 'The file could not be read. Nothing was changed.'
    }
  }
  function drop(id: string): void {
    own.value = own.value.filter((one) => one.id !== id)
    keepOwn(own.value)
  }
  const save = (exercise: Exercise) =>
    saveFile(new Blob([writeExercise(exercise)], { type: 'application/json' }), `lactofer-exercise-${exercise.id}.json`)

  return { exercises, fared: fared(), busy, problem, begin, take, drop, save }
}

/** The quick questions: which is asked, and what an answer leads to. @param seed of this sitting's numbers. */
export function useQuestions(seed: number) {
  const standings = shallowRef(StandingsSchema.safeParse(keptStandings()).data ?? {})
  const due = computed(() => dueQuestions(standings.value, nowMs()))
  const question = shallowRef<Question | null>(null)
  const next = () => void (question.value = due.value[0] ? questionOf(due.value[0], standings.value, seed) : null)
  /** Takes an answer: a number in the question's unit, or which option. */
  function answer(given: number): void {
    if (!question.value) return
    standings.value = answered(standings.value, question.value, given, nowMs())
    keepStandings(standings.value)
  }
  next()
  return { question, due, answer, next }
}
