import { ref } from 'vue'
import {
  correctionFound,
  correctionSet,
  type Composition,
  type CorrectionFound,
  type Lot,
  type Material,
  type MixAnswer,
  type MixSet,
  type Targets,
} from '@lactofer/core'
import { missedWords, namedValue, reachWords } from '~/words/limitWords'
import { askForMix } from '~/workers/blender'

/** What is to be put in, what the blend is then, and what rounding leaves. */
export interface Correction extends Omit<CorrectionFound, 'after'> {
  after: string
  note: string
}

function refusal({ reach, missed }: Extract<MixAnswer, { status: 'infeasible' }>, set: MixSet): string {
  const acid = reach.find(({ aim }) => aim === 'acid')
  const nearest = missed.length ? ` The nearest has ${missed.map((one) => missedWords(one, set)).join('; ')}.` : ''
  return `With these it cannot be brought there${acid ? `: ${reachWords(acid, set)}` : ''}.${nearest} Choose something more, or change the wish.`
}

/** Asks for the least that brings a finished blend to its targets. */
export function useCorrection() {
  const working = ref(false)
  const problem = ref('')
  const found = ref<Correction | null>(null)

  async function work(
    blend: { lot: Lot; composition: Composition; targets: Targets },
    correctors: readonly Material[],
    stepG: number,
  ) {
    const { lot, composition } = blend
    problem.value = correctors.length ? '' : 'Choose what is at hand.'
    found.value = null
    if (problem.value) return
    // What goes to a worker is plain.
    const targets = JSON.parse(JSON.stringify(blend.targets)) as Targets
    const set = correctionSet({ name: lot.name, massG: lot.leftG, composition, targets }, correctors, stepG)
    working.value = true
    try {
      const answer = await askForMix(set)
      if (answer.status === 'infeasible') {
        problem.value = refusal(answer, set)
        return
      }
      const { after, ...rest } = correctionFound(set, answer.massesG, { composition, targets })
      const left = answer.missed.map((one) => missedWords(one, set)).join('; ')
      found.value = {
        ...rest,
        after: after.map(({ aim, value }) => namedValue(aim, value)).join(', '),
        note: left ? `Rounding leaves ${left}.` : '',
      }
    } catch {
      problem.value = 'The solver could not be started here.'
    } finally {
      working.value = false
    }
  }
  return { working, problem, found, work }
}
