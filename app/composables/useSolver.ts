import { shallowRef } from 'vue'
import type { Advice, MixAnswer, MixSet } from '@lactofer/core'
import { setMasses, type SauceForm } from '~/forms/blendForm'
import { askForMix } from '~/workers/blender'
import type { BlendDraftState } from './useBlendDraft'

/** An answer with the question it belongs to. */
export interface Answered {
  set: MixSet
  answer: MixAnswer
  indexes: number[]
  before: (number | null)[][]
}

/** With the whole band held under the target, so often the answer is asked anew. */
const BAND_TURNS = 3

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

/** Puts amounts on the bench; back to what they were. */
const put = (sauces: readonly SauceForm[], indexes: readonly number[], massesG: readonly (readonly number[])[]) =>
  indexes.forEach((index, at) => setMasses(sauces[index]?.parts ?? [], massesG[at] ?? []))
const restore = (sauces: readonly SauceForm[], indexes: readonly number[], before: Answered['before']) =>
  indexes.forEach((index, at) => sauces[index]?.parts.forEach((part, one) => (part.massG = before[at]?.[one] ?? null)))

/**
 * Asks for amounts, puts them on the bench, and undoes that; follows an advice. `placed` tells whether the amounts on
 * the bench are those of the answer.
 */
export function useSolver({ draft, question }: Pick<BlendDraftState, 'draft' | 'question'>) {
  const answered = shallowRef<Answered | null>(null)
  const busy = shallowRef(false)
  const problem = shallowRef('')
  const placed = shallowRef(false)

  const sauces = () => draft.value.sauces
  /** Asks once; whether there is an answer to go on from. */
  async function turn(all: boolean, indexes: number[], before: Answered['before']): Promise<boolean> {
    const { set, problem: refused } = question(all)
    problem.value = refused ?? ''
    if (!set) return false
    const answer = await askForMix(set)
    answered.value = { set, answer, indexes, before }
    if (answer.status === 'infeasible') {
      restore(sauces(), indexes, before)
      return false
    }
    put(sauces(), indexes, answer.massesG)
    placed.value = true
    return true
  }
  async function solve(all: boolean) {
    answered.value = null
    placed.value = false
    busy.value = true
    try {
      const { indexes } = question(all)
      const before = indexes.map((index) => (draft.value.sauces[index]?.parts ?? []).map(({ massG }) => massG))
      // The band of the answer may be wider than that of the pot: with its upper end held, it is asked again.
      for (let left = draft.value.wholeBand ? BAND_TURNS : 1; left > 0 && (await turn(all, indexes, before)); left--);
    } catch {
      problem.value =
        'This could not be worked out here; nothing more was changed. The rulers and sliders work without it.'
    } finally {
      busy.value = false
    }
  }
  function undo() {
    const last = answered.value
    if (last) restore(sauces(), last.indexes, last.before)
    answered.value = null
  }
  function nearest() {
    const last = answered.value
    if (last?.answer.status !== 'infeasible' || !last.answer.nearestG) return
    put(sauces(), last.indexes, last.answer.nearestG)
    placed.value = true
  }
  /** Moves the one limit of an advice on the bench and solves again. What is in stock cannot be moved by hand. */
  async function follow(advice: Advice, all: boolean) {
    const last = answered.value
    const index = last?.indexes[advice.limit.mix]
    const sauce = index === undefined ? undefined : draft.value.sauces[index]
    if (!last || !sauce) return
    moveLimit(sauce, advice, last.set.mixes[advice.limit.mix]?.phMargin ?? 0)
    await solve(all)
  }
  return { answered, busy, problem, placed, solve, undo, nearest, follow }
}
