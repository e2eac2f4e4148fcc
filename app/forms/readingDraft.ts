import { z, TasteSchema } from '@lactofer/core'

const amount = z.number().nullable()

/** A reading while it is typed: anything may still be missing. */
export const ReadingDraftSchema = z.object({
  ph: amount,
  tempC: amount,
  saltPct: amount,
  brixPct: amount,
  aw: amount.default(null),
  histamineMgKg: amount.default(null),
  massG: amount,
  sampleG: amount,
  lyeMl: amount,
  lyeMolar: z.number(),
  of: z.enum(['liquid', 'blended']).nullable(),
  /** The jars it was read in, of a lot in several. */
  marks: z.array(z.string()).default([]),
  taste: TasteSchema,
  note: z.string(),
  photos: z.array(z.string()),
  /** When it was read, ms: when the figure was typed or taken, or as was said. */
  atMs: amount.default(null),
})
export type ReadingDraft = z.infer<typeof ReadingDraftSchema>
export const freshReading = (): ReadingDraft => ({
  ph: null,
  tempC: null,
  saltPct: null,
  brixPct: null,
  aw: null,
  histamineMgKg: null,
  massG: null,
  sampleG: null,
  lyeMl: null,
  lyeMolar: 0.1,
  of: null,
  marks: [],
  taste: {},
  note: '',
  photos: [],
  atMs: null,
})

/** The words at the ends of a scale of taste, 0 to 4. */
export const TASTE_WORDS = ['none', 'a little', 'some', 'much', 'all there is'] as const
