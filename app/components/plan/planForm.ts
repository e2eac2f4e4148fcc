import { z } from 'zod'
import { fillVessel, InvalidInput, materialById, planComposition, propertiesOf, rawShare, RowSchema, saltDose, styleById, UNKNOWN_PRODUCE, vesselById, type Fill, type SaltDose } from '@lactofer/core'

/** The plan while it is being written: like the entry, but anything may still be missing. */
export const PlanFormSchema = z.object({
  lotId: z.string(), replaces: z.string().nullable(), code: z.string(), name: z.string(), color: z.string(),
  style: z.enum(['mash', 'brined', 'chop', 'bag', 'salt-packed']),
  rows: z.array(RowSchema.extend({ massG: z.number().nullable() })),
  waterG: z.number().nullable(), saltPct: z.number().nullable(), saltBasis: z.enum(['ingredients', 'water', 'brine', 'everything']), saltId: z.string(),
  targetPh: z.number().nullable(), vesselId: z.string(), vesselCount: z.number().nullable(), place: z.string(), hot: z.boolean(),
})
export type PlanForm = z.infer<typeof PlanFormSchema>

/** Fresh form: a 4 % mash with nothing weighed in. */
export function freshPlan(): PlanForm {
  const style = styleById('mash')
  return {
    lotId: '', replaces: null, code: '', name: '', color: '#c8341f', style: 'mash', rows: [], waterG: 0, saltPct: style.saltPct.usual, saltBasis: style.basis, saltId: 'fine-sea',
    targetPh: 3.8, vesselId: 'jar-2000', vesselCount: 1, place: 'Bench', hot: false,
  }
}

/** Rows that have been weighed. */
export const weighedRows = (form: PlanForm) => form.rows.flatMap(row => row.massG === null || row.massG <= 0 ? [] : [{ ...row, massG: row.massG }])

/** What the plan comes to, or the sentence that says what is missing. */
export function planResults(form: PlanForm) {
  const rows = weighedRows(form)
  const ingredientG = rows.reduce((sum, row) => sum + row.massG, 0)
  const waterG = styleById(form.style).usesWater ? form.waterG : 0
  if (ingredientG <= 0 || form.saltPct === null || waterG === null) return null
  let dose: SaltDose
  try {
    dose = saltDose(form.saltBasis, form.saltPct, { ingredientG, waterG })
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message }
    throw error
  }
  const composition = planComposition({ rows, waterG, saltG: dose.saltG })
  const properties = propertiesOf(composition)
  const vessel = vesselById(form.vesselId)
  const fill: Fill | null = vessel && form.vesselCount
    ? fillVessel(composition.massG / form.vesselCount, properties.densityGPerMl, vessel.capacityMl, styleById(form.style).fillLimit)
    : null
  const raw = rawShare(rows.map(row => ({ ...row, livens: (materialById(row.materialId) ?? UNKNOWN_PRODUCE).livens })))
  const weakest = dose.ofEverythingPct
  return { problem: null, rows, ingredientG, waterG, dose, composition, properties, fill, vessel, raw, tooWeak: weakest < 2 }
}

/** Colour of a lot: that of its heaviest ingredient. */
export function colourOf(form: PlanForm): string {
  const heaviest = weighedRows(form).sort((a, b) => b.massG - a.massG)[0]
  return (heaviest && materialById(heaviest.materialId)?.color) ?? form.color
}
