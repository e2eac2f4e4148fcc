import { z } from 'zod'
import { decodeTime, monotonicFactory } from 'ulid'
import { PACKING_CHECKS, type PackingCheck } from '../library/checks'
import { CHORES } from '../library/chores'
import { ALLERGENS, MATERIAL_KINDS } from '../library/material'
import { STYLE_IDS } from '../library/styles'
import { CLOSURE_NAMES, VESSEL_SHAPES } from '../library/vessels'
import { PREPARATIONS } from '../composition/ingredient'
import { TargetsSchema } from '../blend/targets'
import { DILUTIONS } from '../heat/tasting'
import { CUTS } from '../library/cuts'
import { SIGN_IDS } from '../ferment/signs'
import { PRESS_METHODS } from '../press/separate'
import {
  base,
  colour,
  IdSchema,
  InstrumentSchema,
  LotCodeSchema,
  lot,
  massG,
  MomentSchema,
  name,
  pct,
  PhSchema,
  tempC,
  text,
} from './entryParts'
import {
  BottleEntry,
  FormatEntry,
  HeatEntry,
  MoveEntry,
  PrintedEntry,
  RecallEntry,
  ReleaseEntry,
  SendEntry,
  SupplyEntry,
  UseEntry,
} from './keepEntries'
import { LEVELS } from '../level'

/*
 * The single definition of every stored or received entry. Masses in g, volumes in mL, temperatures in °C, percent of weight.
 * An entry is a fact: never edited, never deleted. A correction is an entry of its own that names the one it replaces.
 */

/** What the maker knows of one amount of a material, over what the library says. */
const known = {
  ph: PhSchema.optional(),
  /** Of a vinegar, percent acetic acid. */
  strengthPct: z.number().min(1).max(80).optional(),
  /** Of water, mmol/L: what its carbonates take of an acid. */
  alkalinity: z.number().min(0).max(20).optional(),
}

/**
 * A weighed row of a plan: a material, or part of a lot in stock (`lotId`: a kept brine, a bowl that is split).
 * `massG` is what goes in the vessel; `boughtG` what it was before trimming; `said` how the maker put it ("2 cups").
 */
export const RowSchema = z.object({
  materialId: z.string().min(1).max(60),
  name,
  massG: massG.positive('Weigh it in, or take the row out.'),
  preparation: z.enum(PREPARATIONS),
  seedsOut: z.boolean(),
  lotId: IdSchema.optional(),
  boughtG: massG.optional(),
  grower: z.string().trim().max(80).optional(),
  said: z.string().trim().max(40).optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
  ...known,
})
export type Row = z.infer<typeof RowSchema>

/** A vessel in use: what it is, what is in it, what it weighs empty, and its mark on the tape ("a", "b"). */
export const VesselUseSchema = z.object({
  vesselId: z.string().min(1).max(60),
  mark: z.string().max(4),
  massG,
  hot: z.boolean(),
  tareG: massG.optional(),
})

/** Pictures kept beside the log, by their ids. */
const photos = z.array(IdSchema).max(12, 'Keep it to twelve pictures.').optional()

/** Short scales of taste, 0 (none) to 4 (all there is). */
export const TASTES = ['sour', 'salty', 'fizzy', 'raw onion', 'heat', 'roundness'] as const
export type Taste = (typeof TASTES)[number]
export const TasteSchema = z.partialRecord(z.enum(TASTES), z.number().int().min(0).max(4))

/** A dilution tasting: grams of sugared water over one of the sample, and whether heat was felt. */
export const TastingSchema = z
  .array(z.object({ dilution: z.number().min(DILUTIONS.low).max(DILUTIONS.high), felt: z.boolean() }))
  .min(1)
  .max(30)

/** A titration: sample in g, lye in mL, its strength in mol/L. */
export const TitrationSchema = z.object({
  sampleG: z.number().min(0.1).max(1000),
  lyeMl: z.number().min(0).max(1000),
  lyeMolar: z.number().min(0.001).max(5),
})

