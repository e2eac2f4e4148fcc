import { z } from '../../schema'
import { base } from '../entryParts'
import type { Kind } from '../kind'

/** A pocket meter, which shows no millivolts, checked in two buffers: what it showed, and whether that will do. */
export const BuffersEntry = z.object({
  ...base,
  kind: z.literal('buffers'),
  meter: z.string().trim().min(1).max(60),
  points: z.array(z.object({ ph: z.number().min(1).max(13), shown: z.number().min(0).max(14) })).length(2),
  accepted: z.boolean(),
})

const kind: Kind<typeof BuffersEntry> = {
  schema: BuffersEntry,
  says: 'a meter without millivolts, checked in two buffers: what it showed in each',
  words: ({ meter, points, accepted }) =>
    `${meter} in two buffers: ${points.map(({ ph, shown }) => `${shown.toFixed(2)} in ${ph.toFixed(2)}`).join(', ')}${accepted ? '' : ', not accepted'}`,
  reversible: true,
}
export default kind
