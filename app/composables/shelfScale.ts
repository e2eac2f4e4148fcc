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
/** From one scale looked at to the next, and how many there are down to the least. */
const STEP = 0.96
const LAST_STEP = Math.ceil(Math.log(SCALES.least / SCALES.most) / Math.log(STEP))
/** Small vessels are drawn at least so, px: as the drawing itself holds them. */
const LEAST_PX = { width: 38, height: 62 }

const widthOf = (widthsMm: readonly number[], scale: number) =>
  Math.max(
    CAPTION_PX.width,
    widthsMm.reduce((sum, mm) => sum + Math.max(LEAST_PX.width, mm * scale + 8) + 2, 0),
  ) + CAPTION_PX.gap

/** How many of a plank's lots stand in each of its rows at a scale, as they wrap. */
function rowsOf({ lots }: PlankSizes, scale: number, widthPx: number): number[] {
  const rows: number[] = []
  let x = Infinity
  for (const { widthsMm } of lots) {
    const width = widthOf(widthsMm, scale)
    if (x + width > widthPx) {
      rows.push(0)
      x = 0
    }
    rows[rows.length - 1]!++
    x += width
  }
  return rows
}

/** How high so many rows of a plank are at a scale, with their captions, px. */
function rowsPx({ lots }: PlankSizes, rows: number, scale: number): number {
  const tallest = Math.max(0, ...lots.map(({ tallestMm }) => tallestMm))
  return rows * (Math.max(LEAST_PX.height, tallest * scale + 24) + CAPTION_PX.height)
}

/** How high a plank is with its captions at a scale, px. */
const heightOf = (plank: PlankSizes, scale: number, { widthPx }: Room): number =>
  CAPTION_PX.head + rowsPx(plank, Math.max(1, rowsOf(plank, scale, widthPx).length), scale)

/** So many lots are drawn as one. */
const PIECE = 20

/** A plank in pieces of whole rows: where each begins and ends, and how high it is about, px. */
export function plankPieces(plank: PlankSizes, scale: number, widthPx: number) {
  const pieces: { from: number; to: number; heightPx: number }[] = []
  let [from, to, rows] = [0, 0, 0]
  const end = () => pieces.push({ from, to, heightPx: rowsPx(plank, rows, scale) })
  for (const count of rowsOf(plank, scale, widthPx)) {
    if (to > from && to - from + count > PIECE) {
      end()
      ;[from, rows] = [to, 0]
    }
    to += count
    rows++
  }
  if (to > from) end()
  return pieces
}

/**
 * The one scale all vessels of the shelf are drawn to, px for a mm: the largest at which the planks fill their room,
 * and no lot is wider than the shelf.
 */
export function shelfScale(planks: readonly PlankSizes[], room: Room): number {
  const fits = (scale: number) =>
    planks.reduce((sum, plank) => sum + heightOf(plank, scale, room), 0) <= room.heightPx &&
    planks.every(({ lots }) => lots.every(({ widthsMm }) => widthOf(widthsMm, scale) <= room.widthPx))
  // What is smaller fits sooner: of all steps down the first that fits is looked for by halves.
  let [low, high] = [0, LAST_STEP]
  while (low < high) {
    const middle = (low + high) >> 1
    if (fits(SCALES.most * STEP ** middle)) high = middle
    else low = middle + 1
  }
  return Math.max(SCALES.least, SCALES.most * STEP ** low)
}
