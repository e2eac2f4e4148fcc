import { onBeforeUnmount, ref, shallowRef, toValue, type MaybeRefOrGetter } from 'vue'
import { watchDebounced } from '@vueuse/core'
import type { Aim, FrontierPoint } from '@lactofer/core'
import type { BlendDraftState } from '~/composables/useBlendDraft'
import type { SauceForm } from '~/forms/blendForm'
import { askForFrontier, cancelFrontier } from '~/workers/blender'

/** So many points along the way from the least to the most. */
const POINTS = 120
/** How long the pot stands still before its picture is drawn anew, ms. */
const PAUSE_MS = 500

/**
 * How two properties of a sauce pull against each other: drawn anew after each change, told as it is worked out, given
 * up when the page goes.
 */
export function useFrontier(
  question: BlendDraftState['question'],
  sauce: MaybeRefOrGetter<SauceForm>,
  aims: MaybeRefOrGetter<readonly [Aim, Aim]>,
) {
  const points = shallowRef<FrontierPoint[] | null>(null)
  const shownFor = ref<readonly [Aim, Aim]>(toValue(aims))
  const progress = ref<number | null>(null)
  const problem = ref('')

  async function draw() {
    const [across, up] = toValue(aims)
    const { set } = question(false)
    problem.value = ''
    // What cannot be asked is told beside what is wished.
    if (!set) return
    progress.value = 0
    try {
      const found = await askForFrontier(set, 0, [across, up], POINTS, (share) => (progress.value = share))
      // A newer question has taken over.
      if (found === null) return
      points.value = found.length ? found : null
      shownFor.value = [across, up]
      problem.value = found.length
        ? ''
        : 'What is locked, in stock and to be made does not go together, so there is nothing to show.'
    } catch {
      problem.value = 'The solver could not be started here.'
    }
    progress.value = null
  }
  watchDebounced(() => JSON.stringify([toValue(aims), toValue(sauce)]), draw, {
    debounce: PAUSE_MS,
    immediate: true,
  })
  onBeforeUnmount(() => void cancelFrontier())
  return { points, shownFor, progress, problem }
}