const salting = {
  saltId: z.string().max(60),
  saltBasis: z.enum(['ingredients', 'water', 'brine', 'everything']),
  saltPct: z.number().min(0).max(60),
  targetPh: z.number().min(2.5).max(4.2),
}

/** What goes into a vessel, or into a bowl. */
const content = {
  rows: z.array(RowSchema).min(1, 'Weigh in at least one ingredient.').max(60),
  waterG: massG,
  saltG: massG,
}

/** A low, typical and high value in their order. */
export const RangeSchema = z
  .object({ low: z.number().min(0), typical: z.number().min(0), high: z.number().min(0) })
  .refine(
    (range) => range.low <= range.typical && range.typical <= range.high,
    'Low, typical and high must stand in this order.',
  )
const pctRange = RangeSchema.refine((range) => range.high <= 100, 'A percentage cannot be over 100.')

/** A plan that can be started again: no lot, no grower, no kept brine. */
export const RecipePlanSchema = z.object({
  style: z.enum(STYLE_IDS),
  cut: z.enum(CUTS).optional(),
  rows: z
    .array(RowSchema.omit({ lotId: true, boughtG: true, grower: true, pricePerKg: true }))
    .min(1)
    .max(60),
  waterG: massG,
  ...salting,
})
export type RecipePlan = z.infer<typeof RecipePlanSchema>

export const PlanEntry = z.object({
  ...base,
  kind: z.literal('plan'),
  ...lot,
  style: z.enum(STYLE_IDS),
  ...content,
  ...salting,
  /** How the produce is cut; where it is not said, as the style usually is. */
  cut: z.enum(CUTS).optional(),
  /** Mixed in one bowl, to be split into jars that are lots of their own. */
  bowl: z.boolean().optional(),
  recipeId: IdSchema.optional(),
})
/** What was actually weighed in, in place of what was planned. */
export const WeighEntry = z.object({
  ...base,
  kind: z.literal('weigh'),
  lotId: IdSchema,
  ...content,
  note: text.optional(),
})
/** Something put in after packing: salt, water, produce, brine. */
export const AddEntry = z
  .object({
    ...base,
    kind: z.literal('add'),
    lotId: IdSchema,
    rows: z.array(RowSchema).max(20),
    waterG: massG,
    saltG: massG,
    reason: text,
  })
  .refine((entry) => entry.rows.length > 0 || entry.waterG + entry.saltG > 0, 'Nothing was added.')
const checkId = z.enum(PACKING_CHECKS.map((check) => check.id) as [PackingCheck, ...PackingCheck[]])
/** What was looked at before packing, and what was left unticked. */
export const CheckEntry = z.object({
  ...base,
  kind: z.literal('check'),
  lotId: IdSchema,
  done: z.array(checkId),
  open: z.array(checkId),
})
export const PackEntry = z.object({
  ...base,
  kind: z.literal('pack'),
  lotId: IdSchema,
  vessels: z.array(VesselUseSchema).min(1).max(40),
  place: name,
  closure: z.enum(CLOSURE_NAMES),
})
/** Anything measured in or of a lot at a moment. `of` says where the sample came from; `massG` is what lot and vessel content weigh now. */
export const ReadingEntry = z
  .object({
    ...base,
    kind: z.literal('reading'),
    lotId: IdSchema,
    ph: PhSchema.optional(),
    of: z.enum(['liquid', 'blended']).optional(),
    tempC: tempC.optional(),
    saltPct: z.number().min(0).max(40).optional(),
    brixPct: z.number().min(0).max(80).optional(),
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
        entry.titration,
        entry.massG,
        entry.taste,
        entry.tasting,
      ].some((value) => value !== undefined),
    'A reading needs something that was read.',
  )
