/** An archive on its way to the downloads. */
export const PASSING = 'passing.zip'

/**
 * A folder of the browser's private files that belongs to a database: its second copy and all that goes with it when
 * the log is erased.
 */
export async function privateFolder(database: string, ...path: string[]): Promise<FileSystemDirectoryHandle> {
  let here = await navigator.storage.getDirectory()
  for (const name of ['witness', database, ...path]) here = await here.getDirectoryHandle(name, { create: true })
  return here
}
