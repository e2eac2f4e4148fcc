import { z } from '../../schema'
import { formatNumber } from '../../units/number'
import { PartSchema } from '../contents'
import { base, IdSchema, InstrumentSchema, name, PhSchema, text } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { predicted, TasteSchema } from '../observed'
import { tasteWords } from '../say'

/**
 * A small version of a blend that is not poured yet: `lotId` is the blend to be. Its pH teaches what `unknown`, a lot
 * or a material in it, holds of acid.
 */
export const TrialEntry = z.object({
  ...base,
  kind: z.literal('trial'),
  lotId: IdSchema,
  name,
  parts: z.array(PartSchema).min(1).max(40),
  predictedPh: predicted.optional(),
  unknown: z.string().max(60).optional(),
  ph: PhSchema.optional(),
  saltPct: z.number().min(0).max(40).optional(),
  taste: TasteSchema.optional(),
  instrument: InstrumentSchema.optional(),
  note: text.optional(),
})

const kind: Kind<typeof TrialEntry> = {
  schema: TrialEntry,
  says: 'a small version of a blend to be: `lotId` is the lot it will become. Its pH teaches what `unknown` (a lot or a material in it) holds of acid',
  words: ({ name: title, parts, ph, saltPct, taste, note }) => {
    const poured = parts.map((part) => `${formatNumber(part.massG, 1)} g ${part.name.toLowerCase()}`).join(', ')
    const found = [
      ...(ph === undefined ? [] : [`; pH ${ph.toFixed(2)}`]),
      ...(saltPct === undefined ? [] : [`, salt ${saltPct} %`]),
      ...(taste ? [`; ${tasteWords(taste)}`] : []),
      ...(note ? [`; ${note}`] : []),
    ]
    return `${title}: ${poured}${found.join('')}`
  },
  lots: ({ lotId }) => [lotId],
  alsoIn: ({ parts }) => parts.flatMap(({ lotId }) => (lotId ? [lotId] : [])),
  effect: addsTo('trials'),
  reversible: true,
}
export default kind
