/*
 * Which loft this window works in: the maker's own, or the practice loft. It is chosen before anything is opened; a
 * change opens the page anew, so that nothing of the one is in memory of the other.
 */

const KEY = 'lactofer-loft'
const PRACTICE = 'practice'

/** Where storage is denied, even asking for it throws; workers have none, and none of theirs works in practice. */
function place(): Storage | null {
  try {
    return globalThis.sessionStorage
  } catch {
    return null
  }
}

/** Whether this window works in the practice loft. */
export const inPractice: boolean = place()?.getItem(KEY) === PRACTICE

/** What the practice loft calls what the maker's own loft calls so: databases, locks, places to keep things. */
export const practiceName = (name: string): string => `${name}-${PRACTICE}`
/** The name of something that each loft has for itself. */
export const inLoft = (name: string): string => (inPractice ? practiceName(name) : name)

/** From the next opening of the page on this window works there. */
export function chooseLoft(practice: boolean): void {
  if (practice) place()?.setItem(KEY, PRACTICE)
  else place()?.removeItem(KEY)
}
