import { InvalidInput } from '../invalid'

/** Deeper than this no file of ours lies; what does is refused before anything walks through it. */
export const DEEPEST = 40

const CODES = { quote: 34, backslash: 92, openList: 91, closeList: 93, openBrace: 123, closeBrace: 125 } as const

/** Whether brackets lie at most so deep, outside of strings. */
function liesFlat(text: string, deepest: number): boolean {
  let depth = 0
  let inString = false
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at)
    if (inString) {
      if (code === CODES.backslash) at++
      else if (code === CODES.quote) inString = false
    } else if (code === CODES.quote) inString = true
    else if (code === CODES.openList || code === CODES.openBrace) {
      if (++depth > deepest) return false
    } else if (code === CODES.closeList || code === CODES.closeBrace) depth--
  }
  return true
}

/**
 * Reads JSON that came from outside: never deeper than `deepest`, never with a field that would reach into what all
 * objects share.
 * @throws InvalidInput with a plain sentence.
 */
export function parseJson(text: string, deepest = DEEPEST): unknown {
  if (!liesFlat(text, deepest)) throw new InvalidInput('This is nested deeper than anything of Lactofer.')
  try {
    return text.includes('__proto__') || text.includes('\\u')
      ? JSON.parse(text, (key, value: unknown) => (key === '__proto__' ? undefined : value))
      : JSON.parse(text)
  } catch {
    throw new InvalidInput('This is not JSON, or it was cut off.')
  }
}

/** The same for a file that a maker chose: the sentence says that nothing was changed. */
export function parseFile(text: string): unknown {
  try {
    return parseJson(text)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    throw new InvalidInput(`${error.message.replace('This', 'This file')} Nothing was changed.`)
  }
}
