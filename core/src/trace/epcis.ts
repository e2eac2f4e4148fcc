import type { Entry } from '../log/entry'
import type { Book } from '../log/fold'
import type { Lot } from '../log/lot'
import { ancestors, descendants } from '../log/lineage'

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

/**
 * What happened to a lot, to all it came from and all it went into, as an EPCIS 2.0 document: transformations
 * (packing, adding, pressing, blending, bottling)
 * and objects (taken into stock, inspected and released, moved, shipped, sold, destroyed).
 * @param createdAt a moment in UTC. @returns `null` when the lot is not in the book.
 */
export function epcisOf(book: Book, lotId: string, createdAt: string): EpcisDocument | null {
  const self = book.lots.get(lotId)
  if (!self) return null
  const lots = [
    ...ancestors(book, lotId)
      .map((kin) => kin.lot)
      .reverse(),
    self,
    ...descendants(book, lotId).map((kin) => kin.lot),
  ]
  const events: EpcisEvent[] = []
  const base = (
    entry: Entry,
    where: string,
  ): Pick<EpcisEvent, 'eventID' | 'eventTime' | 'eventTimeZoneOffset' | 'readPoint'> => ({
    eventID: `urn:lactofer:entry:${entry.id}`,
    eventTime: entry.at,
    eventTimeZoneOffset: '+00:00',
    readPoint: { id: place(where) },
  })
  const transform = (entry: Entry, where: string, inputs: EpcisQuantity[], outputs: EpcisQuantity[]) => {
    const some = (list: EpcisQuantity[]) => list.filter(({ quantity }) => quantity > 0)
    if (some(inputs).length && some(outputs).length)
      events.push({
        type: 'TransformationEvent',
        ...base(entry, where),
        bizStep: 'commissioning',
        disposition: 'active',
        inputQuantityList: some(inputs),
        outputQuantityList: some(outputs),
      })
  }
  const object = (
    entry: Entry,
    where: string,
    action: NonNullable<EpcisEvent['action']>,
    bizStep: string,
    disposition: string,
    quantityList: EpcisQuantity[],
    to?: string,
  ) =>
    events.push({
      type: 'ObjectEvent',
      ...base(entry, where),
      action,
      bizStep,
      disposition,
      quantityList,
      ...(to && {
        destinationList: [{ type: 'possessing_party' as const, destination: `urn:lactofer:party:${slug(to)}` }],
      }),
    })
  const inputsOf = (
    rows: readonly { lotId?: string | undefined; materialId?: string | undefined; name: string; massG: number }[],
    waterG = 0,
    saltG = 0,
  ) => [
    ...rows.map((row) => grams(row.lotId ? lotClass(row.lotId) : materialClass(row.materialId ?? row.name), row.massG)),
    grams(materialClass('water'), waterG),
    grams(materialClass('salt'), saltG),
  ]
  /** All of a lot as it stands, in its own unit. */
  const all = (lot: Lot, massG: number): EpcisQuantity =>
    lot.bottles ? { epcClass: lotClass(lot.id), quantity: lot.bottles.made } : grams(lotClass(lot.id), massG)
  const pieces = (lot: Lot, count: number): EpcisQuantity => ({ epcClass: lotClass(lot.id), quantity: count })
  const pressed = new Set<string>()
  for (const lot of lots) {
    const { made } = lot
    switch (made.kind) {
      case 'plan': {
        const { rows, waterG, saltG } = lot.weighed ?? made
        if (lot.packed)
          transform(lot.packed, lot.place, inputsOf(rows, waterG, saltG), [
            grams(
              lotClass(lot.id),
              rows.reduce((sum, row) => sum + row.massG, waterG + saltG),
            ),
          ])
        break
      }
      case 'stock':
        object(made, lot.place, 'ADD', 'receiving', 'active', [all(lot, made.massG)])
        break
      case 'press':
        if (pressed.has(made.id)) break
        pressed.add(made.id)
        transform(
          made,
          '',
          [grams(lotClass(made.fromLotId), made.inG)],
          [
            grams(lotClass(made.lotId), made.baseG),
            ...(made.pulpLotId ? [grams(lotClass(made.pulpLotId), made.pulpG)] : []),
            ...(made.brineLotId ? [grams(lotClass(made.brineLotId), made.brineG ?? 0)] : []),
          ],
        )
        break
      case 'blend':
        transform(made, '', inputsOf(made.parts), [
          grams(
            lotClass(lot.id),
            made.parts.reduce((sum, part) => sum + part.massG, 0),
          ),
        ])
        break
      case 'bottle':
        transform(made, made.place ?? '', [grams(lotClass(made.fromLotId), made.usedG)], [all(lot, made.usedG)])
        break
    }
    for (const added of lot.added)
      transform(added, lot.place, inputsOf(added.rows, added.waterG, added.saltG), [
        grams(
          lotClass(lot.id),
          added.rows.reduce((sum, row) => sum + row.massG, added.waterG + added.saltG),
        ),
      ])
    if (lot.release)
      object(
        lot.release,
        lot.place,
        'OBSERVE',
        'inspecting',
        lot.release.decision === 'released' ? 'sellable_accessible' : 'non_sellable_other',
        [all(lot, lot.madeG)],
      )
    for (const move of lot.moves)
      object(move, move.place, 'OBSERVE', 'storing', 'active', [
        move.count === undefined ? all(lot, lot.madeG) : pieces(lot, move.count),
      ])
    for (const sent of lot.sent) {
      const how = sent.how ?? 'sold'
      if (how === 'sold' || how === 'given')
        object(sent, sent.place ?? '', 'OBSERVE', 'shipping', 'in_transit', [pieces(lot, sent.count)], sent.to)
      else
        object(
          sent,
          sent.place ?? '',
          'DELETE',
          how === 'broken' ? 'destroying' : 'decommissioning',
          how === 'broken' ? 'destroyed' : 'inactive',
          [pieces(lot, sent.count)],
        )
    }
    for (const use of lot.uses)
      object(use, lot.place, 'DELETE', 'decommissioning', 'inactive', [grams(lotClass(lot.id), use.massG)])
    if (lot.discarded)
      object(lot.discarded, lot.place, 'DELETE', 'destroying', 'destroyed', [
        all(lot, lot.discarded.massG ?? lot.madeG),
      ])
  }
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
