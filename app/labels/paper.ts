import type { PDFFont, PDFPage } from 'pdf-lib'
import regularUrl from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import boldUrl from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'

/** Sizes in points, 1/72 inch. */
export const PAGES = { a4: { name: 'A4', width: 595.28, height: 841.89 }, letter: { name: 'Letter', width: 612, height: 792 } } as const
export type PageId = keyof typeof PAGES

/** Sheets of labels, two columns of five. */
export const SHEETS = {
  a4: { ...PAGES.a4, name: 'A4, 99 × 57 mm', labelWidth: 280.9, labelHeight: 161.6, left: 13.3, top: 17, gapX: 7 },
  letter: { ...PAGES.letter, name: 'Letter, 4 × 2 in', labelWidth: 288, labelHeight: 144, left: 11.25, top: 36, gapX: 13.5 },
} as const
export type SheetId = keyof typeof SHEETS
const COLUMNS = 2
const ROWS = 5

async function font(url: string): Promise<ArrayBuffer> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`The font for paper could not be read (${response.status}).`)
  return response.arrayBuffer()
}

/** The shipped face has no thin space: a plain one prints instead. */
export const printable = (text: string): string => text.replace(/[\u202f\u2009]/g, '\u00a0')

/** A pen on a page: writes wrapped lines downwards from `y`. Positions in points from the lower left. */
export interface Pen { page: PDFPage, x: number, y: number, width: number }

/** An empty document with the shipped fonts in it, and what is drawn on it everywhere. */
export async function startPaper(title: string, subject: string) {
  const [{ PDFDocument, rgb }, { default: fontkit }, { encode }, regularBytes, boldBytes] = await Promise.all([
    import('pdf-lib'), import('@pdf-lib/fontkit'), import('uqr'), font(regularUrl), font(boldUrl),
  ])
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(title)
  pdf.setSubject(subject)
  pdf.setProducer('Lactofer')
  const regular = await pdf.embedFont(regularBytes, { subset: true })
  const bold = await pdf.embedFont(boldBytes, { subset: true })
  const ink = rgb(0.08, 0.13, 0.11)
  const faint = rgb(0.62, 0.66, 0.64)

  /** Breaks a text into lines no wider than `width` points; a word that is wider alone is broken too. */
  const wrap = (text: string, face: PDFFont, size: number, width: number): string[] => text.split(/[^\S\u00a0]+/).flatMap((word) => {
    const pieces: string[] = []
    for (let rest = word; rest;) {
      let length = rest.length
      while (length > 1 && face.widthOfTextAtSize(rest.slice(0, length), size) > width) length--
      pieces.push(rest.slice(0, length))
      rest = rest.slice(length)
    }
    return pieces
  }).reduce<string[]>((lines, word) => {
    const longer = lines.length ? `${lines.at(-1)} ${word}` : word
    return lines.length && face.widthOfTextAtSize(longer, size) <= width ? [...lines.slice(0, -1), longer] : [...lines, word]
  }, [])

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
    for (let row = 0; row < code.size; row++) {
      for (let column = 0; column < code.size; column++) {
        if (code.data[row]?.[column]) page.drawRectangle({ x: right - side + column * cell, y: top - (row + 1) * cell, width: cell, height: cell, color: ink })
      }
    }
  }
  /** Goes over the spots of label sheets; `draw` gets the page, the left edge and the top of each. */
  const onLabels = (count: number, sheetId: SheetId, draw: (spot: { page: PDFPage, x: number, top: number, index: number }) => void) => {
    const sheet = SHEETS[sheetId]
    for (let index = 0; index < count; index++) {
      const spot = index % (COLUMNS * ROWS)
      const page = spot === 0 ? pdf.addPage([sheet.width, sheet.height]) : pdf.getPages().at(-1)
      if (!page) break
      draw({ page, index, x: sheet.left + (spot % COLUMNS) * (sheet.labelWidth + sheet.gapX), top: sheet.height - sheet.top - Math.floor(spot / COLUMNS) * sheet.labelHeight })
    }
  }
  return { pdf, regular, bold, ink, faint, rgb, write, drawCode, onLabels }
}
