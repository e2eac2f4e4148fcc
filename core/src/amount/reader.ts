import { InvalidInput } from '../invalid'
import { exactly, mapRange, type Range } from '../working'
import { quantityWord, unitWord, type UnitWord } from './words'
import type { Token } from './tokens'

/** Words for a size; `null` changes nothing. */
export const SIZES: Readonly<Record<string, 'small' | 'large' | null>> = {
  small: 'small',
  little: 'small',
  medium: null,
  large: 'large',
  big: 'large',
}

/**
 * How full a spoon or a cup is, in times of level. Judgement: a heap holds what the grain lets it.
 */
const FILLS: Readonly<Record<string, Range>> = {
  level: exactly(1),
  scant: { low: 0.8, typical: 0.9, high: 1 },
  rounded: { low: 1.2, typical: 1.4, high: 1.7 },
  generous: { low: 1, typical: 1.2, high: 1.4 },
  heaped: { low: 1.3, typical: 1.7, high: 2.3 },
  heaping: { low: 1.3, typical: 1.7, high: 2.3 },
}

/** A part of an amount: so much of a unit. */
export interface Part {
  count: Range
  unit: UnitWord | null
}

/** Walks over the tokens. */
export class Reader {
  private at = 0
  size: 'small' | 'large' | null = null
  juice = false
  about = false
  /** Times the measure holds: heaped, scant. */
  fill = exactly(1)
  readonly tail: string[] = []

  constructor(
    private readonly tokens: readonly Token[],
    private readonly text: string,
  ) {}

  get done(): boolean {
    return this.at >= this.tokens.length
  }
  private peek(ahead = 0): Token | undefined {
    return this.tokens[this.at + ahead]
  }
  private word(ahead = 0): string | undefined {
    const token = this.peek(ahead)
    return token?.is === 'word' ? token.text : undefined
  }
  private sign(text: string, ahead = 0): boolean {
    const token = this.peek(ahead)
    return token?.is === 'sign' && token.text === text
  }
  private take(words: readonly string[]): boolean {
    if (!words.every((word, index) => this.word(index) === word)) return false
    this.at += words.length
    return true
  }

  /** "about", "the juice of". */
  opening(): void {
    for (;;) {
      if (this.sign('~')) this.at++
      else if (!['about', 'around', 'roughly', 'ca', 'circa', 'approx', 'approximately'].includes(this.word() ?? ''))
        break
      else this.at++
      this.about = true
    }
    this.take(['the'])
    if (this.take(['juice', 'of']) || this.take(['juice', 'from'])) this.juice = true
  }

  /** One number: "2", "1 1/2", "half a", "one and a half", "three quarters of a", "a dozen". */
  private number(): number | null {
    const token = this.peek()
    if (token?.is === 'number') {
      this.at++
      const whole = token.value
      const next = this.peek()
      const fraction = (one: Token | undefined) => one?.is === 'number' && one.text.includes('/')
      if (!token.text.includes('/')) {
        if (Number.isInteger(whole) && fraction(next)) {
          this.at++
          return whole + (next as { value: number }).value
        }
        // "1-1/2 cups" is one and a half.
        const after = this.peek(1)
        if (Number.isInteger(whole) && this.sign('-') && fraction(after)) {
          const part = (after as { value: number }).value
          if (part < 1 && part < whole) {
            this.at += 2
            return whole + part
          }
        }
      }
      return this.andAHalf(whole)
    }
    const said = quantityWord((ahead) => this.word(ahead))
    if (!said) return null
    this.at += said.words
    return this.andAHalf(said.value)
  }
  private andAHalf(value: number): number {
    if (this.take(['and', 'a', 'half'])) return value + 0.5
    if (this.take(['and', 'a', 'quarter'])) return value + 0.25
    return value
  }

  /** A number or a range. @throws InvalidInput for a range from the larger to the smaller. */
  quantity(): Range | null {
    if (this.sign('-')) throw new InvalidInput('This cannot be less than zero.')
    if (this.take(['a', 'few']) || this.take(['few'])) return { low: 3, typical: 4, high: 5 }
    if (this.take(['several'])) return { low: 4, typical: 5, high: 7 }
    const low = this.number()
    if (low === null) return null
    const between = this.sign('-') || this.word() === 'to' || this.word() === 'or'
    if (!between) return exactly(low)
    const back = this.at
    this.at++
    const high = this.number()
    if (high === null) {
      this.at = back
      return exactly(low)
    }
    if (high <= low)
      throw new InvalidInput(
        `A range goes from the smaller to the larger: did you mean ${high}-${low}?`,
        this.text.trim().replace(/([\d.]+)\s*(?:[-–—−]|to|or)\s*([\d.]+)/, '$2-$1'),
      )
    return { low, typical: (low + high) / 2, high }
  }

  /** "heaped", "level", "large". */
  manner(): void {
    for (;;) {
      const word = this.word() ?? ''
      const fill = FILLS[word]
      if (fill) this.fill = fill
      else if (word in SIZES) this.size = SIZES[word] ?? null
      else return
      this.at++
    }
  }

  unit(): UnitWord | null {
    const typed = (ahead: number) => {
      const token = this.peek(ahead)
      return token?.is === 'word' ? token.typed : undefined
    }
    const found = unitWord(typed)
    if (!found) return null
    this.at += found.words
    return found.unit
  }

  /** Times: "2 x 500 g". */
  times(): number {
    const token = this.peek()
    if (token?.is !== 'number' || !this.sign('x', 1) || this.peek(2)?.is !== 'number') return 1
    this.at += 2
    return token.value
  }

  part(): Part | null {
    this.manner()
    const count = this.quantity()
    if (!count) return null
    this.manner()
    if (this.sign('x')) this.at++
    if (this.take(['of'])) this.take(['a'])
    this.manner()
    const unit = this.unit()
    // "a pound and a half"
    const more = unit ? this.andAHalf(0) : 0
    return { count: mapRange(count, (value) => value + more), unit }
  }

  /** What joins two parts: "and", "+", or nothing before another number. */
  joins(): boolean {
    if (this.sign('+') || this.word() === 'and' || this.word() === 'plus') {
      this.at++
      return true
    }
    return this.peek()?.is === 'number'
  }

  /** What is left are words. @throws InvalidInput for anything else. */
  words(): string[] {
    const left = this.tokens.slice(this.at)
    this.at = this.tokens.length
    return left.map((token) => {
      if (token.is !== 'word') throw new InvalidInput('Say one amount: two numbers stand there.')
      return token.text
    })
  }
}
