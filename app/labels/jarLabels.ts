import type { JarLabel } from '@lactofer/core'
import { startPaper, type Pen } from './paper'
import { SHEETS, type SheetId } from './sheets'

const PAD = 12
const CODE = 64

/**
 * Labels for jars on sheets as a PDF: code, what, salt, start, closure, HOT; `link` opens the lot when its code is
 * scanned.
 */
export async function jarLabelSheet(labels: readonly JarLabel[], sheetId: SheetId, link: string): Promise<Uint8Array> {
  const first = labels[0]
  const { pdf, bold, rgb, write, drawCode, onLabels } = await startPaper(
    `Jar labels, ${first?.code ?? ''}`,
    labels
      .map((label) => [label.code, label.name, ...label.lines, label.hot ? 'HOT' : ''].filter(Boolean).join(', '))
      .join('; '),
  )
  const { labelWidth, labelHeight } = SHEETS[sheetId]
  onLabels(labels.length, sheetId, ({ page, x, top, index }) => {
    const label = labels[index]
    if (!label) return
    const pen: Pen = { page, x: x + PAD, y: top - PAD, width: labelWidth - 2 * PAD - CODE - 8 }
    write(pen, label.code, 28, bold)
    pen.y -= 2
    write(pen, label.name, label.name.length > 40 ? 11 : 15, bold)
    pen.y -= 3
    for (const line of label.lines) write(pen, line, 12.5)
    drawCode(page, link, x + labelWidth - PAD, top - PAD, CODE)
    if (!label.hot) return
    const bar = 26
    const bottom = top - labelHeight + 8
    page.drawRectangle({ x: x + PAD, y: bottom, width: labelWidth - 2 * PAD, height: bar, color: rgb(0.7, 0.17, 0.06) })
    page.drawText('HOT', { x: x + PAD + 10, y: bottom + 6, size: 19, font: bold, color: rgb(1, 1, 1) })
  })
  return pdf.save()
}
