import { ref } from 'vue'
import { InvalidInput, takeWeight, type WeighIn } from '@lactofer/core'
import { useInstruments } from '~/stores/instruments'

/** Steps of a weigh-in: every change is kept before anything else can happen, and what cannot be is said. */
export function useAtScale(now: () => WeighIn | null, set: (next: WeighIn) => void, save: () => Promise<unknown>) {
  const instruments = useInstruments()
  const problem = ref('')
  function change(next: (state: WeighIn) => WeighIn) {
    const state = now()
    if (!state) return
    problem.value = ''
    try {
      set(next(state))
      void save()
    } catch (error) {
      if (!(error instanceof InvalidInput)) throw error
      problem.value = error.message
    }
  }
  function take(massG: number) {
    change((state) => takeWeight(state, massG))
    // The next thing starts from zero.
    if (instruments.reading('mass')) void instruments.tare()
  }
  return { problem, change, take }
}
