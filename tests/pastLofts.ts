import { fold, type Entry } from '@lactofer/core'
import { demoEntries } from '#demo/scenario'

const DAY_MS = 86_400_000

/**
 * The demo's loft as it stood some days before a moment, the maker's own and under ids of its own; what was open then
 * was thrown away since. @param sign one letter or digit of an id, another one for each loft.
 */
export function pastLoft(nowMs: number, days: number, sign: string): Entry[] {
  const text = JSON.stringify(demoEntries(nowMs - days * DAY_MS))
  const entries = JSON.parse(
    text
      .replace(/[0-9A-Z]{26}/g, (id) => `${id.slice(0, 10)}${sign}${id.slice(11)}`)
      .replaceAll('"origin":"demo"', '"origin":"maker"')
      .replaceAll('"BPL-', `"${sign}PL-`),
  ) as Entry[]
  const open = [...fold(entries).lots.values()].filter(({ state }) => state === 'fermenting' || state === 'planned')
  const ends = open.map(({ id }, at) => ({
    ...{ id: `01K${sign.repeat(20)}${String(at).padStart(3, '0')}`, by: 'Bench', origin: 'maker' },
    ...{ at: new Date(nowMs - (days - 3) * DAY_MS).toISOString(), kind: 'discard', lotId: id, reason: 'Old.' },
  }))
  return [...entries, ...(ends as Entry[])]
}
