import { contentG } from './contents'
import type { Entry, EntryOf } from './entry'
import type { WayOut } from './kinds/send'

/**
 * What a lot is: a ferment on its way, a base, pulp or brine from the press, something bought or kept, a blend, a
 * bottling.
 */
export type LotKind = 'ferment' | 'base' | 'pulp' | 'brine' | 'stock' | 'blend' | 'bottled'

/** Where it stands: planned, fermenting, in stock, nothing left, thrown away. */
export type LotState = 'planned' | 'fermenting' | 'in stock' | 'used up' | 'discarded'

/** A flow of mass from or to another lot, g; `entryId` is the fact it rests on. */
export interface Flow {
  lotId: string
  massG: number
  entryId: string
}

/** Bottles that left: how, to whom, when. */
export interface BottlesOut {
  how: WayOut
  to: string
  place: string
  count: number
  atMs: number
}

/**
 * Where the bottles of a run are. `left` stand at `places`, `retained` are kept as a sample, `out` have left,
 * `discarded` were thrown away;
 * `short` is what was said to have left past what there was. Always made + short = left + retained + out +
 * discarded; none is below zero.
 */
export interface Bottles {
  made: number
  left: number
  retained: number
  discarded: number
  short: number
  places: { place: string; count: number }[]
  out: BottlesOut[]
}

/** The state of a lot: always the fold of its entries. Times in ms. */
export interface Lot {
  id: string
  code: string
  /** Codes it had before, oldest first: they may be printed. */
  formerCodes: string[]
  name: string
  color: string
  kind: LotKind
  origin: 'maker' | 'demo'
  startedMs: number
  state: LotState
  hot: boolean
  /** The entry that made it. */
  made: EntryOf<'plan' | 'press' | 'stock' | 'blend' | 'bottle'>
  packed: EntryOf<'pack'> | null
  /** Further packings, which count for nothing. */
  repacked: EntryOf<'pack'>[]
  /** What was actually weighed in; `null` while only the plan is known. */
  weighed: EntryOf<'weigh'> | null
  /** What went in after packing. */
  added: EntryOf<'add'>[]
  /** What ran over. */
  overflowed: EntryOf<'overflow'>[]
  /** Jars that were shared into one more. */
  shares: EntryOf<'share'>[]
  checked: EntryOf<'check'> | null
  readings: EntryOf<'reading'>[]
  /** Small versions tried before it was poured. */
  trials: EntryOf<'trial'>[]
  chores: EntryOf<'chore'>[]
  signs: EntryOf<'sign'>[]
  /** What was seen and tasted, in steps. */
  senses: EntryOf<'sense'>[]
  /** Records of loggers. */
  logged: EntryOf<'logged'>[]
  decisions: EntryOf<'decide'>[]
  /** All of it thrown away. */
  discarded: EntryOf<'discard'> | null
  /** Some of its vessels thrown away. */
  lost: EntryOf<'discard'>[]
  /** Vessels that still hold it, and where they stand; empty while it is not packed. */
  vessels: EntryOf<'pack'>['vessels']
  place: string
  release: EntryOf<'release'> | null
  sent: EntryOf<'send'>[]
  moves: EntryOf<'move'>[]
  /** What left it without becoming another lot. */
  uses: EntryOf<'use'>[]
  /** Temperatures of its cooking and filling. */
  heats: EntryOf<'heat'>[]
  printed: EntryOf<'printed'>[]
  recalls: EntryOf<'recall'>[]
  /** Mass made, taken since and still there, g. `leftG` is never below zero: what was taken past it is `shortG`. */
  madeG: number
  usedG: number
  leftG: number
  shortG: number
  bottles: Bottles | null
  from: Flow[]
  to: Flow[]
  /** All that was said of it, in order, corrections applied. */
  entries: Entry[]
}

/**
 * One empty list for all that nothing was said of: most lots have most lists empty. Frozen, so that nobody fills it
 * by mistake.
 */
export const NONE: never[] = []
Object.freeze(NONE)

