import { DAY_MS } from '../units/time'

/** So many days, weeks and months back one archive each is kept. Common practice. */
export const KEPT = { days: 7, weeks: 4, months: 12 } as const

const NAME = /^lactofer-(\d{4})-(\d{2})-(\d{2})-(\d{2})(\d{2})(\d{2})\.zip$/

/** When an archive was written, from its name, ms; `null` for any other file. */
export function archivedMs(name: string): number | null {
  const parts = NAME.exec(name)?.slice(1).map(Number)
  if (!parts) return null
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = parts
  return Date.UTC(year, month - 1, day, hour, minute, second)
}

/** A day began at midnight UTC, a week on Monday, a month on its first: which of them, counted. */
const PERIODS = {
  days: (ms: number) => Math.floor(ms / DAY_MS),
  // 1 January 1970 was a Thursday.
  weeks: (ms: number) => Math.floor((ms / DAY_MS + 3) / 7),
  months: (ms: number) => new Date(ms).getUTCFullYear() * 12 + new Date(ms).getUTCMonth(),
}

/**
 * Archives that can go: of the last 7 days, 4 weeks and 12 months the newest of each stays, and the newest of all. What
 * is not an archive by its name is never among them.
 */
export function thinned(names: readonly string[], nowMs: number): string[] {
  const archives = names
    .flatMap((name) => {
      const atMs = archivedMs(name)
      return atMs === null ? [] : [{ name, atMs }]
    })
    .sort((a, b) => b.atMs - a.atMs)
  const kept = new Set(archives.slice(0, 1).map(({ name }) => name))
  for (const period of ['days', 'weeks', 'months'] as const) {
    const number = PERIODS[period]
    const filled = new Set<number>()
    for (const { name, atMs } of archives) {
      // What lies ahead was written by a clock that was wrong: it stays until its time has come.
      if (number(nowMs) - number(atMs) >= KEPT[period] || filled.has(number(atMs))) continue
      filled.add(number(atMs))
      kept.add(name)
    }
  }
  return archives.filter(({ name }) => !kept.has(name)).map(({ name }) => name)
}
