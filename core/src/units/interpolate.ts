/**
 * The value at a place, by straight lines between known points, held at both ends. Where two points share a place,
 * the later one counts.
 * Points are asked for by their number, so that they may lie in rows of figures, tables or objects.
 * @param count how many points there are, at least one; their places rise.
 * @example interpolate(3, (i) => [0, 10, 20][i]!, (i) => [1.713, 1.194, 0.878][i]!, 15) // 1.036
 */
export function interpolate(
  count: number,
  placeAt: (index: number) => number,
  valueAt: (index: number) => number,
  place: number,
): number {
  const last = count - 1
  if (place >= placeAt(last)) return valueAt(last)
  if (place < placeAt(0)) return valueAt(0)
  let low = 0
  let high = last
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (placeAt(middle) <= place) low = middle
    else high = middle
  }
  const [from, value] = [placeAt(low), valueAt(low)]
  return value + ((valueAt(high) - value) * (place - from)) / (placeAt(high) - from)
}
