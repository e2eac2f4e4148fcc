import { fold, forecastBlend, partComposition, type EntryOf, type Targets } from '@lactofer/core'
import type { Diary } from './diary'
import { COLD } from './places'

type Part = EntryOf<'blend'>['parts'][number]

/** An earlier ferment that was pressed: returns the base's lot id. */
export function pressedBase(
  diary: Diary,
  code: string,
  name: string,
  color: string,
  day: number,
  rows: readonly (readonly [string, number])[],
  ph: number,
  recipeId?: string,
): string {
  const ferment = diary.start({
    code,
    name,
    color,
    style: 'mash',
    day,
    rows,
    saltPct: 4,
    place: COLD,
    vesselId: 'crock-10',
    ...(recipeId && { recipeId }),
  })
  diary.write(
    {
      kind: 'reading',
      at: diary.at(day - 22),
      lotId: ferment,
      taste: { sour: 3, salty: 2, fizzy: 0, 'raw onion': 0, heat: 3, roundness: 3 },
    },
    'Cellar',
  )
  diary.read(ferment, [
    [day - 1, 5.1, 20.5],
    [day - 3, 4.2, 20.9],
    [day - 20, ph + 0.02, 19.8],
    [day - 24, ph, 19.6],
  ])
  const mashG = Math.round(rows.reduce((sum, [, massG]) => sum + massG, 0) * 1.04)
  const pulpG = Math.round(mashG * 0.14)
  const lotId = diary.lotId(day - 25)
  diary.write(
    {
      kind: 'press',
      at: diary.at(day - 25),
      lotId,
      code: `${code}B`,
      name: `${name} base`,
      color,
      fromLotId: ferment,
      method: 'sieve',
      inG: mashG,
      baseG: Math.round(mashG * 0.85),
      pulpG,
      seedsG: 0,
    },
    'Cellar',
  )
  return lotId
}

interface Sauce {
  code: string
  name: string
  color: string
  daysAgo: number
  parts: Part[]
  cooked: boolean
  targets?: Targets
  trialPh?: number
}

/** A trial of a hundred grams, a few hours before the pot. */
function trial(diary: Diary, lotId: string, { daysAgo, parts }: Sauce, ph: number): void {
  const before = forecastOf(diary, parts)
  const sum = parts.reduce((all, { massG }) => all + massG, 0)
  const unknown = parts[0]?.lotId
  diary.write({
    kind: 'trial',
    at: diary.at(daysAgo + 0.2),
    lotId,
    name: 'Trial 1',
    ph,
    instrument: diary.meter(daysAgo + 0.2),
    parts: parts.map((part) => ({ ...part, massG: Math.round((1000 * part.massG) / sum) / 10 })),
    note: 'Round, the smoke comes through.',
    ...(before.ph && { predictedPh: before.ph }),
    ...(unknown && { unknown }),
  })
}
const forecastOf = (diary: Diary, parts: readonly Part[]) => {
  const book = fold(diary.entries)
  return forecastBlend(parts.map((part) => partComposition(book, part)).filter((part) => part !== null))
}

/** Blends a sauce, with the prediction that core gives for it. */
export function blend(diary: Diary, sauce: Sauce): string {
  const { code, name, color, daysAgo, parts, cooked, targets, trialPh } = sauce
  const lotId = diary.lotId(daysAgo)
  if (trialPh !== undefined) trial(diary, lotId, sauce, trialPh)
  const forecast = forecastOf(diary, parts)
  diary.write({
    kind: 'blend',
    at: diary.at(daysAgo),
    lotId,
    code,
    name,
    color,
    parts,
    cooked,
    ...(targets && { targets }),
    ...(forecast.ph && { predictedPh: forecast.ph }),
  })
  return lotId
}

export const lot = (lotId: string, name: string, massG: number): Part => ({ lotId, name, massG })
export const stuff = (materialId: string, name: string, massG: number, ph?: number): Part => ({
  materialId,
  name,
  massG,
  ...(ph !== undefined && { ph }),
})
