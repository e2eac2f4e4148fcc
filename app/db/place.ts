/** Where the browser keeps text at once; `null` where storage is denied: there even asking for it throws. */
export function placeFor(): Storage | null {
  try {
    return globalThis.localStorage
  } catch {
    return null
  }
}
