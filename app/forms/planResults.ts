import {
  bottlesFilled,
  ends,
  between,
  InvalidInput,
  NOT_BY_EYE,
  pctOn,
  planFigures,
  readSalt,
  saltByEye,
  saltOfDose,
  scaled,
  shareTrimmings,
  exactly,
  RecipePlanSchema,
  styleById,
  type Book,
  type Range,
  type SaidSalt,
  type PlanFigures,
  type Row,
} from '@lactofer/core'
import { waterOf, weighedRows, type PlanForm } from './planForm'

/* What a plan comes to: its salt in grams, its figures, itself in another size, what of it a recipe keeps. */

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
): { said: Exclude<SaidSalt, { kind: 'percent' }>; saltG: Range } | undefined {
  if (!form.saltSaid) return undefined
  const said = readSalt(form.saltSaid, book.library.salts, form.saltId)
  if (said.kind === 'percent') return undefined
  if (said.kind === 'by eye') {
    const { saltPct, saltByEye: allowed } = styleById(form.style)
    if (!allowed || !saltPct) throw new InvalidInput(NOT_BY_EYE)
    return {
      said,
      saltG: saltByEye(
        saltPct,
        weighedRows(form).reduce((sum, { massG }) => sum + massG, 0),
      ),
    }
  }
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
  const rows = shareTrimmings(weighedRows(form), form.trimmedG, book.library)
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

/**
 * A plan times a factor. Salt that was said as so much in all becomes as many grams more, so that the strength stays;
 * salt that was said by the water, the cup or the percent follows by itself.
 */
export function scaledForm(form: PlanForm, book: Book, by: number): PlanForm {
  const salted = saltedOf(form, book)
  const fixed = salted?.said.kind === 'dose' && ['all', 'jar'].includes(salted.said.into.kind)
  return {
    ...scaled(form, by),
    waterSaid: undefined,
    trimmedG: form.trimmedG === null ? null : form.trimmedG * by,
    ...(fixed && { saltSaid: `${Number((salted.saltG.typical * by).toFixed(1))} g` }),
  }
}

/** The part of a plan that a recipe keeps, its salt in the maker's words too; `null` while figures are missing. */
export function recipePlanOf(form: PlanForm, book: Book) {
  const { style, cut, saltBasis, saltId, targetPh, saltSaid, waterSaid, waterBetweenG } = form
  const said = saltSaid ? planResults(form, book) : null
  if (saltSaid && !said?.figures) return null
  const rows = weighedRows(form)
    .filter((row) => !row.lotId)
    .map(({ boughtG: _b, grower: _g, pricePerKg: _p, lotId: _l, ...row }) => row)
  const waterG = waterOf(form) ?? 0
  const parsed = RecipePlanSchema.safeParse({
    ...{ style, cut, rows, waterG, saltBasis, saltId, targetPh },
    saltPct: said?.figures ? Number((pctOn(said.figures.dose, saltBasis) ?? 0).toFixed(2)) : form.saltPct,
    ...(saltSaid && { saltSaid }),
    ...(waterSaid && waterG > 0 && { waterSaid, waterBetweenG }),
  })
  return parsed.success ? parsed.data : null
}

/** Bottles a plan gives, from the least to the most of its sauce. @param bottleMl what one holds, mL. */
export function bottlesOf({ sauceMl }: PlanFigures, bottleMl: number): { words: string; noun: string } {
  const [least, most] = [sauceMl.low, sauceMl.high].map((ml) => bottlesFilled(ml, bottleMl).count) as [number, number]
  return { words: ends(least, most), noun: least === most && most === 1 ? 'bottle' : 'bottles' }
}
