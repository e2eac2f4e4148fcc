import { z } from 'zod'
import { ofMass, ofMaterial, withPh, type Composition, type EntryOf, type Library } from '@lactofer/core'
import type { Property, Target } from '../measure/rulers'

const PartForm = z.object({ key: z.string(), lotId: z.string().optional(), materialId: z.string().optional(), name: z.string(), massG: z.number().nullable(), ph: z.number().nullable() })
export type PartForm = z.infer<typeof PartForm>

const TargetForm = z.object({ low: z.number().nullable(), high: z.number().nullable() })

/** The blend while it is tried out. */
export const BlendFormSchema = z.object({
  code: z.string(), name: z.string(), cooked: z.boolean(), parts: z.array(PartForm), bottleMl: z.number(),
  targets: z.object({ acid: TargetForm, salt: TargetForm, heat: TargetForm, sweet: TargetForm, body: TargetForm }),
})
export type BlendForm = z.infer<typeof BlendFormSchema>

const open = (): Target => ({ low: null, high: null })

/** A fresh bench. The only target set is the release limit: pH 4.0 at most. */
export const freshBlend = (): BlendForm => ({ code: '', name: '', cooked: false, parts: [], bottleMl: 150, targets: { acid: { low: null, high: 4.0 }, salt: open(), heat: open(), sweet: open(), body: open() } })

/** A part's composition per its mass; `null` when its lot is gone or it holds nothing. */
export function partOnBench(part: PartForm, compositionOf: (lotId: string) => Composition | null, library: Library): Composition | null {
  if (!part.massG) return null
  if (part.lotId) {
    const source = compositionOf(part.lotId)
    return source && ofMass(source, part.massG)
  }
  const material = library.material(part.materialId ?? '')
  if (!material) return null
  const typical = ofMaterial(material, part.massG)
  return part.ph === null ? typical : withPh(typical, part.ph, 0.05)
}

/** The parts as the log keeps them. */
export const partsForLog = (parts: readonly PartForm[]): EntryOf<'blend'>['parts'] => parts.flatMap(({ lotId, materialId, name, massG, ph }) =>
  massG ? [{ ...(lotId ? { lotId } : { materialId: materialId ?? 'unknown' }), name, massG, ...(ph !== null && { ph }) }] : [])

/** Units of the target fields. */
export const TARGET_FIELDS: Record<Property, { low: number, high: number }> = { acid: { low: 2.5, high: 4.6 }, salt: { low: 0, high: 20 }, heat: { low: 0, high: 2_000_000 }, sweet: { low: 0, high: 60 }, body: { low: 0, high: 60 } }
