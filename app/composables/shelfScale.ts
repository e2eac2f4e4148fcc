/** What stands on a plank: lots with their vessels, mm. */
export interface PlankSizes {
  lots: readonly { widthsMm: readonly number[]; tallestMm: number }[]
}
/** Room for the whole shelf, px. */
export interface Room {
  widthPx: number
  heightPx: number
}

/** Least width of a lot's words under its vessels, what stands between two lots, a head and a caption, px. */
const CAPTION_PX = { width: 132, height: 104, gap: 20, head: 62 }
/** Vessels are never drawn larger or smaller than this, px for a mm: a litre jar of 160 mm is 300 or 45 px high. */
const SCALES = { most: 1.9, least: 0.28 }
/** Small vessels are drawn at least so, px: as the drawing itself holds them. */
const LEAST_PX = { width: 38, height: 62 }

const widthOf = (widthsMm: readonly number[], scale: number) =>
  Math.max(
    CAPTION_PX.width,
    widthsMm.reduce((sum, mm) => sum + Math.max(LEAST_PX.width, mm * scale + 8) + 2, 0),
  ) + CAPTION_PX.gap

/** How high a plank is with its captions at a scale, as its lots wrap, px. */
function heightOf({ lots }: PlankSizes, scale: number, { widthPx }: Room): number {
  let rows = 1
  let x = 0
  for (const { widthsMm } of lots) {
    const width = widthOf(widthsMm, scale)
    if (x > 0 && x + width > widthPx) {
      rows++
      x = 0
    }
    x += width
  }
  const tallest = Math.max(0, ...lots.map(({ tallestMm }) => tallestMm))
  return CAPTION_PX.head + rows * (Math.max(LEAST_PX.height, tallest * scale + 24) + CAPTION_PX.height)
}

/**
 * The one scale all vessels of the shelf are drawn to, px for a mm: the largest at which the planks fill their room,
 * and no lot is wider than the shelf.
 */
export function shelfScale(planks: readonly PlankSizes[], room: Room): number {
  const fits = (scale: number) =>
    planks.reduce((sum, plank) => sum + heightOf(plank, scale, room), 0) <= room.heightPx &&
    planks.every(({ lots }) => lots.every(({ widthsMm }) => widthOf(widthsMm, scale) <= room.widthPx))
  let scale = SCALES.most
  while (scale > SCALES.least && !fits(scale)) scale *= 0.96
  return Math.max(SCALES.least, scale)
}
