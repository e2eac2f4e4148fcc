import type { CHORES, SIGNS } from '../log/entry'
import type { Lot } from '../log/fold'
import { standing, type Standing } from '../ferment/standing'
import { styleById } from '../library/styles'

export type Level = 'discard' | 'act' | 'ask' | 'fine'

/** What a lot wants today. `chore` is recorded with one tap; without it the page named by `go` is opened. */
export interface Ask { lotId: string, level: Level, title: string, why: string, chore?: typeof CHORES[number], go: 'ferment' | 'press' | 'bottle' }

const DAY_MS = 86_400_000

const RANK: Record<Level, number> = { discard: 0, act: 1, ask: 2, fine: 3 }

/** The same asks, the most pressing first; equals keep their order. */
export const worstFirst = (asks: readonly Ask[]): Ask[] => [...asks].sort((a, b) => RANK[a.level] - RANK[b.level])

/** Days since packing, the day of packing being day 0. */
export const dayOf = (lot: Lot, nowMs: number): number => Math.max(0, Math.floor((nowMs - lot.startedMs) / DAY_MS))

/** Standing of a ferment at a moment, or `null` for any other lot. */
export function standingOf(lot: Lot, nowMs: number): Standing | null {
  if (lot.made.kind !== 'plan' || !lot.packed) return null
  const packedMs = Date.parse(lot.packed.at)
  return standing({
    packedMs, nowMs, targetPh: lot.made.targetPh, phMatters: lot.made.style !== 'salt-packed',
    ph: lot.readings.flatMap(({ at, ph }) => ph === undefined ? [] : [{ atMs: Date.parse(at), ph }]),
    temperatures: lot.readings.flatMap(({ at, tempC }) => tempC === undefined ? [] : [{ atMs: Date.parse(at), tempC }]),
  })
}

const DISCARD_SIGNS: readonly typeof SIGNS[number][] = ['fuzzy growth', 'slime', 'putrid smell', 'pink colour']

/** Whether something was done after a moment. */
const doneSince = (lot: Lot, chore: typeof CHORES[number], sinceMs: number) => lot.chores.some(entry => entry.chore === chore && Date.parse(entry.at) >= sinceMs)

/** What one fermenting lot asks for, worst first. Common practice; thin: one rule a chore. */
export function asksOf(lot: Lot, nowMs: number): Ask[] {
  const { made, packed } = lot
  if (made.kind !== 'plan' || !packed || lot.state !== 'fermenting') return []
  const style = styleById(made.style)
  const day = dayOf(lot, nowMs)
  const asks: Ask[] = []
  const ask = (level: Level, title: string, why: string, chore?: Ask['chore'], go: Ask['go'] = 'ferment') =>
    asks.push({ lotId: lot.id, level, title, why, ...(chore && { chore }), go })
  const stale = (chore: typeof CHORES[number], hours: number) => !doneSince(lot, chore, nowMs - hours * 3_600_000)
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
  if (made.style === 'salt-packed' && day >= 5 && stale('cover check', 24 * 5) && lastSign?.sign !== 'not covered') ask('ask', 'Check that it is covered', 'Not covered by day 5: add juice.', 'cover check')
  if (packed.closure === 'tight lid' && made.style !== 'salt-packed' && day <= 14 && stale('burp', 20)) ask('act', 'Burp', day >= 2 && day <= 5 ? 'Days 2 to 5 give the most gas. Away from your face.' : 'A closed lid wants it daily.', 'burp')
  if (style.pressDown && made.style !== 'salt-packed' && day >= 1 && day <= 14 && stale('press down', 20)) ask('act', 'Press down', 'Pieces above the liquid mould.', 'press down')
  if (style.pressDown && made.style !== 'salt-packed' && day === 2 && stale('top up', 36)) ask('act', 'Top up', 'Pieces drink brine in the first two days. Same strength as inside.', 'top up')
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
