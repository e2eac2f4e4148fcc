import { beginRun, type Exercise } from '@lactofer/core'
import { deviceClock } from '~/clock/clock'
import { thisMorning } from '~/clock/moments'
import { enterPractice } from '~/db/practice'

/** Luck is one of so many. */
const LUCKS = 2 ** 31
const anyLuck = () => crypto.getRandomValues(new Uint32Array(1))[0]! % LUCKS

/**
 * Begins an exercise in the practice loft, on the morning of this day; the page opens anew there.
 * @param seed its luck; any, where none is given.
 */
export async function beginExercise(exercise: Exercise, seed = anyLuck()): Promise<void> {
  const startMs = thisMorning()
  // Plain values: what a page holds of it may be watched.
  const plain = JSON.parse(JSON.stringify(exercise)) as Exercise
  const { entries } = beginRun(plain, seed, startMs)
  await enterPractice({ begunMs: deviceClock(), exercise: plain, seed, startMs, nowMs: startMs, ended: false }, entries)
}
