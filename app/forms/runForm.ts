import { z } from '@lactofer/core'
import {
  allergensOf,
  cautionsFor,
  contains,
  CLOSINGS,
  formatNumber,
  pressureAt,
  pressureVerdict,
  STORES,
  TREATMENTS,
  usualWay,
  wayOf,
  type Caution,
  type Composition,
  type KeepCase,
  type Ingredient,
  type Lot,
  type Range,
} from '@lactofer/core'
import { momentOfField } from '~/clock/moments'
import { codeProblem } from './problems'

const amount = z.number().nullable()

/**
 * A run of bottles while it is prepared: anything may still be missing. It stays in the browser until it is recorded.
 */
export const RunFormSchema = z.object({
  treatment: z.enum(TREATMENTS),
  store: z.enum(STORES),
  formatId: z.string(),
  count: amount,
  partMl: amount,
  lossMl: amount,
  code: z.string(),
  bestBefore: z.string(),
  place: z.string(),
  retained: amount,
  testBottle: z.boolean(),
  closing: z.enum(CLOSINGS).default('tight'),
  turnedMin: amount.default(null),
  bands: z.boolean().default(false),
  netG: z.array(z.number()),
  heldMin: amount.default(null),
  chunky: z.boolean().default(false),
  /** The recorded process; empty for the usual figures. */
  processId: z.string().default(''),
  altitudeM: amount,
  fillC: amount,
  glassC: amount,
  wantedC: amount,
})
export type RunForm = z.infer<typeof RunFormSchema>

/** How live bottles can be closed. */
export const CLOSING_OPTIONS = [
  { value: 'tight', label: 'tight' },
  { value: 'vented', label: 'opened every few days to let gas out' },
  { value: 'squeeze', label: 'soft squeeze bottles that give' },
]

/**
 * An empty run for a blend: cooked sauces are filled hot, others kept cold; where the pot may not be kept so, the
 * first way that it may.
 */
export function freshRun(lot: Lot | undefined, formatId: string, known: KeepCase | null): RunForm {
  const wished = lot?.made.kind === 'blend' && lot.made.cooked ? 'cooked-hot-fill' : 'live-cold'
  const treatment = known ? usualWay(wished, known) : wished
  return {
    treatment,
    store: wayOf(treatment).store,
    formatId,
    count: null,
    partMl: 0,
    lossMl: 0,
    code: '',
    bestBefore: '',
    place: 'Cellar',
    retained: 0,
    testBottle: treatment === 'live-cold',
    // What would be stopped shut tight begins vented.
    closing: tightStops(known) ? 'vented' : 'tight',
    turnedMin: null,
    bands: false,
    netG: [],
    heldMin: null,
    chunky: false,
    processId: '',
    altitudeM: 0,
    fillC: 88,
    glassC: 22,
    wantedC: 82,
  }
}

/** Live bottles shut tight that a test bottle would not do for. */
const tightStops = (known: KeepCase | null): boolean =>
  known !== null && known.live && pressureVerdict(pressureAt(known, 'cold').bar, 'test bottle') === 'stop'

/** What a run is held against. */
export interface RunLimits {
  /** So many bottles there is enough for, each of so many mL, out of so much in the pot. */
  most: number
  filledMl: number
  leftMl: number
  nowMs: number
  codeTaken: (code: string) => boolean
  /** Why the store chosen will not do. */
  refusal: string | null
  /** Why nothing may be made of the pot. */
  stops: string | null
}

function dateProblem(day: string, nowMs: number): string | null {
  const dateMs = /^\d{4}-\d{2}-\d{2}$/.test(day) ? momentOfField(day) : null
  if (dateMs === null) return 'Enter a day, 2027-05-31.'
  return dateMs < nowMs ? 'This day is past.' : null
}

/** The bottle that is not full. */
function partProblem({ count, partMl, lossMl }: RunForm, { most, filledMl, leftMl }: RunLimits): string | null {
  if ((partMl ?? 0) > filledMl) return 'That is a full bottle: count it.'
  if (count === null || count > most) return null
  const restMl = leftMl - (lossMl ?? 0) - count * filledMl
  return (partMl ?? 0) > restMl + 1 ? `Only ${formatNumber(Math.max(0, restMl))} mL are left for it.` : null
}

/** What can be wrong with a run, field by field. */
export type RunProblems = Record<
  'count' | 'code' | 'date' | 'part' | 'retained' | 'place' | 'store' | 'pot',
  string | null
>

/** What is wrong with a run, field by field. */
export function runProblems(form: RunForm, limits: RunLimits): RunProblems {
  const { count, retained } = form
  const tooMany = count !== null && count > limits.most
  return {
    count: count === null ? 'Count the bottles.' : tooMany ? `There is enough for ${limits.most}.` : null,
    code: codeProblem(form.code, limits.codeTaken),
    date: dateProblem(form.bestBefore, limits.nowMs),
    part: partProblem(form, limits),
    retained: count !== null && (retained ?? 0) > count ? 'More are kept back than were filled.' : null,
    place: form.place.trim() ? null : 'Say where they stand.',
    store: limits.refusal,
    pot: limits.stops,
  }
}

/**
 * What is to be minded on the way into bottles.
 * @param known of the pot; what is not known counts as sweet and live.
 */
export function runCautions(
  parts: readonly Ingredient[],
  { treatment }: RunForm,
  composition: Composition | null,
  known: { sugarGPerL: Range } | null,
): Caution[] {
  const { heats } = wayOf(treatment)
  return cautionsFor('bottle', {
    allergens: allergensOf(parts),
    liveSugar: !heats && (composition?.live ?? true) && (known?.sugarGPerL.high ?? 100) > 3,
    honey: contains(parts, 'honey'),
    ...(composition && composition.massG > 0 && { saltPct: (100 * composition.saltG) / composition.massG }),
    cooked: heats,
    hotFill: treatment === 'cooked-hot-fill',
  })
}
