import { InvalidInput } from '../invalid'

const FRACTIONS: Record<string, string> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅓': ' 1/3',
  '⅔': ' 2/3',
  '⅛': ' 1/8',
}

/**
 * Reads a number as makers write it: `12.5`, `1 384.6` (a space between thousands), `1/2`, `1 1/2`, `1½`.
 * A comma that can only be a decimal one is read as such (`12,5`, `0,125`). One that may stand between thousands
 * (`1,250`) is never guessed at:
 * the sentence offers what was probably meant.
 * @throws InvalidInput when the text is empty, has a comma that can be read two ways, or is no number.
 */
export function parseNumber(text: string): number {
  let plain = text
    .replace(/[\u202f\u00a0\u2009]/g, ' ')
    .trim()
    .replace(/[½¼¾⅓⅔⅛]/g, (sign) => FRACTIONS[sign] ?? sign)
    .replace(/−/g, '-')
    .trim()
  if (plain === '') throw new InvalidInput('Enter a number.')
  if (/^-?(0,\d+|\d+,(\d{1,2}|\d{4,}))$/.test(plain)) plain = plain.replace(',', '.')
  if (plain.includes(',')) {
    const grouped = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/.test(plain)
    const meant = grouped ? plain.replaceAll(',', '') : plain.replace(',', '.')
    const readable = /^-?\d+(\.\d+)?$/.test(meant)
    throw new InvalidInput(
      readable
        ? `A comma can be read two ways. Write ${meant} with a point.`
        : 'Write the number with a point and without commas.',
      ...(readable ? [meant] : []),
    )
  }
  const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(plain)
  if (fraction) {
    const [, whole = '0', over = '', under = ''] = fraction
    if (Number(under) === 0) throw new InvalidInput('A fraction cannot have 0 below the line.')
    return Number(whole) + Number(over) / Number(under)
  }
  const joined = /^-?\d{1,3}( \d{3})+(\.\d+)?$/.test(plain) ? plain.replaceAll(' ', '') : plain
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(joined)) throw new InvalidInput(`"${text.trim()}" is not a number.`)
  return Number(joined)
}

/** Writes a number with a fixed count of decimals and a thin space between thousands: 1384.6 → "1 384.6". */
export function formatNumber(value: number, decimals = 0): string {
  if (!Number.isFinite(value)) return '–'
  const [whole = '0', rest] = Math.abs(value).toFixed(decimals).split('.')
  const grouped = whole.length > 3 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u202f') : whole
  const body = rest === undefined ? grouped : `${grouped}.${rest}`
  return value < 0 && Number(body.replace(/\D/g, '')) !== 0 ? `−${body}` : body
}
