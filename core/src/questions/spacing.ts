import { z } from '../schema'
import { DAY_MS } from '../units/time'
import { luckOf } from '../practice/luck'
import { DECK } from './deck'
import { isRight, type Question } from './question'

/*
 * What was got wrong returns sooner: a plain rule of boxes (Leitner, 1972, from memory). Right moves a question one
 * box up, wrong back to the first.
 */

/** A question of a box returns after so many days. */
const BOX_DAYS = [0, 1, 3, 7, 16, 35] as const
/** A few minutes a day: so many questions. */
export const A_DAY = 8

/** How a question of the deck stands. `turn` counts how often it was asked: its numbers are new each time. */
export const StandingSchema = z.object({
  box: z
    .number()
    .int()
    .min(0)
    .max(BOX_DAYS.length - 1),
  dueMs: z.number(),
  turn: z.number().int().min(0),
})
export const StandingsSchema = z.record(z.string(), StandingSchema)
export type Standings = z.infer<typeof StandingsSchema>

const NEW = { box: 0, dueMs: 0, turn: 0 } as const
const standingOf = (standings: Standings, id: string) => standings[id] ?? NEW

/** The questions that are due, the longest due first; new ones in the order of the deck. */
export const dueQuestions = (standings: Standings, nowMs: number): string[] =>
  DECK.map(({ id }) => ({ id, ...standingOf(standings, id) }))
    .filter(({ dueMs }) => dueMs <= nowMs)
    .sort((a, b) => a.dueMs - b.dueMs)
    .map(({ id }) => id)

/** A question of the deck, with the numbers of this turn. @returns `null` where there is none of that name. */
export function questionOf(id: string, standings: Standings, seed: number): Question | null {
  const kind = DECK.find((one) => one.id === id)
  const turn = luckOf(seed).seed(`${id} ${standingOf(standings, id).turn}`)
  return kind ? { id, ...kind.make(luckOf(turn)) } : null
}

/** How all stand once a question was answered. */
export function answered(standings: Standings, question: Question, given: number, nowMs: number): Standings {
  const { box, turn } = standingOf(standings, question.id)
  const next = isRight(question, given) ? Math.min(BOX_DAYS.length - 1, box + 1) : 0
  return { ...standings, [question.id]: { box: next, dueMs: nowMs + (BOX_DAYS[next] ?? 0) * DAY_MS, turn: turn + 1 } }
}
