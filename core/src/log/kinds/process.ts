import { z } from '../../schema'
import { ProcessSchema, processWords } from '../../keep/process'
import { base } from '../entryParts'
import { photos } from '../observed'
import type { Kind } from '../kind'

/** A process as somebody qualified wrote it, or a tested recipe; `photos` are the letter. */
export const ProcessEntry = z.object({
  ...base,
  kind: z.literal('process'),
  processId: z.string().min(1).max(60),
  process: ProcessSchema,
  photos,
  retired: z.boolean().optional(),
})

const kind: Kind<typeof ProcessEntry> = {
  schema: ProcessEntry,
  says: 'a scheduled process or a tested recipe, with every figure it asks for',
  words: ({ process, retired }, world) =>
    `${retired ? 'No longer used: ' : 'Process: '}${processWords(process, world)}`,
  reversible: true,
}
export default kind
