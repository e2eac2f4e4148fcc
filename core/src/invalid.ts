/**
 * Thrown by core when it is asked to work with something that cannot be: a negative mass, a pH of 14.
 * `message` is a plain sentence that can stand beside the field; `suggestions` are what may have been meant: one is
 * offered, of several it is asked which.
 */
export class InvalidInput extends Error {
  override readonly name = 'InvalidInput'
  readonly suggestions: readonly string[]
  constructor(sentence: string, ...suggestions: readonly string[]) {
    super(sentence)
    this.suggestions = suggestions
  }
}

/**
 * Throws {@link InvalidInput} unless `value` is a finite number within [low, high]. `what` names it in the sentence.
 */
export function within(value: number, low: number, high: number, what: string): number {
  if (!Number.isFinite(value)) throw new InvalidInput(`${what} is not a number.`)
  if (value < low || value > high) throw new InvalidInput(`${what} must be between ${low} and ${high}.`)
  return value
}
