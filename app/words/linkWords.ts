import { counted, DAY_MS, HOUR_MS, MINUTE_MS } from '@lactofer/core'
import type { Told } from '~/db/links'

/** How the others are reached, in a word for the rail, and in a sentence. */
export interface LinkWords {
  short: string
  sentence: string
  /** Whether something is to be done about it. */
  level: 'fine' | 'ask' | 'act'
}

/** What of this log waits: "3 entries and 1 picture waiting". */
const waiting = ({ entries, pictures }: Told): string => {
  const parts = [entries && counted(entries, 'entry', 'entries'), pictures && counted(pictures, 'picture')]
  return parts.some(Boolean) ? `${parts.filter(Boolean).join(' and ')} waiting` : ''
}

/** How one way to the others stands; `null` before it was tried. */
export function linkWords(told: Told | null): LinkWords {
  if (!told) return { short: 'Looking …', sentence: 'The others are being looked for …', level: 'fine' }
  const waits = waiting(told)
  switch (told.state) {
    case 'shared':
      return told.entries
        ? { short: `${told.entries} waiting`, sentence: `${waits}.`, level: 'fine' }
        : { short: 'All here', sentence: told.pictures ? `All here; ${waits}.` : 'All here.', level: 'fine' }
    case 'closed':
      return { short: 'Closed', sentence: `${told.why}${waits ? ` ${waits}.` : ''}`, level: 'act' }
    case 'away':
    case 'refused':
    case 'asks':
      return {
        ...{ short: told.entries ? `${told.entries} waiting` : 'Away', level: 'ask' },
        sentence: told.why
          ? `${told.why}${waits ? ` ${waits}.` : ''}`
          : `${waits || 'Nothing waiting'}, the server is away.`,
      }
  }
}

/** Refusals with how many there were of each: "2 parcels: …". */
export const refusalWords = (refused: readonly string[]): string[] =>
  [...new Set(refused)].map((why) => {
    const count = refused.filter((one) => one === why).length
    return count > 1 ? `${count} times: ${why}` : why
  })

/** A clock is worth a word from so far off on, ms. Judgement: the round goes by hours. */
const OFF_MS = 3 * MINUTE_MS

/** "11 minutes", "3 hours", "2 days". */
function spanWords(ms: number): string {
  if (ms < 1.5 * HOUR_MS) return counted(Math.round(ms / MINUTE_MS), 'minute')
  return ms < 2 * DAY_MS ? counted(Math.round(ms / HOUR_MS), 'hour') : counted(Math.round(ms / DAY_MS), 'day')
}
/** That a device's clock and the server's do not agree; nothing where they do. */
export function clockWords(aheadMs: number | null): string {
  if (aheadMs === null || Math.abs(aheadMs) < OFF_MS) return ''
  return `This device's clock is ${spanWords(Math.abs(aheadMs))} ${aheadMs > 0 ? 'ahead of' : 'behind'} the server's. Set the one that is wrong: what is logged here carries this clock's time.`
}
