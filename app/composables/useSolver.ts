import { computed, shallowRef, type Ref } from 'vue'
import { watchDebounced } from '@vueuse/core'
import type { Advice, MixAnswer, MixSet } from '@lactofer/core'
import { setMasses, type BlendDraft, type SauceForm } from '~/forms/blendForm'
import { askForMix } from '~/workers/blender'
import { useBook } from '~/stores/book'
import type { BlendDraftState } from './useBlendDraft'
import { useLatest } from './useLatest'

/** An answer with the question it belongs to. */
export interface Answered {
  set: MixSet
  answer: MixAnswer
  indexes: number[]
}
/** How long after the last change it is asked, ms: a slider that is moved is not answered at every gram. */
const PAUSE_MS = 200
/** With the whole band held under the target, so often the answer is asked anew. */
const BAND_TURNS = 3
const UNANSWERED = 'This could not be worked out here; nothing was changed. The rulers and sliders work without it.'

type Masses = readonly (readonly number[])[]

/** Moves the one limit of an advice. @param margin what the band adds to a pH that is held at its upper end. */
function moveLimit(sauce: SauceForm, { limit, to }: Advice, margin: number): void {
  const part = limit.kind === 'amount' || limit.kind === 'share' ? sauce.parts[limit.part] : undefined
  if (limit.kind === 'target')
    sauce.targets[limit.aim][limit.end] = Number(
      (to + (limit.aim === 'acid' && limit.end === 'high' ? margin : 0)).toFixed(3),
    )
  else if (limit.kind === 'mass') sauce[limit.end === 'high' ? 'makeHigh' : 'makeLow'] = to
  else if (limit.kind === 'amount' && part) part.massG = to
  else if (limit.kind === 'share' && part)
    part[limit.end === 'high' ? 'highPct' : 'lowPct'] = Number((100 * to).toFixed(2))
}

/** What an answer would put into the pots; `null` where it has nothing to put. */
const massesOf = ({ answer }: Answered): Masses | null =>
  answer.status === 'solved' ? answer.massesG : answer.nearestG

/** Amounts put into the pots of the bench, and the way back while they still stand there. */
function usePots(draft: Ref<BlendDraft>) {
  type Standing = (number | null)[][]
  const before = shallowRef<{ ids: string[]; was: Standing; set: Standing } | null>(null)
  const sauceOf = (id: string) => draft.value.sauces.find((one) => one.id === id)
  const standing = (ids: readonly string[]): Standing =>
    ids.map((id) => (sauceOf(id)?.parts ?? []).map(({ massG }) => massG))
  function put(indexes: readonly number[], masses: Masses) {
    const ids = indexes.map((index) => draft.value.sauces[index]?.id ?? '')
    const was = standing(ids)
    ids.forEach((id, at) => setMasses(sauceOf(id)?.parts ?? [], masses[at] ?? []))
    before.value = { ids, was, set: standing(ids) }
  }
  function putBack() {
    const last = before.value
    last?.ids.forEach((id, at) => sauceOf(id)?.parts.forEach((part, one) => (part.massG = last.was[at]?.[one] ?? null)))
    before.value = null
  }
  const canPutBack = computed(
    () => before.value !== null && JSON.stringify(standing(before.value.ids)) === JSON.stringify(before.value.set),
  )
  return { put, canPutBack, putBack }
}

/**
 * Amounts that make the sauces on the bench what they are to be, asked after every change and never put there by
 * itself; setting them, putting back what was there, following an advice.
 */
export function useSolver({ draft, question, sauce }: Pick<BlendDraftState, 'draft' | 'question' | 'sauce'>) {
  const book = useBook()
  const asked = shallowRef<ReturnType<typeof question> | null>(null)
  /** A pot with nothing in it asks for nothing. */
  const renew = () =>
    (asked.value = sauce.value.parts.length ? question(draft.value.sauces.length > 1 && draft.value.together) : null)
  watchDebounced(() => [JSON.stringify(draft.value), book.lots], renew, { debounce: PAUSE_MS, immediate: true })

  async function ask(put: ReturnType<typeof question>) {
    if (!put.set) return { answered: null, problem: put.problem }
    let { set } = put
    let answer = await askForMix(set)
    // The band of the answer may be wider than that of the pot: with its upper end held, it is asked again.
    for (let turn = 1; draft.value.wholeBand && turn < BAND_TURNS && answer.status === 'solved'; turn++) {
      const next = question(put.indexes.length > 1, answer.massesG)
      if (!next.set) break
      set = next.set
      answer = await askForMix(set)
    }
    return { answered: { set, answer, indexes: put.indexes }, problem: '' }
  }
  const { answer: found, settled } = useLatest(
    computed(() => asked.value),
    ask,
    { answered: null, problem: UNANSWERED },
  )
  const answered = computed<Answered | null>(() => found.value?.answered ?? null)
  const problem = computed(() => found.value?.problem ?? '')

  const isOff = (grams: number, massG: number | null | undefined) =>
    Math.abs(grams - (massG ?? 0)) > draft.value.stepG / 2 + 1e-6
  /** What the answer would put into a sauce, g a part; `null` where the pot has it, to a step of the scale. */
  function ghostsOf(index: number): readonly number[] | null {
    const of = answered.value && massesOf(answered.value)?.[answered.value.indexes.indexOf(index)]
    const parts = draft.value.sauces[index]?.parts ?? []
    if (!of || of.length !== parts.length) return null
    return of.some((grams, at) => isOff(grams, parts[at]?.massG)) ? of : null
  }
  const ghosts = computed(() => ghostsOf(draft.value.at))
  /** Whether setting it would change any of the pots that were asked for. */
  const differs = computed(() => answered.value?.indexes.some((index) => ghostsOf(index)) ?? false)
  const { put, canPutBack, putBack } = usePots(draft)
  /** The answer to the question as it stands now goes into the pots. */
  async function setPot() {
    renew()
    await settled()
    const last = answered.value
    const masses = last && massesOf(last)
    if (last && masses) put(last.indexes, masses)
  }
  /** Moves the one limit of an advice on the bench. What is in stock cannot be moved by hand. */
  function follow(advice: Advice) {
    const last = answered.value
    const of = last?.indexes[advice.limit.mix]
    const one = of === undefined ? undefined : draft.value.sauces[of]
    if (last && one) moveLimit(one, advice, last.set.mixes[advice.limit.mix]?.phMargin ?? 0)
  }
  return { answered, problem, ghosts, differs, setPot, canPutBack, putBack, follow }
}
