import type { PouredRow } from '../log/contents'
import type { Entry, EntryOf } from '../log/entry'
import type { Book } from '../lots/fold'
import type { Lot } from '../log/lot'
import { ancestors, descendants } from '../lots/lineage'

/**
 * Name of what Lactofer writes; parts of it that are used are told in docs/file-format.md. From memory of GS1 EPCIS
 * 2.0 and CBV 2.0.
 */
const CONTEXT = 'https://ref.gs1.org/standards/epcis/2.0.0/epcis-context.jsonld'

/** A quantity of a class of things: grams (UN/ECE code GRM), or pieces without a unit. */
export interface EpcisQuantity {
  epcClass: string
  quantity: number
  uom?: 'GRM'
}
/** An event as it stands in the file: what, when, where, why. */
export interface EpcisEvent {
  type: 'ObjectEvent' | 'TransformationEvent'
  eventID: string
  eventTime: string
  recordTime?: string
  eventTimeZoneOffset: '+00:00'
  bizStep: string
  disposition?: string
  readPoint: { id: string }
  action?: 'ADD' | 'OBSERVE' | 'DELETE'
  quantityList?: EpcisQuantity[]
  inputQuantityList?: EpcisQuantity[]
  outputQuantityList?: EpcisQuantity[]
  destinationList?: { type: 'possessing_party'; destination: string }[]
}
export interface EpcisDocument {
  '@context': string
  type: 'EPCISDocument'
  schemaVersion: '2.0'
  creationDate: string
  epcisBody: { eventList: EpcisEvent[] }
}

