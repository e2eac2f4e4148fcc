import { z } from 'zod'
import { MomentSchema, PhSchema } from '../log/entry'

/** One instrument as it reads now. `value` is in g, pH or °C; `null` while nothing is measured. */
const Channel = z.object({ value: z.number().nullable(), steady: z.boolean() })

/** What the bench sends several times a second. */
export const BenchStateSchema = z.object({
  at: MomentSchema,
  scale: Channel.extend({ tareG: z.number() }),
  ph: Channel.extend({ millivolt: z.number().nullable(), slopePct: z.number(), calibratedAt: MomentSchema, sample: z.string() }),
  thermometer: Channel.extend({ sample: z.string() }),
})
export type BenchState = z.infer<typeof BenchStateSchema>

/** What can be asked of the bench. Loads in g up to the scale's 30 kg; a sample is a lot's code and what is in it. */
export const BenchCommandSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('load'), massG: z.number().min(0).max(30_000) }),
  z.object({ do: z.literal('tare') }),
  z.object({ do: z.literal('dip'), sample: z.string().trim().min(1).max(40), ph: PhSchema, tempC: z.number().min(-5).max(110) }),
  z.object({ do: z.literal('lift') }),
  z.object({ do: z.literal('calibrate') }),
])
export type BenchCommand = z.infer<typeof BenchCommandSchema>
