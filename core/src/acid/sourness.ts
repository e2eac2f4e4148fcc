import { within } from '../invalid'
import { formatNumber } from '../units/number'
import type { Working } from '../working'

/* How sour is sour: what a difference of pH means, and where a pH lies among known foods. */

/** How many times the acid activity a pH has of another: ten for each whole step. Both 0 to 14. */
export function timesAsSour(fromPh: number, toPh: number): number {
  within(fromPh, 0, 14, 'A pH')
  within(toPh, 0, 14, 'A pH')
  return 10 ** (fromPh - toPh)
}

const WORDS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'] as const

/** A number of times in words: halves up to three, wholes up to ten, two figures after that. */
function timesWords(times: number): string {
  if (times >= 10.5) return `${formatNumber(Number(times.toPrecision(2)))} times`
  const halves = times < 3.25 ? Math.round(times * 2) / 2 : Math.round(times)
  const whole = WORDS[Math.floor(halves)] ?? ''
  return halves % 1 === 0 ? `${whole} times` : `${whole} and a half times`
}

/** Nearer than this two pH are alike: a good meter errs by as much. */
const ALIKE = 0.06

/** The difference of two pH in words that are right: "four times the acid activity". */
export function sourerWords(fromPh: number, toPh: number): string {
  if (Math.abs(fromPh - toPh) < ALIKE) return 'as sour, as far as a meter tells'
  const times = timesAsSour(fromPh, toPh)
  if (times > 1) return times < 1.25 ? 'a little more acid activity' : `${timesWords(times)} the acid activity`
  const less = 1 / times
  return less < 1.25 ? 'a little less acid activity' : `less sour: ${timesWords(less)} less acid activity`
}

/** The working behind a difference. */
export const sourerWorking = (fromPh: number, toPh: number): Working => ({
  what: 'Acid activity',
  formula: 'times = 10^(pH before − pH now): pH is the negative logarithm of the activity of hydrogen ions',
  numbers: [
    { name: 'before', value: `pH ${fromPh.toFixed(2)}` },
    { name: 'now', value: `pH ${toPh.toFixed(2)}` },
    { name: 'for comparison', value: '0.4 lower is two and a half times, 1.0 lower ten times' },
  ],
  result: `${formatNumber(timesAsSour(fromPh, toPh), 2)} times`,
  source: 'What pH is (IUPAC). How sour it tastes hangs on the amount of acid, too',
})

/** A food on the ruler, with between what its pH lies. */
export interface KnownFood {
  name: string
  low: number
  high: number
}

/** From lemon to milk. US FDA, Approximate pH of foods and food products, from memory; kraut and yogurt as sold. */
export const KNOWN_FOODS: readonly KnownFood[] = [
  { name: 'lemon juice', low: 2.0, high: 2.6 },
  { name: 'vinegar', low: 2.4, high: 3.4 },
  { name: 'cranberry juice', low: 2.3, high: 2.5 },
  { name: 'apples', low: 3.3, high: 4.0 },
  { name: 'sauerkraut', low: 3.3, high: 3.6 },
  { name: 'yogurt', low: 4.0, high: 4.6 },
  { name: 'tomatoes', low: 4.3, high: 4.9 },
  { name: 'fresh peppers', low: 4.8, high: 5.6 },
  { name: 'bread', low: 5.3, high: 5.8 },
  { name: 'milk', low: 6.4, high: 6.8 },
]

/** Ends of the ruler. */
export const SOUR_RULER = { low: 2, high: 7 } as const

/** The foods a pH lies among: those whose range holds it, else the nearest. */
export function foodsAt(ph: number): readonly KnownFood[] {
  const at = KNOWN_FOODS.filter(({ low, high }) => ph >= low && ph <= high)
  if (at.length > 0) return at
  const off = ({ low, high }: KnownFood) => Math.max(low - ph, ph - high)
  return [...KNOWN_FOODS].sort((a, b) => off(a) - off(b)).slice(0, 1)
}