/** A logger's record, thinned: minutes after `at`, temperature, pH; `rows` of the file it came from. */
export const LoggedEntry = z.object({
  ...base,
  kind: z.literal('logged'),
  lotId: IdSchema,
  name: z.string().trim().min(1).max(60),
  rows: z.number().int().min(1),
  points: z
    .array(z.tuple([z.number().min(0).max(3_000_000), tempC.nullable(), PhSchema.nullable()]))
    .min(1)
    .max(5000),
})
/** A chore done, or passed over with a reason. */
export const ChoreEntry = z.object({
  ...base,
  kind: z.literal('chore'),
  lotId: IdSchema,
  chore: z.enum(CHORES),
  skipped: text.min(1, 'Say why it is skipped.').optional(),
  note: text.optional(),
})
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
/** Thrown away: everything, or the vessels with these marks. */
export const DiscardEntry = z.object({
  ...base,
  kind: z.literal('discard'),
  lotId: IdSchema,
  reason: text.min(1, 'Say why it is discarded.'),
  marks: z.array(z.string().max(4)).max(40).optional(),
  massG: massG.optional(),
  photos,
})
/** What the maker decided: to another place, more time, or that it is ready. */
export const DecideEntry = z.object({
  ...base,
  kind: z.literal('decide'),
  lotId: IdSchema,
  decision: z.enum(['cold', 'warm', 'wait', 'ready']),
  place: name.optional(),
  tempC: tempC.optional(),
  until: MomentSchema.optional(),
  reason: text,
})
/** A meter calibrated on two buffers: what it read in each, what came of it, and whether it may be used. */
export const CalibrateEntry = z.object({
  ...base,
  kind: z.literal('calibrate'),
  meter: z.string().trim().min(1).max(60),
  points: z
    .array(
      z.object({
        ph: z.number().min(1).max(13),
        millivolt: z.number().min(-600).max(600),
        tempC: z.number().min(0).max(60),
      }),
    )
    .length(2),
  slopePct: z.number(),
  offsetMv: z.number(),
  accepted: z.boolean(),
})
export const PressEntry = z.object({
  ...base,
  kind: z.literal('press'),
  ...lot,
  fromLotId: IdSchema,
  method: z.enum(PRESS_METHODS),
  inG: massG,
  baseG: massG,
  pulpG: massG,
  seedsG: massG,
  pulpLotId: IdSchema.optional(),
  pulpCode: LotCodeSchema.optional(),
  /** Liquid let off before and kept apart, as a lot of its own where it has an id. */
  brineG: massG.optional(),
  brineLotId: IdSchema.optional(),
  brineCode: LotCodeSchema.optional(),
})
/** Something that came from outside, or a kept brine: its make-up as far as it is known. */
export const StockEntry = z.object({
  ...base,
  kind: z.literal('stock'),
  ...lot,
  massG,
  materialId: z.string().max(60).optional(),
  waterPct: pct.optional(),
  saltPct: pct.optional(),
  ph: PhSchema.optional(),
  lacticPct: z.number().min(0).max(5).optional(),
  acetic: z.number().min(0).max(80).optional(),
  sugarPct: pct.optional(),
  shu: z.number().min(0).max(16_000_000).optional(),
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).optional(),
  live: z.boolean(),
  ingredients: z.array(name).max(40).optional(),
})
/** A pH as it was forecast. */
const predicted = z.object({ low: z.number(), typical: z.number(), high: z.number() })
/** One part of a blend: a lot from stock, or a material off the shelf with what is known of it. */
export const PartSchema = z
  .object({
    lotId: IdSchema.optional(),
    materialId: z.string().max(60).optional(),
    name,
    massG: massG.positive(),
    preparation: z.enum(PREPARATIONS).optional(),
    ...known,
  })
  .refine((part) => (part.lotId === undefined) !== (part.materialId === undefined), 'A part is a lot or a material.')
export const BlendEntry = z.object({
  ...base,
  kind: z.literal('blend'),
  ...lot,
  parts: z.array(PartSchema).min(1).max(40),
  cooked: z.boolean(),
  predictedPh: predicted.optional(),
  /** What it was to be. */
  targets: TargetsSchema.optional(),
})
/** A small version of a blend that is not poured yet: `lotId` is the blend to be. Its pH teaches what `unknown`, a lot or a material in it, holds of acid. */
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
/** Takes an entry back altogether. */
export const RetractEntry = z.object({ ...base, kind: z.literal('retract'), replaces: IdSchema, reason: text })

