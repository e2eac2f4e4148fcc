import { z } from 'zod'
import { TREATMENTS } from '../keep/ways'
import { base, IdSchema, InstrumentSchema, lot, massG, name, tempC, text, volumeMl } from './entryParts'
import { VERDICTS } from '../level'

/* Entries from the pot to the table: heat, bottles, labels, release, and where everything went. */

const count = z.number().int().min(1).max(100_000)
const initials = z
  .string()
  .trim()
  .regex(/^[\p{L}.]{1,6}$/u, 'Initials are one to six letters.')

/** Where a temperature of the cooking was taken. */
export const HEAT_PLACES = ['pot', 'last bottle', 'jar in the water'] as const
export type HeatPlace = (typeof HEAT_PLACES)[number]

/** Temperatures measured while a blend was cooked or filled: minutes after `at`, °C. */
export const HeatEntry = z.object({
  ...base,
  kind: z.literal('heat'),
  lotId: IdSchema,
  where: z.enum(HEAT_PLACES),
  name: z.string().trim().min(1).max(60),
  points: z
    .array(z.tuple([z.number().min(0).max(10_000), tempC]))
    .min(1, 'Measure at least once.')
    .max(5000),
  instrument: InstrumentSchema.optional(),
  note: text.optional(),
})

/** Things a bottle takes. A bottle, a label and a band belong to a format; inserts and caps to a neck. */
export const SUPPLIES = ['bottle', 'insert', 'cap', 'band', 'label'] as const
export type SupplyItem = (typeof SUPPLIES)[number]
const supply = { item: z.enum(SUPPLIES), fits: z.string().trim().min(1).max(60) }

/** A bottle as the maker buys it: what it is filled to, what it holds to the brim, what it weighs empty, g, and what its neck takes. */
export const FormatEntry = z
  .object({
    ...base,
    kind: z.literal('format'),
    formatId: z.string().min(1).max(60),
    name,
    shape: z.enum(['bottle', 'jar']),
    fillMl: volumeMl,
    brimMl: volumeMl,
    emptyG: massG,
    neck: z.string().trim().min(1).max(30),
    insert: z.boolean(),
    band: z.boolean(),
    retired: z.boolean().optional(),
  })
  .refine(
    (format) => format.brimMl > format.fillMl,
    'To the brim it holds more than it is filled to: some air must stay.',
  )
/** Packaging that came in, was counted, or broke. */
export const SupplyEntry = z.object({
  ...base,
  kind: z.literal('supply'),
  ...supply,
  what: z.enum(['received', 'counted', 'broken']),
  count: z.number().int().min(0).max(1_000_000),
})

/** Where bottles are kept. */
export const STORES = ['shelf', 'cold', 'frozen'] as const
export type Store = (typeof STORES)[number]

/** What the heat of a run is reckoned against, as it was chosen. */
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
 * A run of bottles. Beside the count: bottles kept back as a sample, what stayed in a bottle that was not full and in pot and funnel (g), net weights that were sampled (g),
 * the reference its heat was judged by, what it took from the packaging, and whether a plastic test bottle was filled.
 */
export const BottleEntry = z.object({
  ...base,
  kind: z.literal('bottle'),
  ...lot,
  fromLotId: IdSchema,
  bottleMl: volumeMl,
  count,
  usedG: massG,
  treatment: z.enum(TREATMENTS),
  lastFillTempC: tempC.optional(),
  bestBefore: z.iso.date(),
  formatId: z.string().max(60).optional(),
  store: z.enum(STORES).optional(),
  place: name.optional(),
  retained: z.number().int().min(0).max(1000).optional(),
  testBottle: z.boolean().optional(),
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

/** Labels that were printed for a lot: all that stood on them, and the ingredients they rest on. */
export const PrintedEntry = z.object({
  ...base,
  kind: z.literal('printed'),
  lotId: IdSchema,
  count,
  size: z.string().max(60),
  text: z.string().max(8000),
  basis: z.string().max(8000),
  byHand: z.boolean().optional(),
})

/** A release or a hold, with the checks as they stood then and the initials of who answers for it. */
export const ReleaseEntry = z.object({
  ...base,
  kind: z.literal('release'),
  lotId: IdSchema,
  decision: z.enum(['released', 'held']),
  limitPh: z.number().min(2.5).max(4.2),
  reason: text,
  initials: initials.optional(),
  checks: z
    .array(z.object({ id: z.string().max(20), verdict: z.enum(VERDICTS), sentence: text }))
    .max(20)
    .optional(),
})

/** How bottles leave, or what becomes of a stock. */
export const WAYS_OUT = ['sold', 'given', 'used', 'broken'] as const
export type WayOut = (typeof WAYS_OUT)[number]
/** Bottles that left a place: to whom, or what for. Without `how` they were sold. */
export const SendEntry = z.object({
  ...base,
  kind: z.literal('send'),
  lotId: IdSchema,
  count,
  to: name,
  how: z.enum(WAYS_OUT).optional(),
  place: name.optional(),
})
/** Some of a stock that left it without becoming another lot. */
export const UseEntry = z.object({
  ...base,
  kind: z.literal('use'),
  lotId: IdSchema,
  massG: massG.positive('Say how much.'),
  how: z.enum(WAYS_OUT),
  to: name,
})
/** To another place: so many bottles, or a whole stock. */
export const MoveEntry = z.object({
  ...base,
  kind: z.literal('move'),
  lotId: IdSchema,
  place: name,
  from: name.optional(),
  count: count.optional(),
})
/** A recall, or the exercise of one: what the log said was made, is here and is out, and what was found. */
export const RecallEntry = z.object({
  ...base,
  kind: z.literal('recall'),
  lotId: IdSchema,
  exercise: z.boolean(),
  made: z.number().int().min(0),
  here: z.number().int().min(0),
  out: z.number().int().min(0),
  found: z.number().int().min(0).optional(),
  minutes: z.number().min(0).max(100_000).optional(),
  note: text.optional(),
})
