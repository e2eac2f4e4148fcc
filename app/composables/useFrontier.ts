import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { Aim, FrontierPoint } from '@lactofer/core'
import type { BlendDraftState } from '~/composables/useBlendDraft'
import { askForFrontier, cancelFrontier } from '~/workers/blender'

/** So many points along the way from the least to the most. */
const POINTS = 200

/** How two properties of a sauce pull against each other, told as it is worked out; given up when the page goes. */
export function useFrontier(question: BlendDraftState['question']) {
  const points = shallowRef<FrontierPoint[] | null>(null)
  const shownFor = ref<[Aim, Aim]>(['heat', 'acid'])
  const progress = ref<number | null>(null)
  const problem = ref('')

  async function draw(across: Aim, up: Aim) {
    problem.value = ''
    if (across === up) {
      problem.value = 'Choose two different properties.'
      return
    }
    const { set, problem: refused } = question(false)
    if (!set) {
      problem.value = refused
      return
    }
    progress.value = 0
    try {
      const found = await askForFrontier(set, 0, [across, up], POINTS, (share) => (progress.value = share))
      if (found === null) return
      points.value = found.length ? found : null
      shownFor.value = [across, up]
      problem.value = found.length
        ? ''
        : 'What is locked, in stock and to be made does not go together, so there is nothing to show.'
    } catch {
      problem.value = 'The solver could not be started here.'
    } finally {
      progress.value = null
    }
  }
  function cancel() {
    void cancelFrontier()
    progress.value = null
  }
  onBeforeUnmount(cancel)
  return { points, shownFor, progress, problem, draw, cancel }
}
