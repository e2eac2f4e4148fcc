import type { PDFFont } from 'pdf-lib'
import { startPages, type Pages } from './pages'
import { printable } from './paper'
import type { PageId } from './sheets'

/** What stands on a batch sheet; texts are ready to print. */
export interface BatchSheet {
  code: string
  name: string
  facts: [name: string, value: string][]
  rows: { name: string; how: string; planned: string; weighed: string }[]
  vessels: string[]
  checks: { text: string; done: boolean }[]
  cautions: string[]
}

const MARGIN = 42
const LINES = 14
/** Side of the scannable code, and the room kept free for it beside the head. */
const CODE = 76
const BESIDE = 90

/** Writes on the line the pen stands at, from a place, or up to it. */
function write(pages: Pages, x: number, said: string, face: PDFFont = pages.regular, right = false): void {
  const text = printable(said)
  const from = right ? x - face.widthOfTextAtSize(text, 11) : x
  pages.at.pen.page.drawText(text, { x: from, y: pages.at.pen.y, size: 11, font: face, color: pages.ink })
}

function writeHead(pages: Pages, { code, name, facts }: BatchSheet, link: string): void {
  const { at, size, bold } = pages
  pages.drawCode(at.pen.page, link, size.width - MARGIN, size.height - MARGIN, CODE)
  at.pen.width -= BESIDE
  pages.write(at.pen, code, 26, bold)
  pages.write(at.pen, name, 16, bold)
  at.pen.y -= 4
  for (const [fact, value] of facts) pages.write(at.pen, `${fact}: ${value}`, 11)
  at.pen.width += BESIDE
  at.pen.y = Math.min(at.pen.y, size.height - MARGIN - CODE - 8)
}

/** What to weigh, with room to write what was weighed. */
function writeRows(pages: Pages, rows: BatchSheet['rows']): void {
  const { at, size, bold, regular } = pages
  const [planned, weighed] = [size.width - MARGIN - 130, size.width - MARGIN]
  pages.heading('Weigh in', 4)
  at.pen.y -= 12
  write(pages, MARGIN, 'What', bold)
  write(pages, planned, 'Target', bold, true)
  write(pages, weighed, 'Weighed', bold, true)
  pages.rule(at.pen.y - 5, 0.7)
  for (const row of rows) {
    pages.room(24)
    at.pen.y -= 21
    const name = [row.name, row.how].filter(Boolean).join(', ')
    write(pages, MARGIN, name.length > 58 ? `${name.slice(0, 57)}…` : name)
    write(pages, planned, row.planned, regular, true)
    write(pages, weighed, row.weighed || '__________', regular, true)
    pages.rule(at.pen.y - 6, 0.7)
  }
}

function writeChecks(pages: Pages, checks: BatchSheet['checks']): void {
  const { at, ink } = pages
  pages.heading('Before packing', 4)
  for (const { text, done } of checks) {
    pages.room(18)
    at.pen.y -= 16
    const box = { x: MARGIN, y: at.pen.y - 1, width: 10, height: 10, borderWidth: 1, borderColor: ink }
    at.pen.page.drawRectangle({ ...box, ...(done && { color: ink }) })
    write(pages, MARGIN + 18, text)
  }
}

/** Lines for the round, as many as the page still has room for. */
function writeRound(pages: Pages): void {
  const { at } = pages
  pages.heading('The round: day, pH, °C, what was done and seen, who', 4)
  for (let line = 0; line < LINES && at.pen.y - 24 >= MARGIN; line++) {
    at.pen.y -= 22
    pages.rule(at.pen.y, 0.7)
  }
}

/**
 * A batch sheet as a PDF: what to weigh, with room to write what was weighed, the checks, the vessels, and lines for
 * the round.
 */
export async function batchSheetPdf(sheet: BatchSheet, pageId: PageId, link: string): Promise<Uint8Array> {
  const subject = sheet.rows.map((row) => `${row.name} ${row.planned}`).join('; ')
  const pages = await startPages(`Batch sheet, ${sheet.code} ${sheet.name}`, subject, pageId, MARGIN)
  const { at } = pages
  writeHead(pages, sheet, link)
  writeRows(pages, sheet.rows)
  if (sheet.vessels.length) {
    pages.heading('Vessels', 4)
    for (const vessel of sheet.vessels) pages.write(at.pen, vessel, 11)
  }
  writeChecks(pages, sheet.checks)
  if (sheet.cautions.length) {
    pages.heading('Mind', 4)
    for (const caution of sheet.cautions) {
      pages.room(30)
      pages.write(at.pen, caution, 10)
    }
  }
  writeRound(pages)
  return pages.pdf.save()
}
