/** How much a gram of what is clear (water, vinegar, salt) colours a pot, beside a gram of mash or fruit. Judgement. */
const CLEAR = 0.06
/** Between sRGB and light, near enough for a drawing. */
const GAMMA = 2.2

export interface Poured {
  /** As `#rrggbb`. */
  colour: string
  massG: number
  clear: boolean
}

/** The colour of what is stirred together: the mean of the light the parts send back, by weight. `null` of nothing. */
export function potColour(parts: readonly Poured[]): string | null {
  const weighed = parts.map(({ colour, massG, clear }) => ({ colour, weight: massG * (clear ? CLEAR : 1) }))
  const sum = weighed.reduce((all, { weight }) => all + weight, 0)
  if (!(sum > 0)) return null
  const channel = (at: number) => {
    const light = weighed.reduce(
      (all, { colour, weight }) => all + weight * (parseInt(colour.slice(at, at + 2), 16) / 255) ** GAMMA,
      0,
    )
    return Math.round(255 * (light / sum) ** (1 / GAMMA))
      .toString(16)
      .padStart(2, '0')
  }
  return `#${channel(1)}${channel(3)}${channel(5)}`
}
