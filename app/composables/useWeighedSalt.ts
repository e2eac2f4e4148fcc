import { computed, type Ref } from 'vue'
import {
  contentComposition,
  isWeighed,
  saltAllowedG,
  saltForWeighed,
  type EntryOf,
  type Row,
  type WeighIn,
} from '@lactofer/core'
import { useBook } from '~/stores/book'

/** The salt that what was weighed wants, what went in, and what the step at the scale is to weigh. */
export function useWeighedSalt(plan: Ref<EntryOf<'plan'> | null>, state: Ref<WeighIn | null>) {
  const book = useBook()
  const ownSaltG = computed(() => {
    if (!state.value) return 0
    const rows = state.value.steps.flatMap((one): Row[] =>
      one.row && one.state !== 'skipped' ? [{ ...one.row, massG: Math.max(0.1, one.takenG ?? one.plannedG) }] : [],
    )
    return rows.length ? (contentComposition(book.book, { rows, waterG: 0, saltG: 0 })?.saltG ?? 0) : 0
  })
  const saltG = computed(() =>
    plan.value && state.value ? saltForWeighed(plan.value, state.value, ownSaltG.value) : 0,
  )
  const targetG = computed(() => {
    const step = state.value?.steps[state.value.at]
    return step?.kind === 'salt' && step.how === 'planned' ? saltG.value : (step?.plannedG ?? 0)
  })
  const saltTakenG = computed(() =>
    (state.value?.steps ?? []).filter((one) => one.kind === 'salt').reduce((sum, one) => sum + (one.takenG ?? 0), 0),
  )
  const saltOffG = computed(() => saltG.value - saltTakenG.value)
  const saltOff = computed(() => {
    if (!plan.value || !state.value || !isWeighed(state.value)) return false
    const { low, high } = saltAllowedG(plan.value, state.value, saltG.value)
    return saltTakenG.value < low || saltTakenG.value > high
  })
  return { saltG, targetG, saltTakenG, saltOffG, saltOff }
}
