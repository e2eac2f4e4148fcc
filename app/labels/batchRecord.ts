import { HOUR_MS, ingredientsOf, phOf, type BatchRecord, type Book } from '@lactofer/core'
import { fullMoment, narrowMoment } from '~/clock/moments'
import { PAGES, startPaper, type PageId, type Pen } from './paper'

const MARGIN = 40
const WHEN = 92
const WHO = 62
const LOT = 74

/**
 * The batch record as a PDF: the lot, what it was made of, every entry with who and when, corrections beside what
 * they correct, instruments and their calibration.
 */
export async function batchRecordPdf(
  { lot, sources, lines, calibrations }: BatchRecord,
  book: Book,
  nowMs: number,
  pageId: PageId = 'a4',
): Promise<Uint8Array> {
  const { pdf, regular, bold, ink, faint, write, without } = await startPaper(
    `Batch record, ${lot.code} ${lot.name}`,
    lines
      .map((line) => `${line.number} ${line.what}`)
      .join('; ')
      .slice(0, 30_000),
  )
  const size = PAGES[pageId]
  let pen: Pen = {
    page: pdf.addPage([size.width, size.height]),
    x: MARGIN,
    y: size.height - MARGIN,
    width: size.width - 2 * MARGIN,
  }
  const next = () =>
    (pen = {
      page: pdf.addPage([size.width, size.height]),
      x: MARGIN,
      y: size.height - MARGIN,
      width: size.width - 2 * MARGIN,
    })
  const room = (needed: number) => {
    if (pen.y - needed < MARGIN + 14) next()
  }
  const heading = (text: string) => {
    room(60)
    pen.y -= 10
    write(pen, text, 13, bold)
    pen.y -= 3
  }
  const say = (text: string, at = 9.5) => {
    room(at * 2.6)
    write(pen, without(text), at)
  }
  write(pen, without(`Batch record ${lot.code}`), 22, bold)
  write(pen, without(lot.name), 14, bold)
  pen.y -= 4
  const ph = phOf(book, lot.id)
  say(
    `State: ${lot.state}. ${lot.bottles ? `${lot.bottles.made} bottles made, ${lot.bottles.left} here, ${lot.bottles.retained} kept as a sample, ${lot.bottles.out.reduce((sum, { count }) => sum + count, 0)} out.` : `${Math.round(lot.madeG)} g made, ${Math.round(lot.leftG)} g left.`}${ph ? ` pH ${ph.ph.toFixed(2)}${ph.measured ? '' : ', worked out'}.` : ''}`,
    10.5,
  )
  say(
    `Made of: ${ingredientsOf(book, lot.id)
      .map(
        (part) =>
          `${part.name} ${Math.round(part.massG)} g${part.of.length ? ` (${part.of.map((one) => one.name).join(', ')})` : ''}`,
      )
      .join(', ')}.`,
    10.5,
  )
  if (sources.length) say(`Through: ${sources.map((source) => `${source.code} ${source.name}`).join('; ')}.`, 10.5)
  if (lot.release)
    say(
      `${lot.release.decision === 'released' ? 'Released' : 'Held'} ${fullMoment(lot.release.at)} by ${lot.release.initials ?? lot.release.by}, limit pH ${lot.release.limitPh.toFixed(2)}: ${lot.release.reason}`,
      10.5,
    )
  say(
    `Written ${fullMoment(nowMs)} from ${lines.length} entries. It tells what was measured and done; it approves nothing.`,
    9,
  )

  if (lot.release?.checks?.length) {
    heading('Checks at the release')
    for (const check of lot.release.checks)
      say(`${{ pass: 'Passed', ask: 'Asked', stop: 'Stopped' }[check.verdict]}: ${check.sentence}`)
  }
  heading('What was done, measured and decided')
  for (const line of lines) {
    const note = [
      line.status === 'stands'
        ? ''
        : line.status === 'corrected'
          ? `CORRECTED by line ${line.replacedBy}.`
          : `TAKEN BACK by line ${line.replacedBy}.`,
      line.replaces ? `In place of line ${line.replaces}.` : '',
      line.instrument ? `With ${line.instrument}.` : '',
      Math.abs(line.writtenMs - line.atMs) > HOUR_MS ? `Written down ${fullMoment(line.writtenMs)}.` : '',
    ]
      .filter(Boolean)
      .join(' ')
    room(36)
    const top = pen.y
    const text: Pen = { ...pen, x: MARGIN + WHEN + WHO + LOT, width: pen.width - WHEN - WHO - LOT }
    write(text, without(line.what), 9.5)
    if (note) write(text, without(note), 8.5, line.status === 'stands' ? regular : bold)
    const cell = (x: number, words: string, face = regular) =>
      pen.page.drawText(without(words).slice(0, 18), { x, y: top - 11.4, size: 9, font: face, color: ink })
    cell(MARGIN, `${line.number}  ${narrowMoment(line.atMs)}`)
    cell(MARGIN + WHEN, line.by.slice(0, 12))
    cell(MARGIN + WHEN + WHO, line.code, bold)
    // What was corrected stays readable and is struck through.
    if (line.status !== 'stands')
      pen.page.drawLine({
        start: { x: text.x, y: top - 8 },
        end: { x: text.x + Math.min(text.width, regular.widthOfTextAtSize(without(line.what), 9.5)), y: top - 8 },
        thickness: 0.8,
        color: ink,
      })
    pen.y = text.y - 3
    pen.page.drawLine({
      start: { x: MARGIN, y: pen.y },
      end: { x: size.width - MARGIN, y: pen.y },
      thickness: 0.4,
      color: faint,
    })
    pen.y -= 2
  }
  if (calibrations.length) {
    heading('Instruments and their calibration')
    for (const one of calibrations)
      say(
        `${one.meter}, ${fullMoment(one.at)}, ${one.by}: slope ${one.slopePct.toFixed(1)} %, offset ${one.offsetMv.toFixed(1)} mV, on ${one.points.map((point) => `pH ${point.ph} (${point.millivolt.toFixed(1)} mV at ${point.tempC.toFixed(1)} °C)`).join(' and ')}${one.accepted ? '' : ', NOT accepted'}.`,
      )
  }
  const pages = pdf.getPages()
  pages.forEach((page, index) =>
    page.drawText(without(`${lot.code}, page ${index + 1} of ${pages.length}`), {
      x: MARGIN,
      y: MARGIN - 16,
      size: 8.5,
      font: regular,
      color: ink,
    }),
  )
  return pdf.save()
}
