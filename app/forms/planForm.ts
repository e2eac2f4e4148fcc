import { z } from '@lactofer/core'
import {
  BetweenSchema,
  CLOSURE_NAMES,
  CUTS,
  IdSchema,
  PACKING_CHECKS,
  PlanEntry,
  takesWater,
  RowSchema,
  styleById,
  type Book,
  type EntryOf,
  type Intended,
  type PackingCheck,
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
  /** Trimmed off the whole batch, where it was weighed once; rows with a trim of their own take no share of it. */
  trimmedG: z.number().nullable().default(null),
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
  /** The day it was given in the calendar of the loft, and by when it is pressed. */
  startAt: z.string().optional(),
  pressAt: z.string().optional(),
  closure: z.enum(CLOSURE_NAMES).nullable(),
  /** What the maker calls the closure, where it is one of their own. */
  called: z.string().default(''),
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
    trimmedG: null,
    waterG: 0,
    waterProposed: false,
    ...styleDefaults(USUAL_STYLE),
    saltSaid: '',
    saltId: 'fine-sea',
    targetPh: 3.8,
    vessels: [],
    closure: null,
    called: '',
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

/** Water counts where a brine covers it, or where some may go in. */
export const waterOf = ({ style, waterG }: PlanForm): number | null => {
  const kind = styleById(style)
  if (!takesWater(kind)) return 0
  return kind.liquid === 'brine' ? waterG : (waterG ?? 0)
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

/** A layer of a plan's jar: what it is, its colour, its share of the whole, 0 to 1. */
export interface Layer {
  name: string
  color: string
  share: number
}
const WATER_COLOUR = '#c3dbe3'
const SALT_COLOUR = '#ffffff'
/** Under this share a layer is drawn so high, that it is seen. */
const LEAST_SHARE = 0.015

/** What lies in a plan's jar, from the bottom: an ingredient a layer, water, and the salt on top. */
export function layersOf(form: PlanForm, figures: { dose: { saltG: number } } | null, book: Book): Layer[] {
  const colourOfRow = ({ lotId, materialId }: { lotId?: string | undefined; materialId: string }) =>
    (lotId ? book.lots.get(lotId)?.color : book.library.material(materialId)?.color) ?? '#9aa58c'
  const all = [
    ...weighedRows(form).map((row) => ({ name: row.name, color: colourOfRow(row), massG: row.massG })),
    { name: 'Water', color: WATER_COLOUR, massG: form.waterG ?? 0 },
    { name: 'Salt', color: SALT_COLOUR, massG: figures?.dose.saltG ?? 0 },
  ].filter(({ massG }) => massG > 0)
  const sum = all.reduce((whole, { massG }) => whole + massG, 0)
  const seen = all.map(({ name, color, massG }) => ({ name, color, share: Math.max(LEAST_SHARE, massG / sum) }))
  const whole = seen.reduce((total, { share }) => total + share, 0)
  return seen.map((layer) => ({ ...layer, share: layer.share / whole }))
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
    ...formOfIntended(plan),
  }
}

/** How a plan was meant to be packed, as a form has it. */
export const formOfIntended = ({ style, intended = {} }: Pick<EntryOf<'plan'>, 'style' | 'intended'>) => ({
  place: intended.place ?? styleById(style).place,
  closure: intended.closure ?? null,
  called: intended.called ?? '',
  weight: intended.weight ?? null,
  hot: intended.hot ?? false,
  vessels: intended.vessels ?? [],
  startAt: intended.startAt,
  pressAt: intended.pressAt,
})

/** How a form means it to be packed, for the log; `undefined` where all is as usual. */
export function intendedOf({
  style,
  place,
  closure,
  called,
  weight,
  hot,
  vessels,
  startAt,
  pressAt,
}: PlanForm): Intended | undefined {
  const where = place.trim()
  const intended = {
    ...(where && where !== styleById(style).place && { place: where }),
    ...(closure && { closure, ...(called.trim() && { called: called.trim() }) }),
    ...(weight && { weight }),
    ...(hot && { hot }),
    ...(vessels.length > 0 && { vessels }),
    ...(startAt && pressAt && { startAt, pressAt }),
  }
  return Object.keys(intended).length > 0 ? intended : undefined
}

/** A fresh plan from a version of a recipe. */
export function formOfRecipe(recipe: EntryOf<'recipe'>): PlanForm {
  return {
    ...freshPlan(),
    ...styleDefaults(recipe.plan.style),
    ...recipe.plan,
    rows: withKeys(recipe.plan.rows),
    ...words(recipe.plan),
    recipeId: recipe.recipeId,
    name: recipe.name,
  }
}
