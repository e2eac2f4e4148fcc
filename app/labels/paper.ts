import type { PDFFont, PDFPage } from 'pdf-lib'
import regularUrl from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import boldUrl from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'
import { breathe } from '~/clock/breathe'
import { breakLines, cutToWidth } from './lineBreaking'

/** Sizes in points, 1/72 inch. */
export const PAGES = {
  a4: { name: 'A4', width: 595.28, height: 841.89 },
  letter: { name: 'Letter', width: 612, height: 792 },
} as const
export type PageId = keyof typeof PAGES

/** A sheet of labels: so many columns and rows of one size. */
interface LabelSheet {
  name: string
  width: number
  height: number
  labelWidth: number
  labelHeight: number
  left: number
  top: number
  gapX: number
  columns: number
  rows: number
}

/** Points in a millimetre. */
const MM = 72 / 25.4
/** A sheet with labels of a size in millimetres, set in its middle. */
function sheetOf(
  page: { name: string; width: number; height: number },
  wide: number,
  high: number,
  columns: number,
  rows: number,
  gapMm = 2.5,
): LabelSheet {
  const [labelWidth, labelHeight, gapX] = [wide * MM, high * MM, gapMm * MM]
  return {
    ...page,
    name: `${page.name}, ${columns * rows} of ${wide} × ${high} mm`,
    labelWidth,
    labelHeight,
    gapX,
    columns,
    rows,
    left: (page.width - columns * labelWidth - (columns - 1) * gapX) / 2,
    top: (page.height - rows * labelHeight) / 2,
  }
}
/** One label a page, for a label printer. */
const roll = (wide: number, high: number): LabelSheet => ({
  name: `Label printer, ${wide} × ${high} mm`,
  width: wide * MM,
  height: high * MM,
  labelWidth: wide * MM,
  labelHeight: high * MM,
  left: 0,
  top: 0,
  gapX: 0,
  columns: 1,
  rows: 1,
})

/** Sheets of labels; the maker looks at the packet. */
export const SHEETS = {
  a4: {
    ...PAGES.a4,
    name: 'A4, 10 of 99 × 57 mm',
    labelWidth: 280.9,
    labelHeight: 161.6,
    left: 13.3,
    top: 17,
    gapX: 7,
    columns: 2,
    rows: 5,
  },
  letter: {
    ...PAGES.letter,
    name: 'Letter, 10 of 4 × 2 in',
    labelWidth: 288,
    labelHeight: 144,
    left: 11.25,
    top: 36,
    gapX: 13.5,
    columns: 2,
    rows: 5,
  },
  'a4-large': sheetOf(PAGES.a4, 99, 93, 2, 3),
  'a4-wrap': sheetOf(PAGES.a4, 190, 61, 1, 4),
  'a4-small': sheetOf(PAGES.a4, 64, 38, 3, 7),
  'letter-large': {
    ...PAGES.letter,
    name: 'Letter, 6 of 4 × 3⅓ in',
    labelWidth: 288,
    labelHeight: 240,
    left: 11.25,
    top: 36,
    gapX: 13.5,
    columns: 2,
    rows: 3,
  },
  'roll-100': roll(100, 60),
  'roll-60': roll(60, 40),
} as const satisfies Record<string, LabelSheet>
export type SheetId = keyof typeof SHEETS
/** How many pages so many labels take. */
export const pagesFor = (count: number, sheetId: SheetId): number =>
  Math.ceil(count / (SHEETS[sheetId].columns * SHEETS[sheetId].rows))

/** Where the two shipped faces for print are. */
export const PRINT_FACES = { regular: regularUrl, bold: boldUrl } as const

async function font(url: string): Promise<ArrayBuffer> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`The font for paper could not be read (${response.status}).`)
  return response.arrayBuffer()
}

/** The shipped face has no thin space: a plain one prints instead. */
export const printable = (text: string): string => text.replace(/[\u202f\u2009]/g, '\u00a0')

/** A pen on a page: writes wrapped lines downwards from `y`. Positions in points from the lower left. */
export interface Pen {
  page: PDFPage
  x: number
  y: number
  width: number
}

