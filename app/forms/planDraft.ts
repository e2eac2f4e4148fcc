import { overdrawnLot, pctOn, styleById, type Draft, type Fill, type PackingCheck, type Style } from '@lactofer/core'
import { intendedOf, type PlanForm } from './planForm'
import type { planResults } from './planResults'
import { codeProblem, nameProblem } from './problems'

/** What a form comes to, as far as it is filled in. */
type PlanResults = NonNullable<ReturnType<typeof planResults>>

/* What a plan comes to in the log, and what keeps it out of it. */

/** What the form is held against. */
interface Known {
  codeTaken: (code: string, except?: string) => boolean
  lot: (id: string) => { leftG: number } | undefined
}

function rowsProblem({ rows }: PlanForm, results: PlanResults | null, { lot }: Known): string | null {
  if (rows.length === 0 || rows.some(({ massG }) => massG === null))
    return 'Weigh in at least one ingredient; every row wants its weight.'
  if (rows.some(({ boughtG, massG }) => boughtG !== undefined && boughtG < (massG ?? 0)))
    return 'What was bought cannot weigh less than what goes in. Mend the marked row.'
  const short = overdrawnLot(rows, (lotId) => lot(lotId)?.leftG ?? 0)
  if (short) return `There is not enough ${rows.find(({ lotId }) => lotId === short)?.name ?? 'of a lot'}.`
  return results === null ? 'Some figure is missing.' : results.problem
}

/** What is wrong with a plan, field by field. */
export type PlanProblems = Record<'name' | 'code' | 'rows' | 'figures', string | null>
export const planProblems = (
  form: PlanForm,
  code: string,
  results: PlanResults | null,
  known: Known,
): PlanProblems => ({
  name: form.name.trim() === '' ? null : nameProblem(form.name, 'Give it a name, as it should stand on the tape.'),
  code: codeProblem(code, (typed) => known.codeTaken(typed, form.lotId), ' Choose a new one.'),
  rows: rowsProblem(form, results, known),
  figures: form.targetPh === null && styleById(form.style).ferments ? 'A target pH is needed.' : null,
})

/** What keeps a plan from being packed. */
export function packingProblems({ bowl, place }: PlanForm, fill: Fill | null) {
  const full = fill?.verdict === 'too much' ? 'It does not fit. Choose a larger vessel, or more of them.' : null
  return {
    vessel: bowl ? null : fill ? full : 'Choose the vessels it goes into.',
    place: place.trim() || bowl ? null : 'Say where it will stand.',
  }
}

/** The entry of a plan; `null` while its figures are missing. */
export function planDraft(
  form: PlanForm,
  results: PlanResults | null,
  made: { at: string; lotId: string; code: string; color: string; name: string },
): Extract<Draft, { kind: 'plan' }> | null {
  const { targetPh, saltPct, replaces, recipeId, bowl } = form
  if (!results?.figures || (saltPct === null && !form.saltSaid)) return null
  const { dose } = results.figures
  const intended = intendedOf(form)
  const salted = results.salted
  return {
    kind: 'plan',
    ...made,
    name: form.name.trim() || made.name,
    style: form.style,
    cut: form.cut,
    rows: results.rows,
    waterG: results.waterG,
    ...(form.waterSaid && { waterSaid: form.waterSaid }),
    ...(form.waterBetweenG && results.waterG > 0 && { waterBetweenG: form.waterBetweenG }),
    saltG: Math.round(dose.saltG * 10) / 10,
    ...(salted && { saltSaid: form.saltSaid.slice(0, 80) }),
    ...(salted && salted.low < salted.high && { saltBetweenG: { low: salted.low, high: salted.high } }),
    saltId: form.saltId,
    saltBasis: form.saltBasis,
    saltPct: salted ? Number((pctOn(dose, form.saltBasis) ?? 0).toFixed(2)) : (saltPct ?? 0),
    targetPh: targetPh ?? 4.2,
    ...(replaces && { replaces }),
    ...(recipeId && { recipeId }),
    ...(bowl && { bowl }),
    ...(intended && { intended }),
  }
}

/** What was looked at before packing; nothing where nothing was ticked. */
export const checkDrafts = ({ checks }: Style, done: readonly PackingCheck[], lotId: string, at: string): Draft[] =>
  done.length === 0
    ? []
    : [
        {
          kind: 'check',
          at,
          lotId,
          done: checks.filter((id) => done.includes(id)),
          open: checks.filter((id) => !done.includes(id)),
        },
      ]
