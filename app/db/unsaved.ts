import { inLoft } from './loft'
import { placeFor } from './place'

/*
 * What was typed in the last moment before the page went. The journal's own writes come too late for it: a page that
 * goes takes them along unfinished.
 * So it is put where writing is done at once, and moves into the journal when the form opens again.
 */
const PREFIX = `${inLoft('lactofer:last')}:`

/**
 * Keeps the text of a form. Where the browser has no room, the form stands as the journal last had it, half a second
 * before.
 */
export function keepUnsaved(key: string, text: string): void {
  const place = placeFor()
  try {
    place?.setItem(PREFIX + key, text)
  } catch {
    place?.removeItem(PREFIX + key)
  }
}

/** Takes the text of a form out again; `undefined` where there is none. */
export function takeUnsaved(key: string): unknown {
  const place = placeFor()
  const text = place?.getItem(PREFIX + key) ?? null
  place?.removeItem(PREFIX + key)
  return text === null ? undefined : JSON.parse(text)
}

/** Forgets everything. */
export function forgetUnsaved(): void {
  const place = placeFor()
  for (const key of Object.keys(place ?? {})) if (key.startsWith(PREFIX)) place?.removeItem(key)
}
