/* Folders that somebody chose: the browser lets them be chosen, and asks for a yes again another day. */

type Picker = (options: { mode: 'readwrite'; id: string }) => Promise<FileSystemDirectoryHandle>
type Answer = (of: { mode: 'readwrite' }) => Promise<PermissionState>
type Asked = FileSystemDirectoryHandle & { queryPermission?: Answer; requestPermission?: Answer }

const picker = () => (globalThis as { showDirectoryPicker?: Picker }).showDirectoryPicker

/** Whether this browser lets a folder be chosen. */
export const canChooseFolder = (): boolean => picker() !== undefined

/** Lets somebody choose a folder; `null` where they did not. @param id under which the browser remembers the last. */
export const chooseFolder = async (id: string): Promise<FileSystemDirectoryHandle | null> =>
  (await picker()?.({ mode: 'readwrite', id }).catch(() => null)) ?? null

/** Whether a folder may be written without asking; in workers too. */
export const mayWrite = async (folder: Asked): Promise<boolean> =>
  (await (folder.queryPermission?.({ mode: 'readwrite' }) ?? 'granted')) === 'granted'

/** Asks for a folder to be written; only after a press. */
export const askToWrite = async (folder: Asked): Promise<boolean> =>
  (await (folder.requestPermission?.({ mode: 'readwrite' }) ?? 'granted')) === 'granted'
