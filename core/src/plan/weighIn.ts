import { z } from '../schema'
import { RowSchema, type Row } from '../log/contents'
import type { EntryOf } from '../log/entry'
import { IdSchema } from '../log/entryParts'
import { formatNumber } from '../units/number'
import { saltDose } from '../salt/dose'
import { styleById } from '../library/styles'
import { InvalidInput } from '../invalid'

/** One thing to weigh. `targetG` of the salt follows from what was weighed before it. */
export const StepSchema = z.object({
  kind: z.enum(['row', 'water', 'salt']),
  row: RowSchema.omit({ massG: true }).nullable(),
  name: z.string(),
  plannedG: z.number(),
  /** What was put in, g; `null` while it waits. */
  takenG: z.number().nullable(),
  state: z.enum(['waits', 'taken', 'skipped']),
  /** Not in the plan, or in place of something else. */
  how: z.enum(['planned', 'added', 'substituted']),
})
export type WeighStep = z.infer<typeof StepSchema>

/** A weigh-in on its way: kept as a draft, so that it survives a closed browser at any step. */
export const WeighInSchema = z.object({ lotId: IdSchema, steps: z.array(StepSchema), at: z.number().int().min(0) })
export type WeighIn = z.infer<typeof WeighInSchema>

type Plan = Pick<
  EntryOf<'plan'>,
  'lotId' | 'rows' | 'waterG' | 'saltG' | 'saltBetweenG' | 'saltPct' | 'saltBasis' | 'style'
>

/** A weigh-in at its start: the rows in the plan's order, then water, then salt, which waits for the rest. */
export function startWeighIn(plan: Plan): WeighIn {
  const waits = { takenG: null, state: 'waits', how: 'planned' } as const
  return {
    lotId: plan.lotId,
    at: 0,
    steps: [
      ...plan.rows.map(({ massG, ...row }): WeighStep => ({
        kind: 'row',
        row,
        name: row.name,
        plannedG: massG,
        ...waits,
      })),
      ...(plan.waterG > 0
        ? [{ kind: 'water' as const, row: null, name: 'Water', plannedG: plan.waterG, ...waits }]
        : []),
      ...(plan.saltG > 0 ? [{ kind: 'salt' as const, row: null, name: 'Salt', plannedG: plan.saltG, ...waits }] : []),
    ],
  }
}

/** What was weighed of a kind so far; what waits counts as planned. */
const sum = (steps: readonly WeighStep[], kind: WeighStep['kind']) =>
  steps
    .filter((step) => step.kind === kind && step.state !== 'skipped')
    .reduce((total, step) => total + (step.takenG ?? step.plannedG), 0)

/**
 * Salt that belongs to what was actually weighed, g. A plan whose salt is not a share of what is weighed (a bowl
 * split into jars) keeps its own.
 * `ownSaltG` is salt already in what was weighed.
 */
export function saltForWeighed(plan: Plan, { steps }: WeighIn, ownSaltG = 0): number {
  const rowsG = sum(steps, 'row')
  const waterG = sum(steps, 'water')
  if (styleById(plan.style).saltPct === null || plan.saltPct === 0 || rowsG + waterG <= 0) return plan.saltG
  // A jar of a bowl takes salt as its part of the bowl does; a brine beside other produce is only one thing more in it.
  const split = plan.rows.length > 0 && plan.rows.every((row) => row.lotId)
  const plannedG = plan.rows.reduce((total, row) => total + row.massG, 0)
  if (split) return plannedG > 0 ? (plan.saltG * rowsG) / plannedG : plan.saltG
  return saltDose(plan.saltBasis, plan.saltPct, { ingredientG: rowsG, waterG, ownSaltG }).saltG
}

/** Tolerance of a weight, g: one percent, never finer than a step of the scale. Salt is held twice as tight. */
export const toleranceG = (targetG: number, kind: WeighStep['kind'], scaleStepG = 0.1): number =>
  Math.max(scaleStepG, targetG * (kind === 'salt' ? 0.005 : 0.01))

/**
 * Between what the salt that was weighed may lie without a word, g: the tolerance about what is wanted; as wide as it
 * was said where it was said in spoons; anything the style takes where it takes salt by eye.
 */
export function saltAllowedG(plan: Plan, { steps }: WeighIn, wantedG: number): { low: number; high: number } {
  const { saltPct, saltByEye } = styleById(plan.style)
  const tolerance = toleranceG(wantedG, 'salt') * 1.01
  const said = plan.saltG > 0 ? plan.saltBetweenG : undefined
  const lows = [wantedG - tolerance, ...(said ? [(wantedG * said.low) / plan.saltG] : [])]
  const highs = [wantedG + tolerance, ...(said ? [(wantedG * said.high) / plan.saltG] : [])]
  if (saltByEye && saltPct) {
    const rowsG = sum(steps, 'row')
    lows.push((saltPct.low * rowsG) / 100)
    highs.push((saltPct.high * rowsG) / 100)
  }
  return { low: Math.min(...lows), high: Math.max(...highs) }
}

