import { z } from '../../schema'
import { SENSE_QUESTIONS, SENSE_SCALES, type SenseQuestion } from '../../ferment/senses'
import { base, IdSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { photos } from '../observed'

/** Steps of what can be seen and tasted without an instrument; at least one question is answered. */
const SeenSchema = z
  .partialRecord(z.enum(SENSE_QUESTIONS), z.number().int().min(0))
  .refine((seen) => Object.keys(seen).length > 0, 'Say what was seen or tasted.')
  .refine(
    (seen) => SENSE_QUESTIONS.every((question) => (seen[question] ?? 0) < SENSE_SCALES[question].steps.length),
    'There is no such step.',
  )

/** What eyes and tongue told of a lot: no measurement, and no sign of spoilage. */
export const SenseEntry = z.object({
  ...base,
  kind: z.literal('sense'),
  lotId: IdSchema,
  seen: SeenSchema,
  /** The jars it was seen in; of all of them, where not said. */
  marks: z.array(z.string().max(4)).max(40).optional(),
  note: text.optional(),
  photos,
})

const BEFORE: Record<SenseQuestion, string> = {
  bubbles: 'bubbles',
  cloud: 'liquid',
  'one mass': 'stirred it',
  sour: 'tastes',
}
/** What a step is called in a sentence: "bubbles unprompted", "tastes sour". */
export const senseWords = (question: SenseQuestion, step: number): string =>
  step === 0 && question === 'bubbles'
    ? 'no bubbles'
    : `${BEFORE[question]} ${SENSE_SCALES[question].steps[step] ?? ''}`

const kind: Kind<typeof SenseEntry> = {
  schema: SenseEntry,
  says: 'what was seen and tasted, in steps',
  words: ({ seen, marks, note }) => {
    const told = SENSE_QUESTIONS.flatMap((question) => {
      const step = seen[question]
      return step === undefined ? [] : [senseWords(question, step)]
    })
    const jar = marks?.length ? `, jar ${marks.join(', ')}` : ''
    return `By eye and tongue${jar}: ${told.join('; ')}${note ? `. ${note}` : ''}`
  },
  lots: ({ lotId }) => [lotId],
  effect: addsTo('senses'),
  reversible: true,
}
export default kind
