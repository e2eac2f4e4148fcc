import { z } from 'zod'
import {
  between,
  BetweenSchema,
  CLOSURE_NAMES,
  CUTS,
  IdSchema,
  InvalidInput,
  PACKING_CHECKS,
  planFigures,
  PlanEntry,
  readSalt,
  saltOfDose,
  exactly,
  RecipePlanSchema,
  RowSchema,
  styleById,
  type Book,
  type EntryOf,
  type Range,
  type SaidSalt,
  type PackingCheck,
  type PlanFigures,
  type Row,
  type StyleId,
  USUAL_STYLE,
  WEIGHT_NAMES,
} from '@lactofer/core'
import { nowMs } from '~/clock/clock'

const checkIds = PACKING_CHECKS.map((check) => check.id) as [PackingCheck, ...PackingCheck[]]

/**
 * The plan while it is being written: like the entry, but anything may still be missing. `key` names a row while it
 * is moved.
 */
export const PlanFormSchema = z.object({
  lotId: z.string(),
  replaces: z.string().nullable(),
  recipeId: IdSchema.nullable(),
  code: z.string(),
  name: z.string(),
  color: z.string(),
  style: PlanEntry.shape.style,
  cut: z.enum(CUTS),
  bowl: z.boolean(),
  /** `typed` is an amount that came with the name and was not read yet. */
  rows: z.array(RowSchema.extend({ key: z.string(), massG: z.number().nullable(), typed: z.string().optional() })),
  waterG: z.number().nullable(),
  /** The water was proposed, not said by the maker: what is said elsewhere takes its place. */
  waterProposed: z.boolean().default(false),
  waterSaid: z.string().optional(),
  waterBetweenG: BetweenSchema.optional(),
  /** Salt that is dosed otherwise than by percent, in the maker's words; empty where it is a percentage. */
  saltSaid: z.string().default(''),
  saltPct: z.number().nullable(),
  saltBasis: PlanEntry.shape.saltBasis,
  saltId: z.string(),
  targetPh: z.number().nullable(),
  vessels: z.array(z.object({ vesselId: z.string(), count: z.number().int().min(1).max(40) })),
  closure: z.enum(CLOSURE_NAMES).nullable(),
  weight: z.enum(WEIGHT_NAMES).nullable().default(null),
  place: z.string(),
  hot: z.boolean(),
  done: z.array(z.enum(checkIds)),
  bottleMl: z.number(),
})
export type PlanForm = z.infer<typeof PlanFormSchema>
export type FormRow = PlanForm['rows'][number]

let keys = 0
/** A row that has no weight yet. */
export const freshRow = (row: Omit<Row, 'massG'>): FormRow => ({
  ...row,
  massG: null,
  key: `r${nowMs().toString(36)}${keys++}`,
})

/** Salt, basis and water as a style usually has them. */
export function styleDefaults(id: StyleId): Pick<PlanForm, 'style' | 'cut' | 'saltPct' | 'saltBasis'> {
  const style = styleById(id)
  return { style: id, cut: style.usualCut, saltPct: style.saltPct?.usual ?? 0, saltBasis: style.basis }
}

/** Fresh form: a 4 % mash with nothing weighed in. */
export function freshPlan(): PlanForm {
  return {
    lotId: '',
    replaces: null,
    recipeId: null,
    code: '',
    name: '',
    color: '#c8341f',
    bowl: false,
    rows: [],
    waterG: 0,
    waterProposed: false,
    ...styleDefaults(USUAL_STYLE),
    saltSaid: '',
    saltId: 'fine-sea',
    targetPh: 3.8,
    vessels: [],
    closure: null,
    weight: null,
    place: 'Bench',
    hot: false,
    done: [],
    bottleMl: 150,
  }
}

/** Rows that have been weighed. */
export const weighedRows = (form: PlanForm): Row[] =>
  form.rows.flatMap(({ key: _key, typed: _typed, ...row }) =>
    row.massG === null || row.massG <= 0 ? [] : [{ ...row, massG: row.massG }],
  )

/** Water counts where a brine covers it. */
export const waterOf = (form: PlanForm): number | null => (styleById(form.style).liquid === 'brine' ? form.waterG : 0)

/** Cups that the produce of a plan fills. */
function cupsOf(rows: readonly Row[], book: Book): Range {
  const one = rows.map(({ materialId, massG }) => {
    const { cupG } = book.library.materialOrUnknown(materialId)
    return { low: massG / cupG.high, typical: massG / cupG.typical, high: massG / cupG.low }
  })
  const sum = (end: keyof Range) => one.reduce((all, cups) => all + cups[end], 0)
  return { low: sum('low'), typical: sum('typical'), high: sum('high') }
}

