import { HOUR_MS, type BatchRecord, type EntryOf, type Ingredient, type Lot } from '@lactofer/core'
import { fullMoment, narrowMoment } from '~/clock/moments'
import { startPages, type Pages } from './pages'
import type { Pen } from './paper'
import type { PageId } from './sheets'

const MARGIN = 40
/** Widths of the columns before what was done. */
const WHEN = 92
const WHO = 62
const LOT = 74

const VERDICTS = { pass: 'Passed', ask: 'Asked', stop: 'Stopped' } as const

function stateWords({ state, bottles, madeG, leftG }: Lot): string {
  if (!bottles) return `State: ${state}. ${Math.round(madeG)} g made, ${Math.round(leftG)} g left.`
  const out = bottles.out.reduce((sum, { count }) => sum + count, 0)
  return `State: ${state}. ${bottles.made} bottles made, ${bottles.left} here, ${bottles.retained} kept as a sample, ${out} out.`
}

/** A batch record, what its lot was made of and its pH as last known, and when it is written. */
export interface RecordPaper {
  record: BatchRecord
  madeOf: readonly Ingredient[]
  ph: { ph: number; measured: boolean } | null
  nowMs: number
}

const madeOfWords = (madeOf: readonly Ingredient[]): string =>
  madeOf
    .map(({ name, massG, of }) => {
      const inside = of.length ? ` (${of.map((one) => one.name).join(', ')})` : ''
      return `${name} ${Math.round(massG)} g${inside}`
    })
    .join(', ')

const releaseWords = ({ decision, at, initials, by, limitPh, reason }: EntryOf<'release'>): string =>
  `${decision === 'released' ? 'Released' : 'Held'} ${fullMoment(at)} by ${initials ?? by}, limit pH ${limitPh.toFixed(2)}: ${reason}`

function calibrationWords({ meter, at, by, slopePct, offsetMv, points, accepted }: EntryOf<'calibrate'>): string {
  const buffers = points
    .map((point) => `pH ${point.ph} (${point.millivolt.toFixed(1)} mV at ${point.tempC.toFixed(1)} °C)`)
    .join(' and ')
  return `${meter}, ${fullMoment(at)}, ${by}: slope ${slopePct.toFixed(1)} %, offset ${offsetMv.toFixed(1)} mV, on ${buffers}${accepted ? '' : ', NOT accepted'}.`
}

/** What stands under a line: what became of it, and what it was read with. */
function noteOf(line: BatchRecord['lines'][number]): string {
  const fate = {
    ...{ stands: '', corrected: 'CORRECTED', 'taken back': 'TAKEN BACK' },
    'said otherwise': 'ANOTHER DEVICE SAYS OTHERWISE',
  }[line.status]
  return [
    fate ? `${fate} by line ${line.replacedBy}.` : '',
    line.replaces ? `In place of line ${line.replaces}.` : '',
    line.instrument ? `With ${line.instrument}.` : '',
    Math.abs(line.writtenMs - line.atMs) > HOUR_MS ? `Written down ${fullMoment(line.writtenMs)}.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** The lot, what it was made of and what was decided. */
function writeHead(pages: Pages, { record, madeOf, ph, nowMs }: RecordPaper): void {
  const { lot, sources, lines } = record
  const { at, bold, write, without, say } = pages
  write(at.pen, without(`Batch record ${lot.code}`), 22, bold)
  write(at.pen, without(lot.name), 14, bold)
  at.pen.y -= 4
  say(`${stateWords(lot)}${ph ? ` pH ${ph.ph.toFixed(2)}${ph.measured ? '' : ', worked out'}.` : ''}`, 10.5)
  say(`Made of: ${madeOfWords(madeOf)}.`, 10.5)
  if (sources.length) say(`Through: ${sources.map((source) => `${source.code} ${source.name}`).join('; ')}.`, 10.5)
  if (lot.release) say(releaseWords(lot.release), 10.5)
  const from = `Written ${fullMoment(nowMs)} from ${lines.length} entries.`
  say(`${from} It tells what was measured and done; it approves nothing.`, 9)
}

/** One entry: when, who, which lot, what; what was corrected stays readable and is struck through. */
function writeLine(pages: Pages, line: BatchRecord['lines'][number]): void {
  const { at, regular, bold, ink, write, without } = pages
  pages.room(36)
  const { pen } = at
  const top = pen.y
  const stands = line.status === 'stands'
  const text: Pen = { ...pen, x: MARGIN + WHEN + WHO + LOT, width: pen.width - WHEN - WHO - LOT }
  const what = without(line.what)
  write(text, what, 9.5)
  const note = noteOf(line)
  if (note) write(text, without(note), 8.5, stands ? regular : bold)
  const cell = (x: number, words: string, face = regular) =>
    pen.page.drawText(without(words).slice(0, 18), { x, y: top - 11.4, size: 9, font: face, color: ink })
  cell(MARGIN, `${line.number}  ${narrowMoment(line.atMs)}`)
  cell(MARGIN + WHEN, line.by.slice(0, 12))
  cell(MARGIN + WHEN + WHO, line.code, bold)
  const y = top - 8
  const end = { x: text.x + Math.min(text.width, regular.widthOfTextAtSize(what, 9.5)), y }
  if (!stands) pen.page.drawLine({ start: { x: text.x, y }, end, thickness: 0.8, color: ink })
  pen.y = text.y - 3
  pages.rule(pen.y, 0.4)
  pen.y -= 2
}

/** The number of each page, at its foot. */
function numberPages({ pdf, without, regular, ink }: Pages, code: string): void {
  const all = pdf.getPages()
  all.forEach((page, index) => {
    const words = without(`${code}, page ${index + 1} of ${all.length}`)
    page.drawText(words, { x: MARGIN, y: MARGIN - 16, size: 8.5, font: regular, color: ink })
  })
}

/**
 * The batch record as a PDF: the lot, what it was made of, every entry with who and when, corrections beside what
 * they correct, instruments and their calibration.
 */
export async function batchRecordPdf(paper: RecordPaper, pageId: PageId = 'a4'): Promise<Uint8Array> {
  const { lot, lines, calibrations } = paper.record
  const subject = lines.map((line) => `${line.number} ${line.what}`).join('; ')
  const title = `Batch record, ${lot.code} ${lot.name}`
  const pages = await startPages(title, subject.slice(0, 30_000), pageId, MARGIN, true)
  writeHead(pages, paper)
  const { say, heading } = pages
  if (lot.release?.checks?.length) {
    heading('Checks at the release', 3)
    for (const check of lot.release.checks) say(`${VERDICTS[check.verdict]}: ${check.sentence}`, 9.5)
  }
  heading('What was done, measured and decided', 3)
  for (const line of lines) writeLine(pages, line)
  if (calibrations.length) {
    heading('Instruments and their calibration', 3)
    for (const one of calibrations) say(calibrationWords(one), 9.5)
  }
  numberPages(pages, lot.code)
  return pages.pdf.save()
}
