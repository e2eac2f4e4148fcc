import { z } from 'zod'
import { decodeTime, monotonicFactory } from 'ulid'
import { ALLERGENS } from '../library/material'
import { PREPARATIONS } from '../composition/ingredient'
import { PRESS_METHODS } from '../press/separate'
import { TREATMENTS } from '../keep/release'

/*
 * The single definition of every stored or received entry. Masses in g, volumes in mL, temperatures in °C, percent of weight.
 * An entry is a fact: never edited, never deleted. A correction is an entry of its own that names the one it replaces.
 */

/** A ULID: sorts by the moment it was written down. */
export const IdSchema = z.string().regex(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/, 'This is not an entry id.')

/** A moment in UTC, `2026-05-04T07:30:00.000Z`. */
export const MomentSchema = z.iso.datetime({ error: 'This is not a moment in UTC.' })

const name = z.string().trim().min(1, 'Give it a name.').max(80, 'Keep the name under 80 characters.')
const text = z.string().max(500, 'Keep it under 500 characters.')
const massG = z.number().min(0).max(1_000_000)
const volumeMl = z.number().min(1).max(1_000_000)
const tempC = z.number().min(-30).max(130)
const pct = z.number().min(0).max(100)
const colour = z.string().regex(/^#[0-9a-f]{6}$/i)

/** A pH that a food or a buffer can have. */
export const PhSchema = z.number().min(1.5).max(9)

/** A short code as it stands on the tape: BPL-01. */
export const LotCodeSchema = z.string().trim().regex(/^[A-Za-z0-9][A-Za-z0-9 ._/-]{0,19}$/, 'Use 1 to 20 letters, digits, dots or dashes for the code.')

const base = {
  id: IdSchema,
  at: MomentSchema,
  by: z.string().trim().min(1).max(40),
  origin: z.enum(['maker', 'demo']),
  /** Id of the entry this one corrects. */
  replaces: IdSchema.optional(),
}

/** A weighed row of a plan. */
export const RowSchema = z.object({
  materialId: z.string().min(1).max(60),
  name,
  massG: massG.positive('Weigh it in, or take the row out.'),
  preparation: z.enum(PREPARATIONS),
  seedsOut: z.boolean(),
})

/** A vessel in use: what it is, what is in it, and its mark on the tape ("a", "b"). */
export const VesselUseSchema = z.object({ vesselId: z.string().min(1).max(60), mark: z.string().max(4), massG, hot: z.boolean() })

/** Which instrument gave a reading, and how far it can be trusted. */
export const InstrumentSchema = z.object({ name: z.string().max(60), steady: z.boolean(), calibratedAt: MomentSchema.optional(), slopePct: z.number().min(50).max(120).optional() })
export type Instrument = z.infer<typeof InstrumentSchema>

const lot = { lotId: IdSchema, code: LotCodeSchema, name, color: colour }

export const PlanEntry = z.object({
  ...base, kind: z.literal('plan'), ...lot,
  style: z.enum(['mash', 'brined', 'chop', 'bag', 'salt-packed']),
  rows: z.array(RowSchema).min(1).max(60),
  waterG: massG, saltG: massG, saltId: z.string().max(60),
  saltBasis: z.enum(['ingredients', 'water', 'brine', 'everything']), saltPct: z.number().min(0).max(35),
  targetPh: z.number().min(2.5).max(4.2),
})
export const PackEntry = z.object({ ...base, kind: z.literal('pack'), lotId: IdSchema, vessels: z.array(VesselUseSchema).min(1).max(40), place: name, closure: z.enum(['tight lid', 'loose lid', 'airlock', 'clip', 'cloth', 'sealed bag']) })
export const ReadingEntry = z.object({ ...base, kind: z.literal('reading'), lotId: IdSchema, ph: PhSchema.optional(), tempC: tempC.optional(), instrument: InstrumentSchema.optional(), note: text.optional() })
  .refine(entry => entry.ph !== undefined || entry.tempC !== undefined, 'A reading needs a pH or a temperature.')
export const CHORES = ['burp', 'press down', 'stir', 'top up', 'skim', 'wipe', 'vent', 'airlock water', 'cover check', 'taste'] as const
export const ChoreEntry = z.object({ ...base, kind: z.literal('chore'), lotId: IdSchema, chore: z.enum(CHORES), note: text.optional() })
export const SIGNS = ['bubbles', 'foam', 'calm', 'white film', 'fuzzy growth', 'bag ballooned', 'not covered', 'slime', 'putrid smell', 'pink colour'] as const
export const SignEntry = z.object({ ...base, kind: z.literal('sign'), lotId: IdSchema, sign: z.enum(SIGNS), note: text.optional() })
export const DiscardEntry = z.object({ ...base, kind: z.literal('discard'), lotId: IdSchema, reason: text.min(1, 'Say why it is discarded.') })
export const PressEntry = z.object({
  ...base, kind: z.literal('press'), ...lot, fromLotId: IdSchema, method: z.enum(PRESS_METHODS),
  inG: massG, baseG: massG, pulpG: massG, seedsG: massG, pulpLotId: IdSchema.optional(), pulpCode: LotCodeSchema.optional(),
})
/** Something that came from outside, or a kept brine: its make-up as far as it is known. */
export const StockEntry = z.object({
  ...base, kind: z.literal('stock'), ...lot, massG, materialId: z.string().max(60).optional(),
  waterPct: pct.optional(), saltPct: pct.optional(), ph: PhSchema.optional(), lacticPct: z.number().min(0).max(5).optional(), acetic: z.number().min(0).max(80).optional(),
  sugarPct: pct.optional(), shu: z.number().min(0).max(16_000_000).optional(), allergens: z.array(z.enum(ALLERGENS)).max(10).optional(), live: z.boolean(), ingredients: z.array(name).max(40).optional(),
})
/** One part of a blend: a lot from stock, or a material off the shelf (with its own pH where it was read). */
export const PartSchema = z.object({
  lotId: IdSchema.optional(), materialId: z.string().max(60).optional(), name, massG: massG.positive(), ph: PhSchema.optional(),
}).refine(part => (part.lotId === undefined) !== (part.materialId === undefined), 'A part is a lot or a material.')
export const BlendEntry = z.object({
  ...base, kind: z.literal('blend'), ...lot, parts: z.array(PartSchema).min(1).max(40), cooked: z.boolean(),
  predictedPh: z.object({ low: z.number(), typical: z.number(), high: z.number() }).optional(),
})
export const BottleEntry = z.object({
  ...base, kind: z.literal('bottle'), ...lot, fromLotId: IdSchema, bottleMl: volumeMl, count: z.number().int().min(1).max(100_000), usedG: massG,
  treatment: z.enum(TREATMENTS), lastFillTempC: tempC.optional(), bestBefore: z.iso.date(),
})
export const ReleaseEntry = z.object({ ...base, kind: z.literal('release'), lotId: IdSchema, decision: z.enum(['released', 'held']), limitPh: z.number().min(2.5).max(4.2), reason: text })
export const SendEntry = z.object({ ...base, kind: z.literal('send'), lotId: IdSchema, count: z.number().int().min(1).max(100_000), to: name })
/** Takes an entry back altogether. */
export const RetractEntry = z.object({ ...base, kind: z.literal('retract'), replaces: IdSchema, reason: text })

export const EntrySchema = z.discriminatedUnion('kind', [
  PlanEntry, PackEntry, ReadingEntry, ChoreEntry, SignEntry, DiscardEntry, PressEntry, StockEntry, BlendEntry, BottleEntry, ReleaseEntry, SendEntry, RetractEntry,
])
export type Entry = z.infer<typeof EntrySchema>
export type EntryKind = Entry['kind']
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** What a page hands over: an entry without what the log itself adds. */
export type Draft = Entry extends infer E ? E extends Entry ? Omit<E, 'id' | 'by' | 'origin'> : never : never

/** Makes ids in rising order. @param random numbers from 0 to 1, passed in; core has no randomness of its own. */
export function idMaker(random: () => number): (atMs: number) => string {
  return monotonicFactory(random)
}

/** When an entry was written down (ms), from its id. */
export const writtenAt = (id: string): number => decodeTime(id)
