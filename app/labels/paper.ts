import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib'
import { encode } from 'uqr'
import { breakLines, cutToWidth } from './lineBreaking'
import { PRINT_FACES, SHEETS, type SheetId } from './sheets'

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

/** An empty document with the shipped fonts in it, and what is drawn on it everywhere. */
export async function startPaper(title: string, subject: string) {
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(title)
  pdf.setSubject(subject)
  pdf.setProducer('Lactofer')
  const embed = async (url: string) => pdf.embedFont(await font(url), { subset: true })
  const [regular, bold] = [await embed(PRINT_FACES.regular), await embed(PRINT_FACES.bold)]
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
