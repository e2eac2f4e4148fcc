import { labelText, type Label } from '@lactofer/core'
import { layoutLabel, type LabelLayout } from './labelLayout'
import { startPaper } from './paper'
import { SHEETS, type SheetId } from './sheets'

/**
 * A label on its way to paper: how it is set, and what the shipped letters do not have; `nameless` when nothing of
 * its name can be printed.
 */
export interface SetLabel {
  layout: LabelLayout
  missing: string[]
  nameless: boolean
}

const everyText = (label: Label, change: (text: string) => string): Label => ({
  ...label,
  name: change(label.name),
  line: label.line && change(label.line),
  ingredients: label.ingredients.map((run) => ({
    ...run,
    text: run.text.trim() ? keepEnds(run.text, change) : run.text,
  })),
  address: label.address.map(change).filter(Boolean),
})
/** Spaces at the ends of a run belong to the line. */
const keepEnds = (text: string, change: (text: string) => string) =>
  `${/^\s*/.exec(text)?.[0] ?? ''}${change(text.trim())}${/\s*$/.exec(text)?.[0] ?? ''}`

/** Sets labels and prints them with one pair of faces: what is shown is what is printed. */
export async function labelPress(title: string, subject = '') {
  const { pdf, regular, bold, ink, drawCode, onLabels, missing, without } = await startPaper(title, subject)
  // A face is as wide as it is large: every piece is measured once, whatever sizes are tried.
  const widths = { bold: new Map<string, number>(), regular: new Map<string, number>() }
  function measure(text: string, size: number, strong: boolean): number {
    const known = strong ? widths.bold : widths.regular
    const width = known.get(text) ?? (strong ? bold : regular).widthOfTextAtSize(text, 1)
    known.set(text, width)
    return width * size
  }
  function set(label: Label, bottleMl: number, sheetId: SheetId): SetLabel {
    const { labelWidth, labelHeight } = SHEETS[sheetId]
    return {
      layout: layoutLabel(everyText(label, without), bottleMl, labelWidth, labelHeight, measure),
      missing: missing(labelText(label)),
      nameless: without(label.name) === '',
    }
  }
  /** `link` opens the lot when its code is scanned. */
  async function print({ layout }: SetLabel, count: number, sheetId: SheetId, link: string): Promise<Uint8Array> {
    onLabels(count, sheetId, ({ page, x, top }) => {
      for (const mark of layout.marks) {
        if (mark.kind === 'code') drawCode(page, link, x + mark.x + mark.side, top - mark.y, mark.side)
        else
          page.drawText(mark.text, {
            x: x + mark.x,
            y: top - mark.y,
            size: mark.size,
            font: mark.bold ? bold : regular,
            color: ink,
          })
      }
    })
    return pdf.save()
  }
  return { set, print }
}
