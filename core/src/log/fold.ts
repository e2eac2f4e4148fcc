import type { Library } from '../library/library'
import type { Entry, EntryOf } from './entry'
import { bottlesOf, type Bottles } from './bottles'
import { byTime } from './merge'
import { libraryOf } from './ownLibrary'
import { suppliesOf, type Supply } from './supplies'
import { recipesOf, type Recipe } from './recipes'

/** What a lot is: a ferment on its way, a base, pulp or brine from the press, something bought or kept, a blend, a bottling. */
export type LotKind = 'ferment' | 'base' | 'pulp' | 'brine' | 'stock' | 'blend' | 'bottled'

/** Where it stands: planned, fermenting, in stock, nothing left, thrown away. */
export type LotState = 'planned' | 'fermenting' | 'in stock' | 'used up' | 'discarded'

/** A flow of mass from or to another lot, g; `entryId` is the fact it rests on. */
export interface Flow {
  lotId: string
  massG: number
  entryId: string
}

/** The state of a lot: always the fold of its entries. Times in ms. */
export interface Lot {
  id: string
  code: string
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
  /** What was actually weighed in; `null` while only the plan is known. */
  weighed: EntryOf<'weigh'> | null
  /** What went in after packing. */
  added: EntryOf<'add'>[]
  checked: EntryOf<'check'> | null
  readings: EntryOf<'reading'>[]
  /** Small versions tried before it was poured. */
  trials: EntryOf<'trial'>[]
  chores: EntryOf<'chore'>[]
  signs: EntryOf<'sign'>[]
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

/** The folded log. `lastCorrection` is the id of the entry that corrected or took back another one last. `trials` stand apart from lots as well: their blend may not be poured yet. `orphans` speak of lots that are not there (yet); the library is the shipped one with the maker's own values over it. */
export interface Book {
  lots: ReadonlyMap<string, Lot>
  orphans: Entry[]
  standing: Entry[]
  trials: readonly EntryOf<'trial'>[]
  library: Library
  recipes: readonly Recipe[]
  supplies: readonly Supply[]
  lastCorrection: string
}

/** Entries that count: of several corrections of one entry the one written last, and none that was replaced. Ordered, each once. */
export function standingEntries(entries: readonly Entry[]): Entry[] {
  // A log as it is kept comes in order of its ids: then none is there twice.
  const rising = entries.every((entry, index) => index === 0 || (entries[index - 1] as Entry).id < entry.id)
  const once = rising ? entries : [...new Map(entries.map((entry) => [entry.id, entry])).values()]
  const winner = new Map<string, string>()
  for (const { id, replaces } of once) {
    if (replaces && (winner.get(replaces) ?? '') < id) winner.set(replaces, id)
  }
  return once
    .filter(
      (entry) =>
        !winner.has(entry.id) &&
        entry.kind !== 'retract' &&
        (!entry.replaces || winner.get(entry.replaces) === entry.id),
    )
    .sort(byTime)
}

type Maker = Lot['made']

/** One empty list for all that nothing was said of: most lots have most lists empty. Frozen, so that nobody fills it by mistake. */
const NONE: never[] = []
Object.freeze(NONE)

function newLot(
  entry: Maker,
  rest: Pick<Lot, 'id' | 'code' | 'kind' | 'state' | 'madeG'> & Partial<Pick<Lot, 'name' | 'color' | 'place'>>,
): Lot {
  return {
    name: entry.name,
    color: entry.color,
    origin: entry.origin,
    startedMs: Date.parse(entry.at),
    hot: false,
    made: entry,
    packed: null,
    weighed: null,
    added: NONE,
    checked: null,
    readings: NONE,
    trials: NONE,
    chores: NONE,
    signs: NONE,
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

/** Puts one more into a list of a lot. */
function add<T>(list: T[], one: T): T[] {
  if (list === NONE) return [one]
  list.push(one)
  return list
}

/** Grams of a content. */
const contentG = ({ rows, waterG, saltG }: Pick<EntryOf<'add'>, 'rows' | 'waterG' | 'saltG'>): number =>
  rows.reduce((sum, row) => sum + row.massG, waterG + saltG)

/** The lots an entry brings into being; most bring none. */
function lotsMadeBy(entry: Entry): Lot[] {
  switch (entry.kind) {
    case 'plan':
      return [
        newLot(entry, { id: entry.lotId, code: entry.code, kind: 'ferment', state: 'planned', madeG: contentG(entry) }),
      ]
    case 'press': {
      const lots = [
        newLot(entry, { id: entry.lotId, code: entry.code, kind: 'base', state: 'in stock', madeG: entry.baseG }),
      ]
      if (entry.pulpLotId)
        lots.push(
          newLot(entry, {
            id: entry.pulpLotId,
            code: entry.pulpCode ?? `${entry.code}-P`,
            kind: 'pulp',
            state: 'in stock',
            madeG: entry.pulpG,
            name: `${entry.name}, pulp`,
          }),
        )
      if (entry.brineLotId)
        lots.push(
          newLot(entry, {
            id: entry.brineLotId,
            code: entry.brineCode ?? `${entry.code}-K`,
            kind: 'brine',
            state: 'in stock',
            madeG: entry.brineG ?? 0,
            name: `${entry.name}, brine`,
            color: '#cdbd84',
          }),
        )
      return lots
    }
    case 'stock':
      return [
        newLot(entry, { id: entry.lotId, code: entry.code, kind: 'stock', state: 'in stock', madeG: entry.massG }),
      ]
    case 'blend':
      return [
        newLot(entry, {
          id: entry.lotId,
          code: entry.code,
          kind: 'blend',
          state: 'in stock',
          madeG: entry.parts.reduce((sum, part) => sum + part.massG, 0),
        }),
      ]
    case 'bottle':
      return [
        newLot(entry, {
          id: entry.lotId,
          code: entry.code,
          kind: 'bottled',
          state: 'in stock',
          madeG: entry.usedG,
          place: entry.place ?? '',
        }),
      ]
    default:
      return NONE
  }
}

/** Where a lot's mass came from, by the entry that made it. */
function sourcesOf(lot: Lot): Flow[] {
  const { made } = lot
  const flow = (lotId: string, massG: number): Flow => ({ lotId, massG, entryId: made.id })
  const flows = (first: readonly { lotId?: string | undefined; massG: number }[]) => {
    let found: Flow[] = NONE
    for (const { lotId, massG } of first) if (lotId) found = add(found, flow(lotId, massG))
    for (const { rows } of lot.added)
      for (const { lotId, massG } of rows) if (lotId) found = add(found, flow(lotId, massG))
    return found
  }
  switch (made.kind) {
    case 'plan':
      return flows((lot.weighed ?? made).rows)
    case 'press':
      return [
        flow(
          made.fromLotId,
          lot.kind === 'pulp'
            ? made.pulpG
            : lot.kind === 'brine'
              ? (made.brineG ?? 0)
              : made.inG - (made.pulpLotId ? made.pulpG : 0) - (made.brineLotId ? (made.brineG ?? 0) : 0),
        ),
      ]
    case 'blend':
      return flows(made.parts)
    case 'bottle':
      return [flow(made.fromLotId, made.usedG)]
    default:
      return NONE
  }
}

/** Takes the vessels named off the shelf; with none left, or none named, all of it is gone. */
function throwAway(lot: Lot, entry: EntryOf<'discard'>): void {
  const left = entry.marks ? lot.vessels.filter((vessel) => !entry.marks?.includes(vessel.mark)) : []
  if (left.length === 0) {
    lot.discarded = entry
    return
  }
  lot.lost = add(lot.lost, {
    ...entry,
    massG: lot.vessels.filter((vessel) => !left.includes(vessel)).reduce((sum, vessel) => sum + vessel.massG, 0),
  })
  lot.vessels = left
  // What was seen only in the vessels thrown away is gone with them.
  lot.signs = lot.signs.filter(
    ({ marks }) => !marks?.length || marks.some((mark) => left.some((vessel) => vessel.mark === mark)),
  )
  lot.hot = left.some((vessel) => vessel.hot)
}

/** Applies what an entry says of a lot that exists. */
function apply(lot: Lot, entry: Entry): void {
  lot.entries.push(entry)
  switch (entry.kind) {
    case 'pack':
      lot.packed = entry
      lot.state = 'fermenting'
      lot.startedMs = Date.parse(entry.at)
      lot.hot = entry.vessels.some((vessel) => vessel.hot)
      lot.vessels = entry.vessels
      lot.place = entry.place
      break
    case 'weigh':
      lot.weighed = entry
      break
    case 'add':
      lot.added = add(lot.added, entry)
      break
    case 'check':
      lot.checked = entry
      break
    case 'reading':
      lot.readings = add(lot.readings, entry)
      break
    case 'trial':
      lot.trials = add(lot.trials, entry)
      break
    case 'chore':
      lot.chores = add(lot.chores, entry)
      break
    case 'sign':
      lot.signs = add(lot.signs, entry)
      break
    case 'release':
      lot.release = entry
      break
    case 'logged':
      lot.logged = add(lot.logged, entry)
      break
    case 'decide':
      lot.decisions = add(lot.decisions, entry)
      lot.place = entry.place ?? lot.place
      break
    case 'discard':
      throwAway(lot, entry)
      break
    case 'send':
      lot.sent = add(lot.sent, entry)
      break
    case 'use':
      lot.uses = add(lot.uses, entry)
      break
    case 'heat':
      lot.heats = add(lot.heats, entry)
      break
    case 'printed':
      lot.printed = add(lot.printed, entry)
      break
    case 'recall':
      lot.recalls = add(lot.recalls, entry)
      break
    case 'move':
      lot.moves = add(lot.moves, entry)
      if (entry.count === undefined) lot.place = entry.place
      break
    default:
      break
  }
}

/** Settles what is left once every entry has been applied. */
function settle(lot: Lot, lots: ReadonlyMap<string, Lot>, triedG: number): void {
  const addedG = lot.added.reduce((sum, added) => sum + contentG(added), 0)
  if (lot.made.kind === 'plan') lot.madeG = contentG(lot.weighed ?? lot.made) + addedG
  if (lot.made.kind === 'blend') lot.madeG += addedG
  // What was tried, or used up, is gone from the jar too.
  lot.usedG =
    lot.to.reduce((sum, flow) => sum + flow.massG, triedG) + lot.uses.reduce((sum, { massG }) => sum + massG, 0)
  const restG = lot.madeG - lot.usedG - lot.lost.reduce((sum, { massG = 0 }) => sum + massG, 0)
  lot.leftG = Math.max(0, restG)
  lot.shortG = Math.max(0, -restG)
  if (lot.made.kind === 'bottle') lot.bottles = bottlesOf(lot, lot.made)
  // Liquid drawn off leaves the rest fermenting; anything else that was taken is the press.
  const pressed = lot.to.some(({ lotId }) => {
    const made = lots.get(lotId)?.made
    return !(made?.kind === 'press' && made.method === 'draw')
  })
  const gone = lot.bottles ? lot.bottles.left === 0 : lot.usedG > 0 && lot.leftG < 0.005 * lot.madeG
  if (lot.discarded) lot.state = 'discarded'
  else if (gone) lot.state = 'used up'
  else if (lot.kind === 'ferment' && lot.packed && pressed) lot.state = 'in stock'
}

/**
 * The state of everything, from entries in any order, any of them repeated: the same entries give the same book.
 * Entries that speak of a lot that is not there are kept aside as orphans.
 */
export function fold(entries: readonly Entry[]): Book {
  const standing = standingEntries(entries)
  const lots = new Map<string, Lot>()
  const orphans: Entry[] = []
  const remarks: Entry[] = []
  for (const entry of standing) {
    if (
      entry.kind === 'recipe' ||
      entry.kind === 'material' ||
      entry.kind === 'vessel' ||
      entry.kind === 'calibrate' ||
      entry.kind === 'format' ||
      entry.kind === 'supply'
    )
      continue
    const made = lotsMadeBy(entry)
    if (made.length === 0) remarks.push(entry)
    for (const lot of made) if (!lots.has(lot.id)) lots.set(lot.id, lot)
  }
  const trials = remarks.filter((entry) => entry.kind === 'trial')
  const tried = new Map<string, number>()
  for (const { lotId, massG } of trials.flatMap(({ parts }) => parts))
    if (lotId) tried.set(lotId, (tried.get(lotId) ?? 0) + massG)
  for (const entry of remarks) {
    const lot = 'lotId' in entry ? lots.get(entry.lotId) : undefined
    if (entry.kind === 'trial')
      for (const lotId of new Set(entry.parts.map((part) => part.lotId ?? ''))) lots.get(lotId)?.entries.push(entry)
    if (lot) apply(lot, entry)
    else if (entry.kind !== 'trial') orphans.push(entry)
  }
  for (const lot of lots.values()) {
    lot.from = sourcesOf(lot)
    for (const { lotId, massG, entryId } of lot.from) {
      const source = lots.get(lotId)
      if (source) source.to = add(source.to, { lotId: lot.id, massG, entryId })
      if (source && !source.entries.some((known) => known.id === entryId)) source.entries.push(lot.made)
    }
  }
  for (const lot of lots.values()) {
    if (lot.entries.length > 1) lot.entries.sort(byTime)
    settle(lot, lots, tried.get(lot.id) ?? 0)
  }
  return {
    lots,
    orphans,
    standing,
    trials,
    library: libraryOf(standing),
    recipes: recipesOf(standing),
    supplies: suppliesOf(standing),
    lastCorrection: entries.reduce((last, { id, replaces }) => (replaces && id > last ? id : last), ''),
  }
}