const slug = (text: string) =>
  encodeURIComponent(text.trim().toLowerCase().replace(/\s+/g, '-')).replace(/[!'()*]/g, '') || 'unnamed'
/**
 * Private identifiers, as EPCIS allows them: lots by their id, materials, places and parties by their names. A maker
 * with a GS1 prefix maps them.
 */
const lotClass = (lotId: string) => `urn:lactofer:lot:${lotId}`
const materialClass = (id: string) => `urn:lactofer:material:${slug(id)}`
const place = (name: string) => `urn:lactofer:place:${slug(name || 'bench')}`
const grams = (epcClass: string, massG: number): EpcisQuantity => ({
  epcClass,
  quantity: Number(massG.toFixed(3)),
  uom: 'GRM',
})

const inputsOf = (rows: readonly PouredRow[], waterG = 0, saltG = 0): EpcisQuantity[] => [
  ...rows.map((row) => grams(row.lotId ? lotClass(row.lotId) : materialClass(row.materialId ?? row.name), row.massG)),
  grams(materialClass('water'), waterG),
  grams(materialClass('salt'), saltG),
]
const massOf = (rows: readonly PouredRow[], elseG = 0): number => rows.reduce((sum, { massG }) => sum + massG, elseG)

/** All of a lot as it stands, in its own unit. */
const allOf = ({ id, bottles }: Lot, massG: number): EpcisQuantity =>
  bottles ? { epcClass: lotClass(id), quantity: bottles.made } : grams(lotClass(id), massG)
const pieces = ({ id }: Lot, count: number): EpcisQuantity => ({ epcClass: lotClass(id), quantity: count })

const baseOf = (
  entry: Entry,
  where: string,
): Pick<EpcisEvent, 'eventID' | 'eventTime' | 'eventTimeZoneOffset' | 'readPoint'> => ({
  eventID: `urn:lactofer:entry:${entry.id}`,
  eventTime: entry.at,
  eventTimeZoneOffset: '+00:00',
  readPoint: { id: place(where) },
})

/** Something became something else; nothing is told where either side is empty. */
function transformed(entry: Entry, where: string, inputs: EpcisQuantity[], outputs: EpcisQuantity[]): EpcisEvent[] {
  const some = (list: EpcisQuantity[]) => list.filter(({ quantity }) => quantity > 0)
  if (!some(inputs).length || !some(outputs).length) return []
  return [
    {
      type: 'TransformationEvent',
      ...baseOf(entry, where),
      bizStep: 'commissioning',
      disposition: 'active',
      inputQuantityList: some(inputs),
      outputQuantityList: some(outputs),
    },
  ]
}

/** Something was seen, came or went. `to` is who has it then. */
function observed(
  entry: Entry,
  where: string,
  what: Required<Pick<EpcisEvent, 'action' | 'bizStep' | 'disposition'>>,
  quantityList: EpcisQuantity[],
  to?: string,
): EpcisEvent {
  const party = to && [{ type: 'possessing_party' as const, destination: `urn:lactofer:party:${slug(to)}` }]
  return {
    type: 'ObjectEvent',
    ...baseOf(entry, where),
    ...what,
    quantityList,
    ...(party && { destinationList: party }),
  }
}

const RECEIVED = { action: 'ADD', bizStep: 'receiving', disposition: 'active' } as const
const STORED = { action: 'OBSERVE', bizStep: 'storing', disposition: 'active' } as const
const SHIPPED = { action: 'OBSERVE', bizStep: 'shipping', disposition: 'in_transit' } as const
const USED = { action: 'DELETE', bizStep: 'decommissioning', disposition: 'inactive' } as const
const DESTROYED = { action: 'DELETE', bizStep: 'destroying', disposition: 'destroyed' } as const
const inspected = (released: boolean) =>
  ({
    action: 'OBSERVE',
    bizStep: 'inspecting',
    disposition: released ? 'sellable_accessible' : 'non_sellable_other',
  }) as const

/** How a lot came to be. A press makes up to three lots and is told once, with the first of them. */
function madeEvents(lot: Lot): EpcisEvent[] {
  const { made } = lot
  switch (made.kind) {
    case 'plan': {
      const { rows, waterG, saltG } = lot.weighed ?? made
      const packed = [grams(lotClass(lot.id), massOf(rows, waterG + saltG))]
      return lot.packed ? transformed(lot.packed, lot.place, inputsOf(rows, waterG, saltG), packed) : []
    }
    case 'stock':
      return [observed(made, lot.place, RECEIVED, [allOf(lot, made.massG)])]
    case 'press':
      return transformed(
        made,
        '',
        [grams(lotClass(made.fromLotId), made.inG)],
        [
          grams(lotClass(made.lotId), made.baseG),
          ...(made.pulpLotId ? [grams(lotClass(made.pulpLotId), made.pulpG)] : []),
          ...(made.brineLotId ? [grams(lotClass(made.brineLotId), made.brineG ?? 0)] : []),
        ],
      )
    case 'blend':
      return transformed(made, '', inputsOf(made.parts), [grams(lotClass(lot.id), massOf(made.parts))])
    case 'bottle':
      return transformed(
        made,
        made.place ?? '',
        [grams(lotClass(made.fromLotId), made.usedG)],
        [allOf(lot, made.usedG)],
      )
  }
}

/** Bottles that left: shipped to somebody, used, or destroyed. */
function sentEvent(lot: Lot, sent: EntryOf<'send'>): EpcisEvent {
  const how = sent.how ?? 'sold'
  const [where, what] = [sent.place ?? '', [pieces(lot, sent.count)]]
  if (how === 'sold' || how === 'given') return observed(sent, where, SHIPPED, what, sent.to)
  return observed(sent, where, how === 'broken' ? DESTROYED : USED, what)
}

/** What happened to a lot once it was there. */
const laterEvents = (lot: Lot): EpcisEvent[] => [
  ...lot.added.flatMap((added) =>
    transformed(added, lot.place, inputsOf(added.rows, added.waterG, added.saltG), [
      grams(lotClass(lot.id), massOf(added.rows, added.waterG + added.saltG)),
    ]),
  ),
  ...(lot.release
    ? [observed(lot.release, lot.place, inspected(lot.release.decision === 'released'), [allOf(lot, lot.madeG)])]
    : []),
  ...lot.moves.map((move) =>
    observed(move, move.place, STORED, [move.count === undefined ? allOf(lot, lot.madeG) : pieces(lot, move.count)]),
  ),
  ...lot.sent.map((sent) => sentEvent(lot, sent)),
  ...lot.uses.map((use) => observed(use, lot.place, USED, [grams(lotClass(lot.id), use.massG)])),
  ...lot.lost.map((lost) => observed(lost, lot.place, DESTROYED, [grams(lotClass(lot.id), lost.massG ?? 0)])),
  ...(lot.discarded ? [observed(lot.discarded, lot.place, DESTROYED, [destroyed(lot, lot.discarded)])] : []),
]

/** What was thrown away with a lot: the bottles that were left then; what was sold before was not destroyed. */
const destroyed = (lot: Lot, { massG }: EntryOf<'discard'>): EpcisQuantity =>
  lot.bottles ? pieces(lot, lot.bottles.discarded) : grams(lotClass(lot.id), massG ?? lot.leftG)

/**
 * What happened to a lot, to all it came from and all it went into, as an EPCIS 2.0 document: transformations
 * (packing, adding, pressing, blending, bottling)
 * and objects (taken into stock, inspected and released, moved, shipped, sold, destroyed).
 * @param createdAt a moment in UTC. @returns `null` when the lot is not in the book.
 */
export function epcisOf(book: Book, lotId: string, createdAt: string): EpcisDocument | null {
  const self = book.lots.get(lotId)
  if (!self) return null
  const back = ancestors(book, lotId).map(({ lot }) => lot)
  const lots = [...back.reverse(), self, ...descendants(book, lotId).map(({ lot }) => lot)]
  const told = new Set<string>()
  const events = lots.flatMap((lot) => {
    const known = lot.made.kind === 'press' && told.has(lot.made.id)
    told.add(lot.made.id)
    return [...(known ? [] : madeEvents(lot)), ...laterEvents(lot)]
  })
  return {
    '@context': CONTEXT,
    type: 'EPCISDocument',
    schemaVersion: '2.0',
    creationDate: createdAt,
    epcisBody: {
      eventList: events.sort((a, b) => (a.eventTime < b.eventTime ? -1 : a.eventTime > b.eventTime ? 1 : 0)),
    },
  }
}
