import type { Label } from '@lactofer/core'
import { SHEETS, startPaper, type Pen, type SheetId } from './paper'

const PAD = 10
const CODE = 50

/** Labels for bottles on sheets as a PDF; `link` opens the lot when its code is scanned. */
export async function labelSheet(label: Label, count: number, sheetId: SheetId, link: string): Promise<Uint8Array> {
  const { pdf, regular, bold, write, drawCode, onLabels } = await startPaper(`${label.name}, ${label.lot}`, [label.ingredients, label.allergens, label.net, label.bestBefore].filter(Boolean).join(' '))
  const { labelWidth, labelHeight } = SHEETS[sheetId]
  onLabels(count, sheetId, ({ page, x, top }) => {
    const inner = labelWidth - 2 * PAD
    const pen: Pen = { page, x: x + PAD, y: top - PAD, width: inner - CODE - 6 }
    write(pen, label.name, 19, bold)
    pen.y -= 2
    write(pen, label.net, 11)
    pen.y = Math.min(pen.y, top - PAD - CODE)
    pen.width = inner
    // A long list is set smaller rather than cut: everything in it must be readable.
    const long = label.ingredients.length
    const small = long > 260 ? 6 : long > 150 ? 7.5 : 9
    write(pen, label.ingredients, small)
    if (label.allergens) write(pen, label.allergens, small + 0.5, bold)
    const foot = [...label.warnings, label.storage, `${label.lot} · ${label.bestBefore}`]
    pen.y = Math.min(pen.y, top - labelHeight + PAD + foot.length * 9 * 1.2)
    for (const line of foot) write(pen, line, small > 7 ? 9 : small, line.startsWith(label.lot) ? bold : regular)
    drawCode(page, link, x + labelWidth - PAD, top - PAD, CODE)
  })
  return pdf.save()
}
