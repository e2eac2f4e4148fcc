import type { Luck } from '../practice/luck'
import type { Working } from '../working'

/** A picture that is chosen among, as it is drawn for the signs. */
export type ChoicePicture = 'veil' | 'skin' | 'islands' | 'fur'

/** A question with fresh numbers. A number is right within `within` of it, in its unit. */
export interface Question {
  /** Which of the deck. */
  id: string
  ask: string
  answer:
    | { kind: 'number'; value: number; within: number; unit: string; decimals: number }
    | { kind: 'choice'; right: number; options: readonly { text: string; picture?: ChoicePicture }[] }
  /** Why it is so: told once it was answered. */
  because: string
  working?: Working
}

/** Makes one question of the deck, from chance. */
export interface QuestionKind {
  id: string
  /** What it trains, in a word or two. */
  about: string
  make: (luck: Luck) => Omit<Question, 'id'>
}

/** A whole number of steps between two ends. */
export const stepped = (luck: Luck, of: string, low: number, high: number, step: number): number =>
  low + step * Math.floor(luck.share(of) * (Math.round((high - low) / step) + 1))

/** Options in chance's order, with where the right one stands. @param options the right one first. */
export function shuffled<T>(luck: Luck, options: readonly T[]): { right: number; options: T[] } {
  const order = options
    .map((option, index) => ({ option, index, place: luck.share(`place ${index}`) }))
    .sort((a, b) => a.place - b.place)
  return { right: order.findIndex(({ index }) => index === 0), options: order.map(({ option }) => option) }
}

/** Whether an answer is right: a number in the question's unit, or which option. */
export const isRight = ({ answer }: Question, given: number): boolean =>
  answer.kind === 'number' ? Math.abs(given - answer.value) <= answer.within + 1e-9 : given === answer.right