/** Breaks a text into lines no wider than `width` points; a word that is wider alone is broken too. */
function wrap(text: string, face: PDFFont, size: number, width: number): string[] {
  const widthOf = (piece: string) => face.widthOfTextAtSize(piece, size)
  const words = text.split(/[^\S\u00a0]+/).filter(Boolean)
  const split = (word: string) => cutToWidth(word, widthOf, width)
  const lines = breakLines(words, { widthOf, split, space: widthOf(' '), widthAt: () => width })
  return lines.map((line) => line.join(' '))
}

/** Which signs a face has. */
function signsOf(face: PDFFont) {
  const known = new Set(face.getCharacterSet())
  const has = (sign: string) => known.has(sign.codePointAt(0) ?? 0)
  return {
    /** Signs that the face does not have, each once. */
    missing: (text: string): string[] => [
      ...new Set([...printable(text)].filter((sign) => !has(sign) && sign !== '\n')),
    ],
    /** The same without them. */
    without: (text: string): string => [...printable(text)].filter(has).join('').replace(/ {2,}/g, ' ').trim(),
  }
}

/** The left edge and the top of the spot of a label, counted over all sheets. */
function spotOf(sheet: (typeof SHEETS)[SheetId], index: number) {
  const spot = index % (sheet.columns * sheet.rows)
  return {
    first: spot === 0,
    x: sheet.left + (spot % sheet.columns) * (sheet.labelWidth + sheet.gapX),
    top: sheet.height - sheet.top - Math.floor(spot / sheet.columns) * sheet.labelHeight,
  }
}

/**
 * Loads what makes a PDF, and the shipped faces: nothing of it is needed before somebody prints. Each package sets
 * itself up in a task of its own.
 */
async function loadPress() {
  const faces = Promise.all([font(regularUrl), font(boldUrl)])
  const { PDFDocument, rgb } = await import('pdf-lib')
  await breathe()
  const { default: fontkit } = await import('@pdf-lib/fontkit')
  await breathe()
  const { encode } = await import('uqr')
  return { PDFDocument, rgb, fontkit, encode, faces: await faces }
}

/** An empty document with the shipped fonts in it, and what is drawn on it everywhere. */
export async function startPaper(title: string, subject: string) {
  const { PDFDocument, rgb, fontkit, encode, faces } = await loadPress()
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(title)
  pdf.setSubject(subject)
  pdf.setProducer('Lactofer')
  // Reading a face and measuring with it for the first time take their moment: each is a task of its own.
  const embed = async (bytes: ArrayBuffer) => {
    await breathe()
    const face = await pdf.embedFont(bytes, { subset: true })
    await breathe()
    face.widthOfTextAtSize(' ', 1)
    await breathe()
    return face
  }
  const regular = await embed(faces[0])
  const bold = await embed(faces[1])
  const ink = rgb(0.08, 0.13, 0.11)
  const faint = rgb(0.62, 0.66, 0.64)

  const write = (pen: Pen, text: string, size: number, face: PDFFont = regular, color = ink) => {
    for (const line of wrap(printable(text), face, size, pen.width)) {
      pen.y -= size * 1.2
      pen.page.drawText(line, { x: pen.x, y: pen.y, size, font: face, color })
    }
  }
  /** A scannable code with its upper right corner at (`right`, `top`). */
  const drawCode = (page: PDFPage, link: string, right: number, top: number, side: number) => {
    const code = encode(link, { border: 0 })
    const cell = side / code.size
    const [left, square] = [right - side, { width: cell, height: cell, color: ink }]
    code.data.forEach((row, down) =>
      row.forEach((dark, across) => {
        if (dark) page.drawRectangle({ x: left + across * cell, y: top - (down + 1) * cell, ...square })
      }),
    )
  }
  /** Goes over the spots of label sheets; `draw` gets the page, the left edge and the top of each. */
  const onLabels = (
    count: number,
    sheetId: SheetId,
    draw: (spot: { page: PDFPage; x: number; top: number; index: number }) => void,
  ) => {
    const sheet = SHEETS[sheetId]
    for (let index = 0; index < count; index++) {
      const { first, x, top } = spotOf(sheet, index)
      const page = first ? pdf.addPage([sheet.width, sheet.height]) : pdf.getPages().at(-1)
      if (page) draw({ page, index, x, top })
    }
  }
  return { pdf, regular, bold, ink, faint, rgb, write, drawCode, onLabels, ...signsOf(regular) }
}
