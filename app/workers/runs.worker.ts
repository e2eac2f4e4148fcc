import { expose, transfer } from 'comlink'
import { runAsked, type Answer, type Asked } from '@lactofer/core'

const api = {
  /** Runs rows of possible batches for the worker that works a forecast out. */
  run(asked: Asked): Answer {
    const answer = runAsked(asked)
    const arrays = answer instanceof Float64Array ? [answer] : [answer.ph, answer.startPh, answer.senses]
    return transfer(answer, [...new Set(arrays.map(({ buffer }) => buffer))])
  },
}
export type RunsApi = typeof api
expose(api)
