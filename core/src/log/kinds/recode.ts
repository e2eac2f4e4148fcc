import { z } from '../../schema'
import { base, IdSchema, LotCodeSchema } from '../entryParts'
import type { Kind } from '../kind'
import { add } from '../lot'

/** Another code for a lot, where two have the same. What is printed stays findable. */
export const RecodeEntry = z.object({ ...base, kind: z.literal('recode'), lotId: IdSchema, code: LotCodeSchema })

const kind: Kind<typeof RecodeEntry> = {
  schema: RecodeEntry,
  says: 'another code for a lot; the one before stays findable',
  words: ({ code }) => `Code from now on: ${code}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, { code }) => {
    lot.formerCodes = add(lot.formerCodes, lot.code)
    lot.code = code
  },
  reversible: true,
}
export default kind
