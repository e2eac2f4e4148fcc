import type { Instrument, Tasted } from '@lactofer/core'

/** What a trial says once it was weighed: grams as weighed by part, what was read and tasted. */
export interface TrialForm {
  weighed: Record<string, number | null>
  ph: number | null
  saltPct: number | null
  taste: Tasted
  note: string
  /** What it was read with, where the figure was taken from it. */
  instrument: Instrument | undefined
}

export const freshTrialForm = (): TrialForm => ({
  ...{ weighed: {}, ph: null, saltPct: null, taste: {}, note: '', instrument: undefined },
})

/** What keeps a trial out of the log. @param parts how many parts it has. */
export function trialProblem({ ph, saltPct, taste, note }: TrialForm, parts: number): string | null {
  if (parts === 0) return 'There is nothing in the trial.'
  return ph === null && saltPct === null && Object.keys(taste).length === 0 && !note.trim()
    ? 'Read, taste or note something: a trial is for that.'
    : null
}
