import { formatNumber } from '../units/number'

/** A strength so far from the usual that a spoon or a salt was probably taken for another. */
export interface Slip {
  times: number
  sentence: string
}

/** So many times what is usual, or less than its inverse, is called a slip. Judgement: coarse for flaky is 1.8. */
const FROM = 1.7

const timesWords = (times: number): string =>
  times >= 1
    ? `${formatNumber(times, times < 3 ? 1 : 0)} times`
    : times > 0.4
      ? 'about half'
      : times > 0.28
        ? 'about a third'
        : times > 0.2
          ? 'about a quarter'
          : `${formatNumber(100 * times)} % of`

const WHY =
  'A tablespoon is three teaspoons, and a spoon of flaky salt holds half of a fine one: look at the spoon and the salt again.'

/** Holds a strength, percent, to what a style takes on the same basis. `null` where it is near enough. */
export function slipFromUsual(
  pct: number,
  { low, usual, high }: { low: number; usual: number; high: number },
): Slip | null {
  if (pct <= 0 || (pct <= high * FROM && pct >= low / FROM)) return null
  const times = pct / usual
  return { times, sentence: `${timesWords(times)} what is usual here (${low}–${high} %). ${WHY}` }
}

/** Holds it to an earlier one of the same kind, by its name. `null` where they are near enough. */
export function slipFrom(pct: number, earlier: { name: string; pct: number } | null): Slip | null {
  if (!earlier || pct <= 0 || earlier.pct <= 0) return null
  const times = pct / earlier.pct
  if (times <= FROM && times >= 1 / FROM) return null
  return {
    times,
    sentence: `${timesWords(times)} the salt of ${earlier.name} (${formatNumber(earlier.pct, 1)} %). ${WHY}`,
  }
}
