import { archiveName, InvalidInput, momentOf, type UnitWorld } from '@lactofer/core'
import { allEntries, allNewer } from '~/db/journal'
import { fetchRules } from '~/rules/rules'
import { useKeeping } from '~/stores/keeping'
import { lookAtLog, takeLog, writeArchive, type Preview, type TakenIn, type Written } from '~/workers/archiver'
import { saveFile } from './saveFile'

export type { Preview, TakenIn }

/** Writes an archive of everything and hands it over; returns what is in it. */
export async function makeArchive(nowMs: number, world: UnitWorld): Promise<Written & { file: File }> {
  const at = momentOf(nowMs)
  const written = await writeArchive(at, world, null)
  return { ...written, file: new File([written.file ?? ''], archiveName(at), { type: 'application/zip' }) }
}

/** Writes all entries, without pictures, to one open JSON file in the downloads; returns how many it holds. */
export async function saveEntries(nowMs: number): Promise<number> {
  const [{ fileParts }, entries, newer] = await Promise.all([fetchRules(), allEntries(), allNewer()])
  const at = momentOf(nowMs)
  const parts = [...fileParts({ entries, newer }, at)]
  saveFile(new Blob(parts, { type: 'application/json' }), `lactofer-${at.slice(0, 10)}.json`)
  return entries.length + newer.length
}

function found<T>({ found, problem }: { found: T; problem: null } | { found: null; problem: string }): T {
  if (problem !== null) throw new InvalidInput(problem)
  return found as T
}

/**
 * Says what an archive or an open file would bring. Nothing of it is taken in.
 * @throws InvalidInput when the file is refused.
 */
export const lookAtFile = async (file: Blob): Promise<Preview> => found(await lookAtLog(file))

/** Takes in what was looked at last, all or nothing. @throws InvalidInput when it is refused. */
export async function takeFile(): Promise<TakenIn> {
  const keeping = useKeeping()
  const taken = found(await takeLog((photo) => keeping.keepPicture(photo)))
  // What came is recorded once the second copy has it too.
  await keeping.copyFuller(taken.fuller)
  await keeping.compare()
  return taken
}
