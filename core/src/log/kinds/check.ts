import { z } from '../../schema'
import { PACKING_CHECKS, type PackingCheck } from '../../library/checks'
import { base, IdSchema } from '../entryParts'
import type { Kind } from '../kind'

const checkId = z.enum(PACKING_CHECKS.map((check) => check.id) as [PackingCheck, ...PackingCheck[]])

/** What was looked at before packing, and what was left unticked. */
export const CheckEntry = z.object({
  ...base,
  kind: z.literal('check'),
  lotId: IdSchema,
  done: z.array(checkId),
  open: z.array(checkId),
})

const checkWords = (id: PackingCheck) => PACKING_CHECKS.find((check) => check.id === id)?.text.toLowerCase() ?? id

const kind: Kind<typeof CheckEntry> = {
  schema: CheckEntry,
  says: 'looked at before packing',
  words: ({ done, open }) =>
    `Looked at before packing: ${done.map(checkWords).join('; ')}${open.length ? `. Not ticked: ${open.map(checkWords).join('; ')}` : ''}`,
  lots: ({ lotId }) => [lotId],
  effect: (lot, entry) => {
    lot.checked = entry
  },
  reversible: false,
}
export default kind
