import { z } from '../schema'
import { MomentSchema, PhSchema } from '../log/entryParts'

/** One instrument as it reads now. `value` is in g, pH or °C; `null` while nothing is measured. */
const Channel = z.object({ value: z.number().nullable(), steady: z.boolean() })

/** What the bench sends several times a second. */
export const BenchStateSchema = z.object({
  at: MomentSchema,
  scale: Channel.extend({ tareG: z.number() }),
  ph: Channel.extend({
    millivolt: z.number().nullable(),
    slopePct: z.number(),
    calibratedAt: MomentSchema,
    sample: z.string(),
  }),
  thermometer: Channel.extend({ sample: z.string() }),
  /** Thermometers that stay in a vessel and log on their own. */
  probes: z.array(Channel.extend({ id: z.string().max(20), name: z.string().max(40) })).max(16),
})
export type BenchState = z.infer<typeof BenchStateSchema>

/** What can be asked of the bench. Loads in g up to the scale's 30 kg; a sample is a lot's code and what is in it. */
export const BenchCommandSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('load'), massG: z.number().min(0).max(30_000) }),
  z.object({ do: z.literal('tare') }),
  /** A thick sample lets the electrode settle slowly, as a cold one does. */
  z.object({
    do: z.literal('dip'),
    sample: z.string().trim().min(1).max(40),
    ph: PhSchema,
    tempC: z.number().min(-5).max(110),
    thick: z.boolean().optional(),
  }),
  z.object({ do: z.literal('place'), probe: z.string().max(20), tempC: z.number().min(-5).max(60) }),
  z.object({ do: z.literal('lift') }),
  /** What two buffers gave, for the meter to reckon with from now on. */
  z.object({
    do: z.literal('calibrate'),
    slopePct: z.number().min(50).max(120),
    offsetMv: z.number().min(-100).max(100),
  }),
])
export type BenchCommand = z.infer<typeof BenchCommandSchema>
