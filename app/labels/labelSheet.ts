import type { Label } from '@lactofer/core'
import regularUrl from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import boldUrl from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'

/** A sheet of labels: paper and label in points (1/72 inch), two columns of five. */
export const SHEETS = {
  a4: { name: 'A4, 99 × 57 mm', width: 595.28, height: 841.89, labelWidth: 280.9, labelHeight: 161.6, left: 13.3, top: 17, gapX: 7 },
  letter: { name: 'Letter, 4 × 2 in', width: 612, height: 792, labelWidth: 288, labelHeight: 144, left: 11.25, top: 36, gapX: 13.5 },
} as const
export type SheetId = keyof typeof SHEETS
const COLUMNS = 2
const ROWS = 5
const PAD = 10

async function font(url: string): Promise<ArrayBuffer> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`The font for labels could not be read (${response.status}).`)
  return response.arrayBuffer()
}

/** Labels on sheets as a PDF; `link` opens the lot when its code is scanned. */
export async function labelSheet(label: Label, count: number, sheetId: SheetId, link: string): Promise<Uint8Array> {
  const [{ PDFDocument, rgb }, { default: fontkit }, { encode }, regularBytes, boldBytes] = await Promise.all([
    import('pdf-lib'), import('@pdf-lib/fontkit'), import('uqr'), font(regularUrl), font(boldUrl),
  ])
  const sheet = SHEETS[sheetId]
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(`${label.name}, ${label.lot}`)
  pdf.setSubject([label.ingredients, label.allergens, label.net, label.bestBefore].filter(Boolean).join(' '))
  pdf.setProducer('Lactofer')
  const regular = await pdf.embedFont(regularBytes, { subset: true })
  const bold = await pdf.embedFont(boldBytes, { subset: true })
  const ink = rgb(0.08, 0.13, 0.11)
  const code = encode(link, { border: 0 })

  /** Breaks a text into lines no wider than `width` points. */
  const wrap = (text: string, face: typeof regular, size: number, width: number): string[] => text.split(/\s+/).reduce<string[]>((lines, word) => {
    const longer = lines.length ? `${lines.at(-1)} ${word}` : word
    if (lines.length && face.widthOfTextAtSize(longer, size) <= width) return [...lines.slice(0, -1), longer]
    return [...lines, word]
  }, [])

  const perSheet = COLUMNS * ROWS
  for (let index = 0; index < count; index++) {
    const page = index % perSheet === 0 ? pdf.addPage([sheet.width, sheet.height]) : pdf.getPages().at(-1)
    if (!page) break
    const spot = index % perSheet
    const x = sheet.left + (spot % COLUMNS) * (sheet.labelWidth + sheet.gapX)
    const top = sheet.height - sheet.top - Math.floor(spot / COLUMNS) * sheet.labelHeight
    const inner = sheet.labelWidth - 2 * PAD
    const side = 50
    let y = top - PAD
    const write = (text: string, face: typeof regular, size: number, width: number) => {
      for (const line of wrap(text, face, size, width)) {
        y -= size * 1.2
        page.drawText(line, { x: x + PAD, y, size, font: face, color: ink })
      }
    }
    write(label.name, bold, 19, inner - side - 6)
    y -= 2
    write(label.net, regular, 11, inner - side - 6)
    y = Math.min(y, top - PAD - side)
    // A long list is set smaller rather than cut: everything in it must be readable.
    const long = label.ingredients.length
    const small = long > 260 ? 6 : long > 150 ? 7.5 : 9
    write(label.ingredients, regular, small, inner)
    if (label.allergens) write(label.allergens, bold, small + 0.5, inner)
    const foot = [...label.warnings, label.storage, `${label.lot} · ${label.bestBefore}`]
    y = Math.min(y, top - sheet.labelHeight + PAD + foot.length * 9 * 1.2)
    for (const line of foot) write(line, line.startsWith(label.lot) ? bold : regular, small > 7 ? 9 : small, inner)
    const cell = side / code.size
    for (let row = 0; row < code.size; row++) {
      for (let column = 0; column < code.size; column++) {
        if (code.data[row]?.[column]) page.drawRectangle({ x: x + sheet.labelWidth - PAD - side + column * cell, y: top - PAD - (row + 1) * cell, width: cell, height: cell, color: ink })
      }
    }
  }
  return pdf.save()
}
