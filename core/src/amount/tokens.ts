import { InvalidInput } from '../invalid'
import { parseNumber } from '../units/number'

/** What is written, cut up: numbers, words, signs. */
export type Token =
  | { is: 'number'; value: number; text: string }
  | { is: 'word'; text: string; typed: string }
  | { is: 'sign'; text: '-' | '+' | 'x' | '~' }

const NUMBER = /^(?:\d{1,3}(?: \d{3})+(?:\.\d+)?(?![\d/])|\d+\s*\/\s*\d+|[\d.,]*\d[\d.,]*)/
const WORD = /^[a-zà-ÿ°%#'’.]+/i

/** Letters as they are compared: small, without the full stop of an abbreviation. */
const plainWord = (word: string) => word.toLowerCase().replaceAll('’', "'").replaceAll('.', '')

/** A number of a text. @throws InvalidInput; what was meant is offered within the text. */
function numberIn(number: string, text: string): number {
  try {
    return parseNumber(number)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    throw new InvalidInput(error.message, ...error.suggestions.map((meant) => text.trim().replace(number, meant)))
  }
}

/** Cuts up what is written. @throws InvalidInput for a sign that stands for nothing here. */
export function tokensOf(text: string): Token[] {
  let rest = text
    .normalize('NFC')
    .replace(/[\u202f\u00a0\u2009]/g, ' ')
    .replace(/½/g, ' 1/2')
    .replace(/¼/g, ' 1/4')
    .replace(/¾/g, ' 3/4')
    .replace(/⅓/g, ' 1/3')
    .replace(/⅔/g, ' 2/3')
    .replace(/⅛/g, ' 1/8')
    .replace(/[–—−]/g, '-')
    .replace(/[×*]/g, ' x ')
    .replace(/(\d)(-)(?=[a-z])/gi, '$1 ')
    .replace(/(?<=[a-z])-(?=[a-z])/gi, ' ')
    .trim()
  const tokens: Token[] = []
  while (rest !== '') {
    const number = NUMBER.exec(rest)?.[0]
    const word = number === undefined ? WORD.exec(rest)?.[0] : undefined
    if (number !== undefined) tokens.push({ is: 'number', value: numberIn(number, text), text: number })
    else if (word !== undefined)
      tokens.push(
        word.toLowerCase() === 'x'
          ? { is: 'sign', text: 'x' }
          : { is: 'word', text: plainWord(word), typed: word.replaceAll('.', '') },
      )
    else if (/^[-+~]/.test(rest)) tokens.push({ is: 'sign', text: rest[0] as '-' })
    else if (!/^[,;()"]/.test(rest)) throw new InvalidInput(`"${rest[0]}" cannot be read in an amount.`)
    rest = rest.slice((number ?? word ?? ' ').length).trimStart()
  }
  return tokens
}
