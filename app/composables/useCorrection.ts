import { computed, type ComputedRef } from 'vue'
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
import { useLatest } from './useLatest'

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

/** A blend that is off its targets, and what is at hand against it. */
export interface CorrectionQuestion {
  lot: Pick<Lot, 'name' | 'leftG'>
  composition: Composition
  targets: Targets
  correctors: readonly Material[]
  stepG: number
}
interface Answer {
  found: Correction | null
  problem: string
}

async function ask({ lot, composition, targets, correctors, stepG }: CorrectionQuestion): Promise<Answer> {
  if (!correctors.length) return { found: null, problem: 'Choose what is at hand.' }
  const set = correctionSet({ name: lot.name, massG: lot.leftG, composition, targets }, correctors, stepG)
  const answer = await askForMix(set)
  if (answer.status === 'infeasible') return { found: null, problem: refusal(answer, set) }
  const { after, ...rest } = correctionFound(set, answer.massesG, { composition, targets })
  const left = answer.missed.map((one) => missedWords(one, set)).join('; ')
  return {
    found: {
      ...rest,
      after: after.map(({ aim, value }) => namedValue(aim, value)).join(', '),
      note: left ? `Rounding leaves ${left}.` : '',
    },
    problem: '',
  }
}

/** The least that brings a finished blend to its targets, told as they and what is at hand change. */
export function useCorrection(question: ComputedRef<CorrectionQuestion | null>) {
  // What goes to a worker is plain.
  const plain = computed(() => question.value && (JSON.parse(JSON.stringify(question.value)) as CorrectionQuestion))
  const { answer } = useLatest(plain, ask, { found: null, problem: 'The solver could not be started here.' })
  return {
    problem: computed(() => answer.value?.problem ?? ''),
    found: computed(() => answer.value?.found ?? null),
  }
}
