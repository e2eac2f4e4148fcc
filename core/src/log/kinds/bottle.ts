import { dayInWords } from '../../units/counted'
import { z } from '../../schema'
import { ProcessSchema } from '../../keep/process'
import { TREATMENTS, wayOf } from '../../keep/ways'
import { formatNumber } from '../../units/number'
import { formatTemperature } from '../../units/quantity'
import { base, counted, IdSchema, lot, massG, name, tempC, volumeMl } from '../entryParts'
import type { Kind } from '../kind'
import { flowFrom, newLot } from '../lot'
import { supply } from './supply'

/** Where bottles are kept. */
export const STORES = ['shelf', 'cold', 'frozen'] as const
export type Store = (typeof STORES)[number]

/** How bottles are closed. */
export const CLOSINGS = ['tight', 'vented', 'squeeze'] as const

/** What the heat of a run was reckoned against before processes were recorded. */
const ReferenceSchema = z.object({
  id: z.string().max(60),
  name: z.string().max(120),
  refC: z.number().min(50).max(121.1),
  zC: z.number().min(4).max(20),
  minutes: z.number().min(0.01).max(600).nullable(),
  highestPh: z.number().min(2.5).max(4.6),
  source: z.string().max(300),
})

/**
 * A run of bottles. Beside the count: bottles kept back as a sample, what stayed in a bottle that was not full and
 * in pot and funnel (g), net weights that were sampled (g),
 * the process it was made by, what it took from the packaging, and whether a plastic test bottle was filled.
 */
export const BottleEntry = z.object({
  ...base,
  kind: z.literal('bottle'),
  ...lot,
  fromLotId: IdSchema,
  bottleMl: volumeMl,
  count: counted,
  usedG: massG,
  treatment: z.enum(TREATMENTS),
  lastFillTempC: tempC.optional(),
  bestBefore: z.iso.date(),
  formatId: z.string().max(60).optional(),
  store: z.enum(STORES).optional(),
  place: name.optional(),
  retained: z.number().int().min(0).max(1000).optional(),
  testBottle: z.boolean().optional(),
  /** How the bottles are closed: tight, opened now and then, or soft ones that give. */
  closing: z.enum(CLOSINGS).optional(),
  /** Minutes they stood on their heads after a hot filling; whether shrink bands went on. */
  turnedMin: z.number().min(0).max(15).optional(),
  bands: z.boolean().optional(),
  /** Minutes the closed bottles were held hot before they were cooled. */
  heldMin: z.number().min(0).max(120).optional(),
  /** It holds pieces. */
  chunky: z.boolean().optional(),
  process: ProcessSchema.optional(),
  partG: massG.optional(),
  lossG: massG.optional(),
  netG: z.array(massG).max(500).optional(),
  supplies: z
    .array(z.object({ ...supply, count: z.number().int().min(0).max(100_000) }))
    .max(10)
    .optional(),
  reference: ReferenceSchema.optional(),
  altitudeM: z.number().min(-400).max(5000).optional(),
})

const netWords = (netG: readonly number[]) =>
  `${netG.length} weighed, ${formatNumber(Math.min(...netG), 1)} to ${formatNumber(Math.max(...netG), 1)} g net`

const kind: Kind<typeof BottleEntry> = {
  schema: BottleEntry,
  says: 'filled; makes a bottled lot; `retained` bottles are kept back, `netG` are weights sampled, `process` is what it was made by, `reference` what its heat was reckoned against before',
  words: (entry, world) => {
    const { netG = [], retained, lastFillTempC, turnedMin, bands } = entry
    return [
      `Bottled: ${entry.count} of ${entry.bottleMl} mL, ${entry.code}; ${wayOf(entry.treatment).name.toLowerCase()}`,
      retained ? `, ${retained} kept as a sample` : '',
      lastFillTempC === undefined ? '' : `, last bottle ${formatTemperature(lastFillTempC, world)}`,
      entry.process ? `, by ${entry.process.name}` : '',
      turnedMin ? `, turned over for ${formatNumber(turnedMin, 1)} min` : '',
      bands ? ', banded' : '',
      netG.length ? `; ${netWords(netG)}` : '',
      `; best before ${dayInWords(entry.bestBefore)}`,
    ].join('')
  },
  lots: ({ lotId }) => [lotId],
  makes: (entry) => [
    newLot(entry, { kind: 'bottled', state: 'in stock', madeG: entry.usedG, place: entry.place ?? '' }),
  ],
  sources: (lot, entry) => [flowFrom(lot, entry.fromLotId, entry.usedG)],
  reversible: false,
}
export default kind
