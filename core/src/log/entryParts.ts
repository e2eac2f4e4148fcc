import { z } from '../schema'

/* What every entry is built of. Masses in g, volumes in mL, temperatures in °C, percent of weight. */

/** A ULID: sorts by the moment it was written down. */
export const IdSchema = z.string().regex(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/, 'This is not an entry id.')

/** A moment in UTC, `2026-05-04T07:30:00.000Z`. */
export const MomentSchema = z.iso.datetime({ error: 'This is not a moment in UTC.' })

/** A name in a file or a form of something that travels: plain text, no angle brackets, no control characters. */
export const PlainNameSchema = z
  .string()
  .trim()
  .min(1, 'Give it a name.')
  .max(80, 'Keep the name under 80 characters.')
  .regex(/^[^<>\p{Cc}]*$/u, 'A name is plain text: take out < and >.')

export const name = z.string().trim().min(1, 'Give it a name.').max(80, 'Keep the name under 80 characters.')
export const text = z.string().max(500, 'Keep it under 500 characters.')
export const massG = z.number().min(0).max(1_000_000)
export const volumeMl = z.number().min(1).max(1_000_000)
export const tempC = z.number().min(-30).max(130)
/** So many bottles, labels or samples: at least one. */
export const counted = z.number().int().min(1).max(100_000)
export const pct = z.number().min(0).max(100)
export const colour = z.string().regex(/^#[0-9a-f]{6}$/i)

/** A pH that a food or a buffer can have. */
export const PhSchema = z.number().min(1.5).max(9)

/** A short code as it stands on the tape: BPL-01. */
export const LotCodeSchema = z
  .string()
  .trim()
  .regex(/^[A-Za-z0-9][A-Za-z0-9 ._/-]{0,19}$/, 'Use 1 to 20 letters, digits, dots or dashes for the code.')

export const base = {
  id: IdSchema,
  at: MomentSchema,
  by: z.string().trim().min(1).max(40),
  origin: z.enum(['maker', 'demo']),
  /** Id of the entry this one corrects. */
  replaces: IdSchema.optional(),
}

/**
 * Which instrument gave a reading, and how far it can be trusted (log/trust): a strip is coarse, and coarser in red or
 * brown juice that hides its colour (`stained`); a bench meter has its last calibration on two buffers, with slope and
 * offset; a pocket meter that shows no millivolts its last check in two buffers (`checkedAt`); `failed` where the last
 * of either was not accepted.
 */
export const InstrumentSchema = z.object({
  name: z.string().max(60),
  kind: z.enum(['meter', 'strip', 'probe', 'logger']).optional(),
  steady: z.boolean(),
  calibratedAt: MomentSchema.optional(),
  slopePct: z.number().min(50).max(120).optional(),
  offsetMv: z.number().min(-600).max(600).optional(),
  checkedAt: MomentSchema.optional(),
  failed: z.boolean().optional(),
  /** Invented by a simulation: in the demo and in practice only. */
  simulated: z.boolean().optional(),
  stained: z.boolean().optional(),
})
export type Instrument = z.infer<typeof InstrumentSchema>

/** What every entry that makes a lot says of it. */
export const lot = { lotId: IdSchema, code: LotCodeSchema, name, color: colour }
