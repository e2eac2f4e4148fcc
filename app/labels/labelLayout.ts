import type { Label, Run } from '@lactofer/core'
import { breakLines, cutToWidth } from './lineBreaking'

/** Something set on a label: text with its baseline, or the scannable code. Points from the upper left corner. */
export type Mark =
  | { kind: 'text'; text: string; x: number; y: number; size: number; bold: boolean; width: number }
  | { kind: 'code'; x: number; y: number; side: number }

/**
 * A label as it is set: the same marks are drawn on the page and into the PDF. `fits` when all of it stands inside at
 * a size that can be read.
 */
export interface LabelLayout {
  width: number
  height: number
  marks: Mark[]
  size: number
  fits: boolean
}

/** Width of a text in points. */
export type Measure = (text: string, size: number, bold: boolean) => number

/**
 * Smallest letters in points: an x-height of 0.9 mm, the least that regulation (EU) 1169/2011 lets small packs have
 * (from memory), in this face.
 */
export const SMALLEST = 5.2
const LARGEST = 9.5
const LEADING = 1.18

/**
 * Height of the figures of net contents, mm: 2 up to 50 mL, 3 up to 200, 4 up to 1 000, 6 above. Directive
 * 76/211/EEC, from memory.
 */
const netHeightMm = (bottleMl: number) => (bottleMl <= 50 ? 2 : bottleMl <= 200 ? 3 : bottleMl <= 1000 ? 4 : 6)
/** A figure of this face is so much of its size high. */
const FIGURE_HEIGHT = 0.67

/** Words of runs, each with its strength; what is joined without a space stays joined. */
function wordsOf(runs: readonly Run[]): Run[][] {
  const words: Run[][] = [[]]
  for (const { text, strong } of runs) {
    text.split(/(\s+)/).forEach((piece) => {
      if (/^[^\S\u00a0]+$/.test(piece)) words.push([])
      else if (piece) words.at(-1)?.push({ text: piece, strong })
    })
  }
  return words.filter((word) => word.length)
}

/**
 * Sets runs into lines from `top` downwards; `widthAt` tells how wide a line may be at a height. Returns the marks
 * and where the next line begins.
 */
function setRuns(
  runs: readonly Run[],
  x: number,
  top: number,
  size: number,
  widthAt: (y: number) => number,
  measure: Measure,
): { marks: Mark[]; y: number } {
  const space = measure(' ', size, false)
  const lineHeight = size * LEADING
  const lines = breakLines(wordsOf(runs), {
    space,
    widthOf: (word) => word.reduce((sum, { text, strong }) => sum + measure(text, size, strong), 0),
    widthAt: (line) => widthAt(top + line * lineHeight),
    split: (word, width) =>
      word.flatMap(({ text, strong }) =>
        cutToWidth(text, (piece) => measure(piece, size, strong), width).map((piece) => [{ text: piece, strong }]),
      ),
  })
  const marks: Mark[] = []
  lines.forEach((line, index) => {
    let at = x
    for (const word of line) {
      for (const { text, strong } of word) {
        const width = measure(text, size, strong)
        marks.push({ kind: 'text', text, x: at, y: top + index * lineHeight + size, size, bold: strong, width })
        at += width
      }
      at += space
    }
  })
  return { marks, y: top + lines.length * lineHeight }
}

/** All of a label at one size of its small print. */
function setAt(
  label: Label,
  bottleMl: number,
  width: number,
  height: number,
  size: number,
  measure: Measure,
): LabelLayout {
  const pad = Math.max(5, Math.min(11, width * 0.04))
  const inner = width - 2 * pad
  const side = label.code ? Math.min(52, Math.max(30, height * 0.3)) : 0
  const marks: Mark[] = label.code ? [{ kind: 'code', x: width - pad - side, y: pad, side }] : []
  const widthAt = (y: number) => (y < pad + side + 2 ? inner - side - 5 : inner)
  let y = pad
  const put = (text: string, at: number, bold = false) => {
    const set = setRuns([{ text, strong: bold }], pad, y, at, widthAt, measure)
    marks.push(...set.marks)
    y = set.y
  }
  const nameSize = Math.max(
    size * 1.3,
    Math.min(
      32,
      Math.max(size * 2.2, height * 0.19),
      ((20 * widthAt(pad)) / Math.max(1, measure(label.name, 20, true))) * 1.9,
    ),
  )
  put(label.name, nameSize, true)
  if (label.line) put(label.line, size * 1.05)
  y += 1
  put(label.net, (netHeightMm(bottleMl) * 72) / 25.4 / FIGURE_HEIGHT)
  y += 2
  const list = setRuns(label.ingredients, pad, y, size, widthAt, measure)
  marks.push(...list.marks)
  y = list.y
  if (label.contains) put(label.contains, size, true)
  if (label.figures.length) put(label.figures.join(' · '), size)
  for (const warning of label.warnings) put(warning, size, true)
  // What is looked up stands at the foot.
  const foot = [
    ...(label.storage ? [{ text: label.storage, bold: false }] : []),
    { text: [label.lot, ...label.dates].join(' · '), bold: true },
    ...(label.address.length ? [{ text: label.address.join(', '), bold: false }] : []),
  ]
  y = Math.max(y + 1.5, pad + side)
  const before = marks.length
  for (const { text, bold } of foot) put(text, size, bold)
  const spare = height - pad - y
  if (spare > 0) for (const mark of marks.slice(before)) mark.y += spare
  return { width, height, marks, size, fits: y <= height - pad + 0.01 }
}

/** Sets a label: as large as it can be read, smaller where the list is long, never smaller than {@link SMALLEST}. */
export function layoutLabel(
  label: Label,
  bottleMl: number,
  width: number,
  height: number,
  measure: Measure,
): LabelLayout {
  for (let size = LARGEST; size > SMALLEST; size -= 0.3) {
    const set = setAt(label, bottleMl, width, height, size, measure)
    if (set.fits) return set
  }
  return setAt(label, bottleMl, width, height, SMALLEST, measure)
}
