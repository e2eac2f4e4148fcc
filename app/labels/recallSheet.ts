import type { Recall } from '@lactofer/core'
import { fullDay, fullMoment } from '~/clock/moments'
import { PAGES, startPaper, type PageId, type Pen } from './paper'

const MARGIN = 42

/** A recall on paper: which bottles, how many of them are where, whom to call. */
export async function recallPdf(recall: Recall, nowMs: number, pageId: PageId = 'a4'): Promise<Uint8Array> {
  const { lot, runs, to, stock } = recall
  const { pdf, regular, bold, faint, write, without } = await startPaper(
    `Recall, ${lot.code} ${lot.name}`,
    `${recall.made} made, ${recall.here} here, ${recall.retained} samples, ${recall.out} out`,
  )
  const size = PAGES[pageId]
  const fresh = (): Pen => ({
    page: pdf.addPage([size.width, size.height]),
    x: MARGIN,
    y: size.height - MARGIN,
    width: size.width - 2 * MARGIN,
  })
  let pen = fresh()
  const say = (text: string, at = 11, face = regular) => {
    if (pen.y - at * 2.6 < MARGIN) pen = fresh()
    write(pen, without(text), at, face)
  }
  const heading = (text: string) => {
    pen.y -= 10
    say(text, 14, bold)
  }
  say(`Recall ${lot.code}`, 24, bold)
  say(lot.name, 15, bold)
  say(`As the log stood on ${fullMoment(nowMs)}.`)
  heading(
    `${recall.made} bottles made: ${recall.here} here, ${recall.retained} kept as samples, ${recall.out} out${recall.discarded ? `, ${recall.discarded} thrown away` : ''}`,
  )
  say(
    recall.adds && recall.short === 0
      ? 'Every bottle is accounted for.'
      : `${recall.short} more are said to have left than there were: a count is wrong.`,
  )
  heading('Which bottles')
  for (const run of runs)
    say(
      `${run.lot.code} ${run.lot.name}: ${run.made} made${run.lot.made.kind === 'bottle' ? `, best before ${run.lot.made.bestBefore}` : ''}; ${run.sharePct >= 99.95 ? 'all' : `${run.sharePct.toFixed(1)} %`} of it is this lot; ${(run.lot.bottles?.places ?? []).map(({ place, count }) => `${count} at ${place}`).join(', ') || 'none here'}${run.retained ? `, ${run.retained} samples` : ''}.`,
    )
  const [held, gone] = [
    to.filter(({ how }) => how === 'sold' || how === 'given'),
    to.filter(({ how }) => how === 'used' || how === 'broken'),
  ]
  heading('Whom to call')
  if (held.length === 0) say('Nobody has any.')
  for (const one of held) {
    say(`[  ]  ${one.to}: ${one.count} ${one.how}, last on ${fullDay(one.lastMs)}`)
    pen.y -= 3
    pen.page.drawLine({
      start: { x: MARGIN, y: pen.y },
      end: { x: size.width - MARGIN, y: pen.y },
      thickness: 0.5,
      color: faint,
    })
  }
  if (gone.length) {
    heading('Gone otherwise')
    for (const one of gone) say(`${one.to}: ${one.count} ${one.how}, last on ${fullDay(one.lastMs)}`)
  }
  if (stock.length) {
    heading('Also holding some of it')
    for (const one of stock)
      say(`${one.lot.code} ${one.lot.name}: ${Math.round(one.leftG)} g left, ${one.sharePct.toFixed(1)} % of it`)
  }
  heading('Notes')
  return pdf.save()
}
