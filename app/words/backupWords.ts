import { counted } from '@lactofer/core'
import { tellSince } from '~/clock/moments'

/** "12 entries and 3 photographs since Sunday". */
export function sinceWords({ entries, pictures, atMs }: { entries: number; pictures: number; atMs: number | null }) {
  const what = [entries && counted(entries, 'entry', 'entries'), pictures && counted(pictures, 'photograph')].filter(
    Boolean,
  )
  return `${what.join(' and ')} ${atMs === null ? 'and no archive yet' : `since ${tellSince(atMs)}`}`
}

/** Bytes as people say them. */
export const sizeWords = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`
