import { HOUR_MS, type Ask, type Lot } from '@lactofer/core'

/* How an ask of the round is told, and where it leads. */

export const LEVEL_WORDS = { discard: 'Discard', act: 'Act', ask: 'Ask', fine: 'Ready' } as const

/** The page of a lot: ferments have one of their own, what came of them stands in the cellar. */
export const pageOfLot = ({ id, kind }: Pick<Lot, 'id' | 'kind'>): string =>
  kind === 'ferment' ? `/ferment/${id}` : `/cellar?lot=${id}`

/** The page an ask leads to. */
export function pageOf({ go, lotId }: Ask): string {
  const pages = {
    press: `/press?lot=${lotId}`,
    blend: `/blend/${lotId}`,
    bottle: `/release/${lotId}`,
    cellar: `/cellar?lot=${lotId}`,
    ferment: `/ferment/${lotId}`,
  }
  return pages[go]
}

/** What its button says. */
export function verbOf({ go, level, title }: Ask): string {
  if (go === 'press') return 'Press'
  if (go === 'bottle' || go === 'cellar' || level === 'discard') return 'Look'
  return title.startsWith('Weigh') ? 'Weigh' : 'Read'
}

/** How long it is overdue, after its title; nothing within three hours. */
export function overdueWords({ dueMs, title }: Ask, nowMs: number): string {
  const hours = dueMs === null ? 0 : (nowMs - dueMs) / HOUR_MS
  if (hours < 3) return ''
  return `${title.endsWith('?') ? '' : ','} ${hours < 36 ? `${Math.round(hours)} h` : `${Math.round(hours / 24)} days`} overdue`
}
