import { z } from '../../schema'
import { titratablePct } from '../../acid/titration'
import { formatNumber } from '../../units/number'
import { formatMass, formatTemperature } from '../../units/quantity'
import { base, IdSchema, InstrumentSchema, massG, PhSchema, tempC, text, type Instrument } from '../entryParts'
import type { Kind } from '../kind'
import { addsTo } from '../lot'
import { photos, TasteSchema, TastingSchema, TitrationSchema } from '../observed'
import { tasteWords } from '../say'

/**
 * Anything measured in or of a lot at a moment. `of` says where the sample came from; `massG` is what lot and vessel
 * content weigh now.
 */
export const ReadingEntry = z
  .object({
    ...base,
    kind: z.literal('reading'),
    lotId: IdSchema,
    ph: PhSchema.optional(),
    of: z.enum(['liquid', 'blended']).optional(),
    /** The jars that were read, of a lot in several; together they are a sample mixed of them. */
    marks: z.array(z.string().max(4)).max(40).optional(),
    tempC: tempC.optional(),
    saltPct: z.number().min(0).max(40).optional(),
    brixPct: z.number().min(0).max(80).optional(),
    /** Water activity, from a laboratory or a meter of its own. */
    aw: z.number().min(0.3).max(1).optional(),
    histamineMgKg: z.number().min(0).max(10_000).optional(),
    titration: TitrationSchema.optional(),
    massG: massG.optional(),
    taste: TasteSchema.optional(),
    tasting: TastingSchema.optional(),
    instrument: InstrumentSchema.optional(),
    note: text.optional(),
    photos,
  })
  .refine(
    (entry) =>
      [
        entry.ph,
        entry.tempC,
        entry.saltPct,
        entry.brixPct,
        entry.aw,
        entry.histamineMgKg,
        entry.titration,
        entry.massG,
        entry.taste,
        entry.tasting,
      ].some((value) => value !== undefined),
    'A reading needs something that was read.',
  )

const dilutionWords = ({ dilution, felt }: { dilution: number; felt: boolean }) =>
  `1 : ${formatNumber(dilution)} ${felt ? 'felt' : 'nothing'}`

const phWords = ({ ph = 0, of, marks = [] }: z.infer<typeof ReadingEntry>) =>
  `pH ${ph.toFixed(2)}${of === 'liquid' ? ' in the liquid' : ''}${marks.some(Boolean) ? ` of jar ${marks.join(', ')}` : ''}`

function instrumentWords(instrument?: Instrument): string {
  if (instrument?.simulated) return `(${instrument.name}, simulated)`
  if (instrument?.kind === 'strip') return '(strips)'
  if (instrument?.calibratedAt) return '(calibrated meter)'
  if (instrument?.checkedAt) return '(meter checked in two buffers)'
  return instrument?.kind === 'probe' ? `(${instrument.name})` : ''
}

const kind: Kind<typeof ReadingEntry> = {
  schema: ReadingEntry,
  says: 'anything measured or tasted',
  words: (entry, world) =>
    [
      entry.ph === undefined ? '' : phWords(entry),
      entry.tempC === undefined ? '' : formatTemperature(entry.tempC, world),
      entry.saltPct === undefined ? '' : `salt ${entry.saltPct} %`,
      entry.brixPct === undefined ? '' : `${entry.brixPct} °Brix`,
      entry.histamineMgKg === undefined ? '' : `histamine ${formatNumber(entry.histamineMgKg)} mg/kg`,
      entry.aw === undefined ? '' : `water activity ${entry.aw.toFixed(2)}`,
      entry.titration ? `${titratablePct(entry.titration).toFixed(2)} % titrated as lactic` : '',
      entry.massG === undefined ? '' : `weighs ${formatMass(entry.massG, world)}`,
      entry.taste ? `tastes: ${tasteWords(entry.taste)}` : '',
      entry.tasting ? `dilutions: ${entry.tasting.map(dilutionWords).join(', ')}` : '',
      instrumentWords(entry.instrument),
      entry.note ?? '',
    ]
      .filter(Boolean)
      .join(', '),
  lots: ({ lotId }) => [lotId],
  effect: addsTo('readings'),
  reversible: true,
}
export default kind
