import { z } from '../../schema'
import { base } from '../entryParts'
import type { Kind } from '../kind'

/** A meter calibrated on two buffers: what it read in each, what came of it, and whether it may be used. */
export const CalibrateEntry = z.object({
  ...base,
  kind: z.literal('calibrate'),
  meter: z.string().trim().min(1).max(60),
  points: z
    .array(
      z.object({
        ph: z.number().min(1).max(13),
        millivolt: z.number().min(-600).max(600),
        tempC: z.number().min(0).max(60),
      }),
    )
    .length(2),
  slopePct: z.number(),
  offsetMv: z.number(),
  accepted: z.boolean(),
})

const kind: Kind<typeof CalibrateEntry> = {
  schema: CalibrateEntry,
  says: 'a meter on two buffers',
  words: ({ meter, slopePct, offsetMv, accepted }) =>
    `${meter} calibrated: slope ${slopePct.toFixed(1)} %, ${offsetMv.toFixed(0)} mV${accepted ? '' : ', not accepted'}`,
  reversible: false,
}
export default kind