/** A lot as the entry that makes it leaves it: nothing else was said of it yet. */
export function newLot(
  entry: Lot['made'],
  rest: Pick<Lot, 'kind' | 'state' | 'madeG'> & Partial<Pick<Lot, 'id' | 'code' | 'name' | 'color' | 'place'>>,
): Lot {
  return {
    id: entry.lotId,
    code: entry.code,
    formerCodes: NONE,
    name: entry.name,
    color: entry.color,
    origin: entry.origin,
    startedMs: Date.parse(entry.at),
    hot: false,
    made: entry,
    packed: null,
    repacked: NONE,
    weighed: null,
    added: NONE,
    overflowed: NONE,
    shares: NONE,
    checked: null,
    readings: NONE,
    trials: NONE,
    chores: NONE,
    signs: NONE,
    senses: NONE,
    logged: NONE,
    decisions: NONE,
    discarded: null,
    lost: NONE,
    vessels: NONE,
    place: '',
    release: null,
    sent: NONE,
    moves: NONE,
    uses: NONE,
    heats: NONE,
    printed: NONE,
    recalls: NONE,
    usedG: 0,
    leftG: 0,
    shortG: 0,
    bottles: null,
    from: NONE,
    to: NONE,
    entries: [entry],
    ...rest,
  }
}

/** Closures of the maker's own, by their names: each works like a usual one; the newest of a name counts. */
export function ownClosures(lots: readonly Lot[]): { called: string; closure: EntryOf<'pack'>['closure'] }[] {
  const own = new Map<string, EntryOf<'pack'>['closure']>()
  for (const { packed, made } of lots) {
    const intended = made.kind === 'plan' ? made.intended : undefined
    if (intended?.called && intended.closure) own.set(intended.called, intended.closure)
    if (packed?.called) own.set(packed.called, packed.closure)
  }
  return [...own].map(([called, closure]) => ({ called, closure }))
}

/** Puts one more into a list of a lot. */
export function add<T>(list: T[], one: T): T[] {
  if (list === NONE) return [one]
  list.push(one)
  return list
}

/** Takes vessels off the shelf. What was seen, tasted or read only in them is gone with them. */
export function withoutVessels(lot: Lot, gone: readonly string[]): void {
  const left = lot.vessels.filter(({ mark }) => !gone.includes(mark))
  const stands = ({ marks }: EntryOf<'sign'> | EntryOf<'sense'> | EntryOf<'reading'>) =>
    !marks?.length || marks.some((mark) => left.some((vessel) => vessel.mark === mark))
  lot.vessels = left
  lot.signs = lot.signs.filter(stands)
  lot.senses = lot.senses.filter(stands)
  lot.readings = lot.readings.filter(stands)
  lot.hot = left.some((vessel) => vessel.hot)
}

/** The effect of an entry that is kept in one of its lot's lists. */
export const addsTo =
  <K extends keyof Lot>(list: K) =>
  (lot: Lot, entry: Lot[K] extends (infer E)[] ? E : never): void => {
    lot[list] = add(lot[list] as unknown[], entry) as Lot[K]
  }

/** What was put into a lot after it was made, g. */
export const addedG = ({ added }: Lot): number => added.reduce((sum, entry) => sum + contentG(entry), 0)

/** A flow into a lot, from the entry that made it. */
export const flowFrom = (lot: Lot, lotId: string, massG: number): Flow => ({ lotId, massG, entryId: lot.made.id })

/** Flows into a lot from the rows it was made of and those put in later; what is no part of a lot brings none. */
export function flowsFrom(lot: Lot, first: readonly { lotId?: string | undefined; massG: number }[]): Flow[] {
  let found: Flow[] = NONE
  for (const { lotId, massG } of first) if (lotId) found = add(found, flowFrom(lot, lotId, massG))
  for (const { rows, id: entryId } of lot.added)
    for (const { lotId, massG } of rows) if (lotId) found = add(found, { lotId, massG, entryId })
  return found
}
