import { readFile, writeFile } from '@lactofer/core'
import { allEntries, merge } from '~/db/journal'
import { saveFile } from './saveFile'

/** Writes the whole log to a file in the downloads; returns how many entries it holds. */
export async function exportLog(nowMs: number): Promise<number> {
  const entries = await allEntries()
  const at = new Date(nowMs).toISOString()
  saveFile(new Blob([writeFile(entries, at)], { type: 'application/json' }), `lactofer-${at.slice(0, 10)}.json`)
  return entries.length
}

/** Merges a file into the log, all or nothing. @throws InvalidInput when the file is refused; then nothing has changed. */
export const importLog = async (text: string): Promise<{ added: number, known: number }> => merge(readFile(text))
