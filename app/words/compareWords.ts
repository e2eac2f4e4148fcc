import type { Faster, Lot, Passing } from '@lactofer/core'

/** In whole days, outwards: no reading was nearer. */
const between = ({ low, high }: Passing) => `between day ${Math.floor(low)} and day ${Math.ceil(high)}`

/** Which of two lots was faster, in a sentence; what the readings do not tell is said. */
export function fasterWords(
  { passings, unread, first }: Faster,
  lots: readonly [Pick<Lot, 'code'>, Pick<Lot, 'code'>],
): string {
  const under = (at: 0 | 1) => {
    const passing = passings[at]
    if (unread[at]) return `of ${lots[at].code} no blended sample was read`
    return passing
      ? `${lots[at].code} was found under 4.6 ${between(passing)}`
      : `${lots[at].code} was not read under 4.6 yet`
  }
  if (first !== null) return `${lots[first].code} was the faster: ${under(first)}; ${under(first === 0 ? 1 : 0)}.`
  if (!passings[0] && !passings[1]) return 'Neither was read under 4.6 yet.'
  return `Which was faster cannot be told: ${under(0)}; ${under(1)}. Read both on the same days.`
}
