import { z } from '@lactofer/core'
import {
  BetweenSchema,
  plainTemplate,
  STYLE_IDS,
  USUAL_STYLE,
  type Book,
  type ProposedLot,
  type Template,
} from '@lactofer/core'
import { momentOfField } from '~/clock/moments'

/** A sort on the table: a recipe, or one thing in a style's usual way. */
export const SortSchema = z.object({
  key: z.string(),
  /** `recipe:` or `material:` and an id. */
  from: z.string(),
  bottles: z.number().nullable(),
})

/** A planning of the loft while it is written. */
export const LoftFormSchema = z.object({
  from: z.enum(['crate', 'table']),
  /** What comes, `material:` or `recipe:` and an id; empty while nothing was said. */
  comes: z.string(),
  massG: z.number().nullable(),
  said: z.string().optional(),
  between: BetweenSchema.optional(),
  comesOn: z.string(),
  style: z.enum(STYLE_IDS),
  lots: z.number(),
  soldOn: z.string(),
  bottleMl: z.number(),
  /** Of a bottle, percent that is pressed base. */
  basePct: z.number().nullable(),
  sorts: z.array(SortSchema),
  place: z.string(),
  /** What was moved by hand: days, and other vessels. */
  moves: z.record(z.string(), z.object({ days: z.number(), rows: z.array(z.string()).optional() })),
})
export type LoftForm = z.infer<typeof LoftFormSchema>

/** @param comesOn, soldOn days as fields hold them. */
export const freshLoft = (comesOn = '', soldOn = ''): LoftForm => ({
  ...{ from: 'crate', comes: '', massG: null, comesOn, style: USUAL_STYLE, lots: 1 },
  ...{ soldOn, bottleMl: 150, basePct: 80, sorts: [], place: 'Bench', moves: {} },
})

/** Eight in the morning of a day, ms: when work begins. `null` where it is no day. */
const MORNING = 'T08:00'
export const morningOf = (day: string): number | null => momentOfField(day && `${day}${MORNING}`)

/** What is wrong with a day to come, as a field holds it; `null` where it is one. */
export function dayProblem(day: string, today: string): string | null {
  if (morningOf(day) === null) return 'Say the day.'
  return day < today ? 'That day has gone by.' : null
}

/** What is made of something chosen; `null` where it is no longer there. */
export function templateOf(book: Book, from: string, style: LoftForm['style'] = USUAL_STYLE): Template | null {
  const [kind, id] = [from.slice(0, from.indexOf(':')), from.slice(from.indexOf(':') + 1)]
  if (kind === 'material') return book.library.material(id) ? plainTemplate(book, id, style) : null
  const recipe = book.recipes.find((one) => one.id === id)
  const plan = recipe?.versions.at(-1)?.plan
  return recipe && plan ? { ...plan, name: recipe.name } : null
}

/** A proposed lot in the log: a plan with its day, its vessels and its place. */
export function planOf(
  lot: ProposedLot,
  made: { at: string; lotId: string; code: string; color: string; name: string; place: string },
) {
  const { place, ...named } = made
  const { template, figures } = lot
  const counts = new Map<string, number>()
  for (const { vesselId } of lot.rows) counts.set(vesselId, (counts.get(vesselId) ?? 0) + 1)
  const tenths = (grams: number) => Math.round(grams * 10) / 10
  const { style, cut, saltId, saltBasis, saltPct, targetPh } = template
  return {
    ...{ kind: 'plan' as const, ...named, style, saltId, saltBasis, saltPct, targetPh },
    ...(cut && { cut }),
    rows: template.rows.map((row) => ({ ...row, massG: Math.max(0.1, tenths(row.massG)) })),
    waterG: tenths(template.waterG),
    saltG: tenths(figures.dose.saltG),
    intended: {
      ...(place.trim() && { place: place.trim() }),
      startAt: new Date(lot.startMs).toISOString(),
      pressAt: new Date(lot.pressMs).toISOString(),
      vessels: [...counts].map(([vesselId, count]) => ({ vesselId, count })),
    },
  }
}
