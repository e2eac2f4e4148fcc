import { inLoft } from './loft'
import { placeFor } from './place'

/*
 * Whether there were entries at the last visit: what they are read and drawn by is fetched before the log is opened. A
 * hint, never a truth.
 */

const KEY = inLoft('lactofer-had-entries')

/** Whether there were any, as far as is known. */
export const hadEntries = (): boolean => placeFor()?.getItem(KEY) === 'yes'

/** Keeps whether there are any, for the next visit. */
export function noteEntries(any: boolean): void {
  try {
    if (any !== hadEntries()) placeFor()?.setItem(KEY, any ? 'yes' : 'no')
  } catch {
    // Without room for it the next visit begins as if there were none.
    return
  }
}