/**
 * The salt of a plan that was said by the spoon, the jar or the gram; `undefined` for a percentage.
 * @throws InvalidInput
 */
export function saltedOf(
  form: PlanForm,
  book: Book,
): { said: Extract<SaidSalt, { kind: 'dose' }>; saltG: Range } | undefined {
  if (!form.saltSaid) return undefined
  const said = readSalt(form.saltSaid, book.library.salts, form.saltId)
  if (said.kind === 'percent') return undefined
  const jars = form.vessels.reduce((sum, { count }) => sum + count, 0)
  const waterG = waterOf(form) ? between(waterOf(form) ?? 0, form.waterBetweenG) : exactly(0)
  return { said, saltG: saltOfDose(said, { jars, waterG, produceCups: cupsOf(weighedRows(form), book) }) }
}

/** What the plan comes to; `null` while something is missing, `problem` when it cannot be. */
export function planResults(
  form: PlanForm,
  book: Book,
):
  | { problem: string; figures: null }
  | { problem: null; figures: PlanFigures; rows: Row[]; waterG: number; salted: Range | undefined }
  | null {
  const rows = weighedRows(form)
  const waterG = waterOf(form)
  if (rows.length === 0 || waterG === null || (form.saltPct === null && !form.saltSaid)) return null
  try {
    const salted = saltedOf(form, book)?.saltG
    const figures = planFigures(book, {
      style: form.style,
      rows,
      waterG,
      saltPct: form.saltPct ?? 0,
      saltBasis: form.saltBasis,
      waterBetweenG: waterG > 0 ? form.waterBetweenG : undefined,
      salted,
    })
    return figures
      ? { problem: null, figures, rows, waterG, salted }
      : { problem: 'A lot this plan takes from is no longer in the log. Take its row out.', figures: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, figures: null }
    throw error
  }
}

/** The name a plan has while none was typed: of what it is made of most, and how. */
export function nameOf(form: PlanForm): string {
  const heaviest = weighedRows(form).sort((a, b) => b.massG - a.massG)[0]
  return heaviest ? `${heaviest.name.split(',')[0]} ${styleById(form.style).name.toLowerCase()}`.slice(0, 80) : ''
}

/** Colour of a lot: that of its heaviest ingredient. */
export function colourOf(form: PlanForm, book: Book): string {
  const heaviest = weighedRows(form).sort((a, b) => b.massG - a.massG)[0]
  return (
    (heaviest &&
      (heaviest.lotId ? book.lots.get(heaviest.lotId)?.color : book.library.material(heaviest.materialId)?.color)) ??
    form.color
  )
}

const words = ({ waterSaid, waterBetweenG, saltSaid }: Partial<EntryOf<'plan'>>) => ({
  ...(waterSaid && { waterSaid }),
  ...(waterBetweenG && { waterBetweenG }),
  saltSaid: saltSaid ?? '',
})

const withKeys = (rows: readonly Row[]): FormRow[] => rows.map((row) => ({ ...freshRow(row), massG: row.massG }))

/** A plan out of the log, to be changed. */
export function formOfPlan(plan: EntryOf<'plan'>): PlanForm {
  const {
    lotId,
    id: replaces,
    code,
    name,
    color,
    style,
    cut = styleById(style).usualCut,
    bowl = false,
    rows,
    waterG,
    saltPct,
    saltBasis,
    saltId,
    targetPh,
    recipeId = null,
  } = plan
  return {
    ...freshPlan(),
    lotId,
    replaces,
    recipeId,
    code,
    name,
    color,
    style,
    cut,
    bowl,
    rows: withKeys(rows),
    ...words(plan),
    waterG,
    saltPct,
    saltBasis,
    saltId,
    targetPh,
  }
}

/** A fresh plan from a version of a recipe. */
export function formOfRecipe(recipe: EntryOf<'recipe'>): PlanForm {
  return {
    ...freshPlan(),
    ...styleDefaults(recipe.plan.style),
    ...recipe.plan,
    rows: withKeys(recipe.plan.rows),
    recipeId: recipe.recipeId,
    name: recipe.name,
  }
}

/** The part of a plan that a recipe keeps; `null` while figures are missing. */
export function recipePlanOf(form: PlanForm) {
  const { style, cut, waterG, saltPct, saltBasis, saltId, targetPh } = form
  const rows = weighedRows(form)
    .filter((row) => !row.lotId)
    .map(({ boughtG: _b, grower: _g, pricePerKg: _p, lotId: _l, ...row }) => row)
  const parsed = RecipePlanSchema.safeParse({
    style,
    cut,
    rows,
    waterG: waterG ?? 0,
    saltPct,
    saltBasis,
    saltId,
    targetPh,
  })
  return parsed.success ? parsed.data : null
}
