import { expose } from 'comlink'
import type { JarLabel, Label, Recall } from '@lactofer/core'
import { writeDates, type DateWriting } from '~/clock/moments'
import { batchRecordPdf, type RecordPaper } from '~/labels/batchRecord'
import { batchSheetPdf, type BatchSheet } from '~/labels/batchSheet'
import { labelPress } from '~/labels/bottleLabels'
import { codePicture } from '~/labels/codePicture'
import { jarLabelSheet } from '~/labels/jarLabels'
import type { PageId, SheetId } from '~/labels/sheets'
import { recallPdf } from '~/labels/recallSheet'

/* Paper is set and printed here: the packages that do it take longer to start than a page may stand still. */

/** A label for bottles on a sheet; `link` opens the lot when its code is scanned. */
export interface LabelJob {
  label: Label
  bottleMl: number
  sheetId: SheetId
  link: string
}
/** Everything that can be printed. */
export type PaperJob =
  | ({ kind: 'bottle labels'; count: number; text: string } & LabelJob)
  | { kind: 'jar labels'; labels: readonly JarLabel[]; sheetId: SheetId; link: string }
  | { kind: 'batch sheet'; sheet: BatchSheet; pageId: PageId; link: string }
  | ({ kind: 'batch record' } & RecordPaper)
  | { kind: 'recall'; recall: Recall; nowMs: number }

async function bottleLabels({ label, text, bottleMl, sheetId, count, link }: PaperJob & { kind: 'bottle labels' }) {
  const press = await labelPress(`${label.name}, ${label.lot}`, text.replaceAll('\n', ' '))
  return press.print(press.set(label, bottleMl, sheetId), count, sheetId, link)
}

function make(job: PaperJob): Promise<Uint8Array> {
  switch (job.kind) {
    case 'bottle labels':
      return bottleLabels(job)
    case 'jar labels':
      return jarLabelSheet(job.labels, job.sheetId, job.link)
    case 'batch sheet':
      return batchSheetPdf(job.sheet, job.pageId, job.link)
    case 'batch record':
      return batchRecordPdf(job)
    case 'recall':
      return recallPdf(job.recall, job.nowMs)
  }
}

/** One pair of faces measures for as long as the page is open. */
let press: ReturnType<typeof labelPress> | null = null

const api = {
  /** How a label is set on a sheet, and the code on it. */
  async set({ label, bottleMl, sheetId, link }: LabelJob) {
    const { set } = await (press ??= labelPress('Label'))
    return { ...set(label, bottleMl, sheetId), code: codePicture(link) }
  },
  /** A PDF; dates in it are written so. */
  print(job: PaperJob, dates: DateWriting): Promise<Uint8Array> {
    writeDates(dates)
    return make(job)
  },
}
export type PaperApi = typeof api
/** A label as it is set: its marks, its code, and what the shipped letters do not have. */
export type ShownLabel = Awaited<ReturnType<PaperApi['set']>>

expose(api)
