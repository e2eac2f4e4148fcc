import { readFile } from 'node:fs/promises'
import type { Download } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** The text of a PDF, page by page, as a reader finds it: lines put together, spaces made one. */
export async function pdfText(download: Promise<Download>): Promise<{ pages: number; text: string; first: string }> {
  const data = new Uint8Array(await readFile(await (await download).path()))
  const pdf = await getDocument({ data, useSystemFonts: false, verbosity: 0 }).promise
  const pages: string[] = []
  for (let number = 1; number <= pdf.numPages; number++) {
    const { items } = await (await pdf.getPage(number)).getTextContent()
    pages.push(
      items
        .map((item) => ('str' in item ? item.str + (item.hasEOL ? ' ' : '') : ''))
        .join('')
        .replace(/\s+/g, ' '),
    )
  }
  return { pages: pdf.numPages, text: pages.join(' '), first: pages[0] ?? '' }
}
