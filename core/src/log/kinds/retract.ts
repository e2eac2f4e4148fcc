import { z } from '../../schema'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'

/** Takes an entry back altogether. */
export const RetractEntry = z.object({ ...base, kind: z.literal('retract'), replaces: IdSchema, reason: text })

const kind: Kind<typeof RetractEntry> = {
  schema: RetractEntry,
  says: 'takes an entry back',
  words: ({ reason }) => `Taken back: ${reason}`,
  reversible: false,
}
export default kind
