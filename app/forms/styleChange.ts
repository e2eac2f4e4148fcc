import { styleById, takesWater, type StyleId } from '@lactofer/core'
import { styleDefaults, type PlanForm } from './planForm'

/** A plan in another style: what was never touched becomes what is usual there, what was said stays and is named. */
export interface StyleChange {
  form: PlanForm
  /** What stayed as it was said, in words; `null` where all is as usual. */
  kept: string | null
  /** What means nothing in this style and was let go, in words. */
  lost: string | null
}

/** Water for what is weighed in, g: what usually covers it. Judgement. */
const WATER_PER_G = 0.9
const WATER_AT_FIRST_G = 1000

const bareSalt = ({ saltPct, saltBasis }: Pick<PlanForm, 'saltPct' | 'saltBasis'>) =>
  `${saltPct ?? 0} % of ${saltBasis === 'everything' ? 'everything' : `the ${saltBasis}`}`

/** The salt after the change: said in words or typed, it stays, unless what it refers to is not there. */
function saltAfter(form: PlanForm, id: StyleId): { salt: Partial<PlanForm> } & Pick<StyleChange, 'kept' | 'lost'> {
  const [before, after] = [styleDefaults(form.style), styleDefaults(id)]
  const usual = { saltPct: after.saltPct, saltBasis: after.saltBasis }
  const said = form.saltSaid ? `salt ${form.saltSaid}` : null
  const typed = form.saltPct !== before.saltPct || form.saltBasis !== before.saltBasis
  const typedWords = typed ? `salt ${bareSalt(form)}` : null
  if (!styleById(id).saltPct) return { salt: { ...usual, saltSaid: '' }, kept: null, lost: said ?? typedWords }
  if (said) return { salt: { saltBasis: after.saltBasis }, kept: said, lost: null }
  const refers = takesWater(styleById(id)) || !['brine', 'water'].includes(form.saltBasis)
  return typed && refers ? { salt: {}, kept: typedWords, lost: null } : { salt: usual, kept: null, lost: typedWords }
}

export function changeStyle(form: PlanForm, id: StyleId): StyleChange {
  const [old, next] = [styleById(form.style), styleById(id)]
  const { salt, kept, lost } = saltAfter(form, id)
  const ingredientsG = form.rows.reduce((sum, row) => sum + (row.massG ?? 0), 0)
  const cut = form.cut === old.usualCut ? next.usualCut : form.cut
  const closed = form.closure !== null && !next.closures.includes(form.closure) ? `closed with ${form.closure}` : null
  const words = [
    kept,
    cut === next.usualCut ? null : `cut ${cut}`,
    closed,
    form.place === old.place || form.place === next.place ? null : `at ${form.place}`,
  ].filter(Boolean)
  return {
    form: {
      ...form,
      ...{ style: id, cut, ...salt },
      place: form.place === old.place ? next.place : form.place,
      ...(next.liquid === 'brine' &&
        !form.waterG && { waterG: Math.round(ingredientsG * WATER_PER_G) || WATER_AT_FIRST_G, waterProposed: true }),
    },
    kept: words.length ? words.join(', ') : null,
    lost,
  }
}

/** All of a plan as its style usually has it; what was weighed in stays. */
export const asUsual = (form: PlanForm): PlanForm => ({
  ...form,
  ...styleDefaults(form.style),
  ...{ saltSaid: '', closure: null, called: '', place: styleById(form.style).place },
})
