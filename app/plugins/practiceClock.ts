import { deviceClock, setClock, turnedClock } from '~/clock/clock'
import { keptRun } from '~/db/practice'
import { chooseLoft, inPractice } from '~/db/loft'

/** In the practice loft the clock is the exercise's own, before anything asks what time it is. */
export default defineNuxtPlugin({
  name: 'practice-clock',
  enforce: 'pre',
  order: -10,
  setup() {
    if (!inPractice) return
    const run = keptRun()
    if (run) setClock(turnedClock(run.nowMs - deviceClock()))
    else {
      // What was worked in it is gone: back to the maker's own.
      chooseLoft(false)
      location.reload()
    }
  },
})
