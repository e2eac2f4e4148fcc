/** How words are measured while lines are broken, in points. `widthAt` tells how wide a line may be, by its number. */
export interface LineMeasure<Word> {
  widthOf: (word: Word) => number
  space: number
  widthAt: (line: number) => number
  /** Breaks a word that is wider than a line alone. */
  split: (word: Word, width: number) => Word[]
}

/** The longest beginnings of a text that fit a width, one after the other; at least one letter each. */
export function cutToWidth(text: string, widthOf: (text: string) => number, width: number): string[] {
  const pieces: string[] = []
  for (let rest = text; rest;) {
    let length = rest.length
    while (length > 1 && widthOf(rest.slice(0, length)) > width) length--
    pieces.push(rest.slice(0, length))
    rest = rest.slice(length)
  }
  return pieces
}

/** Breaks words into lines, as many to a line as fit. */
export function breakLines<Word>(words: readonly Word[], { widthOf, space, widthAt, split }: LineMeasure<Word>) {
  const lines: Word[][] = []
  let line: Word[] = []
  let used = 0
  for (const whole of words) {
    const widest = widthAt(lines.length)
    for (const word of widthOf(whole) <= widest ? [whole] : split(whole, widest)) {
      if (line.length && used + widthOf(word) > widthAt(lines.length)) {
        lines.push(line)
        line = []
        used = 0
      }
      line.push(word)
      used += widthOf(word) + space
    }
  }
  return line.length ? [...lines, line] : lines
}
