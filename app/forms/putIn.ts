import {
  between,
  brineParts,
  contentComposition,
  exactly,
  fillVessel,
  InvalidInput,
  mix,
  propertiesOf,
  readSalt,
  saltOfDose,
  styleById,
  waterPhaseSaltPct,
  type Between,
  type Book,
  type Composition,
  type Draft,
  type Lot,
  type Range,
} from '@lactofer/core'
import type { FormRow } from './planForm'

/** What is put into a lot after packing, while it is being said. */
export interface PutIn {
  brineG: number | null
  brineSaid: string | undefined
  brineBetween: Between | undefined
  brinePct: number | null
  waterG: number | null
  waterSaid: string | undefined
  waterBetween: Between | undefined
  saltPct: number | null
  saltSaid: string
  saltId: string
  rows: FormRow[]
  mark: string
  reason: string
}

export const freshPutIn = (saltId: string, brinePct: number): PutIn => ({
  ...{ brineG: null, brineSaid: undefined, brineBetween: undefined, brinePct },
  ...{ waterG: null, waterSaid: undefined, waterBetween: undefined },
  ...{ saltPct: null, saltSaid: '', saltId, rows: [], mark: '', reason: '' },
})

/** Salt and water of what is inside, as a brine: what a top-up of the same strength is mixed to, percent. */
export const brineInside = ({ saltG, waterG }: Composition): number =>
  waterG > 0 ? Math.round(10 * waterPhaseSaltPct(saltG, waterG)) / 10 : 0

/** Grams of salt that were said, in each jar or in all. @throws InvalidInput */
function saltSaid({ saltSaid: words, saltId, waterG }: PutIn, book: Book, jars: number): Range {
  if (!words) return exactly(0)
  const said = readSalt(words, book.library.salts, saltId, 'g')
  if (said.kind !== 'dose') throw new InvalidInput('Say the salt as 5 g or 1 tsp: that is no amount here.')
  return saltOfDose(said, { jars, waterG: exactly(waterG ?? 0), produceCups: exactly(0) })
}

/** What the log keeps of it; `null` while nothing is said. @throws InvalidInput */
export function putInContent(form: PutIn, book: Book, jars: number) {
  const brine = between(form.brineG ?? 0, form.brineBetween)
  const parts = (grams: number) => brineParts(grams, form.brinePct ?? 0)
  const own = saltSaid(form, book, jars)
  const water = between(form.waterG ?? 0, form.waterBetween)
  const sum = (end: keyof Range) => ({
    waterG: water[end] + parts(brine[end]).waterG,
    saltG: own[end] + parts(brine[end]).saltG,
  })
  const [low, typical, high] = [sum('low'), sum('typical'), sum('high')]
  const rows = form.rows.flatMap(({ key: _key, typed: _typed, ...row }) =>
    row.massG ? [{ ...row, massG: row.massG }] : [],
  )
  if (rows.length === 0 && typical.waterG + typical.saltG <= 0) return null
  const words = [form.brineSaid && `${form.brineSaid} brine`, form.waterSaid].filter(Boolean).join(', ').slice(0, 40)
  return {
    rows,
    ...typical,
    ...(words && { waterSaid: words }),
    ...(low.waterG < high.waterG && { waterBetweenG: { low: low.waterG, high: high.waterG } }),
    ...(form.saltSaid && { saltSaid: form.saltSaid }),
    ...(low.saltG < high.saltG && { saltBetweenG: { low: low.saltG, high: high.saltG } }),
  }
}

/** What a lot becomes with it: its salt, its start of pH no more, its fill. */
export function putInResult(
  book: Book,
  lot: Lot,
  inside: Composition,
  content: NonNullable<ReturnType<typeof putInContent>>,
) {
  const more = contentComposition(book, content)
  if (!more || lot.made.kind !== 'plan') return null
  const after = propertiesOf(mix([inside, more]))
  const capacityMl = lot.vessels.reduce(
    (sum, { vesselId }) => sum + (book.library.vessel(vesselId)?.capacityMl ?? 0),
    0,
  )
  const style = styleById(lot.made.style)
  return {
    saltPct: after.saltPct,
    before: propertiesOf(inside).saltPct,
    allergens: more.allergens.filter((allergen) => !inside.allergens.includes(allergen)),
    fill:
      capacityMl > 0
        ? fillVessel(
            after.volumeMl * after.densityGPerMl,
            after.densityGPerMl,
            capacityMl,
            style.fillLimit,
            style.fillLeast,
          )
        : null,
  }
}

/** The entry of it. */
export const putInDraft = (
  form: PutIn,
  content: NonNullable<ReturnType<typeof putInContent>>,
  { at, lotId }: { at: string; lotId: string },
): Draft => ({
  ...{ kind: 'add', at, lotId, ...content },
  ...(form.mark && { marks: [form.mark] }),
  reason: form.reason.trim(),
})
