import type { PDFFont } from 'pdf-lib'
import { startPaper, type Pen } from './paper'
import { PAGES, type PageId } from './sheets'

/** Points above the lower margin that a foot of the page needs. */
const FOOT = 14

/** Pages that are written from the top down: a new one begins where there is no room left. */
export async function startPages(title: string, subject: string, pageId: PageId, margin: number, foot = false) {
  const paper = await startPaper(title, subject)
  const size = PAGES[pageId]
  const fresh = (): Pen => ({
    page: paper.pdf.addPage([size.width, size.height]),
    x: margin,
    y: size.height - margin,
    width: size.width - 2 * margin,
  })
  const at = { pen: fresh() }
  const end = margin + (foot ? FOOT : 0)
  /** Goes to a new page where less than so many points are left. */
  const room = (needed: number) => {
    if (at.pen.y - needed < end) at.pen = fresh()
  }
  /** Writes a text, and leaves out signs that the shipped face does not have. */
  const say = (text: string, points: number, face: PDFFont = paper.regular) => {
    room(points * 2.6)
    paper.write(at.pen, paper.without(text), points, face)
  }
  const heading = (text: string, gap: number) => {
    room(60)
    at.pen.y -= 10
    paper.write(at.pen, text, 13, paper.bold)
    at.pen.y -= gap
  }
  /** A thin line across the page. */
  const rule = (y: number, thickness: number) =>
    at.pen.page.drawLine({
      start: { x: margin, y },
      end: { x: size.width - margin, y },
      thickness,
      color: paper.faint,
    })
  return { ...paper, at, size, room, say, heading, rule }
}
export type Pages = Awaited<ReturnType<typeof startPages>>