/** What an empty bench scale may show by itself, g: less than this is no weight unless it was typed. Judgement. */
export const EMPTY_SCALE_G = 0.5

/** How a weight on the scale stands to its target: a share of it, and a word. */
export function judgeWeight(
  nowG: number,
  targetG: number,
  kind: WeighStep['kind'],
): { share: number; word: 'under' | 'in' | 'over'; sentence: string } {
  const off = nowG - targetG
  const tolerance = toleranceG(targetG, kind)
  const word = Math.abs(off) <= tolerance ? 'in' : off < 0 ? 'under' : 'over'
  const grams = `${formatNumber(Math.abs(off), 1)} g`
  return {
    share: targetG > 0 ? nowG / targetG : 0,
    word,
    sentence: word === 'in' ? 'On target' : word === 'under' ? `${grams} to go` : `${grams} over`,
  }
}

/** The step after the one at hand that still waits, going round; the number of steps when none does. */
function nextWaiting(steps: readonly WeighStep[], from: number): number {
  const after = steps.findIndex((step, index) => index > from && step.state === 'waits')
  return after >= 0
    ? after
    : steps.findIndex((step) => step.state === 'waits') >= 0
      ? steps.findIndex((step) => step.state === 'waits')
      : steps.length
}

const withStep = (state: WeighIn, index: number, change: Partial<WeighStep>): WeighIn => {
  const steps = state.steps.map((step, at) => (at === index ? { ...step, ...change } : step))
  return { ...state, steps, at: nextWaiting(steps, index) }
}

/**
 * Takes a weight for the step at hand and goes on to the next that waits.
 * @throws InvalidInput for a weight that cannot be.
 */
export function takeWeight(state: WeighIn, massG: number): WeighIn {
  if (!(massG > 0) || massG > 1_000_000)
    throw new InvalidInput('There is nothing on the scale. Put it on, or skip this one.')
  return withStep(state, state.at, { takenG: Math.round(massG * 10) / 10, state: 'taken' })
}

/** Leaves the step at hand out. */
export const skipStep = (state: WeighIn): WeighIn => withStep(state, state.at, { takenG: null, state: 'skipped' })

/** Goes back to a step to weigh it again. */
export function returnTo(state: WeighIn, index: number): WeighIn {
  return {
    ...state,
    at: index,
    steps: state.steps.map((step, at) => (at === index ? { ...step, state: 'waits', takenG: null } : step)),
  }
}

/** Puts something else in the place of the step at hand. */
export function substitute(state: WeighIn, row: Omit<Row, 'massG'>): WeighIn {
  return {
    ...state,
    steps: state.steps.map((step, at) =>
      at === state.at ? { ...step, row, name: row.name, how: 'substituted' } : step,
    ),
  }
}

/** Puts one more thing in, before water and salt, and goes to it. */
export function addStep(state: WeighIn, row: Omit<Row, 'massG'>): WeighIn {
  const lastRow = state.steps.findLastIndex((step) => step.kind === 'row')
  const step: WeighStep = { kind: 'row', row, name: row.name, plannedG: 0, takenG: null, state: 'waits', how: 'added' }
  return {
    ...state,
    at: lastRow + 1,
    steps: [...state.steps.slice(0, lastRow + 1), step, ...state.steps.slice(lastRow + 1)],
  }
}

/** Whether every step is taken or skipped. */
export const isWeighed = (state: WeighIn): boolean => state.steps.every((step) => step.state !== 'waits')

/** What was actually weighed, for the log. @throws InvalidInput when nothing was. */
export function weighedContent(state: WeighIn): Pick<EntryOf<'weigh'>, 'rows' | 'waterG' | 'saltG'> {
  const rows = state.steps.flatMap((step): Row[] => {
    if (!step.row || step.state !== 'taken' || !step.takenG) return []
    // What was said and what was bought belonged to the plan's weight.
    const { said: _said, betweenG: _between, boughtG: _boughtG, ...row } = step.row
    return [{ ...row, massG: step.takenG }]
  })
  if (rows.length === 0) throw new InvalidInput('Nothing was weighed in. Weigh at least one ingredient.')
  const taken = (kind: WeighStep['kind']) =>
    state.steps.filter((step) => step.kind === kind).reduce((total, step) => total + (step.takenG ?? 0), 0)
  return { rows, waterG: taken('water'), saltG: taken('salt') }
}
