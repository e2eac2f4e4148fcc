import type { Chore } from '../library/chores'
import type { SIGNS } from '../log/entry'
import type { Lot } from '../log/fold'
import { standing, type Standing } from '../ferment/standing'
import { styleById, type Style } from '../library/styles'

export type Level = 'discard' | 'act' | 'ask' | 'fine'

/** What a lot wants today. `chore` is recorded with one tap; without it the page named by `go` is opened. */
export interface Ask { lotId: string, level: Level, title: string, why: string, chore?: Chore, go: 'ferment' | 'press' | 'bottle' }

const DAY_MS = 86_400_000

const RANK: Record<Level, number> = { discard: 0, act: 1, ask: 2, fine: 3 }

/** The same asks, the most pressing first; equals keep their order. */
export const worstFirst = (asks: readonly Ask[]): Ask[] => [...asks].sort((a, b) => RANK[a.level] - RANK[b.level])

/** Days since packing, the day of packing being day 0. */
export const dayOf = (lot: Lot, nowMs: number): number => Math.max(0, Math.floor((nowMs - lot.startedMs) / DAY_MS))

/** Styles in which pH says little about being done: time, cover or the pot decides. */
const byTimeAlone = (style: Style) => !style.ferments || style.id === 'salt-packed'

/** Standing of a ferment at a moment, or `null` for any other lot. */
export function standingOf(lot: Lot, nowMs: number): Standing | null {
  if (lot.made.kind !== 'plan' || !lot.packed) return null
  const packedMs = Date.parse(lot.packed.at)
  const style = styleById(lot.made.style)
  return standing({
    packedMs, nowMs, targetPh: lot.made.targetPh, ...(byTimeAlone(style) && { readyAfterDays: style.days.low }),
    ph: lot.readings.flatMap(({ at, ph }) => ph === undefined ? [] : [{ atMs: Date.parse(at), ph }]),
    temperatures: lot.readings.flatMap(({ at, tempC }) => tempC === undefined ? [] : [{ atMs: Date.parse(at), tempC }]),
  })
}

const DISCARD_SIGNS: readonly typeof SIGNS[number][] = ['fuzzy growth', 'slime', 'putrid smell', 'pink colour']

/** Whether something was done after a moment. */
const doneSince = (lot: Lot, chore: Chore, sinceMs: number) => lot.chores.some(entry => entry.chore === chore && Date.parse(entry.at) >= sinceMs)

/** Whether an infusion is already the refill: its pods came out of an earlier one. */
export const isRefill = (lot: Lot): boolean => lot.made.kind === 'plan' && lot.made.style === 'infusion' && lot.from.length > 0

/** What one fermenting lot asks for, worst first. Chores come with the style and the closure; signs and pH go before them. Common practice. */
export function asksOf(lot: Lot, nowMs: number): Ask[] {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed || lot.state !== 'fermenting') return []
  const style = styleById(made.style)
  const day = dayOf(lot, nowMs)
  const asks: Ask[] = []
  const ask = (level: Level, title: string, why: string, chore?: Ask['chore'], go: Ask['go'] = 'ferment') =>
    asks.push({ lotId: lot.id, level, title, why, ...(chore && { chore }), go })
  const stale = (chore: Chore, hours: number) => !doneSince(lot, chore, nowMs - hours * 3_600_000)
  const lastSign = lot.signs.at(-1)
  const signMs = lastSign ? Date.parse(lastSign.at) : 0

  const bad = lot.signs.find(sign => DISCARD_SIGNS.includes(sign.sign))
  if (bad) {
    ask('discard', `Discard: ${bad.sign}`, 'Do not taste it, do not scoop it out and keep the rest.')
    return asks
  }
  const stand = standingOf(lot, nowMs)
  if (stand?.state === 'discard') ask('discard', 'Discard', stand.sentence)
  if (stand?.state === 'act') ask('act', 'Read pH: behind', stand.sentence)
  if (stand?.state === 'ask') ask('ask', 'Read pH', stand.sentence)
  if (lastSign?.sign === 'bag ballooned' && !doneSince(lot, 'vent', signMs)) ask('act', 'Vent the bag and reseal', 'It is full of gas; normal while the pH falls.', 'vent')
  if (lastSign?.sign === 'white film') {
    if (!doneSince(lot, 'skim', signMs)) ask('act', 'Skim the white film', 'Film lets air spoil it and eats acid.', 'skim')
    else if (!lot.readings.some(reading => reading.ph !== undefined && Date.parse(reading.at) > signMs)) ask('ask', 'Read pH after the film', 'Film eats acid: the pH can rise.')
  }
  if (lastSign?.sign === 'not covered' && !doneSince(lot, 'top up', signMs)) ask('act', 'Cover it: add juice or brine', 'What stands clear of its liquid moulds. Same strength as inside.', 'top up')
  for (const { chore, title, why, fromDay, toDay, everyH, level, closures } of style.chores) {
    if (day < fromDay || day > toDay || (closures && !closures.includes(packed.closure)) || !stale(chore, everyH)) continue
    if (chore === 'cover check' && lastSign?.sign === 'not covered') continue
    ask(level, title, why, chore)
  }
  if (made.style === 'infusion' && !isRefill(lot) && day >= style.days.low) ask('ask', 'Draw off and refill', 'The pods give a second vinegar; one refill, not two.')
  if (stand?.state === 'ready') ask('fine', 'Ready to press', stand.sentence, undefined, 'press')
  return worstFirst(asks)
}

/** What a finished blend asks for before it may be bottled. */
export function blendAsks(lot: Lot, nowMs: number): Ask[] {
  if (lot.made.kind !== 'blend' || lot.state !== 'in stock') return []
  const blendedMs = Date.parse(lot.made.at)
  const evened = lot.readings.some(reading => reading.ph !== undefined && Date.parse(reading.at) >= blendedMs + DAY_MS)
  return evened || nowMs < blendedMs + DAY_MS ? [] : [{ lotId: lot.id, level: 'ask', title: 'Read the finished pH', why: 'A day has passed since blending: it has evened out.', go: 'bottle' }]
}
