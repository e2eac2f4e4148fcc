import { z } from '../../schema'
import { SIGN_IDS } from '../../ferment/signKinds'
import { LEVELS } from '../../level'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { photos } from '../observed'

/** Something seen, what the deciding questions were answered, and what that came to. */
export const SignEntry = z.object({
  ...base,
  kind: z.literal('sign'),
  lotId: IdSchema,
  sign: z.enum(SIGN_IDS),
  answers: z.array(z.string().max(40)).max(4).optional(),
  level: z.enum(LEVELS).optional(),
  holds: z.boolean().optional(),
  /** The vessels it was seen in; in any of them, where not said. */
  marks: z.array(z.string().max(4)).max(40).optional(),
  note: text.optional(),
  photos,
})

const kind: Kind<typeof SignEntry> = {
  schema: SignEntry,
  says: 'something was seen, and what it came to',
  words: ({ sign, level, answers, note }) => {
    const verdict = level ? ` (${level}${answers?.length ? `: ${answers.join(', ')}` : ''})` : ''
    return `Seen: ${sign}${verdict}${note ? `. ${note}` : ''}`
  },
  lots: ({ lotId }) => [lotId],
  effect: addsTo('signs'),
  reversible: true,
}
export default kind
