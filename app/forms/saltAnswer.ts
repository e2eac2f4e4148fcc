import {
  contentG,
  doseWorking,
  pctOn,
  saidWorking,
  slipFrom,
  slipFromUsual,
  swappedG,
  teaspoons,
  type Book,
  type PlanFigures,
  type SaltKind,
  type StyleId,
  type Working,
} from '@lactofer/core'
import type { PlanForm } from './planForm'
import { saltedOf } from './planResults'

/** Pairs of salts that are always told apart: the slip that happens. */
const ALWAYS = ['fine-sea', 'coarse-sea']

/** The dose in level spoons of the salt in use. */
export const spoonsOf = (figures: PlanFigures, salt: SaltKind | undefined) =>
  salt && figures.dose.saltG > 0 ? teaspoons(figures.dose.saltG, salt) : null

/** What the same spoons of another salt would give, where that matters; fine and coarse always. */
export function swapsOf(figures: PlanFigures, salts: readonly SaltKind[], saltId: string) {
  const from = salts.find(({ id }) => id === saltId)
  const { saltG } = figures.dose
  if (!from || !saltG) return []
  return salts
    .filter(({ id }) => id !== saltId)
    .map((kind) => ({
      ...{ id: kind.id, name: kind.name, saltG: swappedG(saltG, from, kind), always: ALWAYS.includes(kind.id) },
    }))
    .filter((swap) => swap.always || Math.abs(swap.saltG / saltG - 1) > 0.12)
    .map((swap) => ({
      ...swap,
      times: swap.saltG / saltG,
      evened: (100 * (swap.saltG + figures.ownSaltG)) / (figures.composition.massG - saltG + swap.saltG),
    }))
}

/** The newest earlier lot of the style, and its salt of everything as it was dosed, percent. */
function earlierOf(book: Book, style: StyleId, except: string): { name: string; pct: number } | null {
  const made = [...book.lots.values()]
    .flatMap(({ made: one, weighed, id }) =>
      one.kind === 'plan' && one.style === style && id !== except ? [{ ...(weighed ?? one), code: one.code }] : [],
    )
    .sort((a, b) => b.at.localeCompare(a.at))[0]
  return made ? { name: made.code, pct: (100 * made.saltG) / Math.max(1, contentG(made)) } : null
}

/** A strength that looks like a spoon or a salt taken for another: against the style, and against the maker's last. */
export function slipOf(book: Book, form: PlanForm, figures: PlanFigures) {
  const { style, dose } = figures
  const { saltG } = dose
  if (!style.saltPct || saltG <= 0) return null
  return (
    slipFromUsual(pctOn(dose, style.basis) ?? dose.ofEverythingPct, style.saltPct) ??
    slipFrom((100 * saltG) / figures.composition.massG, earlierOf(book, form.style, form.lotId))
  )
}

/** The working of a plan's salt: as it was said, or as a share. */
export function saltWorkingOf(book: Book, form: PlanForm, figures: PlanFigures & { waterG: number }): Working {
  const salted = saltedOf(form, book)
  if (!salted) return doseWorking(form.saltBasis, form.saltPct ?? 0, figures)
  const salt = book.library.salts.find(({ id }) => id === salted.said.saltId)
  return saidWorking(salted.said, { words: form.saltSaid, salt, saltG: salted.saltG, evenedPct: figures.evenedPct })
}

/** Whether the salt was said by eye or by the spoon: then its grams are about. */
export function isRoughSalt(book: Book, form: PlanForm): boolean {
  const said = saltedOf(form, book)?.said
  return said?.kind === 'by eye' || said?.spooned === true
}
