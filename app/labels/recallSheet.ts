import type { Recall } from '@lactofer/core'
import { fullDay, fullMoment } from '~/clock/moments'
import { startPages, type Pages } from './pages'
import type { PageId } from './sheets'

const MARGIN = 42

/** One run of bottles: how many, how much of it is the lot, where it stands. */
function runWords({ lot, made, sharePct, retained }: Recall['runs'][number]): string {
  const before = lot.made.kind === 'bottle' ? `, best before ${lot.made.bestBefore}` : ''
  const share = sharePct >= 99.95 ? 'all' : `${sharePct.toFixed(1)} %`
  const places = (lot.bottles?.places ?? []).map(({ place, count }) => `${count} at ${place}`).join(', ') || 'none here'
  const samples = retained ? `, ${retained} samples` : ''
  return `${lot.code} ${lot.name}: ${made} made${before}; ${share} of it is this lot; ${places}${samples}.`
}

/** Who has any, with a box to tick; apart, what is gone otherwise. */
function writeWhom({ at, say, rule }: Pages, heading: (text: string) => void, to: Recall['to']): void {
  const held = to.filter(({ how }) => how === 'sold' || how === 'given')
  const gone = to.filter(({ how }) => how === 'used' || how === 'broken')
  heading('Whom to call')
  if (held.length === 0) say('Nobody has any.', 11)
  for (const one of held) {
    say(`[  ]  ${one.to}: ${one.count} ${one.how}, last on ${fullDay(one.lastMs)}`, 11)
    at.pen.y -= 3
    rule(at.pen.y, 0.5)
  }
  if (gone.length === 0) return
  heading('Gone otherwise')
  for (const one of gone) say(`${one.to}: ${one.count} ${one.how}, last on ${fullDay(one.lastMs)}`, 11)
}

/** A recall on paper: which bottles, how many of them are where, whom to call. */
export async function recallPdf(recall: Recall, nowMs: number, pageId: PageId = 'a4'): Promise<Uint8Array> {
  const { lot, runs, to, stock, made, here, retained, out, discarded } = recall
  const subject = `${made} made, ${here} here, ${retained} samples, ${out} out`
  const pages = await startPages(`Recall, ${lot.code} ${lot.name}`, subject, pageId, MARGIN)
  const { at, bold, say } = pages
  const heading = (text: string) => {
    at.pen.y -= 10
    say(text, 14, bold)
  }
  say(`Recall ${lot.code}`, 24, bold)
  say(lot.name, 15, bold)
  say(`As the log stood on ${fullMoment(nowMs)}.`, 11)
  const thrown = discarded ? `, ${discarded} thrown away` : ''
  heading(`${made} bottles made: ${here} here, ${retained} kept as samples, ${out} out${thrown}`)
  say(
    recall.adds && recall.short === 0
      ? 'Every bottle is accounted for.'
      : `${recall.short} more are said to have left than there were: a count is wrong.`,
    11,
  )
  heading('Which bottles')
  for (const run of runs) say(runWords(run), 11)
  writeWhom(pages, heading, to)
  if (stock.length) {
    heading('Also holding some of it')
    for (const one of stock)
      say(`${one.lot.code} ${one.lot.name}: ${Math.round(one.leftG)} g left, ${one.sharePct.toFixed(1)} % of it`, 11)
  }
  heading('Notes')
  return pages.pdf.save()
}
