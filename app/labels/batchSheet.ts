import { printable, startPaper, PAGES, type PageId, type Pen } from './paper'

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

/**
 * A batch sheet as a PDF: what to weigh, with room to write what was weighed, the checks, the vessels, and lines for
 * the round.
 */
export async function batchSheetPdf(sheet: BatchSheet, pageId: PageId, link: string): Promise<Uint8Array> {
  const { pdf, regular, bold, ink, faint, write, drawCode } = await startPaper(
    `Batch sheet, ${sheet.code} ${sheet.name}`,
    sheet.rows.map((row) => `${row.name} ${row.planned}`).join('; '),
  )
  const size = PAGES[pageId]
  const addPage = (): Pen => ({
    page: pdf.addPage([size.width, size.height]),
    x: MARGIN,
    y: size.height - MARGIN,
    width: size.width - 2 * MARGIN,
  })
  let pen = addPage()
  const room = (needed: number) => {
    if (pen.y - needed < MARGIN) pen = addPage()
  }
  const rule = (y: number, from = MARGIN, to = size.width - MARGIN) =>
    pen.page.drawLine({ start: { x: from, y }, end: { x: to, y }, thickness: 0.7, color: faint })
  const at = (x: number, said: string, face = regular, right = false) => {
    const text = printable(said)
    pen.page.drawText(text, {
      x: right ? x - face.widthOfTextAtSize(text, 11) : x,
      y: pen.y,
      size: 11,
      font: face,
      color: ink,
    })
  }
  const heading = (text: string) => {
    room(60)
    pen.y -= 10
    write(pen, text, 13, bold)
    pen.y -= 4
  }

  drawCode(pen.page, link, size.width - MARGIN, size.height - MARGIN, 76)
  pen.width -= 90
  write(pen, sheet.code, 26, bold)
  write(pen, sheet.name, 16, bold)
  pen.y -= 4
  for (const [name, value] of sheet.facts) write(pen, `${name}: ${value}`, 11)
  pen.width += 90
  pen.y = Math.min(pen.y, size.height - MARGIN - 84)

  heading('Weigh in')
  const [planned, weighed] = [size.width - MARGIN - 130, size.width - MARGIN]
  pen.y -= 12
  at(MARGIN, 'What', bold)
  at(planned, 'Target', bold, true)
  at(weighed, 'Weighed', bold, true)
  rule(pen.y - 5)
  for (const row of sheet.rows) {
    room(24)
    pen.y -= 21
    const name = [row.name, row.how].filter(Boolean).join(', ')
    at(MARGIN, name.length > 58 ? `${name.slice(0, 57)}…` : name)
    at(planned, row.planned, regular, true)
    at(weighed, row.weighed || '__________', regular, true)
    rule(pen.y - 6)
  }
  if (sheet.vessels.length) {
    heading('Vessels')
    for (const vessel of sheet.vessels) write(pen, vessel, 11)
  }
  heading('Before packing')
  for (const check of sheet.checks) {
    room(18)
    pen.y -= 16
    pen.page.drawRectangle({
      x: MARGIN,
      y: pen.y - 1,
      width: 10,
      height: 10,
      borderWidth: 1,
      borderColor: ink,
      ...(check.done && { color: ink }),
    })
    at(MARGIN + 18, check.text)
  }
  if (sheet.cautions.length) {
    heading('Mind')
    for (const caution of sheet.cautions) {
      room(30)
      write(pen, caution, 10)
    }
  }
  heading('The round: day, pH, °C, what was done and seen, who')
  for (let line = 0; line < LINES; line++) {
    if (pen.y - 24 < MARGIN) break
    pen.y -= 22
    rule(pen.y)
  }
  return pdf.save()
}
