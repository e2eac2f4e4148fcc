import { z } from '@lactofer/core'
import {
  byParts,
  openTargets,
  PREPARATIONS,
  scaledTo,
  TargetsSchema,
  withShare,
  type Aim,
  type EntryOf,
  type Material,
  type Target,
  type Targets,
} from '@lactofer/core'

const amount = z.number().nullable()
const PartForm = z.object({
  key: z.string(),
  lotId: z.string().optional(),
  materialId: z.string().optional(),
  name: z.string(),
  massG: amount,
  ph: amount,
  strengthPct: amount,
  alkalinity: amount,
  preparation: z.enum(PREPARATIONS),
  locked: z.boolean(),
  lowPct: amount,
  highPct: amount,
  ratio: amount,
})
export type PartForm = z.infer<typeof PartForm>

/** One sauce while it is tried out. Its id becomes the lot's, so that trials belong to it. */
const SauceForm = z.object({
  id: z.string(),
  code: z.string(),
  name: z.string(),
  cooked: z.boolean(),
  parts: z.array(PartForm),
  bottleMl: z.number(),
  targets: TargetsSchema,
  makeLow: amount,
  makeHigh: amount,
})
export type SauceForm = z.infer<typeof SauceForm>

/** Ways to give amounts. */
export const MODES = ['weight', 'percent', 'parts'] as const
export type Mode = (typeof MODES)[number]

/** The bench: sauces that share one stock, and how they are solved. */
export const BlendDraftSchema = z.object({
  sauces: z.array(SauceForm).min(1).max(8),
  at: z.number().int().min(0),
  mode: z.enum(MODES),
  objective: z.enum(['closest', 'vinegar', 'cost', 'base']),
  stepG: z.number(),
  wholeBand: z.boolean(),
  together: z.boolean(),
})
export type BlendDraft = z.infer<typeof BlendDraftSchema>

/** A fresh sauce. The only target set is the release limit: pH 4.0 at most. */
export function freshSauce(id: string): SauceForm {
  const targets: Targets = openTargets()
  targets.acid.high = 4.0
  return { id, code: '', name: '', cooked: false, parts: [], bottleMl: 150, targets, makeLow: null, makeHigh: null }
}
export const freshBlendDraft = (id: string): BlendDraft => ({
  sauces: [freshSauce(id)],
  at: 0,
  mode: 'weight',
  objective: 'closest',
  stepG: 1,
  wholeBand: false,
  together: true,
})

/** A part as it comes from stock or shelf, with nothing known of it beyond the library. */
export const freshPart = (
  part: Pick<PartForm, 'key' | 'name' | 'massG'> & { lotId?: string; materialId?: string },
): PartForm => ({
  ph: null,
  strengthPct: null,
  alkalinity: null,
  preparation: 'raw',
  locked: false,
  lowPct: null,
  highPct: null,
  ratio: null,
  ...part,
})

/** A part as the log keeps it; `null` while it has no weight. */
export function partForLog({
  lotId,
  materialId,
  name,
  massG,
  ph,
  strengthPct,
  alkalinity,
  preparation,
}: PartForm): EntryOf<'blend'>['parts'][number] | null {
  if (!massG) return null
  if (lotId) return { lotId, name, massG }
  return {
    materialId: materialId ?? 'unknown',
    name,
    massG,
    ...(ph !== null && { ph }),
    ...(strengthPct !== null && { strengthPct }),
    ...(alkalinity !== null && { alkalinity }),
    ...(preparation !== 'raw' && { preparation }),
  }
}
export const partsForLog = (parts: readonly PartForm[]): EntryOf<'blend'>['parts'] =>
  parts.map(partForLog).filter((part) => part !== null)

/** Its targets as plain values, as they go to a worker. */
export const targetsOf = ({ targets }: Pick<SauceForm, 'targets'>): Targets =>
  Object.fromEntries(Object.entries(targets).map(([aim, target]) => [aim, { ...target }])) as Targets

export const totalOf = (sauce: Pick<SauceForm, 'parts'>): number =>
  sauce.parts.reduce((sum, part) => sum + (part.massG ?? 0), 0)

/** Grams that the sauces together take of each lot. */
export function takenOf(sauces: readonly SauceForm[]): Map<string, number> {
  const taken = new Map<string, number>()
  for (const { lotId, massG } of sauces.flatMap(({ parts }) => parts))
    if (lotId) taken.set(lotId, (taken.get(lotId) ?? 0) + (massG ?? 0))
  return taken
}

const amounts = (parts: readonly PartForm[]) => parts.map(({ massG, locked }) => ({ massG: massG ?? 0, locked }))
const tidy = (grams: number) => Number(grams.toFixed(2))

/** Puts new grams on parts, in place. */
export function setMasses(parts: PartForm[], masses: readonly number[]): void {
  parts.forEach((part, index) => (part.massG = tidy(masses[index] ?? 0)))
}
/** One part becomes so many percent of the whole. @throws InvalidInput as {@link withShare} does. */
export const setShare = (parts: PartForm[], index: number, pct: number) =>
  setMasses(parts, withShare(amounts(parts), index, pct))
/** The whole shared out by the ratio of the parts. @throws InvalidInput as {@link byParts} does. */
export const shareOut = (parts: PartForm[], totalG: number) =>
  setMasses(
    parts,
    byParts(
      amounts(parts),
      parts.map(({ ratio }) => ratio ?? 0),
      totalG,
    ),
  )
/** Everything larger or smaller. @throws InvalidInput when there is nothing. */
export const scaleParts = (parts: PartForm[], totalG: number) =>
  setMasses(
    parts,
    scaledTo(
      parts.map(({ massG }) => massG ?? 0),
      totalG,
    ),
  )

/** Units and limits of the target fields. */
export const TARGET_FIELDS = {
  acid: { low: 2.5, high: 4.6 },
  salt: { low: 0, high: 20 },
  heat: { low: 0, high: 2_000_000 },
  sweet: { low: 0, high: 60 },
  body: { low: 0, high: 60 },
  tart: { low: 0, high: 20 },
} as const
/** The two ends of a wish, as they are called. */
export const ENDS = ['low', 'high'] as const
export type End = (typeof ENDS)[number]
export const END_WORDS: Record<End, string> = { low: 'at least', high: 'at most' }
/** Between what an end of a wish may be stepped: it stays on its side of the other, within what its field holds. */
export function endLimits(aim: Aim, { low, high }: Pick<Target, End>, end: End): Record<End, number> {
  const field = TARGET_FIELDS[aim]
  return end === 'low' ? { low: field.low, high: high ?? field.high } : { low: low ?? field.low, high: field.high }
}
/** What a vinegar's label can say; 0 % is water, and over 80 % is no vinegar. */
export const STRENGTH_FIELD = { low: 1, high: 80 } as const

/**
 * A slider reaches the stock, or a kilo (100 g for salt, acid and thickener); past its end it stretches with the
 * figure.
 */
export function reachOf({ massG }: PartForm, lot: { leftG: number } | undefined, material: Material | undefined) {
  const fine = ['salt', 'acid', 'thickener'].includes(material?.kind ?? '')
  return Math.max(Math.ceil(lot?.leftG ?? (fine ? 100 : 1000)), Math.ceil((massG ?? 0) * 1.25), 10)
}