/** A version of a recipe; the newest of a `recipeId` is the current one, older ones stay. */
export const RecipeEntry = z.object({
  ...base,
  kind: z.literal('recipe'),
  recipeId: IdSchema,
  name,
  note: text.optional(),
  plan: RecipePlanSchema,
  retired: z.boolean().optional(),
})
/** The maker's own knowledge of a material: only what is given is put over the library's. A new `materialId` is a material of the maker's own. */
export const MaterialEntry = z.object({
  ...base,
  kind: z.literal('material'),
  materialId: z.string().regex(/^[a-z0-9-]{1,60}$/, 'An id of small letters, digits and dashes.'),
  name,
  names: z.array(z.string().trim().min(1).max(60)).max(20).optional(),
  group: z.enum(MATERIAL_KINDS),
  waterPct: pctRange.optional(),
  sugarPct: pctRange.optional(),
  saltPct: pct.optional(),
  citricPct: pctRange.optional(),
  malicPct: pctRange.optional(),
  aceticPct: pctRange.optional(),
  lacticPct: pctRange.optional(),
  ph: RangeSchema.refine(
    (range) => range.low >= 1.5 && range.high <= 9,
    'A pH here lies between 1.5 and 9.',
  ).optional(),
  dryShu: RangeSchema.refine(
    (range) => range.high <= 16_000_000,
    'Pure capsaicin has 16 million SHU: nothing has more.',
  ).optional(),
  cupG: RangeSchema.optional(),
  pieceG: RangeSchema.optional(),
  teaspoonG: RangeSchema.optional(),
  pricePerKg: z.number().min(0).max(100_000).optional(),
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).optional(),
  color: colour.optional(),
  /** Takes the own values back: the library's stand again. */
  forget: z.boolean().optional(),
})
/** A vessel the maker owns, so many of it; none left means it is used no more. */
export const VesselEntry = z.object({
  ...base,
  kind: z.literal('vessel'),
  vesselId: z.string().min(1).max(60),
  name,
  shape: z.enum(VESSEL_SHAPES),
  capacityMl: z.number().min(50, 'A vessel holds at least 50 mL.').max(1_000_000),
  closure: z.enum(CLOSURE_NAMES),
  count: z.number().int().min(0).max(500),
  tareG: massG.optional(),
})

export const EntrySchema = z.discriminatedUnion('kind', [
  PlanEntry,
  WeighEntry,
  AddEntry,
  CheckEntry,
  PackEntry,
  ReadingEntry,
  LoggedEntry,
  ChoreEntry,
  DecideEntry,
  CalibrateEntry,
  SignEntry,
  DiscardEntry,
  PressEntry,
  StockEntry,
  TrialEntry,
  BlendEntry,
  HeatEntry,
  BottleEntry,
  PrintedEntry,
  ReleaseEntry,
  SendEntry,
  MoveEntry,
  UseEntry,
  RecallEntry,
  RetractEntry,
  RecipeEntry,
  MaterialEntry,
  VesselEntry,
  FormatEntry,
  SupplyEntry,
])
export type Entry = z.infer<typeof EntrySchema>
export type EntryKind = Entry['kind']
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** What a page hands over: an entry without what the log itself adds. */
export type Draft = Entry extends infer E ? (E extends Entry ? Omit<E, 'id' | 'by' | 'origin'> : never) : never

/** What an entry says, without what the log itself added: to be said again, or corrected. */
export function factsOf<E extends Entry>({
  id: _id,
  by: _by,
  origin: _origin,
  replaces: _replaces,
  ...facts
}: E): Omit<E, 'id' | 'by' | 'origin' | 'replaces'> {
  return facts
}

/** Makes ids in rising order. @param random numbers from 0 to 1, passed in; core has no randomness of its own. */
export function idMaker(random: () => number): (atMs: number) => string {
  return monotonicFactory(random)
}

/** When an entry was written down (ms), from its id. */
export const writtenAt = (id: string): number => decodeTime(id)
